using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>What the record of a waste store tells diagnosis.</summary>
public static class WasteFacts
{
    private const string Seen = "store-seen-to";
    private const string Unserviced = "reset-unserviced";
    private const string Full = "store-full";

    /// <summary>The facts there are.</summary>
    public static readonly IReadOnlyList<FactKind> Kinds =
    [
        new(Seen, ["yes", "no"], "", "Whether the waste store was renewed, washed or emptied since its counter was last reset"),
        new(Full, ["yes", "no", "unknown"], "", "Whether the waste store is at the mass it is used to, on the full side"),
        new(Unserviced, ["yes", "no"], "", "Whether the counter was reset while nothing was done to the store"),
    ];

    /// <summary>What its mass says; nothing where the model does not tell what its store holds.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="job">A job on it.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    public static IEnumerable<Fact> OnModel(MachineModel model, JobState job, WasteNumbers numbers, DateTimeOffset now) =>
        StoreOnMachine.CautiousRoom(model, job.Machine, numbers, now) is { } room
            ?
            [
                new Fact(
                    Full,
                    room <= 0 ? "yes" : "no",
                    null,
                    room <= 0 ? "The waste store may be full by what is on record" : $"The waste store has room for about {room:0}\u2009g",
                    null
                ),
            ]
            : [];

    /// <summary>The facts of a machine; none where its store was never told of.</summary>
    /// <param name="job">A job on it.</param>
    public static IEnumerable<Fact> Of(JobState job)
    {
        var life = job.Machine.StoreLife;
        if (life.Count == 0)
            return [];
        var reset = life.LastOrDefault(l => l.What.What == StoreChange.Reset)?.At ?? DateTimeOffset.MinValue;
        var seen = life.Where(l =>
                l.What.What is StoreChange.Renewed or StoreChange.Washed or StoreChange.Emptied or StoreChange.BottleFitted
            )
            .Select(l => l.At)
            .Concat(job.Machine.Work.Where(w => w.Work.Tags.Contains(CounterReset.SeenToTag)).Select(w => w.At))
            .Where(at => at > reset)
            .Select(at => (DateTimeOffset?)at)
            .FirstOrDefault();
        var marked = job.Machine.Modifications.GetValueOrDefault((CounterReset.Unserviced, ""));
        return
        [
            new Fact(
                Seen,
                seen is null ? "no" : "yes",
                null,
                seen is null ? "Not seen to since its reset" : "Seen to since its reset",
                seen
            ),
            new Fact(Unserviced, marked is null ? "no" : "yes", null, marked?.What.Says ?? "No reset without service", marked?.Since),
        ];
    }
}
