namespace SideBench.Core.StripDown;

/// <summary>What became of one group of screws, clips or nuts: every one of them is somewhere.</summary>
/// <param name="Total">How many the machine has.</param>
/// <param name="Out">Taken out and not put back, with those lost.</param>
/// <param name="Lost">Lost, or missing already when it was opened, and not replaced.</param>
/// <param name="Replaced">Replaced from stock.</param>
/// <param name="Empty">Holes that went back empty.</param>
public readonly record struct FastenerCount(int Total, int Out = 0, int Lost = 0, int Replaced = 0, int Empty = 0)
{
    /// <summary>How many are in the machine.</summary>
    public int In => Total - Out - Empty;

    /// <summary>How many are on the tray.</summary>
    public int OnTray => Out - Lost;

    /// <summary>Whether every one is accounted for: in the machine, on the tray, lost, or a hole left empty.</summary>
    public bool Balances => In >= 0 && OnTray >= 0 && Lost >= 0 && Empty >= 0 && In + OnTray + Lost + Empty == Total;

    /// <summary>After some came out.</summary>
    public FastenerCount TakenOut(int count) =>
        count >= 0 && count <= In
            ? this with
            {
                Out = Out + count,
            }
            : throw new ArgumentOutOfRangeException(nameof(count), count, "more than are in");

    /// <summary>After one or more on the tray were lost; they are looked for on the tray first.</summary>
    public FastenerCount Lose(int count) =>
        count >= 0 && count <= OnTray
            ? this with
            {
                Lost = Lost + count,
            }
            : throw new ArgumentOutOfRangeException(nameof(count), count, "more than are on the tray");

    /// <summary>After lost ones were replaced from stock.</summary>
    public FastenerCount Replace(int count) =>
        count >= 0 && count <= Lost
            ? this with
            {
                Lost = Lost - count,
                Replaced = Replaced + count,
            }
            : throw new ArgumentOutOfRangeException(nameof(count), count, "more than are lost");

    /// <summary>After some went back.</summary>
    public FastenerCount PutBack(int count) =>
        count >= 0 && count <= OnTray
            ? this with
            {
                Out = Out - count,
            }
            : throw new ArgumentOutOfRangeException(nameof(count), count, "more than are on the tray");

    /// <summary>After the holes of what is lost were left empty.</summary>
    /// <param name="mayStayEmpty">How many may.</param>
    /// <returns>Null when more are lost than may stay empty.</returns>
    public FastenerCount? LeaveEmpty(int mayStayEmpty) =>
        Empty + Lost <= mayStayEmpty ? this with { Out = Out - Lost, Empty = Empty + Lost, Lost = 0 } : null;
}
