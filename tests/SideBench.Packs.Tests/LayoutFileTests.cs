using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Packs.Tests;

public class LayoutFileTests
{
    private static readonly string Tiny = """
        {"format": "nozzle-sheet-layout", "version": 1, "id": "tiny-2", "name": "Tiny 2", "units": "mm",
           "page": {"width": 105, "height": 148}, "later": true,
         "channels": [
           {"id": "K", "ink": "black", "color": "#1D1D20", "faint": false, "nozzles": 32,
             "block": {"x": 10, "y": 30, "columns": 8, "columnPitch": 5,
               "rowPitch": 1.6, "stairStep": 0.2, "dashLength": 4.5, "dashThickness": 0.25}},
           {"id": "TRI", "ink": "tri-colour", "nozzles": 32, "sections": [
             {"id": "TRI.C", "ink": "cyan", "color": "#0E9BD0", "faint": false, "first": 0, "nozzles": 16,
             "block": {"x": 55, "y": 30, "columns": 8, "columnPitch": 5,
               "rowPitch": 1.6, "stairStep": 0.2, "dashLength": 4.5, "dashThickness": 0.25}},
             {"id": "TRI.Y", "ink": "yellow", "color": "#FDF28A", "faint": true, "first": 16, "nozzles": 16,
             "block": {"x": 55, "y": 40, "columns": 8, "columnPitch": 5,
               "rowPitch": 1.6, "stairStep": 0.2, "dashLength": 4.5, "dashThickness": 0.25}}]}],
         "marks": [{"type": "text", "x": 10, "y": 20, "height": 4, "text": "TINY 2", "ink": "K"}]}
        """;

    [Fact]
    public void FormatsOwnExample_GivesItsUnits_AndUnknownFieldsAreIgnored()
    {
        var layout = LayoutFile.Read("tiny-2", Tiny).Value;
        Assert.Equal(["K", "TRI.C", "TRI.Y"], layout.Units.Select(u => u.Id));
        Assert.Equal(
            ("TRI", 16, true, new Rgb(0xFD, 0xF2, 0x8A)),
            (layout.Units[2].Channel, layout.Units[2].First, layout.Units[2].Faint, layout.Units[2].Color)
        );
        Assert.Equal((64, "TINY 2"), (layout.Nozzles, layout.Marks[0].Text));
    }

    [Theory]
    [InlineData("/version", "2", "#/version")]
    [InlineData("/units", "\"inch\"", "#/units")]
    [InlineData("/channels/0/nozzles", "20000", "#/channels/0")]
    [InlineData("/channels/0/color", "\"black\"", "#/channels/0")]
    [InlineData("/channels/0/block/columns", "0", "#/channels/0")]
    [InlineData("/channels/0/block/x", "-3", "#/channels/0")]
    [InlineData("/channels/1/sections/1/first", "20", "#/channels/TRI.Y")]
    [InlineData("/channels/1/nozzles", "40", "#/channels/TRI")]
    [InlineData("/channels/1/sections/1/block/y", "31", "#/channels/TRI.Y")]
    [InlineData("/channels/1/sections/1/id", "\"K\"", "#/channels")]
    [InlineData("/channels/0/block/dashLength", "6", "#/channels/K")]
    [InlineData("/channels/0/block/y", "146", "#/channels/K")]
    [InlineData("/marks/0/ink", "\"Z\"", "#/marks")]
    public void EveryRuleOfTheFormat_IsHeld_AndItsPlaceIsNamed(string pointer, string value, string where)
    {
        var node = JsonNode.Parse(Tiny)!;
        var steps = pointer[1..].Split('/');
        var at = node;
        foreach (var step in steps[..^1])
            at = int.TryParse(step, out var i) ? at![i] : at![step];
        at![steps[^1]] = JsonNode.Parse(value);
        var problems = LayoutFile.Read("tiny-2", node.ToJsonString()).Problems;
        Assert.Contains(problems, p => p.Path.Contains(where, StringComparison.Ordinal));
        Assert.All(problems, p => Assert.True(p.Code == ProblemCode.PackNotInSchema || p.Code == NozzlesProblem.LayoutImpossible));
    }

    [Fact]
    public void TextThatIsNoJson_SaysWhere() =>
        Assert.Equal(ProblemCode.PackNotJson, Assert.Single(LayoutFile.Read("x", "{\"format\": ").Problems).Code);

    [Fact]
    public void EveryHouseModel_HasASheet_WhoseUnitsAreFedByItsSlots()
    {
        var shop = PackReader.Read(PackFolder.Read(Path.Combine(Root(), "packs")).Value).Value;
        Assert.Equal(9, shop.Models.Count);
        foreach (var model in shop.Models.Values)
        {
            var plan = Assert.IsType<Core.Machines.SheetPlan>(model.Sheet);
            foreach (var unit in plan.Layout.Units)
            {
                var slot = model.Slots[plan.Slots[unit.Id] - 1];
                Assert.True(
                    slot.Ink.Equals(unit.Ink, StringComparison.OrdinalIgnoreCase) || slot.Ink == "Colour",
                    $"{model.Id} {unit.Id}: {unit.Ink} in the slot of {slot.Ink}"
                );
            }
        }

        Assert.Equal(1080, shop.Models["pellow-six-tank"].Sheet!.Layout.Nozzles);
    }

    [Fact]
    public void ModelWithAnUnknownLayoutOrSlot_IsRefusedWithItsPlace()
    {
        var files = PackFolder.Read(Path.Combine(Root(), "packs")).Value.ToList();
        var at = files.FindIndex(f => f.Path.EndsWith("marram-duo.json", StringComparison.Ordinal));
        IEnumerable<string> Paths(string from, string to) =>
            PackReader
                .Read([.. files.Select((f, i) => i == at ? f with { Text = f.Text.Replace(from, to, StringComparison.Ordinal) } : f)])
                .Problems.Select(p => p.Path);
        Assert.Contains(Paths("\"marram-duo-sheet\"", "\"no-such-sheet\""), p => p.EndsWith("#/sheet/layout", StringComparison.Ordinal));
        Assert.Contains(Paths("\"C\": 4}", "\"C\": 9}"), p => p.EndsWith("#/sheet/slots/C", StringComparison.Ordinal));
        Assert.Contains(Paths("\"C\": 4}", "\"Q\": 4}"), p => p.EndsWith("#/sheet/slots", StringComparison.Ordinal));
    }

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
