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
    public async Task SignIn(string name, string password)
    {
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
