using CsCheck;
using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class SheetComparisonTests
{
    // The slow obvious twin: every way to choose which nozzles are missing now is counted.
    [Fact]
    public void ChanceOfAnOverlap_IsWhatCountingEveryDrawGives()
    {
        for (var all = 1; all <= 10; all++)
        {
            for (var before = 0; before <= all; before++)
            {
                for (var now = 0; now <= all; now++)
                {
                    var draws = Enumerable
                        .Range(0, 1 << all)
                        .Where(bits => int.PopCount(bits) == now)
                        .Select(bits => int.PopCount(bits & ((1 << before) - 1)))
                        .ToList();
                    for (var both = 0; both <= now; both++)
                        Assert.Equal(draws.Count(d => d >= both) / (double)draws.Count, Hypergeometric.AtLeast(all, before, now, both), 9);
                    Assert.Equal(draws.Average(), Hypergeometric.Mean(all, before, now), 9);
                }
            }
        }
    }

    [Fact]
    public void ChanceOfAnOverlap_FallsAsMoreIsAsked_AndStaysAChance() =>
        Gen.Select(Gen.Int[1, 400], Gen.Int[0, 400], Gen.Int[0, 400], Gen.Int[0, 400])
            .Sample(
                (all, a, b, k) =>
                {
                    var (before, now) = (a % (all + 1), b % (all + 1));
                    var (more, less) = (
                        Hypergeometric.AtLeast(all, before, now, (k % (all + 1)) + 1),
                        Hypergeometric.AtLeast(all, before, now, k % (all + 1))
                    );
                    return more >= 0 && more <= less + 1e-9 && less <= 1;
                }
            );

    [Theory]
    [InlineData("..........", "..........", GapMove.Complete)]
    [InlineData("xx..x.....", "..........", GapMove.Cleared)]
    [InlineData("..........", "..x.......", GapMove.New)]
    public void PlainCases_AreCalledByTheirName(string before, string now, GapMove move) => Assert.Equal(move, Compare(before, now).Move);

    [Fact]
    public void JustSoManyFewer_IsClearing_AndOneMoreIsNot()
    {
        var house = TestShop.Sheets with { ClearlyFewer = 0.5, LeastToTell = 99 };
        GapMove Of(int left) => SheetComparison.Of(Unit(20), Unit(left), house)!.Move;
        UnitLine Unit(int missing) =>
            UnitLine.Tapped(
                TestShop.Shop.Models["pellow-six-tank"].Sheet!.Layout.Units[0],
                string.Concat(Enumerable.Range(0, 180).Select(n => n < missing * 9 && n % 9 == 0 ? 'x' : '.')),
                house.Pattern
            );
        Assert.Equal((GapMove.Clearing, GapMove.Still), (Of(10), Of(11)));
    }

    [Fact]
    public void SameRunAgain_SitsStill_AndCarriesItsFigures()
    {
        var run = new string('.', 60) + new string('x', 30) + new string('.', 90);
        var change = Compare(run, run);
        Assert.Equal((GapMove.Still, 1.0, 30 / 180.0), (change.Move, change.OverlapShare, change.ChanceShare));
        Assert.True(change.ByChance < 1e-20);
    }

    [Fact]
    public void OtherGapsEachTime_Wander()
    {
        var before = Gaps(180, n => n % 9 == 0);
        var now = Gaps(180, n => n % 9 == 4);
        Assert.Equal((GapMove.Moving, 0), (Compare(before, now).Move, Compare(before, now).StillMissing.Count));
    }

    [Fact]
    public void GapsOfWhichMoreThanHalfAreTheSame_AreNotSaidToWander()
    {
        // 12 of 20 each time, 7 in common: chance gives 7.2.
        var change = Compare("xxxxxxxxxxxx........", "xxxxxxx.....xxxxx...");
        Assert.True(change.ByChance > 0.5);
        Assert.Equal((7, GapMove.Unclear), (change.StillMissing.Count, change.Move));
    }

    [Fact]
    public void FewerOfTheSame_Clears_AndClearlyMoreIsWorse()
    {
        var many = Gaps(180, n => n % 12 == 0);
        var few = Gaps(180, n => n is 0 or 24 or 60);
        var cleared = Compare(many, few);
        Assert.Equal((GapMove.Clearing, 12), (cleared.Move, cleared.CameBack.Count));
        var worse = Compare(few, many);
        Assert.Equal((GapMove.Worse, 12), (worse.Move, worse.NewlyMissing.Count));
    }

    [Fact]
    public void UnitsThatAreNotTheSame_AreNotCompared() =>
        Assert.Null(SheetComparison.Of(Line("K", ".x."), Line("C", ".x."), TestShop.Sheets));

    [Fact]
    public void Reading_TellsStillFromWandering_AndNamesWhatClears()
    {
        UnitLine[] before =
        [
            Line("K", Gaps(180, n => n is > 59 and < 90)),
            Line("C", Gaps(180, n => n % 9 == 0)),
            Line("Y", Gaps(180, n => n % 12 == 0)),
        ];
        UnitLine[] now = [before[0], Line("C", Gaps(180, n => n % 9 == 4)), Line("Y", Gaps(180, n => n is 0 or 24 or 60))];
        var changes = before.Zip(now, (b, n) => SheetComparison.Of(b, n, TestShop.Sheets)).Select(c => c!).ToList();
        var (title, says) = SheetWords.Reading(now, changes);
        Assert.Equal("Two different faults.", title);
        Assert.Contains(says, s => s.StartsWith("K: the same nozzles each time (overlap 100 %, chance 17 %)", StringComparison.Ordinal));
        Assert.Contains(says, s => s.StartsWith("C: short of ink. Gaps of C wander (overlap 0 %, chance 11 %)", StringComparison.Ordinal));
        Assert.Contains("Y: clearing, 3 left of 15.", says);
        Assert.Equal("The pattern is complete.", SheetWords.Reading([Line("K", "......")], []).Title);
    }

    [Theory]
    [InlineData(PatternClass.Scattered, "clogged", "single gaps")]
    [InlineData(PatternClass.Run, "clogged", "solid run")]
    [InlineData(PatternClass.EveryKth, "drive", "every k-th: drive or cable first")]
    [InlineData(PatternClass.Starvation, "supply", "fading from one end: starved")]
    [InlineData(PatternClass.Blank, "supply", "blank: air, empty, or rarely a dead driver")]
    [InlineData(PatternClass.NearBlank, "supply", "nearly blank: air or empty")]
    [InlineData(PatternClass.Contaminated, "mixed", "wrong tint: mixed with Y")]
    [InlineData(PatternClass.DeflectedGroup, "plate", "crooked group: wetting or dirt")]
    [InlineData(PatternClass.WeakGroup, "plate", "weak group: part-clogged or thin supply")]
    public void Patterns_AreSaidInTheTradesWords_AndTheirFamilyIsOneFault(PatternClass pattern, string family, string words)
    {
        var unit = Line("C", Gaps(60, n => n < 20)) with { Pattern = pattern, MixedWith = "Y" };
        Assert.Equal((family, words), (SheetWords.Family(pattern), SheetWords.Of(unit, null)));
        var alone = SheetWords.Reading([unit], []);
        Assert.StartsWith("C: ", alone.Title, StringComparison.Ordinal);
        Assert.StartsWith("C: ", Assert.Single(alone.Says), StringComparison.Ordinal);
        // That a channel is starved again says nothing of a clog that sits still.
        var same = SheetComparison.Of(unit, unit, TestShop.Sheets)!;
        Assert.Equal(family == "clogged" ? $"{words}, sits still" : words, SheetWords.Of(unit, same));
    }

    private static SheetComparison Compare(string before, string now) =>
        SheetComparison.Of(Line("K", before), Line("K", now), TestShop.Sheets)!;

    private static UnitLine Line(string id, string letters) =>
        UnitLine.Tapped(TinySheet.Unit(id, "#1D1D20", false, 8, letters.Length), letters, TestShop.Sheets.Pattern);

    private static string Gaps(int nozzles, Func<int, bool> missing) =>
        string.Concat(Enumerable.Range(0, nozzles).Select(n => missing(n) ? 'x' : '.'));
}
