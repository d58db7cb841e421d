using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>One thing that a safe reset asks for.</summary>
/// <param name="Id">read, room or marked.</param>
/// <param name="IsMet">Whether it is so.</param>
/// <param name="Says">What, in words.</param>
public sealed record GateItem(string Id, bool IsMet, string Says);

/// <summary>
/// Whether the waste counter may be reset now. A counter may be reset when it was read on this visit, and when its store was seen to since
/// the last reset or a weighing since then shows room for a whole run; else it is an overflow that waits.
/// </summary>
/// <param name="Items">What it asks for.</param>
/// <param name="IsOpen">Whether all of it is met.</param>
/// <param name="Needs">What would meet what is missing, in words.</param>
public sealed record ResetGate(IReadOnlyList<GateItem> Items, bool IsOpen, IReadOnlyList<string> Needs)
{
    private static readonly Dictionary<string, string> Words = new()
    {
        [StoreTold.Weighed] = "weigh it, with room for a whole run",
        [StoreTold.Renewed] = "renew it",
        [StoreTold.Washed] = "wash and dry it",
        [StoreTold.Emptied] = "fit or empty an outside bottle",
    };

    /// <summary>The gate of a machine.</summary>
    /// <param name="store">Its store.</param>
    /// <param name="machine">It, as it stands.</param>
    /// <param name="since">When this visit began.</param>
    public static ResetGate Of(StoreOnMachine store, MachineCase machine, DateTimeOffset since)
    {
        // What was read before the last reset tells nothing of the next.
        var reset = store.Moments.ToList().FindLastIndex(m => m.What is WasteEvent.Reset);
        var read = store.Moments.Skip(reset + 1).LastOrDefault(m => m.What is WasteEvent.CounterRead && m.At >= since);
        var (may, room) = store.Estimate is { } e ? (e.MayReset, e.Room) : (false, default);
        List<GateItem> items =
        [
            new(
                "read",
                read is not null,
                read is null ? "Counter read on this visit" : $"Counter read: {((WasteEvent.CounterRead)read.What).Pct:0.#}\u2009%"
            ),
            new(
                "room",
                may,
                may
                    ? $"The store has room for about {Math.Max(0, room.Best):0}\u2009g"
                    : "The store seen to, or weighed with room for a whole run"
            ),
        ];
        if (machine.Modifications.ContainsKey((CounterReset.Unserviced, "")))
            items.Add(new GateItem("marked", false, "It was reset without service before: nothing was done to its store since"));
        // A mark is taken off by a service alone, whatever a weighing says.
        var marked = items.Any(i => i.Id == "marked");
        var needs = marked ? Words.Keys.Where(n => n != StoreTold.Weighed).ToList() : store.Estimate?.Needs ?? [];
        return new ResetGate(items, items.All(i => i.IsMet), [.. needs.Select(n => Words[n])]);
    }
}
