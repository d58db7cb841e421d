using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>The day on which a machine's waste is to be seen to next, and what of it.</summary>
/// <param name="On">The day: what has to be early is told by its early end.</param>
/// <param name="Says">What is due then.</param>
public sealed record WasteDue(DateTimeOffset On, string Says)
{
    /// <summary>The first of bottle, store and counter; null while nothing is known of its use.</summary>
    /// <param name="store">Its store.</param>
    /// <param name="now">The time.</param>
    public static WasteDue? Of(StoreOnMachine store, DateTimeOffset now)
    {
        // A bottle takes what comes: the pads behind it fill no further.
        if (store.Bottle is { } bottle)
            return bottle.Days is { } days
                ? new WasteDue(now.AddDays(days.Low), $"Outside bottle: empty it at {bottle.EmptyAtMl:0}\u2009ml, long before it is full")
                : null;
        if (store.Estimate is not { } says || store.PointsPerDay is null)
            return null;
        WasteDue?[] due =
        [
            says.StoreDueOn is { } full ? new WasteDue(full, "Waste store: weigh it, then renew it or wash it") : null,
            store.Borderless?.FullOn.Early is { } edge
                ? new WasteDue(edge, "Borderless counter: near its limit, where borderless prints stop")
                : null,
            says.CounterFullOn.Early is { } stop ? new WasteDue(stop, "Waste counter: near its limit, where the machine stops") : null,
        ];
        return due.OfType<WasteDue>().MinBy(d => d.On);
    }

    /// <summary>The line on the paper of the hand-over; none while nothing is known.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="job">The job.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    public static HandOverLines OnPaper(MachineModel model, JobState job, WasteNumbers numbers, DateTimeOffset now) =>
        StoreOnMachine.Of(model, job.Machine, numbers, now) is { } store && Of(store, now) is { } due
            ? new HandOverLines([], [$"{due.Says}; not before {due.On:d MMM yyyy}."])
            : HandOverLines.None;
}
