using System.Diagnostics;
using System.Globalization;
using SideBench.Core.Simulation;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>Measures the advice against three other ways of working, on the same simulated jobs: <c>measure diagnosis</c>.</summary>
public static class DiagnosisMeasure
{
    private const int HouseJobs = 5400;
    private const int Seed = 20_260;
    private const int TimedJobs = 300;
    private const double WrongShare = 0.05;

    /// <summary>Measures.</summary>
    /// <param name="options">--jobs N; --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var jobs = MeasureCommand.Option(options, "--jobs") is { } n ? int.Parse(n, CultureInfo.InvariantCulture) : HouseJobs;
        var lines = new List<string>();
        foreach (
            var (world, disturbed, wrong) in new[]
            {
                ("the book is true", false, 0.0),
                ("disturbed: each word moved by up to one, 5 % of answers wrong", true, WrongShare),
            }
        )
        {
            var truth = disturbed ? DisturbedBook.Of(shop.Book, new Random(Seed)) : shop.Book;
            var draw = new TrialJobs(shop.Book, truth, shop.Models.Values, shop.Printers, wrong);
            Measure(draw, new AdvisedPolicy(), 60);
            ITrialPolicy[] ways = [new AdvisedPolicy(), new ChecklistPolicy(), new LikeliestFirstPolicy(), new CheapestTestPolicy()];
            Way[] measured = [.. ways.Select(w => Measure(draw, w, jobs))];
            lines.AddRange(Table($"{jobs:N0} jobs, {world}", measured, shop.Book.House.Currency));
        }

        foreach (var line in lines)
            Console.WriteLine(line);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllLines(file, lines);
        return 0;
    }

    private static Way Measure(TrialJobs draw, ITrialPolicy policy, int jobs)
    {
        var results = new TrialResult[jobs];
        Parallel.For(
            0,
            jobs,
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            i => results[i] = Run(draw, policy, i, null)
        );
        var times = new List<double>();
        for (var i = 0; i < Math.Min(jobs, TimedJobs); i++)
            Run(draw, policy, i, times);
        double[] sorted = [.. times.Order()];
        return new Way(policy.Name, results, sorted[(int)(sorted.Length * 0.5)], sorted[(int)(sorted.Length * 0.95)]);
    }

    private static TrialResult Run(TrialJobs draw, ITrialPolicy policy, int job, List<double>? times)
    {
        var (threads, machine) = draw.Draw(Seed + job);
        long start = 0;
        return Trial.Run(
            threads,
            machine,
            policy,
            before =>
            {
                if (before)
                    start = Stopwatch.GetTimestamp();
                else
                    times?.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
            }
        );
    }

    private static IEnumerable<string> Table(string title, Way[] ways, string currency)
    {
        yield return $"### {title}";
        yield return "";
        yield return $"| way of working | minutes | {currency} | ended right | wrong "
            + $"parts per 100 | needless cleans per 100 | decision p50 / p95 |";
        yield return "|---|---:|---:|---:|---:|---:|---:|";
        foreach (var way in ways)
            yield return string.Create(
                CultureInfo.InvariantCulture,
                $"| {way.Name} | {way.Minutes:0.0} | {way.Cost:0.00} | {way.Right * 100:0.0} % | "
                    + $"{way.WrongParts * 100:0.0} | {way.Needless * 100:0.0} | {way.P50:0.00} / {way.P95:0.00} ms |"
            );
        var best = ways.Skip(1).MinBy(w => w.Cost)!;
        yield return "";
        yield return string.Create(
            CultureInfo.InvariantCulture,
            $"The advice costs {(1 - (ways[0].Cost / best.Cost)) * 100:0.0} % less than the best of the others ({best.Name})."
        );
        var wrong = ways[0].Results.Where(r => !r.Right).Select(r => r.WrongEnd).ToList();
        yield return $"Of {wrong.Count} jobs that the advice ended wrong, "
            + $"{wrong.Count(w => w.StartsWith("closed", StringComparison.Ordinal))} "
            + $"were closed with a fault still there; the others were handed back though a repair would have paid.";
        yield return "";
    }

    private sealed record Way(string Name, TrialResult[] Results, double P50, double P95)
    {
        public double Minutes => Results.Average(r => r.Minutes);

        public double Cost => Results.Average(r => r.Cost);

        public double Right => Results.Average(r => r.Right ? 1.0 : 0);

        public double WrongParts => Results.Average(r => (double)r.WrongParts);

        public double Needless => Results.Average(r => (double)r.NeedlessCleans);
    }
}
