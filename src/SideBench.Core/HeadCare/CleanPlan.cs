using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>What one application of a method costs on this machine.</summary>
/// <param name="Method">The method.</param>
/// <param name="Ink">Ink, over all channels that it draws from.</param>
/// <param name="Counter">Waste capacity.</param>
/// <param name="Hands">Bench time.</param>
/// <param name="Wait">Time that works by itself.</param>
/// <param name="Price">Money, risk included, in whatever currency all prices are told.</param>
public sealed record MethodPrice(string Method, Millilitres Ink, CounterShare Counter, Minutes Hands, Minutes Wait, double Price)
{
    /// <summary>Whether it draws ink through the head.</summary>
    public bool IsClean => Method.StartsWith("clean-", StringComparison.Ordinal);
}

/// <summary>What is best done, step by step until the sheet is complete, and what it is expected to come to.</summary>
/// <param name="Steps">Methods in order; none when stopping is best.</param>
/// <param name="Complete">Chance that the channel is complete at the end, 0 to 1.</param>
/// <param name="Price">Expected money, giving up included.</param>
/// <param name="Ink">Expected ink.</param>
/// <param name="Counter">Expected waste capacity.</param>
/// <param name="Hands">Expected bench time.</param>
/// <param name="Stop">Why to stop at once; null when there is something worth doing.</param>
public sealed record CleanPlan(
    IReadOnlyList<string> Steps,
    double Complete,
    double Price,
    Millilitres Ink,
    CounterShare Counter,
    Minutes Hands,
    StopReason? Stop
)
{
    // The plan is made anew after every sheet: further ahead than this it says nothing that will be followed.
    private const int MostSteps = 6;

    /// <summary>The plan of the lowest expected price.</summary>
    /// <param name="outlook">What is known of the channel.</param>
    /// <param name="methods">What can be done next, on a kind of head that the house knows.</param>
    /// <param name="replace">Money of giving up: a new head, or handing back.</param>
    /// <param name="cleansInRow">Cleans in a row at most, before a rest or a soak.</param>
    public static CleanPlan Of(CleanOutlook outlook, IReadOnlyList<MethodPrice> methods, double replace, int cleansInRow)
    {
        if (outlook.Missing == 0)
            return Nothing(1, 0, StopReason.Complete);
        var search = new Search(outlook, methods, replace, cleansInRow);
        var (price, steps) = search.Best(new int[methods.Count], 0);
        if (steps.Length == 0)
        {
            var e = outlook.Explanation;
            return Nothing(
                0,
                price,
                e.Starved >= e.Clog && e.Starved >= e.Air ? StopReason.Starved
                    : e.Air >= e.Clog ? StopReason.Air
                    : StopReason.NotWorthIt
            );
        }

        var times = new int[methods.Count];
        var (ink, counter, hands) = (0.0, 0.0, 0.0);
        foreach (var step in steps)
        {
            var reached = 1 - search.Complete(times);
            ink += reached * methods[step].Ink.Value;
            counter += reached * methods[step].Counter.Pct;
            hands += reached * methods[step].Hands.Value;
            times[step]++;
        }

        return new CleanPlan(
            [.. steps.Select(s => methods[s].Method)],
            search.Complete(times),
            price,
            Millilitres.Of(ink),
            CounterShare.OfPct(counter),
            Minutes.Of(hands),
            null
        );
    }

    private static CleanPlan Nothing(double complete, double price, StopReason why) =>
        new([], complete, price, Millilitres.Of(0), CounterShare.OfPct(0), Minutes.None, why);

    // What comes after depends on how often each method was applied, not on the order, but for cleans in a row.
    private sealed class Search(CleanOutlook outlook, IReadOnlyList<MethodPrice> methods, double replace, int cleansInRow)
    {
        private readonly Dictionary<string, double> complete = [];
        private readonly Dictionary<(string, int), (double, int[])> best = [];

        public double Complete(int[] times)
        {
            var key = string.Join(',', times);
            if (!complete.TryGetValue(key, out var chance))
                complete[key] = chance = times.Sum() == 0 ? 0 : outlook.CompleteAfter([.. methods.Zip(times, (m, n) => (m.Method, n))]);
            return chance;
        }

        // Expected money from here, told from the very start, and the way on.
        public (double Price, int[] Steps) Best(int[] times, int inRow)
        {
            var key = (string.Join(',', times), inRow);
            if (best.TryGetValue(key, out var known))
                return known;
            var left = 1 - Complete(times);
            (double Price, int[] Steps) found = (left * replace, []);
            if (times.Sum() < MostSteps)
                for (var m = 0; m < methods.Count; m++)
                {
                    var row = methods[m].IsClean ? inRow + 1 : 0;
                    if (row > cleansInRow || left * methods[m].Price >= found.Price)
                        continue;
                    var then = (int[])times.Clone();
                    then[m]++;
                    var (price, steps) = Best(then, row);
                    if ((left * methods[m].Price) + price < found.Price - 1e-9)
                        found = ((left * methods[m].Price) + price, [m, .. steps]);
                }

            return best[key] = found;
        }
    }
}

/// <summary>Why nothing more is done to the head.</summary>
public enum StopReason
{
    /// <summary>Nothing is missing.</summary>
    Complete,

    /// <summary>What an application would bring is not worth its price.</summary>
    NotWorthIt,

    /// <summary>Air in the channel is likelier than a clog: look to the supply.</summary>
    Air,

    /// <summary>The supply cannot follow: look to it before the head.</summary>
    Starved,
}
