using CsCheck;
using SideBench.Core.HeadCare;
using Xunit;

namespace SideBench.Core.Tests.HeadCare;

public class CleanOutlookTests
{
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();

    // Every missing nozzle can clear, by chances even from 0 to 1, and nothing but a clog is thought of: sums by hand.
    private static readonly HeadCareNumbers Even = House with
    {
        Chances = new Dictionary<string, IReadOnlyDictionary<string, double>>
        {
            ["piezo dye"] = new Dictionary<string, double> { ["clean-normal"] = 0.5, ["soak"] = 0.5 },
        },
        ChanceSd = Math.Sqrt(1 / 12.0),
        NoneStuck = 1,
        Prior = new ExplanationOdds(1, 1e-12, 1e-12),
    };

    [Fact]
    public void OneNozzle_ByHand()
    {
        Assert.Equal(1 / 2.0, Next(Head([7])).Complete, 9);
        // After one failure a chance that was even from 0 to 1 is 1/3, after two 1/4; what another method does stays as it was.
        var failed = Head([7], ("clean-normal", [7], [7]));
        Assert.Equal(1 / 3.0, Next(failed).Complete, 9);
        Assert.Equal(1 / 4.0, Next(Head([7], ("clean-normal", [7], [7]), ("clean-normal", [7], [7]))).Complete, 9);
        Assert.Equal(1 / 2.0, Next(failed, "soak").Complete, 9);
        // Of two one cleared at once: two of three for the other.
        Assert.Equal(1 / 2.0, Next(Head([8], ("clean-normal", [7, 8], [8]))).Complete, 9);
        Assert.All(Next(Head([1, 2])).Back, p => Assert.Equal(1 / 3.0, p, 9));
    }

    [Fact]
    public void NozzleThatNeverClears_ByHand()
    {
        // Half of the heads have no such nozzle, on the others each is one by an even share: three of four can clear.
        var numbers = Even with
        {
            NoneStuck = 0.5,
            StuckAlpha = 1,
            StuckBeta = 1,
        };
        Assert.Equal(3 / 8.0, Next(Head([7]), "clean-normal", numbers).Complete, 9);
        // Failed once: 3/4 · ∫(1−q)q over 1/4 + 3/4 · 1/2.
        Assert.Equal(0.75 / 6 / (0.25 + (0.75 / 2)), Next(Head([7], ("clean-normal", [7], [7])), "clean-normal", numbers).Complete, 9);
    }

    [Fact]
    public void Chances_FollowIdleTimeRunsAndKind()
    {
        Assert.Equal(0.55, Mean(Head([1, 30])), 9);
        Assert.Equal(0.275, Mean(Head([4, 5, 6, 7, 8, 9, 40])), 9);
        Assert.Equal(0.55 * 0.7, Mean(Head([1, 30]) with { IdleWeeks = 4 * 4.35 }), 9);
        Assert.Equal(0.55 * 0.5, Mean(Head([1, 30]) with { IdleWeeks = 99 }), 9);
        Assert.Equal(0.36, Mean(Head([1, 30]) with { Kind = "thermal dye" }), 9);
        Assert.Null(ClearingPrior.Of(Head([1]) with { Kind = "stone ink" }, "clean-normal", House));
        Assert.Null(CleanOutlook.Of(Head([1], ("prayer", [1], [1])), House));
        Assert.Null(CleanOutlook.Of(Head([1]), House)!.Next("prayer"));

        double Mean(HeadHistory head) => ClearingPrior.Of(head, "clean-normal", House)!.Value.Mean;
    }

    [Fact]
    public void Clog_AirAndStarvation_AreToldApartByTheirSheets()
    {
        var clearing = Head([5], ("clean-normal", [5, 20, 33, 60], [5, 33]), ("clean-normal", [5, 33], [5]));
        Assert.True(Of(clearing).Explanation.Clog > 0.98);
        var moving = Head([2, 30, 41, 77], ("clean-normal", [5, 20, 33, 60], [8, 21, 50]), ("rest", [8, 21, 50], [2, 30, 41, 77]));
        Assert.True(Of(moving).Explanation.Air > 0.98);
        Assert.True(Next(moving).Complete < 0.1);
        var fading = Head(
            [.. Enumerable.Range(76, 14)],
            ("clean-normal", [.. Enumerable.Range(86, 4)], [.. Enumerable.Range(81, 9)]),
            ("clean-deep", [.. Enumerable.Range(81, 9)], [.. Enumerable.Range(76, 14)])
        );
        Assert.True(Of(fading).Explanation.Starved > 0.98);
        Assert.Equal(0, Next(fading).Quantile(0.95));
        // A refilled cartridge makes air likelier from the start.
        Assert.True(Of(Head([3]) with { Refilled = true }).Explanation.Air > Of(Head([3])).Explanation.Air);
    }

    [Fact]
    public void LongChannelAlmostAllMissing_IsStillADistribution()
    {
        var head = Head([.. Enumerable.Range(0, 900)]) with { Nozzles = 1000, Refilled = true };
        Assert.Equal(1, Of(head).Next("flush")!.Back.Sum(), 6);
    }

    [Fact]
    [Trait("Pace", "slow")]
    public void WhatIsExact_AgreesWithTheSlowGrid()
    {
        var histories = new[]
        {
            Head([1, 2, 9], ("clean-light", [1, 2, 5, 9], [1, 2, 9]), ("clean-normal", [1, 2, 9], [1, 2, 9])),
            Head([1, 4, 40], ("clean-normal", [1, 2, 3, 4], [1, 4]), ("soak", [1, 4, 40], [1, 4, 40])),
            Head([6], ("rest", [6, 7, 8], [6, 7]), ("rest", [6, 7], [6])),
        };
        foreach (var head in histories)
        foreach (var method in new[] { "clean-normal", "soak", "flush" })
        {
            var exact = CleanOutlook.Of(head, House with { Prior = new ExplanationOdds(1, 1e-12, 1e-12) })!.Next(method)!.Back;
            var slow = GridTwin.Next(head, method, House);
            for (var k = 0; k < slow.Length; k++)
                Assert.InRange(exact[k], slow[k] - 0.002, slow[k] + 0.002);
        }
    }

    [Fact]
    public void Outlook_IsADistribution_AndAFailureNeverRaisesIt()
    {
        var sets = Gen.Int[0, 89].Array[1, 12].Select(a => a.ToHashSet());
        Gen.Select(sets, Gen.Int[0, 3], Gen.Bool)
            .Sample(
                (missing, failures, refilled) =>
                {
                    var head = Head([.. missing]) with { Refilled = refilled };
                    var last = double.PositiveInfinity;
                    for (var n = 0; n <= failures; n++)
                    {
                        var next = Of(head).Next("clean-normal")!;
                        Assert.Equal(1, next.Back.Sum(), 9);
                        Assert.InRange(next.Complete, 0, 1);
                        var e = Of(head).Explanation;
                        Assert.Equal(1, e.Clog + e.Air + e.Starved, 9);
                        var mean = next.Back.Select((p, k) => p * k).Sum();
                        if (e.Clog > 0.99)
                        {
                            Assert.True(mean <= last + 1e-9);
                            last = mean;
                        }

                        head = head with { Done = [.. head.Done, new Application("clean-normal", missing, missing)] };
                    }
                },
                iter: 200
            );
    }

    [Fact]
    public void Chances_AreWhatHappens_InEveryTenth()
    {
        var chance = new Random(606);
        var onlyClogs = House with { Prior = new ExplanationOdds(1, 1e-12, 1e-12) };
        var tenths = new int[10];
        const int Heads = 2000;
        for (var i = 0; i < Heads; i++)
        {
            var (head, back) = SimulatedClog.Of(House, chance);
            var chances = CleanOutlook.Of(head, onlyClogs)!.Next("clean-normal")!.Back;
            // Where the truth lies in what was said: even, when what was said is right.
            var place = chances.Take(back).Sum() + (chance.NextDouble() * chances[back]);
            tenths[Math.Min(9, (int)(place * 10))]++;
        }

        var error = Math.Sqrt(0.1 * 0.9 / Heads);
        Assert.All(tenths, n => Assert.InRange(n / (double)Heads, 0.1 - (3.5 * error), 0.1 + (3.5 * error)));
    }

    private static CleanOutlook Of(HeadHistory head) => CleanOutlook.Of(head, House)!;

    private static NextApplication Next(HeadHistory head, string method = "clean-normal", HeadCareNumbers? numbers = null) =>
        CleanOutlook.Of(head, numbers ?? (head.Done.Count > 0 && head.Done[0].Before.Count > 2 ? House : Even))!.Next(method)!;

    private static HeadHistory Head(int[] missing, params (string Method, int[] Before, int[] After)[] done) =>
        new(
            "piezo dye",
            1,
            90,
            false,
            missing.ToHashSet(),
            [.. done.Select(d => new Application(d.Method, d.Before.ToHashSet(), d.After.ToHashSet()))]
        );
}
