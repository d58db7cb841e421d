using System.Text.Json.Nodes;
using Json.Schema;
using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Packs.Tests;

public class ResultFileTests
{
    private static readonly Lazy<JsonSchema> Schema = new(() =>
        JsonSchema.FromText(File.ReadAllText(Path.Combine(Root(), "docs", "formats", "nozzle-sheet-result.schema.json")))
    );

    [Fact]
    public void Reading_IsWrittenAsTheOpenFormatHasIt()
    {
        var signs = Enumerable
            .Range(0, 6)
            .Select(n => new NozzleSign(
                n switch
                {
                    1 => NozzleState.Missing,
                    2 => NozzleState.Weak | NozzleState.Deflected,
                    _ => NozzleState.Good,
                },
                n == 4 ? 0.6 : 1,
                1,
                0
            ))
            .ToList();
        var odds = new Dictionary<PatternClass, double>
        {
            [PatternClass.EveryKth] = 0.8,
            [PatternClass.Scattered] = 0.1999,
            [PatternClass.Run] = 0.0001,
        };
        var unit = new UnitReading("TRI.C", signs, PatternClass.EveryKth, odds, "TRI.Y");
        var json = ResultFile.Of("p01.jpg", new SheetReading([unit], new SheetHandling(1.234567, 2, 8, 0.1, 3, 0.2, []), null, null), null);
        Assert.True(Schema.Value.Evaluate(json).IsValid);
        var channel = json["channels"]![0]!;
        Assert.Equal(("every-kth", "TRI.Y"), ((string)channel["pattern"]!, (string)channel["mixedWith"]!));
        Assert.Equal([1], Numbers(channel, "missing"));
        Assert.Equal([2], Numbers(channel, "weak"));
        Assert.Equal([2], Numbers(channel, "deflected"));
        Assert.Equal([4], Numbers(channel, "unsure"));
        Assert.Equal(["every-kth", "scattered"], channel["odds"]!.AsObject().Select(o => o.Key));
        Assert.Equal(1.23, (double)json["handling"]!["rotationDeg"]!);
    }

    [Fact]
    public void EveryRefusal_HasANameOfTheFormat()
    {
        foreach (var reason in Enum.GetValues<RefusalReason>())
        {
            var json = ResultFile.Of("p.png", SheetReading.Refused(reason), "why, and what to do");
            Assert.True(Schema.Value.Evaluate(json).IsValid, json.ToJsonString());
            Assert.Equal(("refused", 0), ((string)json["status"]!, json["channels"]!.AsArray().Count));
        }
    }

    [Fact]
    public void EveryPattern_HasANameOfTheFormat()
    {
        foreach (var pattern in Enum.GetValues<PatternClass>())
        {
            var unit = new UnitReading("K", [new NozzleSign(NozzleState.Good, 1, 1, 0)], pattern, new Dictionary<PatternClass, double>());
            Assert.True(Schema.Value.Evaluate(ResultFile.Of("p.png", new SheetReading([unit], null, null, null), null)).IsValid);
        }
    }

    private static IEnumerable<int> Numbers(JsonNode channel, string name) => channel[name]!.AsArray().Select(n => (int)n!);

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
