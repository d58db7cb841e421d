using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Jobs;

/// <summary>What every job has, whatever the craft: take-in, tray, clocks, waits, place, notes, the customer's word, ending.</summary>
public static class JobsCraft
{
    /// <summary>The waste counter as it was last read, on this visit or an earlier one.</summary>
    public const string CounterLast = "counter-last";

    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new(
        "Jobs",
        [
            CustomerRegistered.Form,
            MachineRegistered.Form,
            TakenIn.Form,
            TrayPutBy.Form,
            TrayCleared.Form,
            ClockStarted.Form,
            ClockStopped.Form,
            WaitSet.Form,
            PlaceSet.Form,
            Noted.Form,
            Consented.Form,
            Closed.Form,
            HandedOver.Form,
            MachineChanged.Form,
        ]
    )
    {
        FactKinds = [new FactKind(CounterLast, [], Reading.OfCounter, "The waste counter as last read, on this visit or an earlier one")],
        Facts = Known,
        Numbers = typeof(JobsNumbers),
    };

    private static IEnumerable<Fact> Known(JobState job)
    {
        if (job.Machine.Counter is { } read)
            yield return new Fact(CounterLast, null, read.Reading.Value, $"Waste counter read: {read.Reading.Value:0.##}\u2009%", read.At);
    }
}
