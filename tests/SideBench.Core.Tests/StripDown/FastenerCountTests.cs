using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class FastenerCountTests
{
    [Fact]
    public void EveryPieceIsSomewhere_WhateverIsDone()
    {
        var chance = new Random(5140);
        for (var round = 0; round < 200; round++)
        {
            var total = 1 + chance.Next(8);
            var count = new FastenerCount(total);
            // The twin: every piece by itself, in, tray, lost or empty.
            var twin = Enumerable.Repeat("in", total).ToList();
            for (var step = 0; step < 40; step++)
            {
                switch (chance.Next(5))
                {
                    case 0 when Some(chance, count.In) is var n:
                        (count, twin) = (count.TakenOut(n), Move(twin, "in", "tray", n));
                        break;
                    case 1 when Some(chance, count.OnTray) is var n:
                        (count, twin) = (count.PutBack(n), Move(twin, "tray", "in", n));
                        break;
                    case 2 when Some(chance, count.OnTray) is var n:
                        (count, twin) = (count.Lose(n), Move(twin, "tray", "lost", n));
                        break;
                    case 3 when Some(chance, count.Lost) is var n:
                        (count, twin) = (count.Replace(n), Move(twin, "lost", "tray", n));
                        break;
                    default:
                        if (count.LeaveEmpty(2) is not { } left)
                            break;
                        (count, twin) = (left, Move(twin, "lost", "empty", count.Lost));
                        break;
                }

                Assert.True(count.Balances);
                Assert.Equal(
                    (Of(twin, "in"), Of(twin, "tray"), Of(twin, "lost"), Of(twin, "empty")),
                    (count.In, count.OnTray, count.Lost, count.Empty)
                );
            }
        }
    }

    [Fact]
    public void MoreThanThereAre_IsNeverMoved()
    {
        var count = new FastenerCount(2).TakenOut(1);
        Assert.Throws<ArgumentOutOfRangeException>(() => count.TakenOut(2));
        Assert.Throws<ArgumentOutOfRangeException>(() => count.PutBack(2));
        Assert.Null(count.Lose(1).LeaveEmpty(0));
        // What is empty already counts against what may be.
        var empty = new FastenerCount(4).TakenOut(2).Lose(1).LeaveEmpty(2)!.Value;
        Assert.Null(empty.Lose(1).LeaveEmpty(1));
        Assert.Equal(2, empty.Lose(1).LeaveEmpty(2)!.Value.Empty);
    }

    private static int Some(Random chance, int most) => chance.Next(most + 1);

    private static int Of(List<string> twin, string where) => twin.Count(t => t == where);

    private static List<string> Move(List<string> twin, string from, string to, int n)
    {
        var moved = new List<string>(twin);
        for (var i = 0; i < n; i++)
            moved[moved.IndexOf(from)] = to;
        return moved;
    }

    [Theory]
    [InlineData(2, 2, true)]
    [InlineData(2, 1, false)]
    [InlineData(1, 0, false)]
    public void Hole_StaysEmptyOnlyWhereItMay(int lost, int mayStayEmpty, bool good)
    {
        var left = new FastenerCount(4).TakenOut(4).Lose(lost).LeaveEmpty(mayStayEmpty);
        Assert.Equal(good, left is { Balances: true } count && count.Empty == lost && count.Lost == 0);
    }
}
