using SideBench.Core.Machines;

namespace SideBench.Core.HeadCare;

/// <summary>What a clean is run on: the groups of the machine that hold something missing.</summary>
public static class HeadGroups
{
    /// <summary>The slots of those groups, by panel number; none when that is all of them.</summary>
    /// <param name="model">The model.</param>
    /// <param name="channels">Channels with something missing.</param>
    public static IReadOnlyList<int> Slots(MachineModel model, IReadOnlyList<ChannelCare> channels)
    {
        List<int> slots = [.. model.HeadCare.Groups.Where(g => channels.Any(c => g.Contains(c.Slot))).SelectMany(g => g).Order()];
        return slots.Count == model.Slots.Count ? [] : slots;
    }

    /// <summary>Slots in words; empty for all.</summary>
    public static string Words(MachineModel model, IReadOnlyList<int> slots) =>
        slots.Count == 0 ? "" : string.Join(", ", slots.Select(s => model.Slots.First(o => o.Panel == s).Ink));
}
