namespace SideBench.Core.Own;

/// <summary>House numbers of own machines.</summary>
/// <param name="AxisWeights">How much a differing answer parts two kinds, by axis.</param>
/// <param name="LeastFactor">A family default is at least so wide: 8 of 10 machines lie within this factor, up and down.</param>
/// <param name="MeasuredFactor">How far a measurement at the bench is off, as such a factor, by unit.</param>
/// <param name="FarOff">So many spreads from what was expected a measurement is asked about.</param>
/// <param name="Helps">Complaints whose jobs go by a figure, by how its place in the model's file begins.</param>
/// <param name="MostInks">Slots of a machine at most.</param>
public sealed record OwnNumbers(
    IReadOnlyDictionary<string, double> AxisWeights,
    double LeastFactor,
    IReadOnlyDictionary<string, double> MeasuredFactor,
    double FarOff,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Helps,
    int MostInks
);
