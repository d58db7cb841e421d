using SideBench.Core.Machines;
using SideBench.Web.Features.Jobs;

namespace SideBench.Web.Features.Machines;

/// <summary>Lays out how a machine stands.</summary>
public static class MachineViews
{
    /// <summary>What is known of it: lasting changes, what is in its slots, the counter as last read.</summary>
    public static IReadOnlyList<KnownView> Known(MachineCase machine)
    {
        var known = machine.Modifications.Values.Select(m => new KnownView(m.What.Key, m.What.Says, m.Since)).ToList();
        known.AddRange(
            machine.Slots.OrderBy(s => s.Key.Value).Select(s => new KnownView("slot", $"Slot {s.Key.Value}: {s.Value.Says}", s.Value.Since))
        );
        if (machine.Counter is { } counter)
            known.Add(new KnownView("counter", $"Waste counter read: {counter.Reading.Value:0.##}\u2009%", counter.At));
        return known;
    }
}
