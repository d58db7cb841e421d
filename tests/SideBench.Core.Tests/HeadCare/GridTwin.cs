using SideBench.Core.HeadCare;

namespace SideBench.Core.Tests.HeadCare;

/// <summary>The next application by adding up, step by step, over the share that never clears and each method's chance.</summary>
internal static class GridTwin
{
    private const int Steps = 28;

    public static double[] Next(HeadHistory head, string method, HeadCareNumbers numbers)
    {
        var methods = head.Done.Select(d => d.Method).Append(method).Distinct().ToList();
        var grids = methods.Select(m => ClearingPrior.Of(head, m, numbers)!.Value).Select(p => Beta(p.Alpha, p.Beta).ToList()).ToList();
        var stuck = Beta(numbers.StuckAlpha, numbers.StuckBeta)
            .Select(g => (g.At, Weight: g.Weight * (1 - numbers.NoneStuck)))
            .Append((At: 0.0, Weight: numbers.NoneStuck))
            .ToList();
        var back = new double[head.Missing.Count + 1];
        var chance = new double[methods.Count];
        Over(0, 1);
        return [.. back.Select(b => b / back.Sum())];

        void Over(int m, double weight)
        {
            if (m < methods.Count)
                foreach (var (at, own) in grids[m])
                {
                    chance[m] = at;
                    Over(m + 1, weight * own);
                }
            else
                foreach (var (never, own) in stuck)
                    Add(never, weight * own);
        }

        void Add(double never, double weight)
        {
            double[] of = [1];
            foreach (var nozzle in head.Done.SelectMany(d => d.Before).Concat(head.Missing).Distinct())
            {
                var clearing = 1 - never;
                var since = head.Done.Where(d => d.Before.Contains(nozzle)).ToList();
                foreach (var done in since)
                {
                    var q = chance[methods.IndexOf(done.Method)];
                    clearing *= done.After.Contains(nozzle) ? 1 - q : q;
                }

                if (!head.Missing.Contains(nozzle))
                    weight *= clearing;
                else
                {
                    weight *= clearing + never;
                    of = With(of, clearing / (clearing + never) * chance[methods.IndexOf(method)]);
                }
            }

            for (var k = 0; k < of.Length; k++)
                back[k] += weight * of[k];
        }
    }

    private static double[] With(double[] of, double one)
    {
        var then = new double[of.Length + 1];
        for (var k = 0; k < of.Length; k++)
        {
            then[k] += of[k] * (1 - one);
            then[k + 1] += of[k] * one;
        }

        return then;
    }

    private static IEnumerable<(double At, double Weight)> Beta(double a, double b)
    {
        var steps = Enumerable.Range(0, Steps).Select(i => (i + 0.5) / Steps).ToList();
        var weights = steps.Select(x => Math.Pow(x, a - 1) * Math.Pow(1 - x, b - 1)).ToList();
        return steps.Zip(weights, (x, w) => (x, w / weights.Sum()));
    }
}
