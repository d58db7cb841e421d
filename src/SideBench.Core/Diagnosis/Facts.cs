using SideBench.Core.Logbook;
using SideBench.Core.Machines;
using SideBench.Core.StripDown;

namespace SideBench.Core.Diagnosis;

/// <summary>Everything a written condition can look at: the machine, its context, what was told and done.</summary>
public sealed record Facts
{
    /// <summary>The machine's model.</summary>
    public required MachineModel Model { get; init; }

    /// <summary>Context words from take-in, such as ink = refilled.</summary>
    public required IReadOnlyDictionary<string, string> Context { get; init; }

    /// <summary>The standing answer of each finding told, by finding.</summary>
    public IReadOnlyDictionary<string, string> Answers { get; init; } = new Dictionary<string, string>();

    /// <summary>Tags of the work done, oldest first; each repair gives all its tags in one set.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Done { get; init; } = [];

    /// <summary>What lies on the tray.</summary>
    public IReadOnlyList<TrayItem> Tray { get; init; } = [];

    /// <summary>The waste counter as last read, percent; null when not known.</summary>
    public double? CounterPct { get; init; }

    /// <summary>What the customer has agreed to, such as <c>open-in-warranty</c>.</summary>
    public IReadOnlyCollection<string> Consents { get; init; } = [];

    /// <summary>The case as it would be with one more answer.</summary>
    public Facts With(CaseEvent.Told answer) =>
        this with { Answers = new Dictionary<string, string>(Answers) { [answer.Finding] = answer.Outcome } };
}
