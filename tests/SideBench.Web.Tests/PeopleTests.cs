using System.Net;
using System.Net.Http.Json;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using SideBench.Core.Accounts;
using SideBench.Core.Outcomes;
using SideBench.Web.Features.Accounts;
using Xunit;

namespace SideBench.Web.Tests;

public class PeopleTests(BenchServer server) : IClassFixture<BenchServer>
{
    private static readonly object Nothing = new { };

    [Fact]
    public async Task ACode_IsUsedOnce_AndByThatNameAlone()
    {
        var owner = await server.Open();
        var (_, code) = await People.Invite(owner, "Wren Hale");
        var browser = await server.Open("");
        Assert.Equal("wrong-code", await Code(browser, People.Joining("Tam Orrell", code)));
        Assert.Equal("common-password", await Code(browser, People.Joining("Wren Hale", code, password: "password123")));
        await browser.TakeToken(
            await browser.Http.PostAsJsonAsync("/api/session/join", People.Joining("wren hale", code.ToLowerInvariant()))
        );
        Assert.Equal("Wren Hale", (await browser.Get("/api/session")).Body.GetProperty("person").GetProperty("name").GetString());
        Assert.Equal("wrong-code", await Code(await server.Open(""), People.Joining("Wren Hale", code)));
        var said = (await owner.Get("/api/shop")).Body.ToString();
        Assert.Contains("Wren Hale: invited as technician", said);
        Assert.Contains("Wren Hale: joined with the code", said);
    }

    [Fact]
    public async Task ACodeWhoseTimeIsOver_IsNone_AndANewOneReplacesIt()
    {
        var owner = await server.Open();
        var (id, first) = await People.Invite(owner, "Late Joiner");
        await Sql("UPDATE people SET code_until = now() - interval '1 minute' WHERE person_id = $1", id);
        Assert.Equal("wrong-code", await Code(await server.Open(""), People.Joining("Late Joiner", first)));
        var second = (await People.Act(owner, $"{id}/code", Nothing)).GetProperty("made").GetProperty("code").GetString()!;
        Assert.Equal("wrong-code", await Code(await server.Open(""), People.Joining("Late Joiner", first)));
        Assert.Null(await Code(await server.Open(""), People.Joining("Late Joiner", second)));
    }

    [Fact]
    public async Task WhoSignsOut_OrIsSuspended_WritesNoMore_WithTheCookieTheyHad()
    {
        var owner = await server.Open();
        var (id, wren) = await People.Join(server, owner, "Robin Ashe");
        var (job, version) = await JobsTests.TakeIn(wren);
        object Note(int seen) =>
            new
            {
                key = Guid.NewGuid(),
                seenVersion = seen,
                text = "still here",
            };
        Assert.Equal(HttpStatusCode.OK, (await wren.Post($"/api/jobs/{job}/notes", Note(version))).Status);
        await People.Act(owner, $"{id}/standing", new { act = "Suspended", why = "until Monday" });
        Assert.Equal(HttpStatusCode.Unauthorized, (await wren.Post($"/api/jobs/{job}/notes", Note(version + 1))).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await wren.Get("/api/board")).Status);
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await (await server.Open("")).Post("/api/session", new { name = "Robin Ashe", password = People.Password })).Status
        );
        await People.Act(owner, $"{id}/standing", new { act = "LetBack" });
        var back = await server.Open("");
        await back.TakeToken(await back.Http.PostAsJsonAsync("/api/session", new { name = "Robin Ashe", password = People.Password }));
        // A cookie that was kept aside before signing out is nobody's afterwards.
        var kept = back.Copy();
        Assert.Equal(HttpStatusCode.OK, (await kept.Get("/api/board")).Status);
        await back.Http.DeleteAsync(new Uri("/api/session", UriKind.Relative));
        Assert.Equal(HttpStatusCode.Unauthorized, (await kept.Get("/api/board")).Status);
    }

    [Fact]
    public async Task ARole_HoldsFromTheNextRequestOn()
    {
        var owner = await server.Open();
        var (id, lee) = await People.Join(server, owner, "Lee Marsh", "Counter");
        Assert.Equal(HttpStatusCode.Forbidden, (await lee.Get("/api/people/accounts")).Status);
        await People.Act(owner, $"{id}/role", new { role = "Owner" });
        Assert.Equal(HttpStatusCode.OK, (await lee.Get("/api/people/accounts")).Status);
        await People.Act(owner, $"{id}/role", new { role = "Counter" });
        Assert.Equal(HttpStatusCode.Forbidden, (await lee.Post("/api/people/invitations", new { key = Guid.NewGuid() })).Status);
    }

    [Fact]
    public async Task OwnersWhoLeaveAtOnce_LeaveOne()
    {
        var owner = await server.Open();
        var (id, second) = await People.Join(server, owner, "Second Owner", "Owner");
        var first = (await owner.Get("/api/session")).Body.GetProperty("person").GetProperty("id").GetInt64();
        var seen = (await owner.Get("/api/people/accounts")).Body.GetProperty("version").GetInt32();
        object Go() =>
            new
            {
                key = Guid.NewGuid(),
                seenVersion = seen,
                role = "Counter",
            };
        var both = await Task.WhenAll(owner.Post($"/api/people/{id}/role", Go()), second.Post($"/api/people/{first}/role", Go()));
        Assert.Single(both, b => b.Status == HttpStatusCode.OK);
        var left = both[0].Status == HttpStatusCode.OK ? owner : second;
        var self = left == owner ? first : id;
        var (status, body) = await People.Try(left, $"{self}/standing", new { act = "Gone" });
        Assert.Equal((HttpStatusCode.Conflict, "last-owner"), (status, body.GetProperty("code").GetString()));
        if (left == second)
            await People.Act(second, $"{first}/role", new { role = "Owner" });
    }

    [Fact]
    public async Task WhoHasGone_LeavesTheirName_AndItMayBeGivenAgain()
    {
        var owner = await server.Open();
        var (id, ash) = await People.Join(server, owner, "Ash Pell");
        var (job, _) = await JobsTests.TakeIn(ash);
        await People.Act(owner, $"{id}/standing", new { act = "Gone", why = "moved away" });
        Assert.Contains("Ash Pell", (await owner.Get($"/api/jobs/{job}")).Body.ToString());
        var accounts = (await owner.Get("/api/people/accounts")).Body.GetProperty("accounts").EnumerateArray();
        Assert.Equal("Gone", accounts.Single(a => a.GetProperty("id").GetInt64() == id).GetProperty("standing").GetString());
        Assert.DoesNotContain("Ash Pell", (await owner.Get("/api/people")).Body.ToString());
        var (again, _) = await People.Join(server, owner, "Ash Pell");
        Assert.NotEqual(id, again);
        Assert.Equal("no-such-account", (await People.Try(owner, $"{id}/code", Nothing)).Body.GetProperty("code").GetString());
    }

    [Fact]
    public async Task ANewPassword_SignsOutEverywhereElse_AndIsNoPartOfTheRecord()
    {
        var owner = await server.Open();
        var (_, here) = await People.Join(server, owner, "Kit Lowe");
        var phone = await server.Open("");
        phone.Http.DefaultRequestHeaders.UserAgent.ParseAdd("Something/1.0 (Mobile)");
        await phone.TakeToken(await phone.Http.PostAsJsonAsync("/api/session", new { name = "Kit Lowe", password = People.Password }));
        var places = (await here.Get("/api/sign-ins")).Body.EnumerateArray().ToList();
        Assert.Equal(["bench", "phone"], places.Select(p => p.GetProperty("place").GetString()).Order());
        object Change(string now, string password) =>
            new
            {
                key = Guid.NewGuid(),
                now,
                password,
            };
        var wrong = await here.Post("/api/sign-ins/password", Change("not it at all", "copper ladle meadow"));
        Assert.Equal("wrong-now", wrong.Body.GetProperty("code").GetString());
        var change = Change(People.Password, "copper ladle meadow");
        Assert.Equal(HttpStatusCode.OK, (await here.Post("/api/sign-ins/password", change)).Status);
        // Sent again because the answer was lost: done, not refused for the password that was.
        Assert.Equal(HttpStatusCode.OK, (await here.Post("/api/sign-ins/password", change)).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await phone.Get("/api/board")).Status);
        Assert.Equal(HttpStatusCode.OK, (await here.Get("/api/board")).Status);
        Assert.Equal(0L, await Sql("SELECT count(*) FROM entries WHERE body::text LIKE '%ladle%' OR body::text LIKE $1", "%orchard%"));
    }

    [Fact]
    public async Task APlace_IsSignedOutByItsPerson_OrByAnOwner_ByNobodyElse()
    {
        var owner = await server.Open();
        var (_, fern) = await People.Join(server, owner, "Fern Holt");
        var (_, moss) = await People.Join(server, owner, "Moss Dale");
        var place = (await fern.Get("/api/sign-ins")).Body.EnumerateArray().Single().GetProperty("id").GetGuid();
        object End() => new { key = Guid.NewGuid(), seenVersion = 0 };
        Assert.Equal(HttpStatusCode.NotFound, (await moss.Post($"/api/sign-ins/{place}/end", End())).Status);
        Assert.Equal(HttpStatusCode.OK, (await fern.Get("/api/board")).Status);
        Assert.Equal(HttpStatusCode.OK, (await owner.Post($"/api/sign-ins/{place}/end", End())).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await fern.Get("/api/board")).Status);
        Assert.Contains("Fern Holt: signed out by hand", (await owner.Get("/api/shop")).Body.ToString());
    }

    [Fact]
    public async Task SignOut_OfOneServer_CountsOnTheOther()
    {
        await using var other = await BenchServer.Run(server.Connection);
        var browser = await server.Open();
        var there = browser.Copy(new Uri(other.Urls.First()));
        Assert.Equal(HttpStatusCode.OK, (await there.Get("/api/board")).Status);
        await browser.Http.DeleteAsync(new Uri("/api/session", UriKind.Relative));
        // Its news may be a moment behind; a write asks the record itself.
        await there.TakeToken(await there.Http.GetAsync("/api/session"));
        Assert.Equal(HttpStatusCode.Unauthorized, (await there.Post("/api/take-in", JobsTests.Intake())).Status);
        await other.StopAsync();
    }

    [Theory]
    [InlineData("password123", false)]
    [InlineData("P@ssw0rd123", false)]
    [InlineData("1234567890", false)]
    [InlineData("aaaaaaaaaaaa", false)]
    [InlineData("qwertyuiop", false)]
    [InlineData("Wren Hale1", false)]
    [InlineData("kettle lamp orchard", true)]
    [InlineData("fennmouth-bench", true)]
    public void CommonPasswords_AreRefused(string password, bool isTaken)
    {
        var problems = new List<Problem>();
        Secrets.Password(problems, password, "Wren Hale");
        Assert.Equal(isTaken, problems.Count == 0);
        Assert.All(problems, p => Assert.Equal(AccountsProblem.CommonPassword, p.Code));
    }

    private static async Task<string?> Code(Browser browser, object joining)
    {
        var (_, body) = await browser.Post("/api/session/join", joining);
        return body.TryGetProperty("code", out var code) ? code.GetString() : null;
    }

    private async Task<object?> Sql(string sql, object value)
    {
        await using var command = server.Services.GetRequiredService<NpgsqlDataSource>().CreateCommand(sql);
        command.Parameters.AddWithValue(value);
        return await command.ExecuteScalarAsync();
    }
}
