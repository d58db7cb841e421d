using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Bench;
using SideBench.Web.Features.Sums;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>The small sums, by hand-worked cases, through the API: the same function stands behind the command line.</summary>
public class SumsTests(BenchServer server) : IClassFixture<BenchServer>
{
    private const double Enough = 1e-9;

    [Fact]
    public async Task Cases_AreAnsweredAsWorkedByHand()
    {
        var browser = await server.Open();
        var cases = Directory
            .EnumerateFiles(Path.Combine(BenchServer.Root(), "tests/cases/sums"), "*.json")
            .SelectMany(file => JsonNode.Parse(File.ReadAllText(file))!.AsArray());
        var seen = new HashSet<string>();
        foreach (var (asked, why, one) in cases.Select(c => (c!["asked"]!.AsObject(), (string)c["why"]!, c)))
        {
            var name = (string?)asked["sum"] ?? "";
            var own = SumAnswers.Answer(asked.DeepClone(), HouseCrafts.Sums);
            if (one["problems"] is { } problems)
            {
                Assert.Equal("refused", (string?)own["status"]);
                Assert.Equal(
                    problems.AsArray().Select(p => (string?)p).Order(),
                    own["problems"]!.AsArray().Select(p => $"{p!["code"]} {p["pointer"]}").Order()
                );
                continue;
            }

            seen.Add(name);
            var (status, body) = await browser.Post($"/api/sums/{name}", asked);
            Assert.True(HttpStatusCode.OK == status, why);
            Assert.Equal(own.ToJsonString(), JsonNode.Parse(body.GetRawText())!.ToJsonString());
            foreach (var (field, value) in one["result"]!.AsObject())
                Assert.True(IsAs(value, body.GetProperty("result").GetProperty(field)), $"{why}: {field} is {body}");
            Assert.Equal(one["result"]!.AsObject().Count, body.GetProperty("result").EnumerateObject().Count());
        }

        Assert.Equal(HouseCrafts.Sums.Select(s => s.Name).Order(), seen.Order());
    }

    [Fact]
    public async Task Refusal_IsAProblem_AndWhatIsNoObjectIsRefused()
    {
        var browser = await server.Open();
        var (status, body) = await browser.Post("/api/sums/feed", new JsonObject());
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "refused"), (status, body.GetProperty("status").GetString()));
        Assert.Equal(3, body.GetProperty("problems").GetArrayLength());
        Assert.Equal("wrong-sort", (string?)SumAnswers.Answer(JsonNode.Parse("[]"), HouseCrafts.Sums)["problems"]![0]!["code"]);
        Assert.Equal(
            "wrong-sort",
            (string?)SumAnswers.Answer(JsonNode.Parse("""{"sum":"feed"}"""), HouseCrafts.Sums, "window-fit")["problems"]![0]!["code"]
        );
    }

    private static bool IsAs(JsonNode? wanted, JsonElement got) =>
        wanted switch
        {
            null => got.ValueKind == JsonValueKind.Null,
            JsonObject named => named.Count == got.EnumerateObject().Count() && named.All(n => IsAs(n.Value, got.GetProperty(n.Key))),
            _ when wanted.GetValueKind() == JsonValueKind.Number => Math.Abs(wanted.GetValue<double>() - got.GetDouble()) <= Enough,
            _ => wanted.ToString() == got.ToString().Replace("True", "true").Replace("False", "false"),
        };
}
