using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class MergedDashesTests
{
    private const double Pitch = 30;
    private const double Length = 24;

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(5)]
    public void DashesThatRanIntoOneAnother_AreAsManyAgain_WhereTheyWere(int many)
    {
        var dashes = Comb();
        var whole = dashes.Count;
        dashes.Add(Dash(200 + ((many - 1) * Pitch / 2), 300, ((many - 1) * Pitch) + Length));
        var parted = MergedDashes.Parted(dashes, Blocks(dashes), 0)!;
        Assert.Equal(whole + many, parted.Count);
        Assert.Equal(Enumerable.Range(0, many).Select(k => 200 + (k * Pitch)), parted.Skip(whole).Select(d => Math.Round(d.X, 6)));
        Assert.All(parted.Skip(whole), d => Assert.Equal(Length, d.Length, 3));
    }

    [Fact]
    public void ARuledLineOfAnotherLength_AndDashesOfABlock_StayAsTheyAre()
    {
        var dashes = Comb();
        dashes.Add(Dash(200, 300, Length + (0.5 * Pitch)));
        Assert.Null(MergedDashes.Parted(dashes, Blocks(dashes), 0));
        Assert.Null(MergedDashes.Parted(dashes, [], 0));
    }

    [Fact]
    public void AMergedPairOnAStair_FollowsItsSlope()
    {
        var dashes = Comb();
        var slope = Math.Atan2(3, Pitch);
        dashes.Add(Dash(200, 300, Pitch + Length) with { Angle = slope });
        var pieces = MergedDashes.Parted(dashes, Blocks(dashes), 0)!.TakeLast(2).ToList();
        Assert.Equal(3, pieces[1].Y - pieces[0].Y, 0.1);
        Assert.All(pieces, p => Assert.Equal(0, p.Angle));
    }

    private static List<Stroke> Comb() => [.. Enumerable.Range(0, 20).Select(n => Dash(20 + (n % 5 * Pitch), 20 + (n / 5 * 10), Length))];

    private static Stroke Dash(double x, double y, double length) => new(x, y, length, 2, 0, 0.6, 0.6, 0.6, (int)(2 * length));

    private static List<DashBlock> Blocks(List<Stroke> dashes)
    {
        var at = dashes.Select(d => (d.X, d.Y)).ToList();
        return DashBlocks.Of(dashes, at, DashColumns.Of(dashes, at));
    }
}
