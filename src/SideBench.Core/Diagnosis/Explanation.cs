namespace SideBench.Core.Diagnosis;

/// <summary>The sentences that say why. Facts come from the computation; only the words are here.</summary>
public static class Explanation
{
    /// <summary>Why this step is next.</summary>
    public static string Why(Candidate chosen, bool easy, Posterior odds, IReadOnlyList<Outlook> outlooks)
    {
        if (chosen.Step is Repair repair) return WhyRepair(repair, chosen.FixChance ?? 0, odds);
        var splits = outlooks.Where(o => o.Chance >= 0.02).Take(3).Select(o => Leaves(chosen.Step, o, odds.Book));
        return (easy ? "An easy check, before any tool. " : "Splits what is left: ") + string.Join("; ", splits) + ".";
    }

    /// <summary>Why the proof is next.</summary>
    public static string Prove(PendingProof pending, Posterior odds) =>
        $"“{pending.Repair.Name}” is done. The odds that it ended the fault are {Percent(odds.Fixed)}; only this shows it.";

    /// <summary>Why the job can close.</summary>
    public static string Proved(Proof proof) => $"“{proof.Repair?.Name}” is proved. Clear the tray, then close.";

    /// <summary>Why nothing is worth doing.</summary>
    public static string HandBack(Posterior odds) =>
        odds.Unknown > 0.5
            ? $"The findings do not fit the book ({Percent(odds.Unknown)} for a fault it does not know). Hand back with the findings, or ask a colleague."
            : "No step left in the book is worth its cost. Hand back with the findings.";

    /// <summary>A share as percent, without a show of more than is known.</summary>
    public static string Percent(double share) => share switch
    {
        > 0 and < 0.01 => "under 1 %",
        > 0.99 and < 1 => "over 99 %",
        _ => $"{Math.Round(share * 100)} %",
    };

    private static string WhyRepair(Repair repair, double chance, Posterior odds)
    {
        var causes = repair.Fixes
            .Select(fix => (fix, At: IndexOf(odds.Book, fix.Cause)))
            .Where(p => p.At >= 0 && odds.Still[p.At] * p.fix.Chance >= 0.005)
            .OrderByDescending(p => odds.Still[p.At] * p.fix.Chance)
            .Take(3)
            .Select(p => $"{odds.Book.Causes[p.At].Name} ({Percent(odds.Still[p.At])})");
        return $"Ends {string.Join(", ", causes)}: {Percent(chance)} that this mends it, the best chance for its cost.";
    }

    private static string Leaves(BookStep step, Outlook outlook, CaseBook book)
    {
        var label = ((Finding)step).Outcomes.First(o => o.Id == outlook.Outcome).Label;
        var names = outlook.Leaves.Select(l => $"{NameOf(book, l.Station)} {Percent(l.Suspicion)}");
        return $"“{label}” leaves {(outlook.Leaves.Count == 0 ? "nothing in the book" : string.Join(", ", names))}";
    }

    private static string NameOf(CaseBook book, string station) =>
        book.Model.Stations.FirstOrDefault(s => s.Id == station)?.Name.ToLowerInvariant() ?? station;

    private static int IndexOf(CaseBook book, string cause)
    {
        for (var c = 0; c < book.Causes.Count; c++)
            if (book.Causes[c].Id == cause) return c;
        return -1;
    }
}
