using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>Words of ink and chips.</summary>
public static class InkWords
{
    internal const string Board = "board";
    internal const string HandTool = "hand-tool";
    internal const string Auto = "auto";
    internal const string Panel = "panel";

    /// <summary>What fill plugs are called while they lie on the tray.</summary>
    public const string Plugs = "fill plugs";

    internal static readonly IReadOnlyList<string> Tools = [HandTool, Board, Auto, Panel];
    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth"];

    /// <summary>What a reset is made with.</summary>
    internal static string Tool(string tool) =>
        tool switch
        {
            Board => "the reset board",
            HandTool => "the hand tool",
            Auto => "the replace routine",
            _ => "the panel",
        };

    /// <summary>A slot as it is found by hand, from where a person stands.</summary>
    /// <param name="slot">The slot.</param>
    /// <param name="fromBack">Whether the person stands behind the machine.</param>
    public static string Place(Slot slot, bool fromBack) =>
        $"{Ordinal(fromBack ? slot.FromBack : slot.FromFront)} from the left"
        + (slot.Bay.Length > 0 ? $", {slot.Bay} bay" : "")
        + (fromBack ? ", seen from the back" : ", seen from the front");

    private static string Ordinal(int n) => n <= Ordinals.Length ? Ordinals[n - 1] : $"{n}th";
}
