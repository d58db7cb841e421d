using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>
/// Many technicians at once, on a scratch server over loopback, for a bounded time: each looks at a job, thinks, looks or writes again.
/// Then the same without thinking, then open pages that hear of a write, then a second server on the same records. Each beside what one
/// person alone waits for in the same run.
/// </summary>
public static class LoadMeasure
{
    private const int Jobs = 20_000;
    private const int Technicians = 100;
    private const int Streams = 1000;
    private const int FlatOut = 8;
    private const double ThinkS = 2;
    private const double WriteShare = 0.2;
    private const string Name = "Measure 1";

    /// <summary>Measures.</summary>
    /// <param name="options">--seconds N of each part; --streams N; --jobs N.</param>
    public static async Task<int> Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var seconds = Number(options, "--seconds", 30);
        var root = Settings.Needed(Settings.Database);
        var webRoot = Path.Combine(AppContext.BaseDirectory, "wwwroot");
        await using var server = await ScratchServer.Start(shop, root, Number(options, "--jobs", Jobs), webRoot);
        Console.WriteLine(
            $"{server.Jobs:N0} jobs, {server.Lines:N0} lines; parts of {seconds} s, {Environment.ProcessorCount} processors."
        );
        var clients = new List<BenchClient>();
        for (var i = 0; i < Technicians; i++)
        {
            clients.Add(new BenchClient(server.Address));
            await clients[i].SignIn(Name, ScratchServer.Password, $"10.9.0.{1 + i}");
        }

        var alone = await Work([clients[0]], server, 0, seconds / 3.0);
        var thinking = await Work(clients, server, ThinkS, seconds);
        var flat = await Work([.. clients.Take(FlatOut)], server, 0, seconds);
        Row("one alone, no thinking", alone);
        Row($"{Technicians} thinking {ThinkS} s", thinking);
        Row($"{FlatOut} without thinking", flat);
        Console.WriteLine(
            $"p95 of a page at {Technicians}: {thinking.Pages.P95:0.0} ms (40 wanted), of a write {thinking.Writes.P95:0.0} (60 wanted)"
                + $"; {thinking.Pages.P95 / alone.Pages.P95:0.0} and {thinking.Writes.P95 / alone.Writes.P95:0.0} times one alone."
        );
        await Listen(server, clients, Number(options, "--streams", Streams));
        await Beside(shop, server, webRoot);
        clients.ForEach(c => c.Dispose());
        return thinking.Broke + flat.Broke == 0 ? 0 : 1;
    }

    private sealed record Load(Timing Pages, Timing Writes, double PerSecond, int Broke);

    private static async Task<Load> Work(IReadOnlyList<BenchClient> clients, ScratchServer server, double thinkS, double seconds)
    {
        var (pages, writes, broke) = (new ConcurrentBag<double>(), new ConcurrentBag<double>(), 0);
        using var end = new CancellationTokenSource(TimeSpan.FromSeconds(seconds));
        var began = Stopwatch.GetTimestamp();
        await Task.WhenAll(clients.Select((client, i) => Task.Run(() => One(client, new Random(i)))));
        var took = Stopwatch.GetElapsedTime(began).TotalSeconds;
        return new Load(new Timing(pages), new Timing(writes), (pages.Count + writes.Count) / took, broke);

        async Task One(BenchClient client, Random chance)
        {
            while (!end.IsCancellationRequested)
            {
                // Even steps of all would come at once.
                if (thinkS > 0 && !await Thought(thinkS * 2 * chance.NextDouble(), end.Token))
                    return;
                try
                {
                    var job = server.OpenJob(chance.Next(ScratchShop.OpenJobs));
                    var start = Stopwatch.GetTimestamp();
                    var page = await client.Bench(job);
                    pages.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
                    if (chance.NextDouble() >= WriteShare)
                        continue;
                    start = Stopwatch.GetTimestamp();
                    await client.Note(page);
                    writes.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
                }
                catch (HttpRequestException)
                {
                    Interlocked.Increment(ref broke);
                }
            }
        }
    }

    private static async Task<bool> Thought(double seconds, CancellationToken end)
    {
        try
        {
            await Task.Delay(TimeSpan.FromSeconds(seconds), end);
            return true;
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }

    // Open pages hear of a write: how long until all have.
    private static async Task Listen(ScratchServer server, IReadOnlyList<BenchClient> clients, int count)
    {
        using var end = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        var page = await clients[0].Bench(server.OpenJob(0));
        var (opened, heard, all) = (0, 0, new TaskCompletionSource());
        var before = Process.GetCurrentProcess().WorkingSet64;
        void Opened()
        {
            if (Interlocked.Increment(ref opened) == count)
                all.SetResult();
        }

        var listeners = Enumerable
            .Range(0, count)
            .Select(i => Task.Run(() => clients[i % clients.Count].Hear($"\"job\":{page.Job.Id},", Opened, end.Token)))
            .ToList();
        await Task.WhenAny(all.Task, Task.WhenAll(listeners));
        var start = Stopwatch.GetTimestamp();
        await clients[0].Note(page);
        foreach (var listener in listeners)
            heard += await listener ? 1 : 0;
        var took = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
        var memory = (Process.GetCurrentProcess().WorkingSet64 - before) / 1_000_000.0;
        Console.WriteLine(
            $"{count:N0} open pages: {heard:N0} heard of a write, the last after {took:0} ms; {memory:0} MB more with both ends."
        );
    }

    // What one server writes the other shows.
    private static async Task Beside(Packs.Shop shop, ScratchServer server, string webRoot)
    {
        await using var second = await server.Beside(shop, webRoot);
        using var client = new BenchClient(second.Address);
        await client.SignIn(Name, ScratchServer.Password);
        var job = server.OpenJob(1);
        await server.Client.Note(await server.Client.Bench(job));
        var (here, there) = (await server.Client.Bench(job), await client.Bench(job));
        var same = here.Job.Version == there.Job.Version && here.Diagnosis.Advice.Step?.Id == there.Diagnosis.Advice.Step?.Id;
        Console.WriteLine($"A second server on the same records shows the same: {(same ? "yes" : "NO")}");
    }

    private static void Row(string what, Load load) =>
        Console.WriteLine(
            $"{what, -26} pages p50 {load.Pages.P50, 6:0.0} p95 {load.Pages.P95, 6:0.0} ms · writes p50 {load.Writes.P50, 6:0.0} p95 "
                + $"{load.Writes.P95, 6:0.0} ms · {load.PerSecond:0} a second · {load.Broke} broke"
        );

    private static int Number(string[] options, string name, int usual)
    {
        var at = Array.IndexOf(options, name);
        return at >= 0 && at + 1 < options.Length ? int.Parse(options[at + 1], CultureInfo.InvariantCulture) : usual;
    }
}
