namespace SideBench.Core.Diagnosis;

/// <summary>The sentences that say why. Facts come from the computation; only the words are here.</summary>
public static class Explanation
{
    /// <summary>Why this step is next.</summary>
    public static string Why(Candidate chosen, bool easy, Posterior odds, Facts facts)
    {
        if (chosen.Step is Repair repair)
            return WhyRepair(repair, chosen.FixChance ?? 0, odds) + SchoolOf(repair, odds.Book, facts) + Shelf(repair, facts);
        var currency = odds.Book.Book.House.Currency;
        var costs = $"{chosen.Cost:0.00} {currency} now, about {chosen.Expected:0} {currency} from here to a proved fix";
        return easy ? $"An easy check, before any tool: {costs}." : $"Splits what is left at the least cost: {costs}.";
    }

    /// <summary>Why the proof is next.</summary>
    public static string Prove(PendingProof pending, Posterior odds) =>
        $"“{pending.Repair.Name}” is done. The odds that it ended the fault are {Percent(odds.Fixed)}; only this shows it.";

    /// <summary>Why the proof is made once more.</summary>
    public static string ProveAgain(Posterior odds) =>
        $"It passed, yet the odds of a fix are only {Percent(odds.Fixed)}: what was found speaks for something else. Prove it once more.";

    /// <summary>Why an answer is asked again.</summary>
    public static string AskAgain(Doubt doubt) =>
        $"The findings contradict the book. “{doubt.Said.Says}” fits least with the rest: look once more before giving up.";

    /// <summary>Why it ends here unless the customer speaks.</summary>
    public static string WordWanted(WordWanted word, Posterior odds) =>
        $"{word.Gate.Reason} The next step would be “{word.Step.Name}”. Hand back with the findings, or ask for the customer's word.";

    /// <summary>What is said of a thread that has ended: nothing is to be done.</summary>
    public static Advice Ended(CaseThread thread) =>
        new(
            AdviceKind.Close,
            null,
            thread.How switch
            {
                "verified" => "Mended and proved.",
                "handed-back" => "Handed back unmended.",
                _ => "Closed without proof.",
            },
            [],
            [],
            [],
            0
        );

    /// <summary>Why the job can close.</summary>
    public static string Proved(Proof proof) => $"“{proof.Repair?.Name}” is proved. Clear the tray, then close.";

    /// <summary>Why nothing is worth doing.</summary>
    public static string HandBack(Posterior odds, IReadOnlyList<HeldStep> held)
    {
        if (odds.Unknown > odds.Book.Book.House.ContradictsAbove)
            return $"The findings do not fit the book ({Percent(odds.Unknown)} for a fault "
                + $"it does not know). Hand back with the findings, or ask a colleague.";
        var lead = Array.IndexOf(odds.Still, odds.Still.DefaultIfEmpty(0).Max());
        var most =
            lead >= 0 && odds.Still[lead] >= 0.5 ? $" Most likely: {odds.Book.Causes[lead].Name} ({Percent(odds.Still[lead])})." : "";
        var gate = held.FirstOrDefault(h =>
            h.Step is Repair && lead >= 0 && ((Repair)h.Step).Fixes.Any(f => f.Cause == odds.Book.Causes[lead].Id)
        );
        return (gate is null ? "No step left in the book is worth its cost." : gate.Gate.Reason) + most + " Hand back with the findings.";
    }

    /// <summary>A share as percent, without a show of more than is known.</summary>
    public static string Percent(double share) =>
        share switch
        {
            > 0 and < 0.01 => "under 1 %",
            > 0.99 and < 1 => "over 99 %",
            _ => $"{Math.Round(share * 100)} %",
        };

    private static string SchoolOf(Repair repair, CaseBook book, Facts facts)
    {
        foreach (var school in book.Book.Schools)
            if (
                school.Options.FirstOrDefault(o => facts.Schools.GetValueOrDefault(school.Id) == o.Id) is { } option
                && option.Prefers.Contains(repair.Id)
            )
                return $" By the school “{school.Name}: {option.Name}”.";
        return "";
    }

    private static string Shelf(Repair repair, Facts facts) =>
        repair.Part.Length > 0 && facts.PartsMissing.Contains(repair.Part) ? $" The part is not on the shelf: order “{repair.Part}”." : "";

    private static string WhyRepair(Repair repair, double chance, Posterior odds)
    {
        var causes = repair
            .Fixes.Select(fix => (fix, At: IndexOf(odds.Book, fix.Cause)))
            .Where(p => p.At >= 0 && odds.Still[p.At] * p.fix.Chance >= 0.005)
            .OrderByDescending(p => odds.Still[p.At] * p.fix.Chance)
            .Take(3)
            .Select(p => $"{odds.Book.Causes[p.At].Name} ({Percent(odds.Still[p.At])})");
        var ends = string.Join(", ", causes);
        return chance < odds.Book.Book.House.LeastToAdvise
            ? $"No repair is likely to end it. This one ends {ends}: {Percent(chance)}. Ask the customer once more, "
                + "or look again at what was told least surely, before you spend on it."
            : $"Ends {ends}: {Percent(chance)} that this mends it, the best chance for its cost.";
    }

    private static int IndexOf(CaseBook book, string cause)
    {
        for (var c = 0; c < book.Causes.Count; c++)
            if (book.Causes[c].Id == cause)
                return c;
        return -1;
    }
}
