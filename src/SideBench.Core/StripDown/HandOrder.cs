using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.StripDown;

/// <summary>One thing for the hand, as its order sees it.</summary>
/// <param name="Tool">The tool; empty for fingers, which put no tool down.</param>
/// <param name="View">The side it is done from; <c>top</c> is reached from every upright side.</param>
/// <param name="After">Things that come before it, by their place.</param>
public sealed record HandPiece(string Tool, string View, IReadOnlyList<int> After);

/// <summary>An order of things for the hand.</summary>
/// <param name="Order">Their places, in order.</param>
/// <param name="ToolChanges">How often a tool is taken up instead of another.</param>
/// <param name="Turns">How often the machine is turned or tipped.</param>
/// <param name="Handling">What changing and turning costs.</param>
/// <param name="IsBest">Whether no order costs less; false when there was too much to compare.</param>
public sealed record HandOrdered(IReadOnlyList<int> Order, int ToolChanges, int Turns, Minutes Handling, bool IsBest);

/// <summary>
/// Orders things so that tools are changed and the machine is turned as little as can be. What needs neither is done at once, which never
/// costs more, since two changes are never dearer for what lies between; so only changes are searched, the cheapest way so far first.
/// </summary>
public static class HandOrder
{
    private const int MostStates = 30_000;

    /// <summary>Orders.</summary>
    /// <param name="pieces">What is to be done; what comes before what has no circle.</param>
    /// <param name="handling">What changing and turning costs.</param>
    /// <param name="view">The side that is before the hand at the start.</param>
    public static HandOrdered Of(IReadOnlyList<HandPiece> pieces, Handling handling, string view = "front")
    {
        var ways = new PriorityQueue<Way, (double, int)>();
        var seen = new HashSet<(string, string, string)>();
        ways.Enqueue(Done(pieces, new Way([], new bool[pieces.Count], "", view, 0, 0, 0)), (0, 0));
        var states = 0;
        while (ways.TryDequeue(out var way, out _))
        {
            if (way.Order.Count == pieces.Count)
                return new HandOrdered(way.Order, way.ToolChanges, way.Turns, Minutes.Of(way.Minutes), states <= MostStates);
            if (!seen.Add((string.Concat(way.IsDone.Select(d => d ? '1' : '0')), way.Tool, way.View)))
                continue;
            // Past the limit only the cheapest next change is followed: an order all the same, perhaps not the best.
            if (++states > MostStates)
                ways.Clear();
            foreach (var next in Next(pieces, way, handling))
                ways.Enqueue(next, (next.Minutes, pieces.Count - next.Order.Count));
        }

        throw new InvalidOperationException("what comes before what goes round in a circle");
    }

    /// <summary>What it costs to go on to another tool and side.</summary>
    public static Minutes Cost(string tool, string view, HandPiece next, Handling handling) =>
        Minutes.Of((IsToolChange(tool, next.Tool) ? handling.ToolMin : 0) + TurnCost(view, next.View, handling));

    // Everything that needs no other tool and no turning.
    private static Way Done(IReadOnlyList<HandPiece> pieces, Way way)
    {
        var order = way.Order.ToList();
        var isDone = way.IsDone.ToArray();
        for (var again = true; again; )
        {
            again = false;
            for (var i = 0; i < pieces.Count; i++)
            {
                if (isDone[i] || !pieces[i].After.All(a => isDone[a]) || !IsAtHand(way, pieces[i]))
                    continue;
                order.Add(i);
                isDone[i] = again = true;
            }
        }

        return way with
        {
            Order = order,
            IsDone = isDone,
        };
    }

    private static IEnumerable<Way> Next(IReadOnlyList<HandPiece> pieces, Way way, Handling handling) =>
        Enumerable
            .Range(0, pieces.Count)
            .Where(i => !way.IsDone[i] && pieces[i].After.All(a => way.IsDone[a]))
            .Select(i => pieces[i])
            .DistinctBy(p => (p.Tool, p.View))
            .SelectMany(p => Landings(pieces, way, p).Select(view => (Piece: p, View: view)))
            .Select(next =>
                Done(
                    pieces,
                    way with
                    {
                        Tool = next.Piece.Tool.Length > 0 ? next.Piece.Tool : way.Tool,
                        View = next.View,
                        ToolChanges = way.ToolChanges + (IsToolChange(way.Tool, next.Piece.Tool) ? 1 : 0),
                        Turns = way.Turns + (TurnCost(way.View, next.Piece.View, handling) > 0 ? 1 : 0),
                        Minutes = way.Minutes + Cost(way.Tool, way.View, next.Piece, handling).Value,
                    }
                )
            );

    // Which side is before the hand then: a machine set upright again may be set down any way round.
    private static IEnumerable<string> Landings(IReadOnlyList<HandPiece> pieces, Way way, HandPiece next)
    {
        if (next.View != "top")
            return [next.View];
        return way.View != "under"
            ? [way.View]
            : pieces.Where((p, i) => !way.IsDone[i] && p.View is not ("top" or "under")).Select(p => p.View).Append("front").Distinct();
    }

    private static bool IsAtHand(Way way, HandPiece piece) =>
        (piece.Tool.Length == 0 || piece.Tool == way.Tool) && IsSeen(way.View, piece.View);

    private static bool IsSeen(string from, string view) => view == from || (view == "top" && from != "under");

    private static bool IsToolChange(string tool, string next) => next.Length > 0 && next != tool;

    private static double TurnCost(string from, string to, Handling handling) =>
        IsSeen(from, to) ? 0
        : from == "under" || to == "under" ? handling.TipMin
        : handling.TurnMin;

    private sealed record Way(
        IReadOnlyList<int> Order,
        bool[] IsDone,
        string Tool,
        string View,
        int ToolChanges,
        int Turns,
        double Minutes
    );
}
