using SideBench.Core.Own;
using Xunit;

namespace SideBench.Core.Tests.Own;

public class OpeningTaughtTests
{
    [Fact]
    public void WhatWasOffOnceOnly_WasHabit_AndGoes()
    {
        IReadOnlyList<IReadOnlyList<string>> once =
        [
            ["mains-lead", "tray", "cover", "head"],
        ];
        var free = new HashSet<string> { "tray" };
        Assert.Equal("cover", Said(OpeningTaught.Needs(once, withPower: free)["head"]));
        IReadOnlyList<IReadOnlyList<string>> twice = [.. once, ["cover", "mains-lead", "head"]];
        var needs = OpeningTaught.Needs(twice, withPower: free);
        Assert.Equal("cover", Said(needs["head"]));
        // Taken off with the lead in once: that is no proof that it may be.
        Assert.Equal("mains-lead", Said(needs["cover"]));
        Assert.Empty(needs["mains-lead"]);
        Assert.Empty(
            OpeningTaught.Needs(
                [
                    ["tray"],
                ],
                withPower: free
            )["tray"]
        );
    }

    [Fact]
    public void PartsReachedWithTheSameWork_DoNotStandBeforeEachOther()
    {
        // Each was reached over one part, and once more over another with its twin off: neither twin may wait for the other.
        var needs = OpeningTaught.Needs(
            [
                ["c", "a", "b"],
                ["d", "b", "a"],
            ],
            withPower: new HashSet<string> { "a", "b", "c", "d" }
        );
        Assert.Equal(("c", "d"), (Said(needs["a"]), Said(needs["b"])));
    }

    [Theory]
    [InlineData("marram-duo")]
    [InlineData("pellow-six-tank")]
    [InlineData("tolling-broadside-44")]
    public void TaughtByRandomOpenings_NoWayInIsOneThatCannotBeDone(string model)
    {
        var graph = TestShop.Shop.Graphs[model];
        var chance = new Random(12);
        var openings = new List<IReadOnlyList<string>>();
        for (var i = 0; i < 3; i++)
        {
            var off = new List<string>();
            while (off.Count < graph.Parts.Count)
            {
                var free = graph.Parts.Where(p => !off.Contains(p.Id) && p.After.All(line => line.Any(off.Contains))).ToList();
                if (free.Count == 0)
                    break;
                off.Add(free[chance.Next(free.Count)].Id);
            }

            openings.Add(off);
        }

        // Whichever of the parts that a line offers are taken: what comes off so can come off on the machine.
        var needs = OpeningTaught.Needs(openings);
        for (var choice = 0; choice < 20; choice++)
            foreach (var part in needs.Keys)
            {
                var off = Closed(part, needs, chance);
                var order = new List<string>();
                while (graph.Parts.FirstOrDefault(Next) is { } next)
                    order.Add(next.Id);
                Assert.Equal(off.Count, order.Count);

                bool Next(Core.Machines.MachinePart p) =>
                    off.Contains(p.Id) && !order.Contains(p.Id) && p.After.All(line => line.Any(order.Contains));
            }
    }

    [Fact]
    public void WhereEitherOfTwoPartsWillDo_EachOpeningStandsWhole_AndTheOnesTogetherAreNotMixed()
    {
        IReadOnlyList<IReadOnlyList<string>> openings =
        [
            ["mains-lead", "base", "pads"],
            ["mains-lead", "rear", "pads"],
        ];
        var minutes = new Dictionary<string, double>
        {
            ["mains-lead"] = 1,
            ["base"] = 9,
            ["rear"] = 4,
            ["pads"] = 2,
        };
        Assert.Equal("base or rear; mains-lead", Said(OpeningTaught.Needs(openings, minutes)["pads"]));
        // Two and two: all of one way or all of the other, never one of each.
        openings =
        [
            ["mains-lead", "base", "lid", "pads"],
            ["mains-lead", "rear", "tray", "pads"],
        ];
        Assert.Equal(
            "base or rear; base or tray; lid or rear; lid or tray; mains-lead",
            Said(OpeningTaught.Needs(openings, withPower: new HashSet<string> { "lid", "tray", "rear", "base" })["pads"])
        );
        // What is itself reached only by more work stands before nothing: no circle comes of two orders.
        openings =
        [
            ["mains-lead", "base", "rear"],
            ["mains-lead", "rear", "base"],
        ];
        Assert.Equal(
            ("mains-lead", "mains-lead"),
            (Said(OpeningTaught.Needs(openings)["base"]), Said(OpeningTaught.Needs(openings)["rear"]))
        );
    }

    private static string Said(IReadOnlyList<IReadOnlyList<string>> lines) => string.Join("; ", lines.Select(l => string.Join(" or ", l)));

    private static HashSet<string> Closed(
        string part,
        IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<string>>> needs,
        Random chance
    )
    {
        var all = new HashSet<string> { part };
        var waiting = new Stack<string>([part]);
        while (waiting.TryPop(out var next))
            foreach (var line in needs[next])
                if (line[chance.Next(line.Count)] is var one && all.Add(one))
                    waiting.Push(one);
        return all;
    }
}
