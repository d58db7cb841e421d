using System.Diagnostics;
using System.Text.RegularExpressions;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Simulation;
using SideBench.Data;
using SideBench.Data.Bulk;
using SideBench.Data.Record;
using SideBench.Web.Demo;

namespace SideBench.Cli.Measure;

/// <summary>Times of the bench page's data.</summary>
/// <param name="First">A job opened for the first time since the start: its plan is made.</param>
/// <param name="Again">A job opened again: its plan stands.</param>
/// <param name="Bare">Its SQL, prepared, and nothing else.</param>
/// <param name="Small">As first, on a small shop.</param>
public sealed record PageTimes(Timing First, Timing Again, Timing Bare, Timing Small);

/// <summary>Times of the lists of the shop, and of their SQL alone.</summary>
public sealed record ListTimes(Timing Shelf, Timing Waste, Timing BareShelf, Timing BareWaste);

/// <summary>What is timed. Every probe is the real thing a page does; the bare one is its SQL and nothing else.</summary>
public static partial class Probes
{
    private const int Rounds = 500;

    // A server that has run for a while has its code compiled for what it does most.
    private const int WarmUp = 600;
    private const int WarmAnswers = 320;

    /// <summary>
    /// The bench page's data on a large and a small shop, opened for the first time and again, and its bare SQL on the large one, in turn.
    /// </summary>
    public static async Task<PageTimes> BenchPage(ScratchServer large, ScratchServer small)
    {
        await using var database = Database.Open(large.Connection);
        var rounds = Jobs(large, WarmUp + Rounds).Zip(Jobs(small, WarmUp + Rounds)).ToList();
        List<double> page = [],
            again = [],
            bare = [],
            smallPage = [];
        foreach (var (job, smallJob) in rounds)
        {
            page.Add(await Time(() => large.Client.Read($"/api/jobs/{job}")));
            bare.Add(await Time(() => Scratch.BareJob(database, new JobId(job))));
            smallPage.Add(await Time(() => small.Client.Read($"/api/jobs/{smallJob}")));
            again.Add(await Time(() => large.Client.Read($"/api/jobs/{job}")));
        }

        return new PageTimes(Of(page), Of(again), Of(bare), Of(smallPage));

        static Timing Of(List<double> times) => new(times.Skip(WarmUp));
    }

    /// <summary>The data of the page of opening up: the job, its machine's life, the way in, the way back and what is due.</summary>
    public static async Task<Timing> OpeningPage(ScratchServer server)
    {
        var jobs = Jobs(server, WarmUp + Rounds);
        foreach (var job in jobs.Take(WarmUp))
            await server.Client.Read($"/api/jobs/{job}/opening");
        return await Timing.Of(jobs.Skip(WarmUp), job => server.Client.Read($"/api/jobs/{job}/opening"));
    }

    /// <summary>The shelf and the waste of all machines, each with its SQL and nothing else, in turn.</summary>
    public static async Task<ListTimes> Lists(ScratchServer server)
    {
        await using var database = Database.Open(server.Connection);
        var first = server.Jobs - ScratchShop.OpenJobs + 1;
        foreach (var job in Enumerable.Range(first, ScratchShop.OpenJobs).Where(j => j % 8 == 0))
            await server.Client.Weigh(await server.Client.Bench(job), 150);
        List<double> shelf = [],
            waste = [],
            bareShelf = [],
            bareWaste = [];
        for (var i = 0; i < Rounds; i++)
        {
            shelf.Add(await Time(() => server.Client.Read("/api/shelf")));
            bareShelf.Add(await Time(() => Scratch.BareShelf(database)));
            waste.Add(await Time(() => server.Client.Read("/api/waste")));
            bareWaste.Add(await Time(() => Scratch.BareWaste(database)));
        }

        return new ListTimes(Of(shelf), Of(waste), Of(bareShelf), Of(bareWaste));

        static Timing Of(List<double> times) => new(times.Skip(Rounds / 5));
    }

    /// <summary>Search as you type.</summary>
    public static async Task<Timing> Search(ScratchServer server)
    {
        string[] words = ["alder", "X-0004", "fades", "tolling bro", "heron", "413", "quartet", "waste ink", "zzz", "pellow six"];
        var typed = words.SelectMany(w => Enumerable.Range(1, w.Length).Select(n => Uri.EscapeDataString(w[..n]))).ToList();
        foreach (var q in typed)
            await server.Client.Read($"/api/find?q={q}");
        return await Timing.Of(Enumerable.Repeat(typed, 4).SelectMany(t => t), q => server.Client.Read($"/api/find?q={q}"));
    }

    /// <summary>Search by the first letter or two, which is answered by index alone.</summary>
    public static async Task<Timing> ShortSearch(ScratchServer server)
    {
        List<string> typed =
        [
            .. "abcdefghijklmnopqrstuvwxyz".Select(c => $"{c}"),
            "al",
            "br",
            "x-",
            "he",
            "41",
            "qu",
            "wa",
            "to",
            "pe",
            "zz",
        ];
        foreach (var q in typed)
            await server.Client.Read($"/api/find?q={q}");
        return await Timing.Of(Enumerable.Repeat(typed, 10).SelectMany(t => t), q => server.Client.Read($"/api/find?q={q}"));
    }

    /// <summary>A note, and a write of the same line with nothing around it, in turn.</summary>
    public static async Task<(Timing Note, Timing Bare)> Notes(ScratchServer server)
    {
        await using var database = Database.Open(server.Connection);
        List<double> note = [],
            bare = [];
        foreach (var job in Jobs(server, WarmUp + Rounds))
        {
            var view = await server.Client.Bench(job);
            note.Add(await Time(() => server.Client.Note(view)));
            var write = new Write(Guid.NewGuid(), "", new PersonId(1), "Measure 1", DateTimeOffset.UtcNow);
            bare.Add(await Time(() => Scratch.BareWrite(database, new JobId(job), write)));
        }

        return (new Timing(note.Skip(WarmUp)), new Timing(bare.Skip(WarmUp)));
    }

    /// <summary>One answer: append, fold, next step, notify, and the page that comes back.</summary>
    public static async Task<Timing> Answers(ScratchServer server)
    {
        var open = Enumerable.Range(server.Jobs - ScratchShop.OpenJobs + 1, ScratchShop.OpenJobs).ToList();
        foreach (var job in open.Take(WarmAnswers))
            await server.Client.Answer(await server.Client.Bench(job));
        var times = new List<double>();
        foreach (var job in open.Skip(WarmAnswers))
        {
            var view = await server.Client.Bench(job);
            var answered = false;
            var time = await Time(async () => answered = await server.Client.Answer(view));
            if (answered)
                times.Add(time);
        }

        return new Timing(times);
    }

    /// <summary>The next step alone, in the core, at every point of many visits.</summary>
    public static async Task<Timing> NextSteps(ScratchServer server)
    {
        var books = server.Books;
        var world = new DemoWorld(books.Shop.Book, books.Shop.Models.Values, 7, books.Now, DemoLoad.NumbersOf(books.Shop));
        var folds = world
            .Past()
            .SelectMany(job => Enumerable.Range(2, job.Entries.Count - 3).Select(n => job.Entries.Take(n).ToList()))
            .ToList();
        foreach (var entries in folds.Take(WarmUp))
            _ = books.NewCase(MachineCase.New, entries).Value.Advice.Kind;
        return await Timing.Of(
            folds,
            entries =>
            {
                var job = books.NewCase(MachineCase.New, entries).Value;
                _ = NextStep.Of(job.Odds, job.Facts, job.State.Timeline, job.State.Overridden);
                return Task.CompletedTask;
            }
        );
    }

    /// <summary>Bytes over the wire until the first view stands: page, scripts, styles, Latin fonts, session.</summary>
    public static async Task<double> FirstView(ScratchServer server)
    {
        var (total, html) = await server.Client.Wire("/index.html");
        var files = AssetPattern().Matches(html).Select(m => m.Value).Distinct().ToList();
        foreach (var file in files)
        {
            var (bytes, text) = await server.Client.Wire(file);
            total += bytes;
            if (!file.EndsWith(".css", StringComparison.Ordinal))
                continue;
            foreach (var font in FontPattern().Matches(text).Select(m => m.Value).Distinct())
                total += (await server.Client.Wire(font)).Bytes;
        }

        return (total + (await server.Client.Wire("/api/session")).Bytes) / 1024.0;
    }

    private static async Task<double> Time(Func<Task> act)
    {
        var start = Stopwatch.GetTimestamp();
        await act();
        return Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    private static List<long> Jobs(ScratchServer server, int count)
    {
        // Each job once, so that none is found in memory on a small shop that would not be on a large one.
        long[] closed = [.. Enumerable.Range(1, server.Jobs - ScratchShop.OpenJobs).Select(job => (long)job)];
        new Random(server.Jobs).Shuffle(closed);
        return [.. closed.Take(count)];
    }

    [GeneratedRegex("/assets/[^\"]+\\.(js|css)")]
    private static partial Regex AssetPattern();

    [GeneratedRegex("/assets/[a-z-]+-latin-(400|700)-normal-[^)\"']+\\.woff2")]
    private static partial Regex FontPattern();
}
