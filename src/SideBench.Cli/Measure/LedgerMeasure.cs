using System.Diagnostics;
using System.Globalization;
using System.Text;
using SideBench.Core.Ink;
using SideBench.Core.Simulation.Slots;
using SideBench.Core.Simulation.Stores;
using SideBench.Core.Waste;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>The ledgers of slots and of waste stores on made-up lives: how often their bands hold, and how wide they are.</summary>
public static class LedgerMeasure
{
    private const int UsualRuns = 2_000;
    private const int Seed = 21_126;
    private const int ManyEntries = 5_000;
    private const double Large = 150;
    private const double Season = 0.5;
    private const double LifeYears = 10;
    private const double YearDays = 365;
    private const int LongLivesTried = 24;
    private const int CoursePoints = 60;

    /// <summary>Measures slots.</summary>
    /// <param name="options">--runs N, --markdown FILE.</param>
    public static int Ink(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var numbers = shop.Numbers.Of<InkNumbers>();
        var all = Enumerable
            .Range(0, Runs(options))
            .AsParallel()
            .AsOrdered()
            .Select(i => SlotTrial.Of(SlotTrial.Kinds[i % SlotTrial.Kinds.Count], numbers, Seed + i))
            .ToList();
        var said = new StringBuilder();
        said.AppendLine(CultureInfo.InvariantCulture, $"{all.Count:N0} made-up slots, seed {Seed}; the band should hold the truth in 90 %.")
            .AppendLine()
            .AppendLine("| slots | how many | in the band | width, share of a fill, median |")
            .AppendLine("|---|---:|---:|---:|");
        foreach (
            var group in all.GroupBy(_ => "all")
                .Concat(all.GroupBy(o => o.Kind))
                .Concat(all.GroupBy(o => $"last told: {o.Last}"))
                .Concat(
                    all.GroupBy(o =>
                        o.Weighed == 0 ? "piece never weighed"
                        : o.Weighed == 1 ? "weighed once"
                        : "weighed twice or more"
                    )
                )
        )
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {group.Key} | {group.Count():N0} | {100 * group.Average(o => o.IsWithin ? 1.0 : 0):0.0} % | {Width(group):0.000} |"
            );
        Warnings(said, numbers, Runs(options));
        said.AppendLine()
            .AppendLine(CultureInfo.InvariantCulture, $"A slot with {ManyEntries:N0} entries takes {LongLife(numbers):0.0} ms.");
        return Said(said, options);
    }

    /// <summary>Measures waste stores.</summary>
    /// <param name="options">--runs N, --markdown FILE.</param>
    public static int Waste(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var numbers = shop.Numbers.Of<WasteNumbers>();
        var clock = Stopwatch.StartNew();
        var all = Enumerable.Range(0, Runs(options)).AsParallel().AsOrdered().Select(i => StoreTrial.Of(numbers, Seed + i)).ToList();
        var seasons = Enumerable
            .Range(0, Runs(options) / 4)
            .AsParallel()
            .AsOrdered()
            .Select(i => StoreTrial.Of(numbers, Seed + i, Season))
            .ToList();
        var each = clock.Elapsed.TotalMilliseconds * Environment.ProcessorCount / (all.Count + seasons.Count);
        var said = new StringBuilder();
        said.AppendLine(
                CultureInfo.InvariantCulture,
                $"{all.Count:N0} made-up stores, seed {Seed}; mass should hold in 90 %, dates in 80 %."
            )
            .AppendLine()
            .AppendLine("| stores | how many | mass in its band | its width, g, mean | counter's date | store's date |")
            .AppendLine("|---|---:|---:|---:|---:|---:|");
        foreach (
            var group in all.GroupBy(_ => "all")
                .Concat(all.GroupBy(o => o.Kind))
                .Concat(
                    all.GroupBy(o =>
                        o.Weighed == 0 ? "never weighed"
                        : o.Weighed == 1 ? "weighed once"
                        : "weighed twice or more"
                    )
                )
                .Concat(all.GroupBy(o => o.IsSaidFull ? "said to be full already: no date to miss" : "not said to be full"))
                .Concat(seasons.GroupBy(_ => "use that changes with the seasons, apart"))
        )
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {group.Key} | {group.Count():N0} | {100 * group.Average(o => o.IsMassWithin ? 1.0 : 0):0.0} % "
                    + $"| {group.Average(o => o.Said.Mass.High - o.Said.Mass.Low):0.0} "
                    + $"| {100 * group.Average(o => o.IsCounterWithin ? 1.0 : 0):0.0} % "
                    + $"| {100 * group.Average(o => o.IsStoreWithin ? 1.0 : 0):0.0} % |"
            );
        foreach (
            var (name, errors) in new[] { ("twice or more", 2), ("once", 1), ("never", 0) }.Select(w => (w.Item1, Errors(all, w.Item2)))
        )
            said.AppendLine()
                .AppendLine(
                    CultureInfo.InvariantCulture,
                    $"The store's date, weighed {name}: median error {100 * errors[errors.Count / 2]:0.0} % of the time until then."
                );
        var knowing = all.Select(o => o.KnowingError).OfType<double>().Order().ToList();
        said.AppendLine()
            .AppendLine(
                CultureInfo.InvariantCulture,
                $"By one who knows all of it but what will be printed: {100 * knowing[knowing.Count / 2]:0.0} % (weighed twice or more)."
            );
        foreach (var obeys in new[] { true, false })
        {
            var lives = Enumerable
                .Range(0, Runs(options) / 10)
                .AsParallel()
                .Select(i => StoreTrial.Life(numbers, Seed + i, LifeYears, obeys));
            var ended = lives.ToList();
            said.AppendLine()
                .AppendLine(
                    CultureInfo.InvariantCulture,
                    $"{ended.Count} stores over {LifeYears:0} years, the gate {(obeys ? "obeyed" : "bypassed")}: "
                        + $"{ended.Count(l => l.Floods)} ran over; {ended.Sum(l => l.Resets):N0} resets, "
                        + $"{ended.Sum(l => l.Let):N0} of them without new pads first; {ended.Sum(l => l.Renewals):N0} renewals."
                );
        }

        said.AppendLine().AppendLine(CultureInfo.InvariantCulture, $"A store takes {each:0.0} ms of one core, its made-up life with it.");
        var took = LongLives(numbers);
        said.AppendLine()
            .AppendLine(
                CultureInfo.InvariantCulture,
                $"A page of a store with {LifeYears:0} years of readings takes {took[took.Count / 2]:0.0} ms, at most {took[^1]:0.0} ms."
            );
        return Said(said, options);
    }

    // The estimate and its course ahead, as the page asks for them, sorted, ms; the first goes through them untimed.
    private static List<double> LongLives(WasteNumbers numbers)
    {
        var lives = Enumerable.Range(0, LongLivesTried).Select(i => StoreTrial.Years(numbers, Seed + i, LifeYears)).ToList();
        List<double> Once() =>
            [
                .. lives
                    .Select(life =>
                    {
                        var clock = Stopwatch.StartNew();
                        _ = WasteLedger.Of(life.Told, numbers, life.At).Value.Course(YearDays, CoursePoints);
                        return clock.Elapsed.TotalMilliseconds;
                    })
                    .Order(),
            ];
        Once();
        return Once();
    }

    private static List<double> Errors(List<StoreOutcome> all, int weighed) =>
        [.. all.Where(o => o.Weighed == weighed).Select(o => o.DateError).OfType<double>().Order()];

    // How often the warning comes before air, and how much is left then; never weighed, for several choices of a shop.
    private static void Warnings(StringBuilder said, InkNumbers numbers, int runs)
    {
        said.AppendLine()
            .AppendLine("| piece | warned in | in time | needlessly early | left above the reserve, median share |")
            .AppendLine("|---|---:|---:|---:|---:|");
        foreach (var share in new[] { 0.8, 0.9, 0.95, numbers.Rules.WarnShare, 0.99 })
            Row("never weighed", share, 0, 0, WarningTrial.Kinds);
        foreach (var kind in WarningTrial.Kinds)
        {
            Row($"{kind.Name}, never weighed", numbers.Rules.WarnShare, 0, 0, [kind]);
            Row($"{kind.Name}, weighed twice in an earlier fill", numbers.Rules.WarnShareWeighed, 2, 0, [kind]);
            Row($"{kind.Name}, weighed twice in this fill", numbers.Rules.WarnShareWeighed, 0, 2, [kind]);
            Row($"{kind.Name}, weighed twice in both", numbers.Rules.WarnShareWeighed, 2, 2, [kind]);
        }

        void Row(string name, double share, int before, int since, IReadOnlyList<SlotKind> kinds)
        {
            var asked = numbers with { Rules = numbers.Rules with { WarnShare = share, WarnShareWeighed = share } };
            var all = Enumerable
                .Range(0, runs)
                .AsParallel()
                .Select(i => WarningTrial.Of(kinds[i % kinds.Count], asked, before, since, Seed + i))
                .ToList();
            var left = all.Select(o => o.LeftShare).Order().ToList();
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {name} | {100 * share:0.0} % | {100 * all.Average(o => o.IsInTime ? 1.0 : 0):0.0} % "
                    + $"| {100 * all.Average(o => o.IsNeedless ? 1.0 : 0):0.0} % | {left[left.Count / 2]:0.000} |"
            );
        }
    }

    private static int Runs(string[] options) =>
        MeasureCommand.Option(options, "--runs") is { } asked ? int.Parse(asked, CultureInfo.InvariantCulture) : UsualRuns;

    private static int Said(StringBuilder said, string[] options)
    {
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }

    private static double Width(IEnumerable<SlotOutcome> group)
    {
        var fills = SlotTrial.Kinds.ToDictionary(k => k.Name, k => k.Slot.FillMl);
        var widths = group.Where(o => o.Said is not null).Select(o => (o.Said!.Ink.High - o.Said.Ink.Low) / fills[o.Kind]).Order().ToList();
        return widths[widths.Count / 2];
    }

    // Years of a slot that is read every day and weighed now and then.
    private static double LongLife(InkNumbers numbers)
    {
        var begin = new DateTimeOffset(2016, 1, 4, 8, 0, 0, TimeSpan.Zero);
        List<SlotEvent> events = [new SlotEvent.Swapped(begin, Large, 100)];
        for (var i = 1; i < ManyEntries; i++)
            events.Add(
                (i % 50) switch
                {
                    0 => new SlotEvent.Filled(begin.AddDays(i), null),
                    1 => new SlotEvent.Reset(begin.AddDays(i), 100),
                    25 => new SlotEvent.Weighed(begin.AddDays(i), 214 + 100),
                    _ => new SlotEvent.ChipRead(begin.AddDays(i), 100 - (i % 50)),
                }
            );
        var slot = new SlotHistory(215, 170, 12, 214, 1.06, events);
        var best = double.MaxValue;
        for (var run = 0; run < 5; run++)
        {
            var clock = Stopwatch.StartNew();
            _ = SlotLedger.Of(slot, numbers, begin.AddDays(ManyEntries)).Value;
            best = Math.Min(best, clock.Elapsed.TotalMilliseconds);
        }

        return best;
    }
}
