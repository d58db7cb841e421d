using SideBench.Core.HeadCare;
using SideBench.Core.Machines;
using SideBench.Core.Simulation.Heads;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

public class HeadTrialTests
{
    private const int Heads = 60;
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();
    private static readonly IReadOnlyList<MachineModel> Models =
    [
        .. TestShop.Shop.Models.Values.OrderBy(m => m.Id, StringComparer.Ordinal),
    ];

    [Fact]
    [Trait("Pace", "slow")]
    public void Plan_CostsLessThanEverySchool_AndRunsNoThermalHeadThatStarves()
    {
        var plan = Each((trial, head, chance) => trial.Planned(head, chance));
        Assert.Equal(0, plan.Sum(h => h.CleansStarving));
        foreach (var ladder in House.Ladders)
        {
            var school = Each((trial, head, chance) => trial.Schooled(head, ladder, chance));
            Assert.True(plan.Average(h => h.Price) < school.Average(h => h.Price), ladder.Name);
        }
    }

    [Fact]
    public void SameNumbers_GiveTheSameHead_AndEachTruthDoesWhatItSays()
    {
        var (one, other) = (Drawn(7), Drawn(7));
        Assert.Equal(one.Model.Id, other.Model.Id);
        Assert.Equal(one.Channels.Select(c => c.Missing.Count), other.Channels.Select(c => c.Missing.Count));
        var seen = new HashSet<ChannelTruth>();
        for (var seed = 0; seed < 200; seed++)
            foreach (var channel in Drawn(seed, HeadWorld.Rough).Channels)
            {
                var before = channel.Missing;
                channel.Apply("clean-deep");
                seen.Add(channel.Truth);
                if (channel.Truth == ChannelTruth.Clog)
                    Assert.Subset(before.ToHashSet(), channel.Missing.ToHashSet());
                else if (channel.Truth == ChannelTruth.Starved)
                    Assert.True(channel.Missing.Count > before.Count || before.Count == channel.Start.Nozzles);
                else if (channel.Truth == ChannelTruth.Other)
                    Assert.Equal(before, channel.Missing);
            }

        Assert.Equal(4, seen.Count);
    }

    private static SimulatedHead Drawn(int seed, HeadWorld? world = null) =>
        SimulatedHead.Drawn(Models, House, world ?? HeadWorld.AsSaid, new Random(seed));

    private static List<HeadOutcome> Each(Func<HeadTrial, SimulatedHead, Random, HeadOutcome> work)
    {
        var rates = TestShop.Shop.Book.House;
        var trial = new HeadTrial(
            TestShop.Shop.Book,
            House,
            HeadBounds.Rates(rates, House),
            model => HeadBounds.Of(model, rates, House),
            () => 0
        );
        return
        [
            .. Enumerable
                .Range(0, Heads)
                .Select(i =>
                {
                    var chance = new Random(i);
                    return work(trial, SimulatedHead.Drawn(Models, House, HeadWorld.AsSaid, chance), chance);
                }),
        ];
    }
}
