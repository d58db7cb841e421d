using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>What came back.</summary>
public sealed record FuzzAnswer(int Status, string? Type, string Text)
{
    /// <summary>As JSON; null when it is none.</summary>
    public JsonNode? Json
    {
        get
        {
            try
            {
                return Text.Length == 0 ? null : JsonNode.Parse(Text);
            }
            catch (JsonException)
            {
                return null;
            }
        }
    }
}

/// <summary>Somebody at a browser. Each request comes from an address of its own, so that no limit by address stands in the way.</summary>
public sealed class FuzzBrowser(Uri server) : IDisposable
{
    private static int asked;
    private readonly HttpClient http = new(new SocketsHttpHandler { CookieContainer = new CookieContainer() }) { BaseAddress = server };
    private string token = "";

    /// <summary>Asks.</summary>
    public async Task<FuzzAnswer> Ask(string method, string path, HttpContent? body = null)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path) { Content = body };
        var n = Interlocked.Increment(ref asked);
        request.Headers.TryAddWithoutValidation("X-Forwarded-For", $"10.{2 + (n / 62500 % 200)}.{n / 250 % 250}.{1 + (n % 250)}");
        if (token.Length > 0)
            request.Headers.Add(SideBenchApp.TokenHeader, token);
        using var answer = await http.SendAsync(request);
        return new FuzzAnswer(
            (int)answer.StatusCode,
            answer.Content.Headers.ContentType?.MediaType,
            await answer.Content.ReadAsStringAsync()
        );
    }

    /// <summary>Takes the token that a session's answer carries.</summary>
    public void Take(FuzzAnswer session)
    {
        if ((session.Json as JsonObject)?["token"] is { } value)
            token = (string)value!;
    }

    /// <summary>Begins a session, signed in when a name is given.</summary>
    public async Task<bool> Enter(string? name = null, string? password = null)
    {
        Take(await Ask("GET", "/api/session"));
        if (name is null)
            return true;
        var answer = await Ask("POST", "/api/session", JsonContent.Create(new { name, password }));
        Take(answer);
        return answer.Status == 200;
    }

    /// <inheritdoc/>
    public void Dispose() => http.Dispose();
}
