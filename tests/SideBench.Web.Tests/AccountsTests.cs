using System.Net;
using System.Net.Http.Json;
using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using SideBench.Core.Outcomes;
using SideBench.Data.Tests;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using Xunit;

namespace SideBench.Web.Tests;

public class AccountsTests(BenchServer server) : IClassFixture<BenchServer>
{
    private static readonly HashSet<string> OpenToAll =
    [
        "/api/session/",
        "/api/session/first-owner",
        "/api/session/join",
        "/api/calendar/{secret}.ics",
        "/api/{**rest}",
    ];

    [Fact]
    public async Task EveryAddressOfTheApi_NeedsSignIn()
    {
        var stranger = await server.Open("");
        var routes = server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e =>
                e.RoutePattern.RawText!.StartsWith("/api", StringComparison.Ordinal) && !OpenToAll.Contains(e.RoutePattern.RawText!)
            )
            .ToList();
        Assert.True(routes.Count > 25, $"{routes.Count} addresses found");
        foreach (var route in routes)
        {
            var path = route
                .RoutePattern.RawText!.Replace("{id:long}", "1")
                .Replace("{station}", "vent")
                .Replace("{slot:int}", "1")
                .Replace("{signIn:guid}", $"{Guid.Empty}");
            var post = route.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods.Contains("POST");
            var answer = post
                ? await stranger.Http.PostAsJsonAsync(path, new { })
                : await stranger.Http.GetAsync(path + "?q=a&serial=a&start=a");
            Assert.True(answer.StatusCode is HttpStatusCode.Unauthorized or HttpStatusCode.BadRequest, $"{path}: {answer.StatusCode}");
        }
    }

    [Theory]
    [InlineData("{}")]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("{ \"seenVersion\": 1e99, \"key\": 7 }")]
    [InlineData("{ \"key\": \"KEY\", \"seenVersion\": 2 }")]
    public async Task NoWrite_FailsInsideTheServer_WhateverIsSent(string body)
    {
        var owner = await server.Open();
        var (job, _) = await JobsTests.TakeIn(owner);
        var posts = server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e =>
                e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods.Contains("POST") == true
                && e.RoutePattern.RawText != "/api/{**rest}"
                && !e.RoutePattern.RawText!.StartsWith("/api/session", StringComparison.Ordinal)
                && e.RoutePattern.RawText != "/api/shop/packs"
            )
            .ToList();
        Assert.True(posts.Count > 15, $"{posts.Count} addresses found");
        foreach (var route in posts)
        {
            var path = route.RoutePattern.RawText!.Replace("{id:long}", $"{job}").Replace("{signIn:guid}", $"{Guid.Empty}");
            var answer = await owner.Http.PostAsync(
                path,
                new StringContent(body.Replace("KEY", Guid.NewGuid().ToString()), System.Text.Encoding.UTF8, "application/json")
            );
            Assert.True((int)answer.StatusCode is >= 400 and < 500, $"{path} with {body}: {answer.StatusCode}");
            Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        }
    }

    [Fact]
    public async Task WriteWithoutThePagesToken_IsRefused()
    {
        var browser = await server.Open();
        browser.Http.DefaultRequestHeaders.Remove(SideBenchApp.TokenHeader);
        var (status, body) = await browser.Post("/api/take-in", JobsTests.Intake());
        Assert.Equal((HttpStatusCode.BadRequest, "token-old"), (status, body.GetProperty("code").GetString()));
    }

    [Fact]
    public async Task FiveWrongPasswords_LockTheAccountForAWhile()
    {
        var owner = await server.Open();
        await People.Join(server, owner, "Lock Out");
        var browser = await server.Open("");
        for (var i = 0; i < SignIn.MostTries; i++)
            Assert.Equal(
                HttpStatusCode.Unauthorized,
                (await browser.Post("/api/session", new { name = "Lock Out", password = "wrong" })).Status
            );
        var (_, body) = await browser.Post("/api/session", new { name = "Lock Out", password = People.Password });
        Assert.Equal("locked-out", body.GetProperty("code").GetString());
    }

    [Fact]
    public async Task ManyWrongTriesFromOneAddress_LockIt_AndNoOther()
    {
        async Task<string?> Tried(string address, string password)
        {
            var browser = await server.Open("");
            browser.Http.DefaultRequestHeaders.Remove("X-Forwarded-For");
            browser.Http.DefaultRequestHeaders.Add("X-Forwarded-For", address);
            var (_, body) = await browser.Post("/api/session", new { name = "Nobody Here", password });
            return body.GetProperty("code").GetString();
        }

        for (var i = 0; i < SignIn.MostFromOneAddress; i++)
            Assert.Equal("wrong-sign-in", await Tried("10.0.0.9", "wrong"));
        Assert.Equal("locked-out", await Tried("10.0.0.9", "wrong"));
        Assert.Equal("wrong-sign-in", await Tried("10.0.0.10", "wrong"));
    }

    [Fact]
    public async Task ABodyThatIsNoForm_IsNotReadAsOne_ByNobody()
    {
        var browser = await server.Open("");
        browser.Http.DefaultRequestHeaders.Remove(SideBenchApp.TokenHeader);
        using var broken = new StringContent("--x\r\n\r\n--x--");
        broken.Headers.ContentType = new("multipart/form-data") { Parameters = { new("boundary", "x") } };
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await browser.Http.PostAsync(new Uri("/api/session", UriKind.Relative), broken)).StatusCode
        );
    }

    [Fact]
    public async Task Switch_ByPin_ChangesThePerson_AndTheRole()
    {
        var browser = await server.Open();
        var people = (await browser.Get("/api/people")).Body.EnumerateArray().ToList();
        var mika = people.First(p => p.GetProperty("name").GetString() == "Mika Sund").GetProperty("id").GetInt64();
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await browser.Post("/api/session/switch", new { personId = mika, pin = "0000" })).Status
        );
        await browser.TakeToken(await browser.Http.PostAsJsonAsync("/api/session/switch", new { personId = mika, pin = "3690" }));
        var (_, now) = await browser.Get("/api/session");
        Assert.Equal("Counter", now.GetProperty("person").GetProperty("role").GetString());
    }

    [Fact]
    public async Task EmptyShop_MakesItsOwnerByTheOneTimeCode_Once()
    {
        await using var database = new ScratchDatabase();
        await database.InitializeAsync();
        await using var app = await BenchServer.Run(database.Connection);
        var code = app.Services.GetRequiredService<FirstOwnerCode>().Shown;
        var browser = await Browser.Open(new Uri(app.Urls.First()), "");
        Assert.True((await browser.Get("/api/session")).Body.GetProperty("needsFirstOwner").GetBoolean());
        var owner = new
        {
            code,
            name = "Wren",
            password = "kettle lamp orchard",
        };
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await browser.Post("/api/session/first-owner", owner with { code = "AAAA-AAAA" })).Status
        );
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await browser.Post("/api/session/first-owner", owner with { password = "short" })).Status
        );
        await browser.TakeToken(await browser.Http.PostAsJsonAsync("/api/session/first-owner", owner));
        Assert.Equal(HttpStatusCode.Unauthorized, (await browser.Post("/api/session/first-owner", owner with { name = "Second" })).Status);
        await app.StopAsync();
    }

    [Fact]
    public void EveryProblem_HasItsText_WithoutCheerOrBlame()
    {
        var rows = typeof(ProblemCode)
            .Assembly.GetTypes()
            .SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.Static))
            .Where(f => f.FieldType == typeof(ProblemCode))
            .Select(f => (ProblemCode)f.GetValue(null)!)
            .ToList();
        Assert.True(rows.Count > 75);
        Assert.Equal(rows.Count, rows.Select(r => r.Id).Distinct().Count());
        foreach (var row in rows)
        {
            Assert.All(new[] { row.Title, row.Detail, row.Hint }, t => Assert.DoesNotContain("!", t));
            Assert.NotEmpty(row.Title);
            Assert.NotEmpty(row.Hint);
            Assert.InRange(ProblemResults.Body([new Problem(row, "")]).Status, 400, 503);
        }
    }

    [Fact]
    public async Task OpenApi_DescribesTheApi_WithProblems()
    {
        var text = await (await server.Open()).Http.GetStringAsync("/openapi/v1.json");
        var paths = JsonSerializer.Deserialize<JsonElement>(text).GetProperty("paths");
        Assert.True(paths.TryGetProperty("/api/jobs/{id}/answers", out var answers));
        Assert.Contains("application/problem+json", answers.ToString());
        // A client made from it has names that read well: every address has one of its own, says what it does, and names its refusals.
        var operations = paths.EnumerateObject().SelectMany(p => p.Value.EnumerateObject()).Select(o => o.Value).ToList();
        Assert.Equal(operations.Count, operations.Select(o => o.GetProperty("operationId").GetString()).Distinct().Count());
        Assert.All(operations, o => Assert.EndsWith(".", o.GetProperty("summary").GetString()));
        Assert.All(operations, o => Assert.Contains("problem+json", o.GetProperty("responses").ToString()));
    }
}
