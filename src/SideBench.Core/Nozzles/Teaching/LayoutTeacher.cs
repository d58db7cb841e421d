using System.Globalization;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>
/// Makes a layout from the picture of a good sheet: finds columns and blocks of dashes, the plane they lie on, their pitches, inks and
/// marks; then reads its own picture with it. What it cannot know it asks; what it doubts it says; what shows no rule it refuses.
/// </summary>
public static class LayoutTeacher
{
    private const double InchMm = 25.4;
    private const double AngleWindow = 0.14;
    private const double MostTurn = Math.PI / 4;
    private const double KindTolerance = 0.07;
    private const double StairTolerance = 0.09;
    private const double SmallestShare = 0.08;
    private const double LargeShare = 0.5;
    private const double MostStair = 1.3;
    private const double OwnShapeFilled = 0.7;
    private const int OwnShapeCells = 20;

    /// <summary>Teaches.</summary>
    /// <param name="image">The picture, upright.</param>
    /// <param name="with">What is known beside it.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="model">How nozzles behave, to prove the layout with.</param>
    public static Outcome<TaughtLayout> Teach(PixelImage image, TeachWith with, TeachNumbers numbers, PatternModel model)
    {
        var factor = Math.Max(1, Math.Max(image.Width, image.Height) / SheetReader.WorkingSide);
        var work = image.Shrunk(factor);
        var paper = PaperMap.Of(work);
        var strokes = Strokes.Of(work, paper, InkPlane.Of(work, paper));
        var all = strokes.Where(s => s.IsDash).ToList();
        if (all.Count < numbers.LeastDashes)
            return new Problem(NozzlesProblem.TeachNoSheet, "/image", all.Count);
        var angle = MainAngle(all);
        if (Math.Abs(angle) > MostTurn)
            return new Problem(NozzlesProblem.TeachTurned, "/image");
        var dashes = all.Where(d => Math.Abs(Turn(d.Angle - angle)) < AngleWindow).ToList();
        var blocks = Blocks(dashes, angle);
        var look = new Look(image, work, paper, strokes, factor, with, numbers, model);
        var plain = From(look, dashes, blocks);
        // Only where dashes that ran into one another bring a channel more are they taken apart.
        var parted = blocks.Count > 0 ? MergedDashes.Parted(dashes, WithoutDirt(blocks, dashes), angle) : null;
        var more = parted is null ? plain : From(look, parted, Blocks(parted, angle));
        return plain.IsGood && more.IsGood && more.Value.Layout.Nozzles > plain.Value.Layout.Nozzles ? more : plain;
    }

    private sealed record Look(
        PixelImage Image,
        PixelImage Work,
        PaperMap Paper,
        List<Stroke> Strokes,
        int Factor,
        TeachWith With,
        TeachNumbers Numbers,
        PatternModel Model
    );

    private static Outcome<TaughtLayout> From(Look look, List<Stroke> dashes, List<DashBlock> blocks)
    {
        var (image, work, paper, strokes, factor, with, numbers, model) = look;
        blocks = WithoutDirt(blocks, dashes);
        if (blocks.Count == 0)
            return new Problem(NozzlesProblem.TeachNoSheet, "/image", 0);
        if (blocks.Sum(b => b.Cells.Count) < numbers.LeastDashes)
            return new Problem(NozzlesProblem.TeachNoSheet, "/image", blocks.Sum(b => b.Cells.Count));
        if (blocks.MinBy(b => b.Filled) is { } thin && thin.Filled < numbers.LeastFilled)
            return new Problem(NozzlesProblem.TeachTooManyMissing, "/image", blocks.Count, Percent(1 - thin.Filled));
        var kinds = Kinds(blocks, dashes);
        var plane = SeenPlane.Of(dashes, blocks, kinds);
        var seen = SeenBlock.Of(blocks, kinds, dashes, plane);
        var doubts = new List<string>();
        seen = ReadingOrder(BlocksAlike.Completed(seen, doubts));
        if (with.Names.Count > 0 && with.Names.Count != seen.Count)
            return new Problem(NozzlesProblem.TeachNamesCount, "/names", with.Names.Count, seen.Count);
        var asks = new List<string>();
        var inks = BlockInks.Of(work, dashes, seen, with.Names, numbers);
        var scale = PageScale.Of(paper, plane, seen, with.Dpi / InchMm / factor, with.Page, inks[0].ThickPx, numbers, asks);
        // Who names every block knows how many there are.
        if (with.Names.Count == 0)
            doubts.AddRange(EmptyPlaces.Of(seen, scale.Left + (scale.Width * scale.PxPerMm), scale.Left));
        if (with.Names.Count == 0)
            asks.Add($"Which ink is which? Taken by their colours, in reading order: {string.Join(", ", inks.Select(i => i.Id))}.");
        asks.Add("Where does numbering start? Taken: at the left of the top row, on along the row.");
        // Where the page's edges were mistaken, the table counts as page: then the page is what the dashes need.
        Outcome<TaughtLayout>? proved = null;
        foreach (var lies in new[] { scale, scale.Tight(seen) })
        {
            var layout = Layout(with, seen, inks, lies, LayoutMarks.Of(strokes, dashes, seen, plane, lies, inks));
            if (LayoutRules.Check(layout, "") is { Count: > 0 } wrong)
                return new Problem(NozzlesProblem.TeachNoRule, "/image", string.Join("; ", wrong.Select(p => p.Args[0])));
            proved = Proved(image, layout, doubts, asks, numbers, model);
            if (proved.IsGood)
                break;
        }

        return proved!;
    }

    /// <summary>Reads a picture with a layout that was taught, and says what speaks against it.</summary>
    /// <param name="image">Another picture of a good sheet.</param>
    /// <param name="taught">The layout.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="model">How nozzles behave.</param>
    public static Outcome<TaughtLayout> Prove(PixelImage image, TaughtLayout taught, TeachNumbers numbers, PatternModel model) =>
        Proved(image, taught.Layout, [.. taught.Doubts], [.. taught.Asks], numbers, model);

    private static Outcome<TaughtLayout> Proved(
        PixelImage image,
        SheetLayout layout,
        List<string> doubts,
        List<string> asks,
        TeachNumbers numbers,
        PatternModel model
    )
    {
        var reading = SheetReader.Read(image, layout, model);
        if (reading.Refusal is { } refusal)
            return new Problem(NozzlesProblem.TeachNotProved, "/image", SheetWords.Why(refusal.Reason));
        var fires = reading.Units.Sum(u => u.Nozzles.Count(n => !n.State.HasFlag(NozzleState.Missing)));
        if (fires < numbers.LeastRead * layout.Nozzles)
            return new Problem(
                NozzlesProblem.TeachTooManyMissing,
                "/image",
                layout.Units.Count,
                Percent(1 - (fires / (double)layout.Nozzles))
            );
        foreach (var unit in reading.Units)
        {
            var odd = unit.Nozzles.Count(n => n.State != NozzleState.Good || n.IsUnsure);
            if (odd > (1 - numbers.LeastRead) * unit.Nozzles.Count)
                doubts.Add($"Channel {unit.Id}: {odd} of its {unit.Nozzles.Count} dashes are missing, weak, displaced or unsure.");
        }

        return new TaughtLayout(layout, reading.Map!, [.. doubts.Distinct()], asks);
    }

    private static string Percent(double share) => Math.Round(100 * share).ToString(CultureInfo.InvariantCulture);

    private static double Turn(double angle) => angle - (Math.PI * Math.Round(angle / Math.PI));

    // The angle around which most length of dashes gathers.
    private static double MainAngle(List<Stroke> dashes)
    {
        const int Bins = 90;
        var bins = new double[Bins];
        foreach (var d in dashes)
            bins[(int)(((d.Angle / Math.PI) + 0.5) * Bins) % Bins] += Math.Min(d.Length, 80);
        var top = Enumerable.Range(0, Bins).MaxBy(b => bins[b] + (0.7 * (bins[(b + 1) % Bins] + bins[(b + Bins - 1) % Bins])));
        var middle = (((top + 0.5) / Bins) - 0.5) * Math.PI;
        var near = dashes.Where(d => Math.Abs(Turn(d.Angle - middle)) < AngleWindow / 2).ToList();
        return middle + (near.Sum(d => d.Length * Turn(d.Angle - middle)) / near.Sum(d => d.Length));
    }

    private static List<DashBlock> Blocks(List<Stroke> dashes, double angle)
    {
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        var at = dashes.Select(d => ((d.X * cos) + (d.Y * sin), (d.Y * cos) - (d.X * sin))).ToList();
        return DashBlocks.Of(dashes, at, DashColumns.Of(dashes, at));
    }

    // Grain of a table and letters make small blocks with holes; a sheet's own are full, or of the shape of large ones.
    private static List<DashBlock> WithoutDirt(List<DashBlock> blocks, List<Stroke> dashes)
    {
        if (blocks.Count == 0)
            return blocks;
        var large = blocks
            .Where(b => b.Cells.Count > LargeShare * blocks[0].Cells.Count)
            .Select(b => SeenBlock.Proportions(b, dashes))
            .ToList();
        return
        [
            .. blocks.Where(b =>
            {
                var shape = SeenBlock.Proportions(b, dashes);
                return b.Cells.Count >= SmallestShare * blocks[0].Cells.Count
                    && b.Columns > 1
                    && Math.Abs(shape.Stair) < MostStair
                    && (large.Any(l => AreAlike(l, shape)) || (b.Filled > OwnShapeFilled && b.Cells.Count > OwnShapeCells));
            }),
        ];
    }

    private static bool AreAlike((double Pitch, double Length, double Stair) a, (double Pitch, double Length, double Stair) b) =>
        Math.Abs(a.Pitch - b.Pitch) < KindTolerance * a.Pitch
        && Math.Abs(a.Length - b.Length) < KindTolerance * a.Length
        && Math.Abs(a.Stair - b.Stair) < StairTolerance;

    // Blocks whose dashes, columns, rows and stairs stand in the same proportions are of one shape, wherever the camera made them small.
    private static List<int> Kinds(List<DashBlock> blocks, List<Stroke> dashes)
    {
        var shapes = blocks.Select(b => SeenBlock.Proportions(b, dashes)).ToList();
        var kinds = new List<int>();
        for (var i = 0; i < blocks.Count; i++)
        {
            var like = Enumerable.Range(0, i).Where(j => AreAlike(shapes[i], shapes[j])).Select(j => kinds[j] + 1).FirstOrDefault();
            kinds.Add(
                like > 0 ? like - 1
                : kinds.Count == 0 ? 0
                : kinds.Max() + 1
            );
        }

        return kinds;
    }

    private static List<SeenBlock> ReadingOrder(List<SeenBlock> seen)
    {
        var left = seen.OrderBy(b => b.Y).ToList();
        var order = new List<SeenBlock>();
        while (left.Count > 0)
        {
            var first = left[0];
            var row = left.Where(b => b.Y < first.Y + (first.Height / 2)).OrderBy(b => b.X).ToList();
            order.AddRange(row);
            left.RemoveAll(row.Contains);
        }

        return order;
    }

    private static SheetLayout Layout(
        TeachWith with,
        List<SeenBlock> seen,
        List<BlockInk> inks,
        PageScale scale,
        IReadOnlyList<SheetMark> marks
    ) =>
        new(
            with.Id,
            with.Name,
            scale.Width,
            scale.Height,
            [
                .. seen.Select(
                    (b, i) =>
                        new SheetUnit(
                            inks[i].Id,
                            inks[i].Id,
                            inks[i].Ink,
                            inks[i].Color,
                            inks[i].IsFaint,
                            b.Nozzles,
                            0,
                            new StairBlock(
                                scale.X(b.X - (b.Length / 2)),
                                scale.Y(b.Y),
                                b.Columns,
                                b.Pitch / scale.PxPerMm,
                                b.Row / scale.PxPerMm,
                                b.Stair / scale.PxPerMm,
                                Math.Min(b.Length, b.Pitch) / scale.PxPerMm,
                                inks[i].ThickPx / scale.PxPerMm
                            )
                        )
                ),
            ],
            marks
        );
}
