using System.Diagnostics;
using System.Globalization;
using System.Text;
using SideBench.Core.Machines;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>The way in: how quick the exact optimum is on large made-up graphs, and the whole way on the house's own.</summary>
public static class OpeningMeasure
{
    private const int Graphs = 1_000;
    private const int Parts = 60;
    private const int Choices = 8;
    private const int Seed = 60_008;
    private const int WarmUp = 50;

    /// <summary>Measures.</summary>
    /// <param name="options">--markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var said = new StringBuilder();
        said.AppendLine(
                CultureInfo.InvariantCulture,
                $"{Graphs:N0} made-up graphs of {Parts} parts with {Choices} choices, "
                    + $"seed {Seed}; every part of the house's {shop.Graphs.Count} graphs."
            )
            .AppendLine();
        var (set, parts) = Optimum();
        Line(said, $"exact cheapest set, {Parts} parts, p95", set.P95, $"p50 {set.P50:0.000} ms; {parts:0.0} parts on average", 50);
        var house = shop.Graphs.Values.SelectMany(g => g.Parts.Select(p => (Graph: g, p.Id))).ToList();
        var handling = shop.Numbers.Of<Handling>();
        var ways = Times(house, h => WayIn.To(h.Graph, [h.Id], handling));
        Line(said, "whole way in, house graphs, p95", ways.P95, $"p50 {ways.P50:0.00} ms; {house.Count} parts", 50);
        var pairs = house.Zip(house.Skip(7)).Where(p => p.First.Graph == p.Second.Graph).ToList();
        var two = Times(pairs, p => WayIn.To(p.First.Graph, [p.First.Id, p.Second.Id], handling));
        Line(said, "whole way in to two parts, p95", two.P95, $"p50 {two.P50:0.00} ms; {pairs.Count} pairs", 50);
        var best = pairs.Count(p => WayIn.To(p.First.Graph, [p.First.Id, p.Second.Id], handling).IsBestOrder);
        said.AppendLine(CultureInfo.InvariantCulture, $"orders proved best: {best} of {pairs.Count}");
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }

    private static (Timing Times, double Parts) Optimum()
    {
        var chance = new Random(Seed);
        var asked = Enumerable
            .Range(0, Graphs + WarmUp)
            .Select(_ => MadeGraphs.Random(chance, Parts, Choices))
            .Select(g => (Graph: g, Targets: (int[])[chance.Next(Parts), 30 + chance.Next(30), Parts - 1]))
            .ToList();
        var none = new HashSet<int>();
        var sizes = new List<int>();
        var times = Times(asked, a => sizes.Add(new CheapestSet(a.Graph).For(a.Targets, none).Count));
        return (times, sizes.Average());
    }

    private static Timing Times<T>(IReadOnlyList<T> items, Action<T> act)
    {
        var times = new List<double>();
        foreach (var item in items.Take(WarmUp).Concat(items))
        {
            var start = Stopwatch.GetTimestamp();
            act(item);
            times.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
        }

        return new Timing(times.Skip(WarmUp));
    }

    private static void Line(StringBuilder said, string what, double ms, string from, double most) =>
        said.AppendLine(
            CultureInfo.InvariantCulture,
            $"{(ms <= most ? "ok  " : "OVER")} {what, -44} {ms, 8:0.00} ms at most {most}  ({from})"
        );
}
