using System.Net.Http.Json;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>People who are asked to join, as an owner and they themselves do it.</summary>
public static class People
{
    public const string Password = "kettle lamp orchard";

    /// <summary>Asks somebody to join; their number and code.</summary>
    public static async Task<(long Id, string Code)> Invite(Browser owner, string name, string role = "Technician")
    {
        var body = await Act(owner, "invitations", new { name, role });
        var made = body.GetProperty("made");
        return (made.GetProperty("of").GetInt64(), made.GetProperty("code").GetString()!);
    }

    /// <summary>Asks somebody to join, who does; their number and the browser they sit at.</summary>
    public static Task<(long Id, Browser Browser)> Join(BenchServer server, Browser owner, string name, string role = "Technician") =>
        Join(server.Address, owner, name, role);

    /// <summary>The same, wherever the server is.</summary>
    public static async Task<(long Id, Browser Browser)> Join(Uri server, Browser owner, string name, string role = "Technician")
    {
        var (id, code) = await Invite(owner, name, role);
        var browser = await Browser.Open(server, "");
        await browser.TakeToken(await browser.Http.PostAsJsonAsync("/api/session/join", Joining(name, code, "4711")));
        return (id, browser);
    }

    /// <summary>What one says who joins.</summary>
    public static object Joining(string name, string code, string pin = "", string password = Password) =>
        new
        {
            key = Guid.NewGuid(),
            name,
            code,
            password,
            pin,
        };

    /// <summary>Does something to an account, seen as it stands.</summary>
    public static async Task<JsonElement> Act(Browser owner, string address, object said)
    {
        var (status, body) = await Try(owner, address, said);
        Assert.True((int)status == 200, $"{address}: {body}");
        return body;
    }

    /// <summary>The same, whatever becomes of it.</summary>
    public static async Task<(System.Net.HttpStatusCode Status, JsonElement Body)> Try(Browser owner, string address, object said)
    {
        var fields = JsonSerializer.SerializeToNode(said)!.AsObject();
        fields["key"] = Guid.NewGuid();
        fields["seenVersion"] = (await owner.Get("/api/people/accounts")).Body.GetProperty("version").GetInt32();
        return await owner.Post($"/api/people/{address}", fields);
    }
}
