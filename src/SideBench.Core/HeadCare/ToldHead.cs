using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>A method as somebody outside tells it, with its own prices.</summary>
/// <param name="Id">The method.</param>
/// <param name="Ink">Ink, over all channels that it draws from.</param>
/// <param name="Counter">Waste capacity.</param>
/// <param name="Hands">Bench time.</param>
/// <param name="Wait">Time that works by itself.</param>
/// <param name="Money">What it costs in all, in whatever currency all prices are told.</param>
/// <param name="Risk">What can be ruined, times the chance of it, in the same.</param>
public sealed record ToldMethod(string Id, Millilitres Ink, CounterShare Counter, Minutes Hands, Minutes Wait, double Money, double Risk);

/// <summary>
/// One channel of a head that somebody outside tells of: planned by the same search, within the same bounds, as one on the bench. Only the
/// prices are theirs: they stand for ink, counter and hands together.
/// </summary>
public static class ToldHead
{
    // As for a head on the bench: what the house sets no number for is done once in a plan.
    private const int Once = 1;
    private const string Thermal = "thermal ";
    private static readonly HeadRates TheirsAlone = new(0, 0, 0, 0);

    /// <summary>The head to plan for.</summary>
    /// <param name="head">The channel's sheets and what was done between them.</param>
    /// <param name="outlook">What is known of it.</param>
    /// <param name="methods">What can be done next.</param>
    /// <param name="giveUp">Money of giving up: a new head, or handing back.</param>
    /// <param name="numbers">House numbers.</param>
    public static HeadCase Of(
        HeadHistory head,
        CleanOutlook outlook,
        IReadOnlyList<ToldMethod> methods,
        double giveUp,
        HeadCareNumbers numbers
    )
    {
        var row = head.Done.Reverse().TakeWhile(d => d.IsClean).Count();
        return new HeadCase(
            [new ChannelCare("", 0, "", head.Kind, head, outlook)],
            [
                .. methods.Select(m => new HeadMethod(
                    m.Id,
                    "",
                    m.Id,
                    [new MethodPart([0], m.Ink, m.Counter, m.Hands, m.Money, m.Risk)],
                    m.Wait,
                    null,
                    numbers.Most.GetValueOrDefault(m.Id, Once),
                    null
                )),
            ],
            TheirsAlone,
            new HeadLimits(
                GiveUp: giveUp,
                MostLeft: 0,
                CleansInRow: numbers.CleansInRow,
                RowSoFar: row,
                CleanedBefore: head.Done.Any(d => d.IsClean),
                CounterRoom: null,
                SupplyProved: false,
                LookFirst: false,
                SupplyMends: 0,
                SupplyWork: 0,
                StarvedClean: 0,
                MostStarved: head.Kind.StartsWith(Thermal, StringComparison.Ordinal) ? numbers.MostStarved : 1
            )
            {
                LuckCounts = true,
            }
        );
    }
}
