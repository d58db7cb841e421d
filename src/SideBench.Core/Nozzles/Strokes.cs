namespace SideBench.Core.Nozzles;

/// <summary>Finds the connected bits of ink in a picture.</summary>
public static class Strokes
{
    // A picture of cloth or wood can be all specks; what has so many runs is no sheet.
    private const int MostRuns = 2_000_000;
    private const int MostPixels = 4000;

    /// <summary>Every stroke that could be a dash, and others up to a few thousand pixels.</summary>
    public static List<Stroke> Of(PixelImage image, PaperMap paper, InkPlane ink)
    {
        var runs = RunsOf(ink);
        if (runs.Count > MostRuns)
            return [];
        var parents = Joined(runs);
        var sums = new Dictionary<int, Sums>();
        Span<float> white = stackalloc float[3];
        for (var i = 0; i < runs.Count; i++)
        {
            var root = Root(parents, i);
            if (!sums.TryGetValue(root, out var sum))
                sums[root] = sum = new Sums();
            var run = runs[i];
            sum.Pixels += run.To - run.From;
            if (sum.Pixels > MostPixels)
                continue;
            paper.At((run.From + run.To) / 2.0, run.Y, white);
            for (var x = run.From; x < run.To; x++)
            {
                var at = (run.Y * image.Width) + x;
                sum.Add(x, run.Y, ink.Taken[at]);
                sum.Red += white[0] - image.Rgb[at * 3];
                sum.Green += white[1] - image.Rgb[(at * 3) + 1];
                sum.Blue += white[2] - image.Rgb[(at * 3) + 2];
            }
        }

        return [.. sums.Values.Where(sum => sum.Pixels is >= 4 and <= MostPixels).Select(sum => sum.Stroke())];
    }

    private static List<Run> RunsOf(InkPlane ink)
    {
        var runs = new List<Run>();
        for (var y = 0; y < ink.Height && runs.Count <= MostRuns; y++)
        {
            var row = ink.Taken.AsSpan(y * ink.Width, ink.Width);
            for (var tile = 0; tile < ink.Width; tile += PaperMap.Tile)
            {
                var limit = ink.LimitAt(tile, y);
                var end = Math.Min(tile + PaperMap.Tile, ink.Width);
                var x = tile;
                while (x < end)
                {
                    var next = row[x..end].IndexOfAnyInRange(limit, byte.MaxValue);
                    if (next < 0)
                        break;
                    var from = x + next;
                    var length = row[from..end].IndexOfAnyExceptInRange(limit, byte.MaxValue);
                    x = length < 0 ? end : from + length;
                    // A run that crosses from one tile into the next stays one.
                    if (runs.Count > 0 && runs[^1] is var last && last.Y == y && last.To == from)
                        runs[^1] = last with { To = x };
                    else
                        runs.Add(new Run(y, from, x));
                }
            }
        }

        return runs;
    }

    // Runs that touch, also by a corner, belong together.
    private static int[] Joined(List<Run> runs)
    {
        var parents = new int[runs.Count];
        for (int i = 0, above = 0; i < runs.Count; i++)
        {
            parents[i] = i;
            while (above < i && (runs[above].Y < runs[i].Y - 1 || (runs[above].Y == runs[i].Y - 1 && runs[above].To < runs[i].From)))
                above++;
            for (var j = above; j < i && runs[j].Y == runs[i].Y - 1 && runs[j].From <= runs[i].To; j++)
            {
                var (a, b) = (Root(parents, j), Root(parents, i));
                if (a != b)
                    parents[Math.Max(a, b)] = Math.Min(a, b);
            }
        }

        return parents;
    }

    private static int Root(int[] parents, int i)
    {
        while (parents[i] != i)
            i = parents[i] = parents[parents[i]];
        return i;
    }

    private readonly record struct Run(int Y, int From, int To);

    private sealed class Sums
    {
        private double weight,
            x,
            y,
            xx,
            xy,
            yy;

        public int Pixels { get; set; }

        public double Red { get; set; }

        public double Green { get; set; }

        public double Blue { get; set; }

        public void Add(int px, int py, double ink)
        {
            weight += ink;
            x += ink * px;
            y += ink * py;
            xx += ink * px * px;
            xy += ink * px * py;
            yy += ink * py * py;
        }

        public Stroke Stroke()
        {
            var (mx, my) = (x / weight, y / weight);
            // A pixel is a square, not a point: its own spread is a twelfth.
            var (cxx, cyy, cxy) = (
                (xx / weight) - (mx * mx) + (1 / 12.0),
                (yy / weight) - (my * my) + (1 / 12.0),
                (xy / weight) - (mx * my)
            );
            var half = (cxx + cyy) / 2;
            var root = Math.Sqrt(Math.Max(0, (((cxx - cyy) / 2) * ((cxx - cyy) / 2)) + (cxy * cxy)));
            var size = Math.Sqrt((Red * Red) + (Green * Green) + (Blue * Blue));
            if (size <= 0)
                size = 1;
            return new Stroke(
                mx,
                my,
                Math.Sqrt(12 * (half + root)),
                Math.Sqrt(12 * Math.Max(1e-6, half - root)),
                0.5 * Math.Atan2(2 * cxy, cxx - cyy),
                Red / size,
                Green / size,
                Blue / size,
                Pixels
            );
        }
    }
}
