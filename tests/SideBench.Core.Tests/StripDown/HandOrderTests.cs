using SideBench.Core.Machines;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class HandOrderTests
{
    [Fact]
    public void Order_CostsWhatTheBestOfAllOrdersCosts()
    {
        var chance = new Random(5130);
        for (var round = 0; round < 120; round++)
        {
            var pieces = Made(chance, 2 + chance.Next(5));
            var ordered = HandOrder.Of(pieces, Handlings.House);
            Assert.True(ordered.IsBest);
            Assert.Equal(Enumerable.Range(0, pieces.Length), ordered.Order.Order());
            Assert.All(
                ordered.Order.Select((p, at) => (p, at)),
                x => Assert.All(pieces[x.p].After, a => Assert.Contains(a, ordered.Order.Take(x.at)))
            );
            Assert.Equal(Best(pieces, [], "", "front"), ordered.Handling.Value, 6);
        }
    }

    [Fact]
    public void ScrewsOfOneDriver_AreTakenTogether()
    {
        HandPiece[] pieces = [new("a", "front", []), new("b", "front", []), new("a", "front", []), new("b", "front", [])];
        var ordered = HandOrder.Of(pieces, Handlings.House);
        Assert.Equal([0, 2, 1, 3], ordered.Order);
        Assert.Equal((2, 0), (ordered.ToolChanges, ordered.Turns));
    }

    private static HandPiece[] Made(Random chance, int count) =>
        [
            .. Enumerable
                .Range(0, count)
                .Select(i => new HandPiece(
                    chance.Next(3) == 0 ? "" : $"t{chance.Next(2)}",
                    AccessGraph.Views[chance.Next(6)],
                    [.. Enumerable.Range(0, i).Where(_ => chance.Next(4) == 0)]
                )),
        ];

    // Every order there is, and at each the side set down on after tipping, by trying.
    private static double Best(IReadOnlyList<HandPiece> pieces, List<int> done, string tool, string view)
    {
        if (done.Count == pieces.Count)
            return 0;
        var best = double.PositiveInfinity;
        for (var i = 0; i < pieces.Count; i++)
        {
            if (done.Contains(i) || !pieces[i].After.All(done.Contains))
                continue;
            var cost = HandOrder.Cost(tool, view, pieces[i], Handlings.House).Value;
            string[] sides =
                pieces[i].View != "top" ? [pieces[i].View]
                : view == "under" ? ["front", "back", "left", "right"]
                : [view];
            foreach (var side in sides)
                best = Math.Min(best, cost + Best(pieces, [.. done, i], pieces[i].Tool.Length > 0 ? pieces[i].Tool : tool, side));
        }

        return best;
    }
}
