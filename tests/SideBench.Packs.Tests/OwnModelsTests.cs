using System.Text.Json.Nodes;
using SideBench.Core.Own;
using Xunit;

namespace SideBench.Packs.Tests;

[Trait("Pace", "slow")]
public class OwnModelsTests
{
    private static readonly Lazy<IReadOnlyList<PackFile>> Files = new(() =>
        PackFolder.Read(Path.Combine(PackReaderTests.Root(), "packs")).Value
    );

    private static readonly Lazy<Shop> House = new(() => PackReader.Read(Files.Value).Value);

    [Fact]
    public void EveryKindThatDoesNotContradictItself_IsAModelThatAllPacksTake()
    {
        var chance = new Random(16);
        var own = new List<OwnFileKept>();
        for (var tries = 0; own.Count < 2 * 40; tries++)
        {
            Assert.True(tries < 40_000);
            var axes = KindAnswers.Asked.ToDictionary(q => q.Key, q => q.Value[chance.Next(q.Value.Count)]);
            string[] inks = ["black", "cyan", "magenta", "yellow", "light cyan", "orange"];
            var answers = new KindAnswers("Heath", $"Kind {own.Count}", $"H{own.Count}-", axes, inks[..chance.Next(1, 7)], null, "");
            List<Core.Machines.MachineModel> known = [.. House.Value.Models.Values];
            if (answers.Check(known, House.Value.Numbers.Of<OwnNumbers>()).Count > 0)
                continue;
            own.AddRange(Made(answers));
        }

        var read = PackReader.Read([.. Files.Value, .. OwnPackFiles.Of(own)]);
        Assert.Equal("", string.Join("\n", read.Problems.Select(p => $"{p.Path} {p.Code} {string.Join(", ", p.Args)}")));
        foreach (var file in own.Where(f => f.Sort == "machine"))
        {
            var model = read.Value.Models[file.Id];
            Assert.True(model.Taught!.IsDefault("operations/clean-light/mlPerChannel"));
            Assert.All(model.Taught.Figures.Keys, p => Assert.NotNull(ModelFigures.Find(model, p)));
            Assert.True(read.Value.GuidesFor(model).Count > 0);
        }
    }

    [Fact]
    public void PassedOn_ItIsTheSame_AndWhatWasChangedOnTheWayIsRefusedAtItsPlace()
    {
        var own = Made(Tank("Solo"));
        var bundle = OwnPackFiles.Bundle(own);
        var read = OwnPackFiles.Unbundle(bundle).Value;
        Assert.Equal(own.Select(f => (f.Sort, f.Id, f.Name, f.Text)), read.Select(f => (f.Sort, f.Id, f.Name, f.Text)));
        Assert.Equal("/files/0/sha256", PathOf(bundle.Replace("\"worth\": 280", "\"worth\": 28")));
        Assert.Equal("/version", PathOf(bundle.Replace("\"version\": 1,\n  \"files\"", "\"version\": 2,\n  \"files\"")));
        Assert.Equal("/format", PathOf("{}"));
        Assert.Equal("", PathOf("<script>"));
        var named = JsonNode.Parse(bundle)!;
        named["files"]![0]!["content"]!["id"] = "../<script>";
        Assert.StartsWith("/files/0", PathOf(named.ToJsonString()));
    }

    [Fact]
    public void AnOwnFileThatNoLongerFits_IsLeftOut_AndTheShopGoesOn()
    {
        var (solo, duet) = (Made(Tank("Solo")), Made(Tank("Duet")));
        var broken = solo[0] with { Text = solo[0].Text.Replace("\"head\": \"piezo\"", "\"head\": \"steam\"") };
        var shop = OwnPackFiles.Read(Files.Value, [broken, solo[1], .. duet], out var left).Value;
        Assert.Contains(left, p => p.Path.StartsWith("own/machines/heath-solo.json", StringComparison.Ordinal));
        Assert.False(shop.Models.ContainsKey("heath-solo"));
        Assert.True(shop.Models.ContainsKey("heath-duet"));
    }

    [Fact]
    public void AnOpening_IsWritten_WithItsScrews_AndASecondTakesHabitOut()
    {
        var access = JsonNode.Parse(Made(Tank("Solo"))[1].Text)!.AsObject();
        TaughtPart lid = new("Lid", "top", "off", 2, "cross 1", 8, false, false, 0, [], "", 1),
            tray = new("Paper tray", "front", "off", 0, "", 0, false, false, 0, [], "", 0.5),
            rail = new("Rail cover", "top", "off", 1, "cross 1", 6, true, false, 1, ["ribbon"], "The spring is live.", 2);
        var once = TaughtAccess.With(access, [tray, lid, rail], []).Value;
        Assert.Equal(["lid"], After(once, "rail-cover"));
        var twice = TaughtAccess.With(once, [lid, rail], []).Value;
        // The lead is out first, though nobody told it; what the family takes off with power on stays so.
        Assert.Equal(["mains-lead"], After(twice, "lid"));
        Assert.Empty(After(once, "paper-tray"));
        Assert.Equal(
            "1",
            twice["parts"]!.AsArray().First(p => (string)p!["id"]! == "rail-cover")!["fasteners"]![0]!["count"]!.ToJsonString()
        );
        // The rail goes back on while the lid is on: the lid was habit, which one opening with its way back shows.
        var back = TaughtAccess.With(access, [lid, rail], ["Lid", "Rail cover"]).Value;
        Assert.Equal(["mains-lead"], After(back, "rail-cover"));
        Assert.Single(back["openings"]!.AsArray());
        Assert.Equal("/back", Assert.Single(TaughtAccess.With(access, [lid, rail], ["Lid"]).Problems).Path);
        // Two ways, each shown once: either whole, told as one of several.
        var either = TaughtAccess.With(once, [lid with { Name = "Base", Minutes = 9 }, rail], []).Value;
        Assert.Equal("""[["base","paper-tray"],["base","lid"],"mains-lead"]""", AfterText(either, "rail-cover"));
        // A part that the family has under another id is that part, to which guides lead.
        var family = access["parts"]!.AsArray().First(p => TaughtPart.IdOf((string)p!["name"]!) != (string)p["id"]!)!;
        var named = TaughtAccess.With(access, [lid with { Name = (string)family["name"]! }], []).Value;
        Assert.Equal($"""[["{family["id"]}"]]""", named["openings"]!.ToJsonString());
        Assert.Equal(access["parts"]!.AsArray().Count, named["parts"]!.AsArray().Count);
        var bad = TaughtAccess.With(access, [lid with { Screws = 0 }, tray, tray], []);
        Assert.Equal(["/parts", "/parts/0/screws"], bad.Problems.Select(p => p.Path).Order());
    }

    [Fact]
    public void WhatIsToldAsTheFileHasIt_StaysWholeThere_AndACautionThatIsToldDrivesOutNoOther()
    {
        var file = FileOf("access", "model", "marram-quartet-a4");
        var graph = House.Value.Graphs["marram-quartet-a4"];
        foreach (var part in graph.Parts)
        {
            var before = Part(file, part.Id).DeepClone();
            var same = Part(TaughtAccess.With(file, [TaughtPart.Of(part)], []).Value, part.Id);
            // What stands before it is what openings say, and they are not told here.
            (before["after"], same["after"]) = ("as taught", "as taught");
            Assert.True(JsonNode.DeepEquals(before, same), $"{before.ToJsonString()}\n{same.ToJsonString()}");
        }

        // Two cautions stand on the damper, and its line is a tube.
        var damper = TaughtPart.Of(graph.Part("damper-black")!);
        var told = Part(
            TaughtAccess.With(file, [damper with { Caution = "Its tab breaks.", Cables = ["a wire"] }], []).Value,
            "damper-black"
        );
        Assert.Equal(["Its tab breaks.", "Eye cover on: a freed tube can spit."], told["cautions"]!.AsArray().Select(c => (string)c!));
        Assert.Equal((false, "a wire"), ((bool)told["tubes"]![0]!["pulled"]!, (string)told["cables"]![0]!["label"]!));
        var screwed = Part(TaughtAccess.With(file, [damper with { Screws = 2, Driver = "cross 1" }], []).Value, "damper-black");
        Assert.Equal((2, true), ((int)screwed["fasteners"]![0]!["count"]!, (bool)screwed["tubes"]![0]!["pulled"]!));

        static JsonObject Part(JsonObject of, string id) => of["parts"]!.AsArray().First(p => (string)p!["id"]! == id)!.AsObject();
    }

    private static string AfterText(JsonObject file, string part) =>
        file["parts"]!.AsArray().First(p => (string)p!["id"]! == part)!["after"]!.ToJsonString();

    private static string[] After(JsonObject file, string part) =>
        [.. file["parts"]!.AsArray().First(p => (string)p!["id"]! == part)!["after"]!.AsArray().Select(n => (string)n!)];

    private static string PathOf(string text) => OwnPackFiles.Unbundle(text).Problems[0].Path;

    private static KindAnswers Tank(string name) =>
        new(
            "Heath",
            name,
            $"H{name}",
            new Dictionary<string, string>
            {
                ["head"] = "piezo",
                ["headPlace"] = "carriage",
                ["delivery"] = "tank",
                ["cartridge"] = "none",
                ["chips"] = "count",
                ["panel"] = "screen",
                ["waste"] = "pads",
                ["drainOut"] = "pulled",
                ["spares"] = "no",
            },
            ["black", "cyan", "magenta", "yellow"],
            280,
            ""
        );

    private static List<OwnFileKept> Made(KindAnswers answers)
    {
        List<Core.Machines.MachineModel> known = [.. House.Value.Models.Values];
        var numbers = House.Value.Numbers.Of<OwnNumbers>();
        var nearest = FamilyDefaults.Nearest(answers, known, numbers);
        var model = KindFile.Model(
            answers,
            FileOf("machines", "id", nearest.Id),
            FamilyDefaults.Figures(nearest, known, numbers),
            _ => "#232120"
        );
        var access = KindFile.Access(answers.Id, FileOf("access", "model", nearest.Id));
        var name = $"{answers.Maker} {answers.Name}";
        return
        [
            new OwnFileKept("machine", answers.Id, name, 1, OwnPackFiles.Text(model), "brought in"),
            new OwnFileKept("access", answers.Id, answers.Id, 1, OwnPackFiles.Text(access), "brought in"),
        ];
    }

    private static JsonObject FileOf(string folder, string field, string id) =>
        Files
            .Value.Where(f => f.Path.Contains($"/{folder}/", StringComparison.Ordinal))
            .Select(f => JsonNode.Parse(f.Text)!.AsObject())
            .First(f => (string?)f[field] == id);
}
