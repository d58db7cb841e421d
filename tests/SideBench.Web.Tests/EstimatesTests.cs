using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Packs;
using SideBench.Web.Features.Estimates;
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
        var own = EstimateAnswers.Answer(JsonNode.Parse(History), Numbers).ToJsonString();
        Assert.Equal(own, JsonNode.Parse(body.GetRawText())!.ToJsonString());
    }

    [Fact]
    public void StrangeHistory_IsKept_WithItsDoubts()
    {
        var history = JsonNode.Parse(History)!;
        Assert.Empty(EstimateAnswers.Answer(history.DeepClone(), Numbers)["result"]!["doubts"]!.AsArray());
        history["head"]!["missing"] = new JsonArray(5, 33, 71);
        history["history"]!.AsArray().Add(JsonNode.Parse("""{"method":"rest","before":[5,33,40],"after":[5,33]}"""));
        var result = EstimateAnswers.Answer(history, Numbers)["result"]!;
        Assert.Equal(["/history/1/before", "/head/missing"], result["doubts"]!.AsArray().Select(d => (string?)d!["pointer"]));
    }

    [Fact]
    public async Task Slot_AndStore_AreAnswered_AlikeByTheApiAndTheFunction()
    {
        var browser = await server.Open();
        foreach (var (asked, figure, between) in new[] { (Slot, "inkMl", (60.0, 70.0)), (Store, "massG", (160.0, 260.0)) })
        {
            var (status, body) = await browser.Post("/api/estimates", JsonNode.Parse(asked)!);
            Assert.Equal((HttpStatusCode.OK, "ok"), (status, body.GetProperty("status").GetString()));
            Assert.Equal(
                EstimateAnswers.Answer(JsonNode.Parse(asked), Numbers).ToJsonString(),
                JsonNode.Parse(body.GetRawText())!.ToJsonString()
            );
            var said = body.GetProperty("result").GetProperty(figure);
            Assert.InRange(said.GetProperty("best").GetDouble(), between.Item1, between.Item2);
            Assert.True(said.GetProperty("low").GetDouble() < said.GetProperty("best").GetDouble());
        }

        // A history may bring its own noise: with hardly any, hardly a band is left.
        var exact = JsonNode.Parse(Slot)!;
        exact["noise"] = JsonNode.Parse("""{"fullSd":0.0001,"countSd":0.0001,"spentSd":0.0001}""");
        var ink = EstimateAnswers.Answer(exact, Numbers)["result"]!["inkMl"]!;
        Assert.InRange((double)ink["high"]! - (double)ink["low"]!, 0.1, 2.5);
    }

    private const string Slot = """
        {"estimate":"slot-ledger","at":"2026-03-30T09:00:00Z",
         "slot":{"chipMl":220,"fillMl":175,"reserveMl":12,"tareG":214,"inside":"baffled","chipKind":"hand-tool"},
         "events":[{"at":"2026-03-20T09:00:00Z","kind":"chip","pct":50},
                   {"at":"2026-03-01T09:00:00","kind":"filled","toFull":true},{"at":"2026-03-01T09:00:00Z","kind":"reset"},
                   {"at":"2026-04-01T09:00:00Z","kind":"weighed","g":1}]}
        """;

    private const string Store = """
        {"estimate":"waste-store","at":"2026-03-30T09:00:00Z",
         "store":{"tareG":97,"absorbentLimitG":255,"margin":0.8,"gPerCounterPct":1.75},
         "events":[{"at":"2026-01-01T09:00:00Z","kind":"renewed"},{"at":"2026-01-01T09:00:00Z","kind":"counter","pct":2},
                   {"at":"2026-03-20T09:00:00Z","kind":"counter","pct":71.5}]}
        """;

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
    [InlineData(
        """
            {"estimate":"slot-ledger","at":"soon","slot":{"chipMl":0,"fillMl":10,"reserveMl":11,"tareG":5,"inside":"bag","chipKind":"auto"},
             "events":[{"at":"2026-03-20T09:00:00Z","kind":"chip","pct":101},
                       {"at":"2026-03-20T09:00:00Z","kind":"filled","toFull":true,"ml":3},
                       {"at":"2026-03-20T09:00:00Z","kind":"filled"},{"at":"2026-03-20T09:00:00Z","kind":"weighed","g":-1,"oz":2}]}
            """,
        "wrong-sort /at",
        "out-of-range /slot/chipMl",
        "out-of-range /slot/reserveMl",
        "out-of-range /events/0/pct",
        "two-ways /events/1/ml",
        "missing /events/2/ml",
        "out-of-range /events/3/g",
        "unknown-field /events/3/oz"
    )]
    [InlineData(
        """
            {"estimate":"slot-ledger","at":"2026-03-30T09:00:00Z",
             "slot":{"chipMl":9,"fillMl":10,"tareG":50,"inside":"bag","chipKind":"auto"},
             "events":[{"at":"2026-03-20T09:00:00Z","kind":"weighed","g":44}]}
            """,
        "lighter-than-empty /events/0/g"
    )]
    [InlineData(
        """
            {"estimate":"waste-store","at":"2026-03-30T09:00:00Z",
             "store":{"tareG":97,"absorbentLimitG":0,"gPerCounterPct":1.75,"margin":80},
             "events":[{"at":"2026-01-01","kind":"rinsed"}, 5]}
            """,
        "out-of-range /store/absorbentLimitG",
        "out-of-range /store/margin",
        "unknown-word /events/0/kind",
        "wrong-sort /events/1"
    )]
    [InlineData(
        """
            {"estimate":"waste-store","at":"2026-03-30T09:00:00Z",
             "store":{"tareG":97,"absorbentLimitG":255,"gPerCounterPct":1.75},
             "events":[{"at":"2026-01-01T09:00:00Z","kind":"weighed","g":90}]}
            """,
        "lighter-than-dry /events/0/g"
    )]
    public void WrongHistory_IsRefused_WithEveryProblemInItsPlace(string history, params string[] wanted)
    {
        var answer = EstimateAnswers.Answer(JsonNode.Parse(history), Numbers);
        Assert.Equal("refused", (string?)answer["status"]);
        Assert.Equal(wanted.Order(), answer["problems"]!.AsArray().Select(p => $"{p!["code"]} {p["pointer"]}").Order());
    }

    private HouseNumbers Numbers => ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop.Numbers;
}
