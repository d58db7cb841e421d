using SideBench.Core.Nozzles.Teaching;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class TaughtBlocksTests
{
    [Fact]
    public void ABlockThatLostItsFirstColumn_IsGivenTheSizeOfItsLike_WhereItLinesUp()
    {
        var doubts = new List<string>();
        var shorter = Block(110 + 10, 10 + 1, columns: 4, nozzles: 12);
        var whole = BlocksAlike.Completed([Block(10, 10), Block(10, 110), shorter, Block(110, 110)], doubts);
        Assert.Equal([15, 15, 15, 15], whole.Select(b => b.Nozzles));
        Assert.Equal((110.0, 10.0), (whole[2].X, whole[2].Y));
        Assert.Equal((1, 0), whole[2].Cells[0]);
        Assert.Equal(["A block shows 12 dashes where its like show 15."], doubts);
    }

    [Fact]
    public void TwoPiecesOfOneBlock_AreOneAgain()
    {
        var doubts = new List<string>();
        var left = Block(110, 10, columns: 2, nozzles: 6);
        var right = Block(110 + 30, 10 + 3, columns: 2, nozzles: 6, from: 100);
        var whole = BlocksAlike.Completed([Block(10, 10), Block(10, 110), left, right], doubts);
        Assert.Equal(3, whole.Count);
        Assert.Equal(12, whole[2].Cells.Count);
        Assert.Equal((3, 0), whole[2].Cells[100]);
    }

    [Fact]
    public void AChannelWithFewerRows_AllOfThemFull_StaysWhatItIs_AndIsSaid()
    {
        var doubts = new List<string>();
        var small = Block(110, 10, nozzles: 10);
        var whole = BlocksAlike.Completed([Block(10, 10), Block(10, 110), small], doubts);
        Assert.Equal(10, whole[2].Nozzles);
        Assert.Single(doubts);
    }

    [Fact]
    public void AHoleInTheGrid_ARowBelow_AndRoomOnTheRight_AreDoubted_AndAFullSheetIsNot()
    {
        SeenBlock[] full = [Block(10, 10), Block(110, 10), Block(10, 110), Block(110, 110)];
        Assert.Empty(EmptyPlaces.Of(full, pageRight: 170, pageLeft: 0));
        Assert.Contains("Between the blocks", Assert.Single(EmptyPlaces.Of(full[..3], 170, 0)));
        Assert.Contains("Right of the last", Assert.Single(EmptyPlaces.Of(full, 300, 0)));
        // A tall block beside a short one: under the short one another would stand.
        SeenBlock[] uneven = [Block(10, 10, nozzles: 60), Block(110, 10)];
        Assert.Contains("Between the blocks", Assert.Single(EmptyPlaces.Of(uneven, 170, 0)));
    }

    [Fact]
    public void AnEmptyRow_PartsTwoBlocks_AndAStrayDashUnderneathIsNone()
    {
        var dashes = new List<Core.Nozzles.Stroke>();
        for (var row = 0; row < 9; row++)
        for (var column = 0; column < 5; column++)
            if (row is not (4 or 8) || (row == 8 && column == 3))
                dashes.Add(new(20 + (column * 30), 20 + (row * 10), 24, 2, 0, 0.6, 0.6, 0.6, 48));
        var at = dashes.Select(d => (d.X, d.Y)).ToList();
        var blocks = DashBlocks.Of(dashes, at, DashColumns.Of(dashes, at));
        Assert.Equal([(5, 4, 20), (5, 3, 15)], blocks.Select(b => (b.Columns, b.Rows, b.Nozzles)));
    }

    [Fact]
    public void AStairThatWrapsMoreThanHalfARow_IsCountedTheWayThatFillsTheBlock()
    {
        var dashes = new List<Core.Nozzles.Stroke>();
        for (var row = 0; row < 6; row++)
        for (var column = 0; column < 6; column++)
            dashes.Add(new(20 + (column * 30), 20 + (row * 10) + (column * 7), 24, 2, 0, 0.6, 0.6, 0.6, 48));
        var at = dashes.Select(d => (d.X, d.Y)).ToList();
        var block = Assert.Single(DashBlocks.Of(dashes, at, DashColumns.Of(dashes, at)));
        Assert.Equal((6, 6, 36, 1.0), (block.Columns, block.Rows, block.Nozzles, block.Filled));
        Assert.Equal(0.7, SeenBlock.Proportions(block, dashes).Stair, 6);
    }

    // Columns 10 apart, rows 20, three rows of five unless told otherwise.
    private static SeenBlock Block(double x, double y, int columns = 5, int nozzles = 15, int from = 0) =>
        new(
            Enumerable.Range(0, nozzles).ToDictionary(n => from + n, n => (n % columns, n / columns)),
            0,
            x,
            y,
            columns,
            nozzles,
            10,
            20,
            1,
            8
        );
}
