using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.HeadCare;
using SideBench.Web.Features.HeadCare;
using SideBench.Web.Hosting;
using Xunit;

namespace SideBench.Web.Tests;

public class EstimatesTests(BenchServer server) : IClassFixture<BenchServer>
{
    private const string History = """
        {"estimate":"clean-outlook","at":"2026-11-20T10:00:00+00:00",
         "head":{"kind":"piezo","ink":"dye","idleWeeks":6,"nozzles":90,"missing":[5,33]},
         "history":[{"method":"clean-normal","before":[5,20,33,60],"after":[5,33]}],
         "methods":[{"method":"clean-normal","ml":4.5,"counterPct":2.3,"handsMin":4,"money":6,"risk":0.5},
                    {"method":"soak","handsMin":6,"waitMin":60,"money":4.2}],
         "replace":84}
        """;

    [Fact]
    public async Task History_IsAnswered_AlikeByTheApiAndTheFunction()
    {
        var browser = await server.Open();
        var (status, body) = await browser.Post("/api/estimates", JsonNode.Parse(History)!);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("ok", body.GetProperty("status").GetString());
        var result = body.GetProperty("result");
        var odds = result.GetProperty("explanation").EnumerateObject().Select(o => o.Value.GetDouble()).ToList();
        Assert.Equal(1, odds.Sum(), 9);
        Assert.True(odds[0] > 0.9);
        var clean = result.GetProperty("methods").GetProperty("clean-normal");
        Assert.InRange(clean.GetProperty("completeNext").GetDouble(), 0.1, 0.4);
        Assert.Equal(
            (0, 2),
            (clean.GetProperty("nextBack").GetProperty("low").GetInt32(), clean.GetProperty("nextBack").GetProperty("high").GetInt32())
        );
        Assert.True(result.GetProperty("plan").GetProperty("steps").GetArrayLength() > 0);
        Assert.Equal(JsonValueKind.Null, result.GetProperty("stop").ValueKind);
        var own = Estimates.Answer(JsonNode.Parse(History), Numbers).ToJsonString();
        Assert.Equal(own, JsonNode.Parse(body.GetRawText())!.ToJsonString());
    }

    [Fact]
    public void StrangeHistory_IsKept_WithItsDoubts()
    {
        var history = JsonNode.Parse(History)!;
        Assert.Empty(Estimates.Answer(history.DeepClone(), Numbers)["result"]!["doubts"]!.AsArray());
        history["head"]!["missing"] = new JsonArray(5, 33, 71);
        history["history"]!.AsArray().Add(JsonNode.Parse("""{"method":"rest","before":[5,33,40],"after":[5,33]}"""));
        var result = Estimates.Answer(history, Numbers)["result"]!;
        Assert.Equal(["/history/1/before", "/head/missing"], result["doubts"]!.AsArray().Select(d => (string?)d!["pointer"]));
    }

    [Theory]
    [InlineData("""{"estimate":"weather"}""", "unknown-estimate /estimate")]
    [InlineData("[]", "wrong-sort ")]
    [InlineData("""{"estimate":"clean-outlook","estimate":"x"}""", "wrong-sort ")]
    [InlineData(
        """
            {"estimate":"clean-outlook","head":{"kind":"piezo","ink":"dye","nozzles":9,"missing":[1]},
             "methods":[{"method":"soak"},{"method":"soak"}],"replace":1}
            """,
        "wrong-sort /methods/1/method"
    )]
    [InlineData("""{"estimate":"clean-outlook"}""", "missing /head", "missing /methods", "missing /replace")]
    [InlineData(
        """{"estimate":"clean-outlook","head":{"kind":"ox","ink":"dye","nozzles":9,"missing":[9,1,1]},"methods":[],"replace":-1,"x":1}""",
        "unknown-word /head/kind",
        "wrong-sort /head/missing/0",
        "wrong-sort /head/missing/2",
        "out-of-range /replace",
        "unknown-field /x"
    )]
    [InlineData(
        """{"estimate":"clean-outlook","head":{"kind":"thermal","ink":"white","nozzles":9,"missing":[1]},"methods":[],"replace":1}""",
        "unknown-head /head"
    )]
    public void WrongHistory_IsRefused_WithEveryProblemInItsPlace(string history, params string[] wanted)
    {
        var answer = Estimates.Answer(JsonNode.Parse(history), Numbers);
        Assert.Equal("refused", (string?)answer["status"]);
        Assert.Equal(wanted.Order(), answer["problems"]!.AsArray().Select(p => $"{p!["code"]} {p["pointer"]}").Order());
    }

    private HeadCareNumbers Numbers => ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop.Numbers.Of<HeadCareNumbers>();
}
