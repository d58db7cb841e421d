using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Packs.Tests;

public class HouseGraphsTests
{
    private static readonly Lazy<IReadOnlyList<PackFile>> House = new(() =>
        PackFolder.Read(Path.Combine(PackReaderTests.Root(), "packs")).Value
    );
    private static readonly Lazy<Shop> Loaded = new(() => PackReader.Read(House.Value).Value);

    public static TheoryData<string> Models() => [.. Loaded.Value.Models.Keys];

    [Theory]
    [MemberData(nameof(Models))]
    public void EveryPart_IsReached_FirstOfAllWithTheLeadOut(string model)
    {
        var graph = Loaded.Value.Graphs[model];
        Assert.InRange(graph.Parts.Count, 25, 60);
        foreach (var part in graph.Parts)
        {
            var way = WayIn.To(graph, [part.Id], Loaded.Value.Numbers.Of<Handling>());
            Assert.Equal(part.Id, way.Steps[^1].Id);
            // Whatever hides inside is reached with the lead out, but for what the panel itself frees, with power on.
            if (part.Powered)
                Assert.DoesNotContain(way.Parts, p => p.Id == "mains-lead");
            else if (part.Marks.Contains("open"))
                Assert.Contains(way.Parts, p => p.Id == "mains-lead");
        }
    }

    [Theory]
    [MemberData(nameof(Models))]
    public void EveryStepOfTheBookThatOpens_HasAPartToReach(string model)
    {
        var (shop, machine) = (Loaded.Value, Loaded.Value.Models[model]);
        var facts = new Facts { Model = machine, Context = new Dictionary<string, string>() };
        var opening = shop
            .Book.Repairs.Cast<BookStep>()
            .Concat(shop.Book.Findings)
            .Where(s => s.Tags.Contains("opens") && machine.Stations.Any(p => p.Id == s.Station) && !s.When.For(facts).IsNever);
        Assert.All(
            opening,
            step =>
                Assert.True(step.Station == "counter" || shop.Graphs[model].For(step.Station, 0).Count > 0, $"{step.Id} at {step.Station}")
        );
    }

    [Fact]
    public void TheTradesTraps_AllOccur()
    {
        var parts = Loaded.Value.Graphs.Values.SelectMany(g => g.Parts).ToList();
        var groups = parts.SelectMany(p => p.Fasteners).ToList();
        Assert.Contains(groups, g => g.LoosenOnly);
        Assert.Contains(groups, g => g.Collared);
        Assert.Contains(groups, g => g is { MayStayEmpty: > 0 });
        Assert.Contains(groups, g => g.View == "under");
        Assert.Contains(parts, p => p.Fasteners.Select(f => f.LengthMm).Distinct().Count() > 1);
        Assert.Contains(parts, p => p.After.Any(line => line.Count > 1));
        Assert.Contains(parts, p => p.Way == PartWay.Aside);
        Assert.Contains(parts, p => p.Spends == "seal");
        Assert.Contains(parts, p => p.Cautions.Any(c => c.Contains("tips")));
        Assert.Contains(parts, p => p.Cautions.Any(c => c.Contains("only a hand's width")));
        Assert.Contains(parts.SelectMany(p => p.Cables), c => c.ContactsFace.Length > 0);
        Assert.Contains(parts.SelectMany(p => p.Cables), c => c.CouplerStays.Length > 0);
        Assert.Contains(parts.SelectMany(p => p.Tubes), t => t.NeverCut);
        Assert.Contains(parts.SelectMany(p => p.Tubes), t => t.Length == "long");
        Assert.All(Loaded.Value.Graphs.Values, g => Assert.NotEmpty(g.LeaveAlone));
    }

    [Fact]
    public void EveryModel_HasItsGuides()
    {
        var guides = Loaded.Value.Models.Values.ToDictionary(m => m.Id, m => Loaded.Value.GuidesFor(m).Select(g => g.Id).ToHashSet());
        Assert.All(guides.Values, g => Assert.Contains("contacts-and-pins", g));
        Assert.All(
            Loaded.Value.Models.Values.Where(m => m.Axes["waste"] == "pads"),
            m =>
                Assert.Equal(
                    m.Axes["drainOut"] switch
                    {
                        "pulled" => ["outside-bottle", "pads"],
                        "cut" => ["outside-bottle-cut", "pads"],
                        _ => new[] { "pads" },
                    },
                    guides[m.Id].Where(g => g.StartsWith("outside", StringComparison.Ordinal) || g == "pads").Order()
                )
        );
        Assert.All(Loaded.Value.Models.Values.Where(m => m.Axes["waste"] != "pads"), m => Assert.Contains("waste-change", guides[m.Id]));
        Assert.Contains("cartridge-change-lights", guides["marram-duo"]);
        Assert.Contains("reset-board-fitting", guides["tolling-broadside-44"]);
        Assert.All(
            Loaded.Value.Guides.SelectMany(g => g.Lines),
            l => Assert.True(l.Step.Hands.Value > 0 || l.Step.Kind is StepKind.Open or StepKind.Back, l.Step.Id)
        );
        // Parts that several guides share are written once: a bottle is tested alike with and without cutting.
        Assert.All(
            new[] { "tie", "pull", "vent" },
            id => Assert.Equal(2, Loaded.Value.Guides.Count(g => g.Lines.Any(l => l.Step.Id == id)))
        );
    }

    [Theory]
    [InlineData("\"after\": [\"b\"]", "", "graph-circle", "shop/access/x.json#/parts/a/after")]
    [InlineData("\"out\": \"\"", "", "part-freed-by-nothing", "shop/access/x.json#/parts/a")]
    [InlineData(
        "\"fasteners\": [{\"id\": \"f\", \"name\": \"f\", \"count\": 3, \"kind\": \"screw\", \"at\": [[1, 1]]}]",
        "",
        "fastener-count",
        "shop/access/x.json#/parts/a/fasteners/f"
    )]
    [InlineData("\"slot\": 0", "", "pack-not-in-schema", "shop/access/x.json#/parts/0/slot")]
    [InlineData("\"sign\": \"\"", "ghost", "pack-unknown-name", "shop/access/x.json#/parts/b/after")]
    public void BrokenGraph_IsRefused_AndTheProblemIsPlaced(string more, string needs, string code, string path)
    {
        var json =
            $$"""
            {"model": "marram-duo", "version": 2, "services": [], "parts": [
              {"id": "a", "name": "A", "way": "off", "view": "front", "at": [0, 0, 10, 10],
                  "outMin": 1, "backMin": 1, "out": "Lift.", {{more}}},
              {"id": "b", "name": "B", "way": "off", "view": "front", "at": [0, 0, 10, 10],
                  "outMin": 1, "backMin": 1, "out": "Lift.", "after": ["{{(
                needs.Length > 0 ? needs : "a"
            )}}"]}]}
            """.Replace(
                "\"out\": \"Lift.\", \"out\": \"\"",
                "\"out\": \"\""
            );
        Assert.Contains(
            PackReader
                .Read([
                    .. House.Value.Where(f => !f.Path.Contains("access/marram-duo")),
                    new PackFile("shop/access/x.json", PackFileKind.AccessGraph, json),
                ])
                .Problems,
            p => p.Code.Id == code && p.Path == path
        );
    }

    [Theory]
    [InlineData(
        "{\"id\": \"in\", \"kind\": \"do\", \"title\": \"In\", \"puts\": [{\"label\": \"towel\", "
            + "\"change\": \"inside\", \"count\": 1, \"undo\": \"Out.\", \"marks\": [\"inside\"]}]}",
        "guide-unsafe"
    )]
    [InlineData("{\"use\": \"ghost\"}", "pack-unknown-name")]
    [InlineData("{\"id\": \"go\", \"kind\": \"open\", \"title\": \"Go\", \"targets\": [\"moon\"]}", "pack-unknown-name")]
    [InlineData("{\"id\": \"x\", \"kind\": \"fly\", \"title\": \"X\"}", "pack-not-in-schema")]
    public void BrokenGuide_IsRefused(string step, string code)
    {
        var json = $$"""{"guides": [{"id": "x", "name": "X", "version": 1, "purpose": "Try.", "steps": [{{step}}]}]}""";
        Assert.Contains(
            PackReader.Read([.. House.Value, new PackFile("shop/guides/x.json", PackFileKind.Guides, json)]).Problems,
            p => p.Code.Id == code && p.Path.StartsWith("shop/guides/x.json#", StringComparison.Ordinal)
        );
    }
}
