namespace SideBench.Core.HeadCare;

/// <summary>
/// The cheapest order of methods, by dynamic programming: what comes after depends on how often each was applied, not on the order, but for
/// cleans in a row. Exact for a fixed order that is left as soon as the head is clear.
/// </summary>
/// <param name="head">The head.</param>
/// <param name="mostSteps">How many steps it looks ahead.</param>
internal sealed class HeadSearch(HeadCase head, int mostSteps)
{
    // The plan is made anew after every sheet: further ahead than this it says nothing that will be followed.
    private const int Far = 6;
    private const int Near = 4;
    private const int Outcomes = 5;
    private static readonly int[] Strides = [1, 2, 3];
    private readonly Dictionary<(long, int), (double, int[])> best = [];

    /// <summary>The best order, by index of methods; none when giving up is cheapest.</summary>
    /// <param name="head">The head.</param>
    public static int[] Best(HeadCase head)
    {
        var steps = new HeadSearch(head, Far).Best().Steps;
        // Where gaps move by themselves, or each clean leaves more, a try would only be luck.
        return steps.Length > 0 || HeadPlan.Why(head) != StopReason.NotWorthIt ? steps : Trying(head);
    }

    // A fixed order cannot stop when a sheet says that nothing moves; a person can. So before giving up, each single step is weighed with
    // what would be best after each of some outcomes of it.
    private static int[] Trying(HeadCase head)
    {
        var times = new int[head.Methods.Count];
        var left = head.Left(times);
        var search = new HeadSearch(head, Near);
        var (least, found) = (HeadCase.Any(left) * head.Limits.GiveUp, Array.Empty<int>());
        for (var m = 0; m < times.Length; m++)
        {
            var method = head.Methods[m];
            var row = method.IsClean ? head.Limits.RowSoFar + 1 : 0;
            if (method.Id == HeadMethod.Supply || !search.MayBe(m, times, row, head.Looked(times)))
                continue;
            var price = head.Price(m, left, head.Looked(times));
            for (var j = 0; j < Outcomes && price < least; j++)
                price += new HeadSearch(head.After(m, row, c => Rank(j, c)), Near).Best().Price / Outcomes;
            if (price < least - 1e-9)
                (least, found) = (price, [m]);
        }

        return found;
    }

    // Outcomes of channels are independent: each has an order of its own.
    private static double Rank(int outcome, int channel) => ((outcome * Strides[channel % Strides.Length] % Outcomes) + 0.5) / Outcomes;

    private (double Price, int[] Steps) Best() => Best(new int[head.Methods.Count], head.Limits.RowSoFar, 0);

    // Expected money from here, told from the very start, and the way on.
    private (double Price, int[] Steps) Best(int[] times, int inRow, int depth)
    {
        var key = (HeadCase.Key(times), inRow);
        if (best.TryGetValue(key, out var known))
            return known;
        var left = head.Left(times);
        var looked = head.Looked(times);
        (double Price, int[] Steps) found = (HeadCase.Any(left) * head.Limits.GiveUp, []);
        for (var m = 0; depth < mostSteps && m < times.Length; m++)
        {
            var row = head.Methods[m].IsClean ? inRow + 1 : 0;
            if (!MayBe(m, times, row, looked))
                continue;
            var step = head.Price(m, left, looked);
            if (step >= found.Price)
                continue;
            times[m]++;
            var (price, steps) = Best(times, head.Methods[m].Id == HeadMethod.Supply ? inRow : row, depth + 1);
            times[m]--;
            if (step + price < found.Price - 1e-9)
                found = (step + price, [m, .. steps]);
        }

        return best[key] = found;
    }

    private bool MayBe(int m, int[] times, int row, bool looked)
    {
        var method = head.Methods[m];
        if (times[m] >= method.Most || method.Held is { Passes: false } || (method.Held is not null && !Lifted(method)))
            return false;
        if (method.Id == HeadMethod.Supply && !head.Limits.LookFirst && times.Sum() == 0)
            return false;
        if (method.Id == HeadMethod.Rest && !head.Limits.CleanedBefore && !Enumerable.Range(0, times.Length).Any(Cleaned))
            return false;
        if (!method.IsClean)
            return true;
        return row <= head.Limits.CleansInRow
            && head.MayClean(looked)
            && !(head.CounterOf(times) + method.Counter.Pct > head.Limits.CounterRoom?.Pct);

        bool Cleaned(int at) => times[at] > 0 && head.Methods[at].IsClean;
        // What holds a clean is lifted by other work, and the other way round.
        bool Lifted(HeadMethod held) =>
            Enumerable.Range(0, times.Length).Any(at => times[at] > 0 && head.Methods[at].IsClean != held.IsClean);
    }
}
