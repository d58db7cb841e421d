using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Core.Simulation.Printer;
using SideBench.Core.Tests.HeadCare;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

/// <summary>What cleans, rests, soaks and flushes do to the head of a made-up machine.</summary>
public class HeadLifeTests
{
    private const int Heads = 300;
    private const int Few = 90;
    private const int Many = 30;
    private const int Cyan = 2;
    private static readonly int[] Gaps = [4, 9, 13, 22, 30, 41, 50, 57];
    private static readonly HeadCareNumbers Care = TestShop.Shop.Numbers.Of<HeadCareNumbers>();

    [Theory]
    [InlineData("clean-normal", 0.55)]
    [InlineData("soak-head", 0.5)]
    [InlineData("hand-flush", 0.7)]
    [InlineData("long-rest", 0.12)]
    public void DriedGaps_ComeBackAsOftenAsTheMethodSays_LessThoseThatNeverDo_AndOnlyWhereItWasRun(string work, double chance)
    {
        var found = Found();
        Work(found, work);
        var job = TestShop.Case(found);
        var (left, untouched) = (0, 0);
        for (var seed = 0; seed < Heads; seed++)
        {
            var head = After(job, seed, "nozzles-dried");
            left += Missing(head, "C").Length;
            untouched += Missing(head, "K").SequenceEqual([7]) ? 1 : 0;
        }

        // Three heads in ten hold some that never clear: beta 1.5, 6, so a fifth of theirs.
        var back = 1 - (left / (double)(Heads * Gaps.Length));
        Assert.InRange(back, (0.94 * chance) - 0.035, (0.94 * chance) + 0.035);
        Assert.Equal(work == "long-rest", untouched < Heads);
    }

    [Fact]
    [Trait("Pace", "slow")]
    public void HeadIsTheSameAtEverySheet_WhatNeverClearsStays()
    {
        var stuck = 0;
        for (var seed = 0; seed < Few; seed++)
        {
            var (job, left) = (Found(), Gaps);
            for (var times = 0; times < 2 && left.Length > 0; times++)
            {
                for (var n = 0; n < Many; n++)
                    Work(job, "hand-flush");
                var now = Missing(After(job, seed, "nozzles-dried"), "C");
                // So many flushes leave what never clears: on the next sheets it is the same.
                if (times > 0)
                    Assert.Equal(left, now);
                Sheet(job, left = now);
            }

            stuck += left.Length;
        }

        // 0.3 of heads hold some, 0.2 of their gaps.
        Assert.InRange(stuck / (double)(Few * Gaps.Length), 0.02, 0.1);
    }

    [Fact]
    public void Air_Wanders_StarvedGetsWorse_AndADeadRowStays_UntilItsCauseIsMended()
    {
        var (moved, worse) = (0, 0);
        var found = Found();
        Work(found, "clean-normal");
        var cleaned = TestShop.Case(found);
        Work(found, "straighten-line");
        var supplied = TestShop.Case(found);
        for (var seed = 0; seed < Heads; seed++)
        {
            Assert.Equal(Gaps, Missing(After(cleaned, seed, "head-driver-dead"), "C"));
            moved += Missing(After(cleaned, seed, "line-air"), "C").Except(Gaps).Any() ? 1 : 0;
            worse += Missing(After(cleaned, seed, "damper-empty"), "C").Length > Gaps.Length ? 1 : 0;
            Assert.Empty(Missing(After(supplied, seed, null), "C"));
        }

        Assert.InRange(moved, 0.9 * Heads, Heads);
        Assert.Equal(Heads, worse);
    }

    private static List<Entry> Found()
    {
        var job = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "missing-after-idle"));
        Sheet(job, Gaps);
        return job;
    }

    private static void Sheet(List<Entry> job, int[] cyan) => HeadOnJobTests.Sheet(job, ("C", cyan), ("K", [7]));

    // As it is on record, whatever a gate says of it.
    private static void Work(List<Entry> job, string work)
    {
        var repair = TestShop.Shop.Book.Repairs.Single(r => r.Id == work);
        int[] slots = work == "long-rest" ? [] : [2, 3, 4];
        job.Add(TestShop.Line(job.Count + 1, new Mended(work, repair.Name, repair.Tags, 1, 0, "", "", 0, 0, [], 0, slots)));
    }

    private static NozzleTruth After(List<Entry> lines, int seed, string cause) => After(TestShop.Case(lines), seed, cause);

    private static NozzleTruth After(JobCase job, int seed, string? cause)
    {
        Ill[] ills = cause is null ? [] : [new Ill(TestShop.Shop.Book.Causes.Single(c => c.Id == cause), Cyan)];
        return new HeadLife(TestShop.Shop.Printers, Care, seed).After(job, ills);
    }

    private static int[] Missing(NozzleTruth head, string unit)
    {
        var layout = TestShop.Shop.Models["marram-quartet-a4"].Sheet!.Layout;
        return [.. head.Units[layout.Units.Index().First(u => u.Item.Id == unit).Index].Missing];
    }
}
