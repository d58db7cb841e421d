using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>A signed-in browser's requests, over loopback.</summary>
public sealed class BenchClient : IDisposable
{
    private readonly HttpClient http;

    /// <summary>Asks one server.</summary>
    public BenchClient(Uri server) =>
        http = new HttpClient(new SocketsHttpHandler { CookieContainer = new CookieContainer(), UseCookies = true })
        {
            BaseAddress = server,
        };

    /// <summary>Signs in.</summary>
    /// <param name="name">The name.</param>
    /// <param name="password">The password.</param>
    /// <param name="from">The address that a proxy would tell: tries are counted by address.</param>
    public async Task SignIn(string name, string password, string? from = null)
    {
        if (from is not null)
            http.DefaultRequestHeaders.Add("X-Forwarded-For", from);
        await TakeToken(await http.GetAsync("/api/session"));
        await TakeToken(await http.PostAsJsonAsync("/api/session", new { name, password }));
    }

    /// <summary>Reads an address to its end.</summary>
    public async Task<byte[]> Read(string path)
    {
        using var answer = await http.GetAsync(path);
        answer.EnsureSuccessStatusCode();
        return await answer.Content.ReadAsByteArrayAsync();
    }

    /// <summary>The bench page of a job.</summary>
    public async Task<BenchView> Bench(long job) => (await http.GetFromJsonAsync<BenchView>($"/api/jobs/{job}"))!;

    /// <summary>Answers the advised step with its first answer, or does the advised repair.</summary>
    public async Task<bool> Answer(BenchView job)
    {
        var step = job.Diagnosis.Advice.Step;
        if (step is null || step.Held is not null)
            return false;
        using var answer =
            step.Kind == "repair"
                ? await http.PostAsJsonAsync(
                    $"/api/jobs/{job.Job.Id}/repairs",
                    new MendRequest(Guid.NewGuid(), job.Job.Version, step.Id, null, "")
                )
                : await http.PostAsJsonAsync(
                    $"/api/jobs/{job.Job.Id}/answers",
                    new AnswerRequest(Guid.NewGuid(), job.Job.Version, step.Id, step.Outcomes[0].Id, null)
                );
        answer.EnsureSuccessStatusCode();
        await answer.Content.ReadAsByteArrayAsync();
        return true;
    }

    /// <summary>Listens until a message has these words.</summary>
    /// <param name="words">The words.</param>
    /// <param name="opened">Called once it listens.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>Whether it was heard.</returns>
    public async Task<bool> Hear(string words, Action opened, CancellationToken cancel)
    {
        try
        {
            using var answer = await http.GetAsync("/api/events", HttpCompletionOption.ResponseHeadersRead, cancel);
            using var lines = new StreamReader(await answer.Content.ReadAsStreamAsync(cancel));
            // The first message says that nothing is missed from now on.
            for (var first = true; await lines.ReadLineAsync(cancel) is { } line; )
            {
                if (first && line.Contains("all", StringComparison.Ordinal))
                {
                    first = false;
                    opened();
                }
                else if (line.Contains(words, StringComparison.Ordinal))
                {
                    return true;
                }
            }
        }
        catch (Exception e) when (e is OperationCanceledException or HttpRequestException or IOException)
        {
            return false;
        }

        return false;
    }

    /// <summary>Writes a note on a job.</summary>
    public async Task Note(BenchView job)
    {
        using var answer = await http.PostAsJsonAsync(
            $"/api/jobs/{job.Job.Id}/notes",
            new NoteRequest(Guid.NewGuid(), job.Job.Version, "seen again")
        );
        answer.EnsureSuccessStatusCode();
        await answer.Content.ReadAsByteArrayAsync();
    }

    /// <summary>Tells what a job's waste store weighs.</summary>
    public async Task Weigh(BenchView job, double grams)
    {
        using var answer = await http.PostAsJsonAsync(
            $"/api/jobs/{job.Job.Id}/waste/told",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = job.Job.Version,
                what = "weighed",
                amount = grams,
            }
        );
        // A machine without a store of its own takes no weighing.
        await answer.Content.ReadAsByteArrayAsync();
    }

    /// <summary>Bytes over the wire for an address, compressed as a browser asks for it.</summary>
    public async Task<(int Bytes, string Text)> Wire(string path)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        request.Headers.AcceptEncoding.ParseAdd("br, gzip");
        using var answer = await http.SendAsync(request);
        answer.EnsureSuccessStatusCode();
        var bytes = await answer.Content.ReadAsByteArrayAsync();
        return (bytes.Length, System.Text.Encoding.UTF8.GetString(await Read(path)));
    }

    /// <inheritdoc/>
    public void Dispose() => http.Dispose();

    private async Task TakeToken(HttpResponseMessage answer)
    {
        answer.EnsureSuccessStatusCode();
        var session = await answer.Content.ReadFromJsonAsync<JsonElement>();
        http.DefaultRequestHeaders.Remove(SideBenchApp.TokenHeader);
        http.DefaultRequestHeaders.Add(SideBenchApp.TokenHeader, session.GetProperty("token").GetString());
    }
}
