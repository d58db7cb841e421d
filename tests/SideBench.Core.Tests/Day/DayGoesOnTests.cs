using SideBench.Core.Day;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>A plan that is made anew goes on from the one that stood: nothing jumps about while nothing better is found.</summary>
public class DayGoesOnTests
{
    // Nothing is tried: what stood is all that is known. Without promises all orders cost the same.
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with { WalkMin = 0, Tries = 0, StandPerHour = 0 };
    private static readonly DayHand Ines = new(1, "Ines", [(0, 1000)]);

    [Theory]
    // A's first piece was done, B left, D came: it goes last.
    [InlineData("C1 A2 B1", "ACAB", "A1 C1 D1", "CAD")]
    [InlineData("C1 A2 B1", "ACAB", "A1 B1 C1", "CAB")]
    // A's way turned out longer: it goes on after what was known of it.
    [InlineData("A1 B1 C1", "BAC", "C1 A3 B1", "BAAAC")]
    // None of it is left.
    [InlineData("A2 B1", "ABA", "C1", "C")]
    // Two that have no number yet are told apart.
    [InlineData("A1 ?1 ?2", "?A??", "?1 ?2 A1", "?A??")]
    public void WhatStood_GoesOn(string before, string order, string after, string expected)
    {
        var first = DayPlan.Of(Jobs(before), [Ines], House);
        var stood = first with { Order = Places(order, first.Jobs) };
        var plan = DayPlan.Of(Jobs(after), [Ines], House, stood);
        Assert.Equal(expected, string.Concat(plan.Order.Select(j => plan.Jobs[j].Name)));
    }

    [Fact]
    public void WhatCostsLess_TakesItsPlace()
    {
        List<DayJob> jobs = [.. Jobs("A1 B1")];
        var stood = DayPlan.Of(jobs, [Ines], House) with { Order = [0, 1] };
        var pressed = DayPlan.Of([jobs[0], jobs[1] with { Promise = 12 }], [Ines], House, stood);
        Assert.Equal([1, 0], pressed.Order);
    }

    [Fact]
    public void WhatCostsTheSame_DoesNot_HoweverMuchIsTried()
    {
        var jobs = Jobs("A1 B1 C1 D1");
        var stood = DayPlan.Of(jobs, [Ines], House) with { Order = [3, 1, 0, 2] };
        var tried = DayPlan.Of(jobs, [Ines], House with { Tries = 400, StandPerHour = 1 }, stood);
        Assert.Equal(stood.Order, tried.Order);
    }

    // "A2": a job A with two pieces; "?": one that has no number yet.
    private static IReadOnlyList<DayJob> Jobs(string said) =>
        [
            .. said.Split(' ')
                .Select(s => new DayJob(
                    s[0] == '?' ? 0 : s[0],
                    s[..1],
                    0,
                    null,
                    null,
                    [new DayWay(1, [.. Enumerable.Range(0, s[1] - '0').Select(i => new DayPiece($"{i}", 10))])]
                )),
        ];

    // Each letter is one piece of the job of that name; of two without a number the first goes first, as often as it has pieces.
    private static List<int> Places(string order, IReadOnlyList<DayJob> jobs)
    {
        var left = jobs.Select(j => j.Ways[0].Pieces.Count).ToArray();
        var places = new List<int>();
        foreach (var name in order)
        {
            var j = Enumerable.Range(0, jobs.Count).First(i => jobs[i].Name == $"{name}" && left[i] > 0);
            left[j]--;
            places.Add(j);
        }

        return places;
    }
}
