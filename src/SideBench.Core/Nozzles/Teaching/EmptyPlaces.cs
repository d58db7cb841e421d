namespace SideBench.Core.Nozzles.Teaching;

/// <summary>Places where a block would fit and none is: a channel that printed nothing, or a sheet that has none there.</summary>
internal static class EmptyPlaces
{
    private const double RowsBetween = 1.5;
    private const double Slack = 0.3;

    /// <summary>A sentence for each kind of place; empty when there is none.</summary>
    /// <param name="seen">The blocks.</param>
    /// <param name="pageRight">Where the page ends, pixels of the plane.</param>
    /// <param name="pageLeft">Where it begins.</param>
    public static IEnumerable<string> Of(IReadOnlyList<SeenBlock> seen, double pageRight, double pageLeft)
    {
        var (left, right) = (seen.Min(b => b.X - (b.Length / 2)), seen.Max(b => b.X - (b.Length / 2) + b.Width));
        var bottom = seen.Max(b => b.Y + b.Height);
        if (
            seen.Any(like =>
                seen.Any(a => seen.Any(b => IsFree(a.X, b.Y, like)) || IsFreeBelow(a, like))
                || seen.Any(b =>
                    IsFree(b.X + b.Width + (2 * (b.Pitch - b.Length)) + b.Pitch, b.Y, like) && b.X + (2 * b.Width) + b.Pitch < right
                )
            )
        )
            yield return "Between the blocks there is room for another: a channel may have printed nothing.";
        var room = Math.Min(pageRight - right, pageRight - right - (left - pageLeft) + seen.Min(b => b.Pitch));
        if (room > seen.Min(b => b.Width))
            yield return "Right of the last block there is room for another: a channel may have printed nothing.";

        bool IsFreeBelow(SeenBlock above, SeenBlock like)
        {
            var y = above.Y + above.Height + (RowsBetween * above.Row);
            return y + (like.Height / 2) < bottom && IsFree(above.X, y, like);
        }

        bool IsFree(double x, double y, SeenBlock like) =>
            x + like.Width < right + (like.Length / 2) + (Slack * like.Pitch)
            && y < bottom
            && seen.All(c => x + like.Width < c.X || c.X + c.Width < x || y + like.Height < c.Y || c.Y + c.Height < y);
    }
}
