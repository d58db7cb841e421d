namespace SideBench.Core.Nozzles.Teaching;

/// <summary>
/// Dashes of a faint ink that ran into one another: in a coarse picture the gap between two columns closes. How long a dash is and
/// how far columns are apart, other blocks tell.
/// </summary>
internal static class MergedDashes
{
    private const double LengthSlack = 0.14;
    private const int Most = 24;

    /// <summary>The dashes with merged ones taken apart; null when none is.</summary>
    /// <param name="dashes">All dashes.</param>
    /// <param name="blocks">Blocks so far, the largest first: what belongs to one stands alone.</param>
    /// <param name="angle">Angle of the dashes, radians.</param>
    public static List<Stroke>? Parted(IReadOnlyList<Stroke> dashes, IReadOnlyList<DashBlock> blocks, double angle)
    {
        if (blocks.Count == 0)
            return null;
        var (pitch, length) = Sizes(dashes, blocks[0], angle);
        if (!(pitch > length && length > 0))
            return null;
        var own = blocks.SelectMany(b => b.Cells.Keys).ToHashSet();
        var parted = new List<Stroke>();
        var any = false;
        for (var i = 0; i < dashes.Count; i++)
        {
            var d = dashes[i];
            var many = own.Contains(i) ? 1 : (int)Math.Round((d.Length + pitch - length) / pitch);
            var isMerged =
                many is >= 2 and <= Most && Math.Abs((many * pitch) - pitch + length - d.Length) < LengthSlack * pitch * Math.Sqrt(many);
            any |= isMerged;
            for (var k = 0; k < (isMerged ? many : 1); k++)
                parted.Add(isMerged ? Piece(d, k, many, pitch, length, angle) : d);
        }

        return any ? parted : null;
    }

    private static Stroke Piece(Stroke d, int k, int many, double pitch, double length, double angle)
    {
        var along = (k - ((many - 1) / 2.0)) * pitch;
        return d with
        {
            X = d.X + (along * Math.Cos(d.Angle)),
            Y = d.Y + (along * Math.Sin(d.Angle)),
            Length = length,
            Angle = angle,
            Pixels = d.Pixels / many,
        };
    }

    private static (double Pitch, double Length) Sizes(IReadOnlyList<Stroke> dashes, DashBlock block, double angle)
    {
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        var byCell = block.Cells.ToDictionary(c => c.Value, c => dashes[c.Key]);
        var pitches = byCell
            .Where(c => byCell.ContainsKey((c.Key.Column + 1, c.Key.Row)))
            .Select(c => (From: c.Value, To: byCell[(c.Key.Column + 1, c.Key.Row)]))
            .Select(p => ((p.To.X - p.From.X) * cos) + ((p.To.Y - p.From.Y) * sin));
        return (DashColumns.Middle(pitches), DashColumns.Middle(block.Cells.Keys.Select(i => dashes[i].Length)));
    }
}
