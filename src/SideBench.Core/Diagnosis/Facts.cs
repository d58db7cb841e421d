using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Everything a written condition can look at: the machine, its context, what was told and done.</summary>
public sealed record Facts
{
    /// <summary>The machine's model.</summary>
    public required MachineModel Model { get; init; }

    /// <summary>Context words from take-in, such as ink = refilled.</summary>
    public required IReadOnlyDictionary<string, string> Context { get; init; }

    /// <summary>What is known of the machine and its job beside that, by key.</summary>
    public IReadOnlyDictionary<string, Fact> Known { get; init; } = new Dictionary<string, Fact>();

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

    /// <summary>The named practice followed, by school.</summary>
    public IReadOnlyDictionary<string, string> Schools { get; init; } = new Dictionary<string, string>();

    /// <summary>The bill so far: bench time and parts, money.</summary>
    public double Spent { get; init; }

    /// <summary>What the customer will pay without being asked, money; null when not told.</summary>
    public double? Limit { get; init; }

    /// <summary>Parts that are not on the shelf.</summary>
    public IReadOnlyCollection<string> PartsMissing { get; init; } = [];

    /// <summary>What this shop's own closed jobs of such a case turned out to be.</summary>
    public ShopCounts Counts { get; init; } = ShopCounts.None;

    /// <summary>The case as it would be with one more answer.</summary>
    /// <param name="finding">The finding.</param>
    /// <param name="outcome">Its answer.</param>
    public Facts With(string finding, string outcome) =>
        this with
        {
            Answers = new Dictionary<string, string>(Answers) { [finding] = outcome },
        };

    /// <summary>The case as it would be with the customer's word.</summary>
    /// <param name="word">The word.</param>
    public Facts WithWord(string word) => this with { Consents = [.. Consents, word] };
}
