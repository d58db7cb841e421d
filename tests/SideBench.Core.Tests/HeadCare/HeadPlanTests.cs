using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using Xunit;

namespace SideBench.Core.Tests.HeadCare;

public class HeadPlanTests
{
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();
    private static readonly HouseRates Rates = TestShop.Shop.Book.House;

    [Fact]
    public void Search_FindsWhatTryingEveryOrderFinds()
    {
        var chance = new Random(11);
        foreach (var model in (string[])["marram-quartet-a4", "pellow-studio-eight", "pellow-mono-pair"])
            for (var i = 0; i < 4; i++)
            {
                var head = Case(model, [.. Enumerable.Range(0, 1 + chance.Next(2)).Select(c => (c + 1, 1 + chance.Next(4)))]);
                var few = new HeadCase(
                    head.Channels,
                    [.. head.Methods.Where(_ => chance.Next(3) > 0).Take(4)],
                    head.Rates,
                    head.Limits with
                    {
                        GiveUp = 20 + chance.Next(120),
                        CleanedBefore = true,
                        CleansInRow = 2,
                    }
                );
                var plan = HeadPlan.Of(few);
                // Where no fixed order is worth it, one step may be, for what its sheet tells.
                if (plan.Steps.Count != 1)
                    Assert.Equal(Cheapest(few, new int[few.Methods.Count], 0, 0), plan.Price, 6);
            }
    }

    [Fact]
    public void OneChannel_OneClean_ByHand()
    {
        // Black of the Quartet is a group of its own: one slot of four.
        var head = Case("marram-quartet-a4", [(1, 1)]);
        var clean = Index(head, "clean-normal");
        var method = head.Methods[clean];
        Assert.Equal((0.8, 2.34 / 4), (method.Ink.Value, method.Counter.Pct));
        // Minutes: the book's hand on the panel, the sheet, the machine at it.
        Assert.Equal(1 + House.SheetMin + 3, method.Hands.Value);
        var run = HeadPlan.Run(
            head,
            [
                [clean],
            ]
        );
        var clears = head.Channels[0].Outlook.Next("clean-normal")!.Back[1];
        var clog = head.Channels[0].Outlook.Explanation.Clog;
        Assert.Equal(House.Prior.Clog, clog, 9);
        Assert.Equal(0.42 * (House.NoneStuck + ((1 - House.NoneStuck) * 0.8)) * clog, run.Complete, 2);
        Assert.InRange(clears - run.Complete, 0, House.Prior.Air);
        var price = (0.8 * Rates.InkPerMl) + (2.34 / 4 * Rates.CounterPerPct) + (7 / 60.0 * Rates.BenchPerHour);
        Assert.Equal(price + ((1 - run.Complete) * head.Limits.GiveUp), run.Price, 6);
    }

    [Theory]
    [InlineData("marram-quartet-a4", 2, "clean-light clean-normal clean-deep rest soak flush")]
    [InlineData("pellow-studio-eight", 1, "clean-light clean-normal clean-deep rest soak")]
    [InlineData("marram-grande", 1, "clean-light clean-normal clean-deep rest")]
    [InlineData("pellow-mono-pair", 1, "clean-light rest soak")]
    public void Methods_AreWhatTheModelCan(string model, int slot, string methods)
    {
        var head = Case(model, [(slot, 3)]);
        Assert.Equal($"{methods} supply", string.Join(' ', head.Methods.Select(m => m.Id)));
    }

    [Fact]
    public void White_SoaksShort_AndTogetherWithAnotherOnlyAsLongAsBothMay()
    {
        Assert.Equal((30, 120), Soak(Case("tolling-garment-8", [(1, 2)])));
        Assert.Equal((60, 480), Soak(Case("tolling-garment-8", [(6, 2)])));
        Assert.Equal((60, 120), Soak(Case("tolling-garment-8", [(1, 2), (6, 2)])));
    }

    [Fact]
    public void ThermalHead_ThatMayStarve_IsLookedAtBeforeAnyClean()
    {
        var head = Case("pellow-studio-eight", [(3, 4)]);
        Assert.Equal(HeadMethod.Supply, HeadPlan.Of(head).Steps[0].Methods[0].Id);
        var proved = new HeadCase(
            [.. head.Channels.Select(c => c with { Outlook = c.Outlook.SupplyProved() })],
            [.. head.Methods.Where(m => m.Id != HeadMethod.Supply)],
            head.Rates,
            head.Limits with
            {
                SupplyProved = true,
            }
        );
        Assert.False(head.MayClean(head.Looked(new int[head.Methods.Count])));
        Assert.True(proved.MayClean(proved.Looked(new int[proved.Methods.Count])));
        Assert.NotEqual(HeadMethod.Supply, HeadPlan.Of(proved).Steps[0].Methods[0].Id);
    }

    [Fact]
    public void WhatIsMissing_OrHeld_IsNotPlanned()
    {
        var full = Case("marram-quartet-a4", [(2, 4)], limits => limits with { CounterRoom = CounterShare.OfPct(0.3) });
        Assert.DoesNotContain(HeadPlan.Of(full).Steps.SelectMany(s => s.Methods), m => m.IsClean);
        var little = Channels("marram-quartet-a4", [(2, 4)]);
        var methods = HeadMethods.For(
            TestShop.Shop.Models["marram-quartet-a4"],
            TestShop.Shop.Book,
            House,
            little,
            new HeadStock(slot => slot == 3 ? Millilitres.Of(0.5) : null, CounterShare.OfPct(1.9))
        );
        // Magenta shares the group of cyan: half a ml is enough for a light clean and for no other.
        Assert.Equal(["clean-normal", "clean-deep"], methods.Where(m => m.Held?.First == "Top up first.").Select(m => m.Id));
        Assert.Equal("Magenta has 0.5\u2009ml left; it takes 0.8\u2009ml.", methods.First(m => m.Id == "clean-normal").Held!.Why);
    }

    [Fact]
    public void HeldForNow_IsPlannedAfterOtherWork()
    {
        var head = Case("marram-quartet-a4", [(2, 2)]);
        IReadOnlyList<HeadMethod> held =
        [
            .. head
                .Methods.Where(m => m.Id is "clean-normal" or "soak")
                .Select(m => m.IsClean ? m with { Held = new HeldMethod("Two were the same.", "A rest.", Passes: true) } : m),
        ];
        var plan = HeadPlan.Of(new HeadCase(head.Channels, held, head.Rates, head.Limits));
        Assert.Equal("soak", plan.Steps[0].Methods[0].Id);
        Assert.Contains(plan.Steps.Skip(1), s => s.Methods[0].IsClean);
    }

    [Fact]
    public void AgreedLevel_IsReachedSooner()
    {
        var strict = Case("marram-quartet-a4", [(2, 6)]);
        var text = new HeadCase(strict.Channels, strict.Methods, strict.Rates, strict.Limits with { MostLeft = 3 });
        var clean = Index(strict, "clean-deep");
        Assert.True(
            HeadPlan
                .Run(
                    text,
                    [
                        [clean],
                    ]
                )
                .Complete
                > HeadPlan
                    .Run(
                        strict,
                        [
                            [clean],
                        ]
                    )
                    .Complete + 0.15
        );
        var done = new HeadCase(strict.Channels, strict.Methods, strict.Rates, strict.Limits with { MostLeft = 6 });
        Assert.Equal(StopReason.Complete, HeadPlan.Of(done).Stop);
    }

    [Fact]
    public void Missing_AfterAStep_IsWhatTheGridSays()
    {
        var head = Case("marram-quartet-a4", [(2, 5)]);
        var channel = head.Channels[0];
        var step = HeadPlan
            .Run(
                head,
                [
                    [Index(head, "clean-normal")],
                ]
            )
            .Steps[0];
        var twin = GridTwin.Next(channel.Head, "clean-normal", House);
        var clog = channel.Outlook.Explanation.Clog;
        var chances = twin.Reverse().Select(p => p * clog).ToArray();
        chances[^1] += 1 - clog;
        Assert.Equal(Quantile(chances, 0.5), step.Missing.Best);
        Assert.Equal((Quantile(chances, 0.05), Quantile(chances, 0.95)), (step.Missing.Low, step.Missing.High));
    }

    private static int Quantile(double[] chances, double share)
    {
        var sum = 0.0;
        return Array.FindIndex(chances, p => (sum += p) >= share);
    }

    private static (double, double?) Soak(HeadCase head) =>
        head.Methods.Where(m => m.Id == "soak").Select(m => (m.Wait.Value, m.WaitMost?.Value)).Single();

    // Every order, one after another, left as soon as the head is clear.
    private static double Cheapest(HeadCase head, int[] times, int inRow, int depth)
    {
        var left = head.Left(times);
        var best = HeadCase.Any(left) * head.Limits.GiveUp;
        for (var m = 0; depth < 6 && m < times.Length; m++)
        {
            var method = head.Methods[m];
            if (method.Id == HeadMethod.Supply && depth == 0 && !head.Limits.LookFirst)
                continue;
            if (times[m] >= method.Most || (method.IsClean && (inRow >= head.Limits.CleansInRow || !head.MayClean(head.Looked(times)))))
                continue;
            var price = head.Price(m, left, head.Looked(times));
            int[] then = [.. times];
            then[m]++;
            var row =
                method.IsClean ? inRow + 1
                : method.Id == HeadMethod.Supply ? inRow
                : 0;
            best = Math.Min(best, price + Cheapest(head, then, row, depth + 1));
        }

        return best;
    }

    private static int Index(HeadCase head, string method) => head.Methods.ToList().FindIndex(m => m.Id == method);

    private static IReadOnlyList<ChannelCare> Channels(string model, (int Slot, int Missing)[] gaps) =>
        [.. gaps.Select(g => Channel(TestShop.Shop.Models[model], g.Slot, g.Missing))];

    private static ChannelCare Channel(MachineModel model, int slot, int missing)
    {
        var of = model.Slots.First(s => s.Panel == slot);
        var head = new HeadHistory(
            $"{model.Axes["head"]} {of.InkKind}",
            1,
            90,
            false,
            Enumerable.Range(0, missing).Select(n => 3 + (n * 9)).ToHashSet(),
            []
        );
        return new ChannelCare(of.Ink, slot, of.Ink, of.InkKind, head, CleanOutlook.Of(head, House)!);
    }

    private static HeadCase Case(string model, (int, int)[] gaps, Func<HeadLimits, HeadLimits>? with = null)
    {
        var of = TestShop.Shop.Models[model];
        var channels = Channels(model, gaps);
        var limits = HeadBounds.Of(of, Rates, House);
        return new HeadCase(
            channels,
            [.. HeadMethods.For(of, TestShop.Shop.Book, House, channels, HeadStock.Unknown), HeadMethods.Supply(channels.Count, House)],
            HeadBounds.Rates(Rates, House),
            with is null ? limits : with(limits)
        );
    }
}
