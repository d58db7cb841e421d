using SideBench.Core.Machines;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class WayInTests
{
    private static readonly AccessGraph Quartet = TestShop.Shop.Graphs["marram-quartet-a4"];

    [Fact]
    public void LayerOfAPart_IsHowManyCoversLieOverIt_ByTheShortestOfItsWays()
    {
        var graph = MadeGraphs.Of(
            MadeGraphs.Part("mains-lead", 1),
            MadeGraphs.Part("lid", 1, ["mains-lead"]),
            MadeGraphs.Part("guard", 1, ["lid"]),
            MadeGraphs.Part("plate", 1, ["mains-lead"]),
            MadeGraphs.Part("pump", 1, ["guard", "plate"])
        );
        Assert.Equal([0, 0, 1, 0, 1], graph.Parts.Select(graph.LayerOf));
    }

    [Fact]
    public void CheapestSet_IsThatOfTryingEverySet()
    {
        var chance = new Random(5120);
        for (var round = 0; round < 150; round++)
        {
            var graph = MadeGraphs.Random(chance, 4 + chance.Next(9), chance.Next(5));
            string[] targets = [.. Enumerable.Range(0, 1 + chance.Next(3)).Select(_ => $"p{chance.Next(graph.Parts.Count)}").Distinct()];
            var off = Enumerable.Range(0, graph.Parts.Count).Where(_ => chance.Next(6) == 0).ToHashSet();
            var chosen = new CheapestSet(graph).For(targets.Select(graph.IndexOf), off);
            Assert.Equal(ByTrying(graph, targets, off), chosen.Sum(i => graph.Parts[i].BothMin), 6);
        }
    }

    [Fact]
    public void Way_FreesEveryTarget_AndNothingInItIsSuperfluous()
    {
        var chance = new Random(5121);
        for (var round = 0; round < 60; round++)
        {
            var graph = MadeGraphs.Random(chance, 30, 8);
            string[] targets = [$"p{10 + chance.Next(20)}", $"p{10 + chance.Next(20)}"];
            var way = WayIn.To(graph, targets, Handlings.House);
            var set = way.Parts.Select(p => p.Id).ToHashSet();
            Assert.Superset(targets.ToHashSet(), set);
            Assert.True(Handlings.Frees(graph, set));
            foreach (var part in set.Except(targets))
                Assert.False(Handlings.Frees(graph, set.Where(p => p != part).ToHashSet()), $"{part} is superfluous, round {round}");
            var done = new HashSet<string>();
            foreach (var step in way.Steps)
            {
                if (step.IsPart)
                    Assert.All(graph.Part(step.Part)!.After, line => Assert.Contains(line, done.Contains));
                done.Add(step.Id);
            }

            Assert.Equal(way.Parts.Sum(p => Removals.Of(p).Count), way.Steps.Count);
        }
    }

    [Fact]
    public void Quartet_DamperAndDrain_TakeTheOnePanelThatServesBoth()
    {
        var way = WayIn.To(Quartet, ["damper-yellow", "drain-tube"], Handlings.House);
        Assert.Equal(
            ["mains-lead", "paper-tray", "top-cover", "rear-panel", "guard", "carriage-cover", "damper-yellow", "drain-tube"],
            way.Parts.Select(p => p.Id)
        );
        // Parts out: 0.5 + 0.5 + 0.5 + 4 + 3 + 1 + 2 + 1.5 = 13; two tools 0.6; to the lead and to the tray 1.0; tipped, and back the other
        // way round 3.0.
        Assert.Equal(17.6, way.Out.Value, 2);
        Assert.Equal("mains-lead", way.Steps[0].Id);
        Assert.Equal(["cross-head 2", "cross-head 1"], way.Tools);
        Assert.Contains(way.LeaveAlone, l => l.Contains("never cut"));
    }

    [Fact]
    public void SealIsSpared_InWarranty_WhereAnotherWayIsThere()
    {
        string[] targets = ["pad-holder"];
        Assert.Contains(WayIn.To(Quartet, targets, Handlings.House).Parts, p => p.Id == "rear-panel");
        var spared = WayIn.To(Quartet, targets, Handlings.House, null, sparesSeals: true);
        Assert.DoesNotContain(spared.Parts, p => p.Spends.Length > 0);
        Assert.Contains(spared.Parts, p => p.Id == "base-plate");
        Assert.Contains(WayIn.To(Quartet, ["damper-black"], Handlings.House, null, true).Spends, p => p.Id == "rear-panel");
    }

    [Fact]
    public void WhatIsOffAlready_CostsNothing()
    {
        var way = WayIn.To(Quartet, ["pad-holder"], Handlings.House, new HashSet<string> { "base-plate" });
        Assert.Equal(["pad-holder"], way.Parts.Select(p => p.Id));
    }

    private static double ByTrying(AccessGraph graph, string[] targets, HashSet<int> off)
    {
        var n = graph.Parts.Count;
        var best = double.PositiveInfinity;
        for (var mask = 0; mask < 1 << n; mask++)
        {
            var on = Enumerable.Range(0, n).Where(i => (mask >> i & 1) == 1).ToList();
            var there = on.Concat(off).Select(i => graph.Parts[i].Id).ToHashSet();
            if (!targets.All(there.Contains) || on.Any(off.Contains))
                continue;
            if (!on.All(i => graph.Parts[i].After.All(line => line.Any(there.Contains))))
                continue;
            best = Math.Min(best, on.Sum(i => graph.Parts[i].BothMin));
        }

        return best;
    }
}
