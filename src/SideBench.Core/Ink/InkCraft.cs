using SideBench.Core.Jobs;

namespace SideBench.Core.Ink;

/// <summary>Ink and chips: what is really in a slot, and what a chip counts.</summary>
public static class InkCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Ink", [ChipsRead.Form, SlotsWeighed.Form, SlotsFilled.Form, SlotsReset.Form, SlotFitted.Form])
    {
        Numbers = typeof(InkNumbers),
    };
}
