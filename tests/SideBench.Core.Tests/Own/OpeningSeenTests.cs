using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.Own;

/// <summary>What came off on a job, as an opening can be taught from it.</summary>
public class OpeningSeenTests
{
    private static readonly OwnNumbers House = TestShop.Shop.Numbers.Of<OwnNumbers>();
    private static readonly AccessGraph Graph = TestShop.Shop.Graphs["marram-quartet-a4"];

    [Fact]
    public void PartsComeInTheOrderInWhichTheyCameOff_EachOnce_WithWhatTheModelKnowsOfThem()
    {
        var (lead, part) = (Graph.Part(AccessGraph.MainsLead)!, Graph.Parts.First(p => p.Fasteners.Count == 1 && p.Cables.Count == 0));
        var lines = new[] { part, lead, part }.SelectMany(p => Removals.Of(p)).Select(Off).Append(Put("Foam strip", "off"));
        var seen = Seen(lines);
        Assert.Equal([part.Name, lead.Name, "Foam strip"], seen.Select(p => p.Name));
        Assert.Equal((part.Fasteners[0].Count, part.Fasteners[0].Driver, part.OutMin), (seen[0].Screws, seen[0].Driver, seen[0].Minutes));
        Assert.Equal("unplugged", seen[1].Way);
        Assert.Equal((0, "front"), (seen[2].Screws, seen[2].View));
    }

    [Fact]
    public void WhatWasPutOnTheTrayByName_IsThePartOfThatName_OrWhatSuchPartsUsuallyAre()
    {
        var known = Graph.Parts.First(p => p.Id == p.Name.ToLowerInvariant().Replace(' ', '-'));
        var usual = House.UsualParts.First(u => Graph.Parts.All(p => !p.Name.Equals(u.Name, StringComparison.OrdinalIgnoreCase)));
        var seen = Seen([Put(known.Name.ToUpperInvariant(), "off"), Put(usual.Name, "open"), Put("ink on the cap", "inside")]);
        Assert.Equal([known.Name, usual.Name], seen.Select(p => p.Name));
        Assert.Equal((usual.View, usual.Minutes, "open"), (seen[1].View, seen[1].Minutes, seen[1].Way));
        Assert.Empty(TaughtPart.Check(seen));
    }

    [Fact]
    public void ScrewsAlone_AreNoPart()
    {
        var part = Graph.Parts.First(p => p.Fasteners.Count > 0);
        Assert.Empty(Seen([Off(Removals.Of(part)[0])]));
    }

    [Fact]
    public void TheWayBack_IsTheOrderInWhichPartsWentOnForGood_AndNoneWhereOneIsStillOff()
    {
        List<EntryBody> lines =
        [
            Put("Plate", "off", "a"),
            Put("Tray", "off", "b"),
            Put("Rail", "off", "c"),
            Put("2 ml of ink", "inside", "d"),
        ];
        Assert.Empty(Back());
        lines.AddRange([On("a"), On("c")]);
        Assert.Empty(Back());
        lines.Add(On("b"));
        Assert.Equal(["plate", "rail", "tray"], Back());
        // The plate comes off once more.
        lines.Add(Put("Plate", "off", "e"));
        Assert.Empty(Back());
        Assert.Equal(["rail", "tray", "plate"], Back(On("e")));
        // What is left off for good is not back.
        Assert.Empty(Back(new LeftOff("e", "plate", "Plate", "broken")));

        IReadOnlyList<string> Back(params EntryBody[] more) =>
            OpeningSeen.Back(lines.Concat(more).Select((b, i) => TestShop.Line(i + 1, b)), Graph, House);
        static EntryBody On(string item) => new PutBack(item, "", "", 1, 0, 1);
    }

    private static IReadOnlyList<TaughtPart> Seen(IEnumerable<EntryBody> lines) =>
        OpeningSeen.Of(lines.Select((b, i) => TestShop.Line(i + 1, b)), Graph, House);

    private static EntryBody Off(Removal removal) =>
        new TakenOff(removal.Id, removal.Part, removal.Label, removal.Count, removal.Item("t", removal.Count, []), 1, 1);

    private static EntryBody Put(string label, string change, string id = "t") => new TrayPutBy(new TrayItem(id, label, change, 1, "", []));
}
