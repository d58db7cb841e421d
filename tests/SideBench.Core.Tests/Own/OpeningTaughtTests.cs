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
        Assert.Equal(["cover"], OpeningTaught.Needs(once, withPower: free)["head"]);
        IReadOnlyList<IReadOnlyList<string>> twice = [.. once, ["cover", "mains-lead", "head"]];
        var needs = OpeningTaught.Needs(twice, withPower: free);
        Assert.Equal(["cover"], needs["head"]);
        // Taken off with the lead in once: that is no proof that it may be.
        Assert.Equal(["mains-lead"], needs["cover"]);
        Assert.Empty(needs["mains-lead"]);
        Assert.Empty(
            OpeningTaught.Needs(
                [
                    ["tray"],
                ],
                withPower: free
            )["tray"]
        );
        Assert.Equal(2, OpeningTaught.Seen(twice, "head"));
        Assert.Equal(1, OpeningTaught.Seen(twice, "tray"));
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

        var needs = OpeningTaught.Needs(openings);
        foreach (var part in graph.Parts.Where(p => needs.ContainsKey(p.Id)))
        {
            var before = Closed(part.Id, needs);
            Assert.All(part.After, line => Assert.Contains(line, before.Contains));
        }
    }

    [Fact]
    public void WhereEitherOfTwoPartsWillDo_AndEachWasMissingOnce_OneOfThemIsStillNeeded()
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
        Assert.Equal(["rear"], OpeningTaught.Needs(openings, minutes)["pads"]);
    }

    private static HashSet<string> Closed(string part, IReadOnlyDictionary<string, IReadOnlyList<string>> needs)
    {
        var all = new HashSet<string>();
        var waiting = new Stack<string>(needs[part]);
        while (waiting.TryPop(out var next))
            if (all.Add(next))
                foreach (var more in needs[next])
                    waiting.Push(more);
        return all;
    }
}
