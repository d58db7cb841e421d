using System.Globalization;
using System.Text.Json;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>Measures the product on a scratch database: ratios within one run, a table to read and JSON to keep.</summary>
public static class MeasureCommand
{
    private const int UsualLarge = 20_000;
    private const int Small = 2_000;

    /// <summary>Measures.</summary>
    /// <param name="options">
    /// <c>diagnosis</c>, <c>sheets</c>, <c>opening</c>, <c>headcare</c>, <c>ink</c> or <c>waste</c> with their own options, else
    /// --json FILE and --jobs N; --start-s and --idle-mb hand in what the shell measured of ./start.
    /// </param>
    public static async Task<int> Run(string[] options)
    {
        if (options is ["diagnosis", .. var rest])
            return DiagnosisMeasure.Run(rest);
        if (options is ["sheets", .. var more])
            return SheetsMeasure.Run(more);
        if (options is ["opening", .. var last])
            return OpeningMeasure.Run(last);
        if (options is ["headcare", .. var heads])
            return HeadCareMeasure.Run(heads);
        if (options is ["ink", .. var slots])
            return LedgerMeasure.Ink(slots);
        if (options is ["waste", .. var stores])
            return LedgerMeasure.Waste(stores);
        if (options is ["load", .. var load])
            return await LoadMeasure.Run(load);
        if (options is ["fuzz", .. var asked])
            return await Fuzz.FuzzMeasure.Run(asked);
        if (options is ["own", .. var own])
            return OwnMeasure.Run(own);
        if (options is ["teach", .. var taught])
            return SheetTeachingMeasure.Run(taught);
        if (options is ["day", .. var days])
            return DayMeasure.Run(days);
        if (options is [var unknown, ..] && !unknown.StartsWith("--", StringComparison.Ordinal))
        {
            Console.Error.WriteLine($"There is no measure called {unknown}. ./sidebench names those there are.");
            return 2;
        }

        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var root = Settings.Needed(Settings.Database);
        var webRoot = Path.Combine(AppContext.BaseDirectory, "wwwroot");
        var many = Option(options, "--jobs") is { } told ? int.Parse(told, CultureInfo.InvariantCulture) : UsualLarge;
        Console.WriteLine($"Filling scratch databases with {Small:N0} and {many:N0} jobs ...");
        await using var small = await ScratchServer.Start(shop, root, Small, webRoot);
        await using var large = await ScratchServer.Start(shop, root, many, webRoot);
        Console.WriteLine($"{large.Jobs:N0} jobs, {large.Lines:N0} lines.");
        var figures = await Figures(small, large);
        if (Option(options, "--start-s") is { } start)
            figures.Add(new Figure("warm ./start to first answer", Number(start), "s", 6, ""));
        if (Option(options, "--idle-mb") is { } idle)
            figures.Add(new Figure("idle memory of the server", Number(idle), "MB", 200, "resident set"));
        Table(figures);
        var json = JsonSerializer.Serialize(
            new
            {
                jobs = large.Jobs,
                lines = large.Lines,
                figures,
            },
            new JsonSerializerOptions(JsonSerializerDefaults.Web) { WriteIndented = true }
        );
        if (Option(options, "--json") is { } file)
            await File.WriteAllTextAsync(file, json);
        return 0;
    }

    private static async Task<List<Figure>> Figures(ScratchServer small, ScratchServer large)
    {
        var page = await Probes.BenchPage(large, small);
        var opening = await Probes.OpeningPage(large);
        var search = await Probes.Search(large);
        var smallSearch = await Probes.Search(small);
        await Probes.Answers(small);
        var answers = await Probes.Answers(large);
        var smallAnswers = await Probes.Answers(small);
        var (note, bareWrite) = await Probes.Notes(large);
        var shortSearch = await Probes.ShortSearch(large);
        var next = await Probes.NextSteps(large);
        var (lists, smallLists) = (await Probes.Lists(large), await Probes.Lists(small));
        return
        [
            new Figure(
                "bench page opened again / its prepared SQL, p50",
                page.Again.P50 / page.Bare.P50,
                "×",
                3,
                $"{page.Again.P50:0.00} ms / {page.Bare.P50:0.00} ms"
            ),
            new Figure(
                "bench page opened again / its prepared SQL, p95",
                page.Again.P95 / page.Bare.P95,
                "×",
                6,
                $"{page.Again.P95:0.00} ms / {page.Bare.P95:0.00} ms"
            ),
            new Figure("bench page opened for the first time, p95", page.First.P95, "ms", 25, $"p50 {page.First.P50:0.00} ms"),
            new Figure(
                "opening page's data / the bench page's SQL, p50",
                opening.P50 / page.Bare.P50,
                "×",
                12,
                $"{opening.P50:0.00} ms / {page.Bare.P50:0.00} ms"
            ),
            new Figure(
                "one answer / bare prepared write, p50",
                answers.P50 / bareWrite.P50,
                "×",
                4,
                $"{answers.P50:0.00} ms / {bareWrite.P50:0.00} ms"
            ),
            new Figure(
                "a note / bare prepared write, p50",
                note.P50 / bareWrite.P50,
                "×",
                3,
                $"{note.P50:0.00} ms / {bareWrite.P50:0.00} ms"
            ),
            new Figure("search by a letter or two, p95", shortSearch.P95, "ms", 5, $"p50 {shortSearch.P50:0.0} ms"),
            new Figure("search as you type, p95", search.P95, "ms", 50, $"p50 {search.P50:0.0} ms"),
            new Figure("one answer, p95", answers.P95, "ms", 25, $"p50 {answers.P50:0.0} ms"),
            new Figure(
                $"bench page, {large.Jobs:N0} / {small.Jobs:N0} jobs, p50",
                page.First.P50 / page.Small.P50,
                "×",
                1.15,
                $"{page.First.P50:0.00} ms / {page.Small.P50:0.00} ms"
            ),
            new Figure(
                $"one answer, {large.Jobs:N0} / {small.Jobs:N0} jobs, p50",
                answers.P50 / smallAnswers.P50,
                "×",
                1.15,
                $"{answers.P50:0.00} ms / {smallAnswers.P50:0.00} ms"
            ),
            new Figure(
                $"search, {large.Jobs:N0} / {small.Jobs:N0} jobs, p50",
                search.P50 / smallSearch.P50,
                "×",
                1.15,
                $"{search.P50:0.00} ms / {smallSearch.P50:0.00} ms"
            ),
            .. Lists(large.Jobs, lists, small.Jobs, smallLists),
            new Figure("next step in the core, p95", next.P95, "ms", 20, $"p50 {next.P50:0.00} ms"),
            new Figure("first view over the wire", await Probes.FirstView(large), "kB", 160, "compressed, with fonts"),
        ];
    }

    private static IEnumerable<Figure> Lists(int jobs, ListTimes large, int few, ListTimes small)
    {
        foreach (
            var (name, page, bare, less) in new[]
            {
                ("the shelf", large.Shelf, large.BareShelf, small.Shelf),
                ("waste of all machines", large.Waste, large.BareWaste, small.Waste),
            }
        )
        {
            yield return new Figure($"{name} / its own SQL, p50", page.P50 / bare.P50, "×", 3, $"{page.P50:0.00} ms / {bare.P50:0.00} ms");
            yield return new Figure(
                $"{name}, {jobs:N0} / {few:N0} jobs, p50",
                page.P50 / less.P50,
                "×",
                1.15,
                $"{page.P50:0.00} ms / {less.P50:0.00} ms"
            );
        }
    }

    private static void Table(List<Figure> figures)
    {
        Console.WriteLine();
        foreach (var f in figures)
        {
            var value = f.Value.ToString("0.00", CultureInfo.InvariantCulture);
            Console.WriteLine($"{(f.Good ? "ok  " : "OVER")} {f.Name, -40} {value, 9} {f.Unit, -3} at most {f.AtMost, 5}   {f.From}");
        }
    }

    internal static string? Option(string[] options, string name)
    {
        var at = Array.IndexOf(options, name);
        return at >= 0 && at + 1 < options.Length ? options[at + 1] : null;
    }

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
