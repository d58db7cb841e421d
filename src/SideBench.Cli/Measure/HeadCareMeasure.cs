using System.Diagnostics;
using System.Globalization;
using System.Text;
using SideBench.Core.HeadCare;
using SideBench.Core.Machines;
using SideBench.Core.Simulation.Heads;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>Made-up heads, cleaned by the plan and by each school: what it costs, what it brings, and whether what was said held.</summary>
public static class HeadCareMeasure
{
    private const int UsualHeads = 2_000;
    private const int Seed = 11_026;
    private const int TimedHeads = 200;
    private const int Tenths = 10;

    private static readonly CleaningLadder DeepFive = new(
        "",
        "",
        "deep until clear or five",
        "",
        [.. Enumerable.Repeat<IReadOnlyList<string>>(["clean-deep"], 5)]
    );

    /// <summary>Measures.</summary>
    /// <param name="options">--heads N, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var heads = MeasureCommand.Option(options, "--heads") is { } asked ? int.Parse(asked, CultureInfo.InvariantCulture) : UsualHeads;
        var said = new StringBuilder();
        said.AppendLine(CultureInfo.InvariantCulture, $"{heads:N0} made-up heads over {shop.Models.Count} models, seed {Seed}.")
            .AppendLine();
        World(said, shop, heads, HeadWorld.AsSaid, "Parameters drawn around the house's", 20);
        World(said, shop, heads, HeadWorld.Rough, "Chances 1.5 times wider, one channel in ten outside the three explanations", 12);
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }

    private static void World(StringBuilder said, Shop shop, int heads, HeadWorld world, string title, double cheaperPct)
    {
        var numbers = shop.Numbers.Of<HeadCareNumbers>();
        var house = shop.Book.House;
        var clock = Stopwatch.StartNew();
        var trial = new HeadTrial(
            shop.Book,
            numbers,
            HeadBounds.Rates(house, numbers),
            model => HeadBounds.Of(model, house, numbers),
            () => clock.Elapsed.TotalMilliseconds
        );
        IReadOnlyList<MachineModel> models = [.. shop.Models.Values.OrderBy(m => m.Id, StringComparer.Ordinal)];
        // The same heads for each way: drawn from the same numbers.
        List<HeadOutcome> Each(Func<SimulatedHead, Random, HeadOutcome> work) =>
            [
                .. Enumerable
                    .Range(0, heads)
                    .AsParallel()
                    .AsOrdered()
                    .Select(i =>
                    {
                        var chance = new Random(Seed + i);
                        return work(SimulatedHead.Drawn(models, numbers, world, chance), chance);
                    }),
            ];
        List<(string Name, List<HeadOutcome> Heads)> ways =
        [
            ("this plan", Each(trial.Planned)),
            .. numbers.Ladders.Append(DeepFive).Select(l => (l.Name, Each((head, chance) => trial.Schooled(head, l, chance)))),
        ];
        said.AppendLine(CultureInfo.InvariantCulture, $"## {title}").AppendLine();
        said.AppendLine("| way | price | ink, ml | counter, % | hands, min | finish, h | ruined | complete | cleans starving |");
        said.AppendLine("|---|---|---|---|---|---|---|---|---|");
        foreach (var (name, all) in ways)
            said.AppendLine(CultureInfo.InvariantCulture, $"| {name} | {Row(all)} |");
        var plan = ways[0].Heads;
        var best = ways.Skip(1).MinBy(w => w.Heads.Average(h => h.Price));
        var cheaper = 100 * (1 - (plan.Average(h => h.Price) / best.Heads.Average(h => h.Price)));
        var least = ways.Skip(1).MinBy(w => w.Heads.Average(h => h.InkMl));
        var lessInk = 100 * (1 - (plan.Average(h => h.InkMl) / least.Heads.Average(h => h.InkMl)));
        said.AppendLine()
            .AppendLine(CultureInfo.InvariantCulture, $"Cheaper than the best school ({best.Name}): {cheaper:0.0} % ({cheaperPct} wanted).")
            .AppendLine(CultureInfo.InvariantCulture, $"Less ink than the school with the least ({least.Name}): {lessInk:0.0} %.");
        // One after the other, for the time of one plan: side by side they would wait for each other.
        var ms = Enumerable
            .Range(0, Math.Min(heads, TimedHeads))
            .Select(i => (Chance: new Random(Seed + i), Head: SimulatedHead.Drawn(models, numbers, world, new Random(Seed + i))))
            .SelectMany(h => trial.Planned(h.Head, h.Chance).PlanMs)
            .Order()
            .ToList();
        said.AppendLine(
                CultureInfo.InvariantCulture,
                $"One plan: p50 {ms[ms.Count / 2]:0.0} ms, p95 {ms[ms.Count * 95 / 100]:0.0} ms (100 wanted)."
            )
            .AppendLine();
        Calibration(said, plan);
    }

    private static string Row(List<HeadOutcome> all)
    {
        string[] cells =
        [
            $"{all.Average(h => h.Price):0.00}",
            $"{all.Average(h => h.InkMl):0.0}",
            $"{all.Average(h => h.CounterPct):0.0}",
            $"{all.Average(h => h.HandsMin):0.0}",
            $"{all.Average(h => (h.HandsMin + h.WaitMin) / 60):0.0}",
            $"{all.Count(h => h.Ruined)}",
            $"{100.0 * all.Count(h => h.Complete) / all.Count:0.0} %",
            $"{all.Sum(h => h.CleansStarving)}",
        ];
        return string.Join(" | ", cells);
    }

    private static void Calibration(StringBuilder said, List<HeadOutcome> plan)
    {
        said.AppendLine("| said, complete next | times | said, mean | was | standard errors off |").AppendLine("|---|---|---|---|---|");
        foreach (var tenth in plan.SelectMany(h => h.Said).GroupBy(s => Math.Min(Tenths - 1, (int)(s.Said * Tenths))).OrderBy(g => g.Key))
        {
            var (n, mean, was) = (tenth.Count(), tenth.Average(s => s.Said), tenth.Average(s => s.Was ? 1.0 : 0));
            var error = Math.Sqrt(tenth.Sum(s => s.Said * (1 - s.Said))) / n;
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {tenth.Key}0–{tenth.Key + 1}0 % | {n} | {100 * mean:0.0} % | {100 * was:0.0} % | {(was - mean) / error:0.0} |"
            );
        }

        said.AppendLine();
    }
}
