namespace SideBench.Core.Own;

/// <summary>House numbers of own machines.</summary>
/// <param name="AxisWeights">How much a differing answer parts two kinds, by axis.</param>
/// <param name="LeastFactor">A family default is at least so wide: 8 of 10 machines lie within this factor, up and down.</param>
/// <param name="MeasuredFactor">How far a measurement at the bench is off, as such a factor, by unit.</param>
/// <param name="FarOff">So many spreads from what was expected a measurement is asked about.</param>
/// <param name="Helps">Complaints whose jobs go by a figure, by how its place in the model's file begins.</param>
/// <param name="UsualParts">Parts that come off most machines, to be told with one press.</param>
/// <param name="MostOff">A measurement of the record that is off by more than this share, one standard deviation, is not one.</param>
/// <param name="PointDays">Two weighings of a store so many days apart say what a point brings; later too much has dried, days.</param>
/// <param name="PointSd">What dries meanwhile, as a share of the grams of a point, one standard deviation.</param>
/// <param name="ChargeClock">The kind of clock that runs while a machine charges.</param>
/// <param name="ChargeOperation">The operation that it times.</param>
/// <param name="PrintingTag">Findings of the book with this tag print pages, whose ink no line tells.</param>
/// <param name="MostTaken">A figure remembers so many measurements of the record at most.</param>
/// <param name="MostInks">Slots of a machine at most.</param>
public sealed record OwnNumbers(
    IReadOnlyDictionary<string, double> AxisWeights,
    double LeastFactor,
    IReadOnlyDictionary<string, double> MeasuredFactor,
    double FarOff,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Helps,
    IReadOnlyList<UsualPart> UsualParts,
    double MostOff,
    double PointDays,
    double PointSd,
    string ChargeClock,
    string ChargeOperation,
    string PrintingTag,
    int MostTaken,
    int MostInks
);

/// <summary>A part that most machines have.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="View">Side from which it is usually reached.</param>
/// <param name="Way">off, open, aside or unplugged.</param>
/// <param name="Minutes">How long it usually takes, min.</param>
public sealed record UsualPart(string Name, string View, string Way, double Minutes);
