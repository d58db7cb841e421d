using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>What a craft adds to the record and to the folds. Declared once, in the craft's folder.</summary>
/// <param name="Name">Its name, that of its folder.</param>
/// <param name="Kinds">The kinds of line it writes.</param>
public sealed record Craft(string Name, IReadOnlyList<EntryKind> Kinds)
{
    /// <summary>The facts it knows, for written conditions.</summary>
    public IReadOnlyList<FactKind> FactKinds { get; init; } = [];

    /// <summary>Its facts of a job and its machine.</summary>
    public Func<JobState, IEnumerable<Fact>> Facts { get; init; } = _ => [];

    /// <summary>Its facts of a job that need its model and its house numbers; null when it has none.</summary>
    public Func<MachineModel, JobState, object, DateTimeOffset, IEnumerable<Fact>>? FactsOnModel { get; init; }

    /// <summary>
    /// The record that holds its house numbers, every one of them required; null when it has none. Packs fill it from
    /// <c>numbers/</c>, under the craft's name.
    /// </summary>
    public Type? Numbers { get; init; }

    /// <summary>What it keeps of a new job on a machine as it stands; null when it keeps nothing of its own.</summary>
    public Func<MachineCase, CraftState>? Begin { get; init; }

    /// <summary>What it adds to the paper of the hand-over: parts used, and what to watch.</summary>
    public Func<JobState, HandOverLines> HandOver { get; init; } = _ => HandOverLines.None;

    /// <summary>What it adds there that needs its model and its house numbers; null when it has none.</summary>
    public Func<MachineModel, JobState, object, DateTimeOffset, HandOverLines>? HandOverOnModel { get; init; }
}

/// <summary>What a craft adds to the paper of the hand-over.</summary>
/// <param name="Used">Parts and consumables used.</param>
/// <param name="Watch">What to watch.</param>
public sealed record HandOverLines(IReadOnlyList<string> Used, IReadOnlyList<string> Watch)
{
    /// <summary>What work brought back, by what was seen before and after.</summary>
    public IReadOnlyList<string> CameBack { get; init; } = [];

    /// <summary>Nothing.</summary>
    public static readonly HandOverLines None = new([], []);
}
