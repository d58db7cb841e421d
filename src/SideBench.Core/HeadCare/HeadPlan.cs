using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>One step of a way of going on, with what it comes to on average over heads like this one.</summary>
/// <param name="Methods">What is done before its sheet, in order.</param>
/// <param name="Reached">Chance that it is needed, 0 to 1.</param>
/// <param name="Complete">Chance that the head is clear after it, 0 to 1.</param>
/// <param name="Missing">Nozzles missing after it, over all channels: 5 %, half and 95 %.</param>
/// <param name="Ink">Ink when it is done.</param>
/// <param name="Counter">Waste capacity when it is done.</param>
/// <param name="Hands">Bench time when it is done.</param>
/// <param name="Wait">Waiting when it is done, at least.</param>
/// <param name="WaitMost">That at most; null when there is no limit.</param>
public sealed record HeadStep(
    IReadOnlyList<HeadMethod> Methods,
    double Reached,
    double Complete,
    (int Low, int Best, int High) Missing,
    Millilitres Ink,
    CounterShare Counter,
    Minutes Hands,
    Minutes Wait,
    Minutes? WaitMost
);

/// <summary>A way of going on, and what it is expected to come to.</summary>
/// <param name="Steps">In order, each left out once the head is clear.</param>
/// <param name="Complete">Chance that the head is clear at its end.</param>
/// <param name="Price">Expected money, giving up included.</param>
/// <param name="Ink">Expected ink.</param>
/// <param name="Counter">Expected waste capacity.</param>
/// <param name="Hands">Expected bench time.</param>
/// <param name="Wait">Expected waiting.</param>
/// <param name="Stop">Why to stop at once; null when there is something worth doing.</param>
public sealed record HeadPlan(
    IReadOnlyList<HeadStep> Steps,
    double Complete,
    double Price,
    Millilitres Ink,
    CounterShare Counter,
    Minutes Hands,
    Minutes Wait,
    StopReason? Stop
)
{
    /// <summary>The way of the lowest expected price, made anew after every sheet.</summary>
    /// <param name="head">The head.</param>
    public static HeadPlan Of(HeadCase head)
    {
        if (head.Channels.All(c => c.Outlook.Missing <= head.Limits.MostLeft))
            return Run(head, []) with { Stop = StopReason.Complete };
        var steps = HeadSearch.Best(head);
        var plan = Run(head, [.. steps.Select(s => (IReadOnlyList<int>)[s])]);
        return steps.Length > 0 ? plan : plan with { Stop = Why(head) };
    }

    /// <summary>What a way of going on comes to, whoever thought of it.</summary>
    /// <param name="head">The head.</param>
    /// <param name="groups">Methods by index; what stands together is done before one sheet.</param>
    public static HeadPlan Run(HeadCase head, IReadOnlyList<IReadOnlyList<int>> groups)
    {
        var times = new int[head.Methods.Count];
        var left = head.Left(times);
        var steps = new List<HeadStep>();
        var (price, ink, counter, hands, wait) = (0.0, 0.0, 0.0, 0.0, 0.0);
        foreach (var group in groups)
        {
            var open = HeadCase.Any(left);
            foreach (var m in group)
            {
                var of = head.Methods[m];
                price += head.Price(m, left, head.Looked(times));
                foreach (var part in of.Parts)
                {
                    var needed = HeadCase.Any(left, part.Channels);
                    ink += needed * part.Ink.Value;
                    counter += needed * part.Counter.Pct;
                    hands += needed * part.Hands.Value;
                }

                wait += open * of.Wait.Value;
                times[m]++;
            }

            left = head.Left(times);
            steps.Add(Step(head, [.. group.Select(m => head.Methods[m])], open, 1 - HeadCase.Any(left), times));
        }

        var end = HeadCase.Any(left);
        return new HeadPlan(
            steps,
            1 - end,
            price + (end * head.Limits.GiveUp),
            Millilitres.Of(ink),
            CounterShare.OfPct(counter),
            Minutes.Of(hands),
            Minutes.Of(wait),
            null
        );
    }

    private static HeadStep Step(HeadCase head, IReadOnlyList<HeadMethod> methods, double open, double complete, int[] times) =>
        new(
            methods,
            open,
            complete,
            MissingAfter(head, times),
            Millilitres.Of(methods.Sum(m => m.Ink.Value)),
            CounterShare.OfPct(methods.Sum(m => m.Counter.Pct)),
            Minutes.Sum(methods.Select(m => m.Hands)),
            Minutes.Sum(methods.Select(m => m.Wait)),
            methods.Any(m => m.WaitMost is not null) ? Minutes.Sum(methods.Select(m => m.WaitMost ?? m.Wait)) : null
        );

    private static (int, int, int) MissingAfter(HeadCase head, int[] times)
    {
        List<(string, int)> done = [.. head.Methods.Zip(times, (m, n) => (m.Id, n)).Where(d => d.Item1 != HeadMethod.Supply)];
        double[] all = [1];
        foreach (var channel in head.Channels)
        {
            var one = channel.Outlook.MissingAfter(done);
            var sum = new double[all.Length + one.Length - 1];
            for (var i = 0; i < all.Length; i++)
            for (var k = 0; k < one.Length; k++)
                sum[i + k] += all[i] * one[k];
            all = sum;
        }

        return (Quantile(all, 0.05), Quantile(all, 0.5), Quantile(all, 0.95));
    }

    private static int Quantile(double[] chances, double share)
    {
        var sum = 0.0;
        for (var k = 0; k < chances.Length; k++)
            if ((sum += chances[k]) >= share)
                return k;
        return chances.Length - 1;
    }

    /// <summary>What speaks against going on: the likeliest explanation of any channel, else the price.</summary>
    /// <param name="head">The head.</param>
    internal static StopReason Why(HeadCase head)
    {
        var (clog, air, starved) = (
            head.Channels.Max(c => c.Outlook.Explanation.Clog),
            head.Channels.Max(c => c.Outlook.Explanation.Air),
            head.Channels.Max(c => c.Outlook.Explanation.Starved)
        );
        return starved >= clog && starved >= air ? StopReason.Starved
            : air >= clog ? StopReason.Air
            : StopReason.NotWorthIt;
    }
}
