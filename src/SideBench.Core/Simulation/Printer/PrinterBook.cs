using SideBench.Core.Simulation.Heads;

namespace SideBench.Core.Simulation.Printer;

/// <summary>From where to where a quantity of a simulated printer lies, in the unit of its part.</summary>
/// <param name="From">Least, inclusive.</param>
/// <param name="To">Most, inclusive.</param>
public readonly record struct Bounds(double From, double To)
{
    /// <summary>The value itself where it lies within, otherwise one drawn from within.</summary>
    public double Brought(double value, Random chance) => value >= From && value <= To ? value : From + ((To - From) * chance.NextDouble());
}

/// <summary>How a fault stands in a printer's state, and how the state is once the fault is mended.</summary>
/// <param name="Causes">The causes of the book that stand so.</param>
/// <param name="Is">While it is there, by quantity.</param>
/// <param name="Then">When it is mended, by quantity.</param>
public sealed record Illness(
    IReadOnlyList<string> Causes,
    IReadOnlyDictionary<string, Bounds> Is,
    IReadOnlyDictionary<string, Bounds> Then
);

/// <summary>What an answer says of the state.</summary>
/// <param name="Finding">The finding.</param>
/// <param name="Outcome">Its answer.</param>
/// <param name="Is">Within what the state then lies, by quantity.</param>
public sealed record AnswerState(string Finding, string Outcome, IReadOnlyDictionary<string, Bounds> Is);

/// <summary>How simulated printers behave, beyond what the fault book says of their faults.</summary>
/// <param name="ComesBack">Chance that a dried nozzle fires again, by the machine's operation, 0 to 1.</param>
/// <param name="DriesPerWeek">Chance that a nozzle dries within a week without use, 0 to 1.</param>
/// <param name="Fewer">When gaps get fewer, the chance of each to come back, 0 to 1.</param>
/// <param name="More">When gaps get more, how many more there are, as a share of those there were.</param>
/// <param name="LeastMore">When gaps get more, how many more there are at least.</param>
/// <param name="FeedsFrom">From what share of a full damper on a channel is fed, 0 to 1.</param>
/// <param name="DryPerWeek">Share of the volatile part of waste ink that dries within a week, 0 to 1.</param>
/// <param name="Volatile">Share of waste ink that can dry at all, 0 to 1.</param>
/// <param name="Density">Mass of ink, g/ml.</param>
/// <param name="TestPageTimes">How many times the ink of a plain page a full page takes.</param>
public sealed record PrinterNumbers(
    IReadOnlyDictionary<string, double> ComesBack,
    double DriesPerWeek,
    double Fewer,
    double More,
    int LeastMore,
    double FeedsFrom,
    double DryPerWeek,
    double Volatile,
    double Density,
    double TestPageTimes
);

/// <summary>What simulated printers are made of, as a pack says it: stand-ins are data too.</summary>
/// <param name="Numbers">How they behave.</param>
/// <param name="Well">How each quantity lies on a machine without fault.</param>
/// <param name="Ills">How the book's causes stand in the state; a cause that is not named shows in answers alone.</param>
/// <param name="Answers">What answers say of the state.</param>
/// <param name="Gaps">What is behind the gaps that a cause makes; one that is not named clogs.</param>
public sealed record PrinterBook(
    PrinterNumbers Numbers,
    IReadOnlyDictionary<string, Bounds> Well,
    IReadOnlyList<Illness> Ills,
    IReadOnlyList<AnswerState> Answers,
    IReadOnlyDictionary<string, ChannelTruth> Gaps
)
{
    private static readonly Dictionary<string, Bounds> Nothing = [];

    /// <summary>How a cause stands in the state; nothing when it shows in answers alone.</summary>
    public IReadOnlyDictionary<string, Bounds> Ill(string cause) => Find(cause)?.Is ?? Nothing;

    /// <summary>How the state is once a cause is mended.</summary>
    public IReadOnlyDictionary<string, Bounds> Mended(string cause) => Find(cause)?.Then ?? Nothing;

    /// <summary>What an answer says of the state; nothing when it says nothing.</summary>
    public IReadOnlyDictionary<string, Bounds> Said(string finding, string outcome) =>
        Answers.FirstOrDefault(a => a.Finding == finding && a.Outcome == outcome)?.Is ?? Nothing;

    private Illness? Find(string cause) => Ills.FirstOrDefault(i => i.Causes.Contains(cause));
}
