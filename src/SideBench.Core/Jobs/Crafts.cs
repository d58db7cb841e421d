using System.Collections.Frozen;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The crafts of this shop, plugged together: kinds of line, facts, and what each keeps of a job.</summary>
public sealed class Crafts
{
    private readonly FrozenDictionary<string, EntryKind> kinds;

    /// <summary>Plugs them together.</summary>
    /// <param name="all">The crafts, the job's own first. A kind declared twice is a mistake in our own code.</param>
    public Crafts(IReadOnlyList<Craft> all)
    {
        All = all;
        kinds = all.SelectMany(c => c.Kinds).Append(Corrected.Form).ToFrozenDictionary(k => k.Name);
        FactKinds = all.SelectMany(c => c.FactKinds).ToFrozenDictionary(f => f.Key);
    }

    /// <summary>All of them.</summary>
    public IReadOnlyList<Craft> All { get; }

    /// <summary>Facts that written conditions can ask for, by key.</summary>
    public IReadOnlyDictionary<string, FactKind> FactKinds { get; }

    /// <summary>Every kind of line that can be read.</summary>
    public IReadOnlyCollection<string> Kinds => kinds.Keys;

    /// <summary>The kind of that name, or null when no craft here knows it.</summary>
    public EntryKind? Kind(string name) => kinds.GetValueOrDefault(name);

    /// <summary>What the crafts keep of a new job.</summary>
    internal Dictionary<Type, CraftState> Begin(MachineCase machine) =>
        All.Select(c => c.Begin?.Invoke(machine)).OfType<CraftState>().ToDictionary(s => s.GetType());

    /// <summary>What is known of a job and its machine, by key.</summary>
    /// <param name="job">The job.</param>
    /// <param name="known">What is known beside that.</param>
    public IReadOnlyDictionary<string, Fact> FactsOf(JobState job, IEnumerable<Fact>? known = null) =>
        All.SelectMany(c => c.Facts(job)).Concat(known ?? []).GroupBy(f => f.Key).ToDictionary(g => g.Key, g => g.Last());
}
