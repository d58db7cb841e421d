using System.Diagnostics;
using System.Globalization;
using System.Text;
using SideBench.Core.Day;
using SideBench.Core.Simulation;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>The plan of the day against other ways of working, on made-up weeks of a shop.</summary>
public static class DayMeasure
{
    private const int UsualWeeks = 200;
    private const int Seed = 40_727;
    private const int Hands = 2;
    private const int Machines = 12;
    private const int ManyHands = 60;
    private const double WalkInMin = 40;
    private const string EveryMachine = "hands for every machine";
    private const string Known = "the plan, each way and minute known";
    private const string Seer = "one who knows what will come";
    private const int SeerTries = 400;
    private static readonly IReadOnlyList<DayPolicy> Rules =
    [
        .. Enum.GetValues<DayPolicy>().Where(p => p is not (DayPolicy.Known or DayPolicy.Told)),
    ];

    /// <summary>Measures.</summary>
    /// <param name="options">--weeks N, --machines N a week for each pair of hands, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var numbers = shop.Numbers.Of<DayNumbers>();
        var weeks = MeasureCommand.Option(options, "--weeks") is { } asked ? int.Parse(asked, CultureInfo.InvariantCulture) : UsualWeeks;
        var each = MeasureCommand.Option(options, "--machines") is { } told
            ? int.Parse(told, CultureInfo.InvariantCulture)
            : DayTrial.UsualMachines;
        var said = new StringBuilder();
        said.AppendLine(
                CultureInfo.InvariantCulture,
                $"{weeks} made-up weeks, seed {Seed}, {Hands} pairs of hands, {each} machines a week for each; the same weeks for all."
            )
            .AppendLine()
            .AppendLine(
                "| worked by | promises kept | late hours a week | soaks overrun | hands, h | idle while work waited, h | machine days |"
            )
            .AppendLine("|---|---:|---:|---:|---:|---:|---:|");
        var chances = new List<(double Said, bool Kept)>();
        var late = new Dictionary<string, double[]>();
        // Beside the ways of working, hands for every machine at once: no order of work could be less late.
        // And one who knows all that will come.
        List<(string Name, Func<int, DayWeek> Week)> ways =
        [
            .. Rules.Select(p => ($"{p}", (Func<int, DayWeek>)(seed => DayTrial.Of(numbers, seed, Hands, p, Hands, each)))),
            (Known, seed => DayTrial.Of(numbers, seed, Hands, DayPolicy.Known, Hands, each)),
            (Seer, seed => DaySeer.Of(numbers, seed, Hands, SeerTries, each)),
            (EveryMachine, seed => DayTrial.Of(numbers, seed, Hands, DayPolicy.Promise, ManyHands, each)),
        ];
        foreach (var (name, week) in ways)
        {
            var all = Enumerable.Range(Seed, weeks).AsParallel().AsOrdered().Select(week).ToList();
            late[name] = [.. all.Select(w => w.LateHours)];
            if (name == $"{DayPolicy.Plan}")
                chances.AddRange(all.SelectMany(w => w.Said));
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {name} | {100.0 * all.Sum(w => w.Kept) / all.Sum(w => w.Promises):0.0} % | {all.Average(w => w.LateHours):0.0} "
                    + $"| {all.Sum(w => w.Overruns)} | {all.Average(w => w.HandHours):0.0} | {all.Average(w => w.IdleHours):0.0} "
                    + $"| {all.Average(w => w.StoodDays):0.0} |"
            );
        }

        var best = late[$"{Rules.Where(r => r != DayPolicy.Plan).MinBy(r => late[$"{r}"].Sum())}"];
        var (plan, least) = (late[$"{DayPolicy.Plan}"], late[EveryMachine]);
        var spared = Less(best, least);
        said.AppendLine()
            .AppendLine(
                CultureInfo.InvariantCulture,
                $"Late hours against the best rule: {Fewer(Less(best, plan), best)}; with each way and minute of what is here "
                    + $"known {Fewer(Less(best, late[Known]), best)}; by one who knows what will come "
                    + $"{Fewer(Less(best, late[Seer]), best)}; with hands for every machine {Fewer(spared, best)}. "
                    + $"Only those that such hands spare depend on the order of work: the plan spares "
                    + $"{Share(Less(best, plan), spared, "of them")}."
            );
        said.AppendLine().AppendLine("| said to hold | how many | kept |").AppendLine("|---|---:|---:|");
        foreach (var tenth in chances.GroupBy(c => Math.Min(9, (int)(c.Said * 10))).OrderBy(g => g.Key))
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {tenth.Key * 10} to {(tenth.Key + 1) * 10} % | {tenth.Count()} | {100 * tenth.Average(c => c.Kept ? 1.0 : 0):0} % |"
            );
        var most = chances.Where(c => c.Said is >= 0.85 and <= 0.95).ToList();
        said.AppendLine()
            .AppendLine(
                CultureInfo.InvariantCulture,
                $"Of {most.Count} said 85 to 95 %, {100 * most.Average(c => c.Kept ? 1.0 : 0):0.0} % were kept."
            )
            .AppendLine()
            .AppendLine(CultureInfo.InvariantCulture, $"A plan for {Machines} machines and {Hands} people: {Plans(numbers)}.");
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }

    private static string Fewer(double[] some, double[] of) =>
        some.Sum() < 0 ? Share([.. some.Select(s => -s)], of, "more") : Share(some, of, "fewer");

    // A share of sums over the same weeks, with the band in which it lies 9 times in 10: weeks differ much, and few of them make the sum.
    private static string Share(double[] some, double[] of, string what)
    {
        var share = some.Sum() / of.Sum();
        var off = some.Zip(of, (s, o) => Math.Pow(s - (share * o), 2)).Sum();
        var band = Ninety * Math.Sqrt(off / (some.Length - 1.0) * some.Length) / of.Sum();
        var said = some.Length < 2 ? "one week has no band" : string.Create(CultureInfo.InvariantCulture, $"by weeks ± {100 * band:0.0}");
        return string.Create(CultureInfo.InvariantCulture, $"{100 * share:0.0} % {what} ({said})");
    }

    private const double Ninety = 1.645;

    private static double[] Less(double[] more, double[] less) => [.. more.Zip(less, (m, l) => m - l)];

    private static string Plans(DayNumbers numbers)
    {
        var times = new List<(double Plan, double Chances, double WalkIn)>();
        for (var i = 0; i < 60; i++)
        {
            var (jobs, hands) = DayTrial.Morning(numbers, Seed + i, Machines, Hands);
            var clock = Stopwatch.StartNew();
            var plan = DayPlan.Of(jobs, hands, numbers);
            var made = clock.Elapsed.TotalMilliseconds;
            var ends = DayChances.Of(plan, numbers);
            var run = clock.Elapsed.TotalMilliseconds;
            WalkIn.Of(plan, null, WalkInMin, numbers);
            times.Add((made, run - made, clock.Elapsed.TotalMilliseconds - run));
        }

        double P95(Func<(double Plan, double Chances, double WalkIn), double> of) =>
            times.Skip(5).Select(of).Order().ElementAt((int)(0.95 * (times.Count - 5)));
        return string.Create(
            CultureInfo.InvariantCulture,
            $"p95 {P95(t => t.Plan):0} ms, its chances {P95(t => t.Chances):0} ms, a walk-in {P95(t => t.WalkIn):0} ms"
        );
    }
}
