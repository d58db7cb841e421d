using System.Text.Json.Nodes;
using SideBench.Core.Nozzles;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using Xunit;

namespace SideBench.Devices.Tests;

/// <summary>Pictures made by another hand than ours, with their truth beside them.</summary>
public class SampleSheetsTests
{
    private static readonly string Cases = Path.Combine(AppContext.BaseDirectory, "cases");

    [Theory]
    [InlineData("p01", "birch-6")]
    [InlineData("p05", "alder-4")]
    [InlineData("p07", "cobalt-9")]
    [InlineData("p08", "cobalt-9")]
    [InlineData("p11", "dune-2")]
    public void EveryNozzleAndPatternOfASample_IsReadAsItIs(string picture, string layout)
    {
        var reading = Read(picture, layout);
        Assert.Null(reading.Refusal);
        var truth = JsonNode.Parse(File.ReadAllText(Path.Combine(Cases, $"{picture}.truth.json")))!["channels"]!.AsArray();
        Assert.Equal(truth.Count, reading.Units.Count);
        foreach (var channel in truth)
        {
            var unit = reading.Units.Single(u => u.Id == (string)channel!["id"]!);
            var skip = Numbers(channel!, "ambiguous");
            Assert.Equal((string)channel!["pattern"]!, ResultFile.Name(unit.Pattern));
            Assert.Equal(Numbers(channel, "missing").Except(skip), unit.In(NozzleState.Missing).Except(skip));
            Assert.Equal(Numbers(channel, "weak").Except(skip), unit.In(NozzleState.Weak).Except(skip));
            Assert.Equal(Numbers(channel, "deflected").Except(skip), unit.In(NozzleState.Deflected).Except(skip));
        }
    }

    [Fact]
    public void SampleReadWithEveryOtherLayout_IsRefusedAsTheWrongOne()
    {
        foreach (var other in new[] { "alder-4", "birch-6", "dune-2", "estuary-8" })
            Assert.Equal(RefusalReason.WrongLayout, Read("p08", other).Refusal?.Reason);
    }

    [Fact]
    public void TiltedPhonePicture_SaysWhatWasTakenOut()
    {
        var handling = Read("p11", "dune-2").Handling!;
        Assert.InRange(handling.TiltPct, 12, 35);
        Assert.InRange(handling.PxPerMm, 6.5, 8.5);
        Assert.InRange(handling.RotationDeg, 2, 5);
    }

    [Fact]
    public void ResultFile_HasEveryUnitWithItsNames()
    {
        var json = ResultFile.Of("p08.jpg", Read("p08", "cobalt-9"), null);
        Assert.Equal("read", (string)json["status"]!);
        var patterns = json["channels"]!.AsArray().ToDictionary(c => (string)c!["id"]!, c => (string)c!["pattern"]!);
        Assert.Equal(("every-kth", "starvation", "blank"), (patterns["LC"], patterns["LLK"], patterns["Y"]));
        var refused = ResultFile.Of("p08.jpg", Read("p08", "alder-4"), "words");
        Assert.Equal(
            ("refused", "wrong-layout", 0),
            ((string)refused["status"]!, (string)refused["reason"]!, refused["channels"]!.AsArray().Count)
        );
    }

    private static SheetReading Read(string picture, string layout)
    {
        var file = Path.Combine(Cases, "layouts", layout + ".json");
        var image = PictureCodec.Read(File.ReadAllBytes(Path.Combine(Cases, picture + ".jpg"))).Value;
        return SheetReader.Read(image, LayoutFile.Read(file, File.ReadAllText(file)).Value, HouseSheets.Pattern);
    }

    private static IEnumerable<int> Numbers(JsonNode channel, string name) => channel[name]!.AsArray().Select(n => (int)n!);
}
