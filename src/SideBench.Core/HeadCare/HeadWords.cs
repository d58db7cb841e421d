using System.Globalization;

namespace SideBench.Core.HeadCare;

/// <summary>What head care says, in sentences.</summary>
public static class HeadWords
{
    /// <summary>What an application is expected to bring, for what.</summary>
    /// <param name="head">The head.</param>
    /// <param name="method">The method.</param>
    public static string Brings(HeadCase head, HeadMethod method)
    {
        var (low, best, high, missing) = Back(head, method);
        var band = low == high ? "" : $" ({low} to {high})";
        return $"Brings {best} of {missing} back{band}{For(method)}.";
    }

    /// <summary>Ink and counter of an application, as the end of a sentence; empty when it takes neither.</summary>
    public static string For(HeadMethod method) =>
        method.Ink.Value <= 0
            ? ", for no ink and no counter"
            : string.Create(
                CultureInfo.InvariantCulture,
                $", for {method.Ink.Value:0.#}\u2009ml and {method.Counter.Pct:0.0}\u2009% of the counter"
            );

    /// <summary>How many of all that are missing come back: 5 %, half, 95 %, and how many are missing.</summary>
    public static (int Low, int Best, int High, int Missing) Back(HeadCase head, HeadMethod method)
    {
        var next = Chances(head, method);
        return (next.Quantile(0.05), next.Best, next.Quantile(0.95), next.Back.Count - 1);
    }

    /// <summary>Chances of how many of all that are missing come back at one more application.</summary>
    public static NextApplication Chances(HeadCase head, HeadMethod method)
    {
        double[] all = [1];
        foreach (var channel in head.Channels)
        {
            var one = channel.Outlook.Next(method.Id)!.Back;
            var sum = new double[all.Length + one.Count - 1];
            for (var i = 0; i < all.Length; i++)
            for (var k = 0; k < one.Count; k++)
                sum[i + k] += all[i] * one[k];
            all = sum;
        }

        return new NextApplication(all, all[^1]);
    }

    /// <summary>Why a plan stops at once, and what is instead.</summary>
    /// <param name="head">The head.</param>
    /// <param name="why">The reason.</param>
    /// <param name="renewable">Whether its head can be renewed.</param>
    /// <param name="currency">The shop's currency.</param>
    public static string Stopped(HeadCase head, StopReason why, bool renewable, string currency) =>
        why switch
        {
            StopReason.Complete => "Nothing is missing, so no cleaning of any kind: it would only spend ink and counter.",
            StopReason.Air => "The gaps move from sheet to sheet: air, not a clog. Look to the supply; a clean draws more of it.",
            StopReason.Starved => "Each clean leaves more missing from one end: ink cannot follow. Look to the supply before the head.",
            _ => renewable
                ? $"Another application is not worth its price against a new head: {head.Limits.GiveUp:0} {currency} with work and wait. "
                    + "Offer it, or leave what print does not show, with the customer's word."
                : "Another application is not worth its price. Hand it back with what was found, or leave what print does not show.",
        };

    /// <summary>Channels that are no clog, and what comes first for them.</summary>
    public static string Feed(IReadOnlyList<ChannelCare> channels)
    {
        var names = string.Join(" and ", channels.Select(c => c.Ink).Distinct());
        var air = channels.All(c => c.Outlook.Explanation.Air >= c.Outlook.Explanation.Starved);
        return air
            ? $"{names}: the gaps move from sheet to sheet, so it is air and no clog. Look whether ink comes; a clean draws more air."
            : $"{names}: each clean leaves more missing, so ink cannot follow. Look whether ink comes before anything is cleaned.";
    }

    /// <summary>From where on to stop: what the steps after the next are expected to bring.</summary>
    public static string StopLine(HeadCase head, HeadPlan plan)
    {
        var clean = head.Methods.Where(m => m.IsClean && m.Held is null).MaxBy(m => Back(head, m).Best);
        var parts = new List<string>();
        if (clean is not null)
        {
            var (_, best, _, _) = Back(head, clean);
            parts.Add(
                best == 0
                    ? $"Below the line now: {clean.Name.ToLowerInvariant()} most likely brings none back{For(clean)}."
                    : $"Stop cleaning once {clean.Name.ToLowerInvariant()} brings none back: then it is {For(clean)[6..]} for nothing."
            );
        }

        var after = plan.Steps.Skip(1).SelectMany(s => s.Methods).Where(m => !m.IsClean).Select(m => m.Name.ToLowerInvariant()).Distinct();
        if (after.Any())
            parts.Add($"{(parts.Count > 0 ? "Then" : "After it:")} {string.Join(", then ", after)}.");
        return string.Join(" ", parts);
    }

    /// <summary>What a head of this kind needs said beside a clean; empty when nothing.</summary>
    /// <param name="head">The head.</param>
    /// <param name="thermal">Whether ink also cools it.</param>
    /// <param name="refilled">Whether the machine runs on refilled ink.</param>
    public static IReadOnlyList<string> Beside(HeadCase head, bool thermal, bool refilled)
    {
        var said = new List<string>();
        if (thermal)
            said.Add("Ink also cools a thermal head: a nozzle that starves bakes, and its neighbours follow faster each time.");
        if (thermal && head.Channels.Any(c => c.InkKind == "pigment"))
            said.Add("Pigment bakes on sooner than dye.");
        if (thermal && refilled)
            said.Add("A shop that refills thermal machines keeps a spare head on the shelf.");
        if (head.Channels.Any(c => c.InkKind == "white"))
            said.Add("White settles: shake or stir it before any clean, and do not leave it soaking long.");
        return said;
    }
}
