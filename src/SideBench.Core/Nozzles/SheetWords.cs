namespace SideBench.Core.Nozzles;

/// <summary>Patterns and comparisons in the trade's words.</summary>
public static class SheetWords
{
    /// <summary>Why a picture is refused, as part of a sentence.</summary>
    public static string Why(RefusalReason reason) =>
        reason switch
        {
            RefusalReason.BlankPage => "the page is blank",
            RefusalReason.NoSheet => "no sheet is found in it",
            RefusalReason.CutOff => "part of the sheet is cut off",
            RefusalReason.Blurred => "it is too blurred",
            RefusalReason.LowResolution => "it is too small",
            RefusalReason.WrongLayout => "its dashes do not stand where the layout has them",
            RefusalReason.Covered => "something lies on the sheet",
            _ => "there is more than one sheet",
        };

    /// <summary>A few words for a unit's comb.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="change">Against the earlier sheet; null when there is none.</param>
    public static string Of(UnitLine unit, SheetComparison? change)
    {
        if (unit.IsTooFaint)
            return "too faint to tell";
        var word = unit.Pattern switch
        {
            PatternClass.None => "complete",
            PatternClass.Scattered => "single gaps",
            PatternClass.Run => "solid run",
            PatternClass.EveryKth => "every k-th: drive or cable first",
            PatternClass.Starvation => "fading from one end: starved",
            PatternClass.Blank => "blank: air, empty, or rarely a dead driver",
            PatternClass.NearBlank => "nearly blank: air or empty",
            PatternClass.Contaminated => unit.MixedWith is { } other ? $"wrong tint: mixed with {other}" : "wrong tint: inks mixed",
            PatternClass.DeflectedGroup => "crooked group: wetting or dirt",
            _ => "weak group: part-clogged or thin supply",
        };
        // That the same dashes are short of ink again says nothing; that gaps sit still does.
        return change?.Move switch
        {
            GapMove.Still or GapMove.Clearing or GapMove.Moving when Family(unit.Pattern) != "clogged" => word,
            GapMove.Cleared => $"{word}, cleared",
            GapMove.Clearing => $"{word}, clearing",
            GapMove.Still => $"{word}, sits still",
            GapMove.Moving => $"{word} that move: air",
            GapMove.Worse => $"{word}, worse",
            GapMove.New => $"{word}, new",
            _ => word,
        };
    }

    /// <summary>
    /// How grave a unit is: <c>go</c> nothing to do or clearing by itself, <c>wait</c> to be watched, <c>stop</c> cleans will not mend it.
    /// </summary>
    public static string Tone(UnitLine unit, SheetComparison? change) =>
        unit.IsTooFaint
            ? "wait"
            : unit.Pattern switch
            {
                PatternClass.None => "go",
                PatternClass.Scattered when change?.Move is GapMove.Clearing => "go",
                PatternClass.Starvation
                or PatternClass.Blank
                or PatternClass.NearBlank
                or PatternClass.EveryKth
                or PatternClass.Contaminated => "stop",
                _ => change?.Move == GapMove.Worse ? "stop" : "wait",
            };

    /// <summary>What a fault most likely comes from: patterns of one family are one fault, unlike families are two.</summary>
    public static string Family(PatternClass pattern) =>
        pattern switch
        {
            PatternClass.None => "",
            PatternClass.Scattered or PatternClass.Run => "clogged",
            PatternClass.Starvation or PatternClass.Blank or PatternClass.NearBlank => "supply",
            PatternClass.EveryKth => "drive",
            PatternClass.Contaminated => "mixed",
            _ => "plate",
        };

    /// <summary>The family once it is known what became of the gaps: gaps that wander are air, whatever they look like.</summary>
    public static string Family(PatternClass pattern, SheetComparison? change) =>
        Family(pattern) == "clogged" && change?.Move == GapMove.Moving ? "supply" : Family(pattern);

    private const string TooFaint =
        "too faint on this picture to tell. Scan in colour at 300 dpi or more, lift the faint inks in the scanner, or tap what you see.";

    /// <summary>The sheet in two sentences: what stands out, and what it means.</summary>
    /// <param name="units">Every unit.</param>
    /// <param name="changes">Against the earlier sheet, unit by unit; empty when there is none.</param>
    public static (string Title, IReadOnlyList<string> Says) Reading(IReadOnlyList<UnitLine> units, IReadOnlyList<SheetComparison> changes)
    {
        var faint = units.Where(unit => unit.IsTooFaint).ToList();
        if (faint.Count > 0)
        {
            var (rest, saysRest) = Reading([.. units.Except(faint)], changes);
            var told = $"{Names([.. faint.Select(u => u.Id)])}: {TooFaint}";
            return faint.Count == units.Count ? ("Too faint to tell.", [told])
                : units.Except(faint).All(u => u.Pattern == PatternClass.None) ? ("Complete, as far as it can be told.", [told])
                : (rest, [.. saysRest, told]);
        }

        var faulty = units.Where(unit => unit.Pattern != PatternClass.None).ToList();
        if (faulty.Count == 0)
        {
            return changes.Any(c => c.Move == GapMove.Cleared)
                ? ("Complete now.", ["Every gap came back. Prove it with full pages when it had faded under load."])
                : ("The pattern is complete.", ["The head is not the fault. If pages still fade, look to the supply."]);
        }

        SheetComparison? Change(UnitLine unit) => changes.FirstOrDefault(c => c.Unit == unit.Id);
        // What clears is on its way, and no fault of its own beside others.
        var clearing = faulty
            .Where(unit => Change(unit)?.Move == GapMove.Clearing && faulty.Any(other => Change(other)?.Move != GapMove.Clearing))
            .ToList();
        var families = faulty
            .Except(clearing)
            .GroupBy(unit => Family(unit.Pattern, Change(unit)))
            .OrderByDescending(group => group.Sum(unit => unit.Nozzles.Count(n => n != '.')))
            .ToList();
        var title =
            families.Count == 1
                ? $"{Names([.. families[0].Select(u => u.Id)])}: {Kind(families[0].Key)}."
                : $"{Count(families.Count)} different faults.";
        var says = families.Select(family => Sentence(family.Key, [.. family], changes)).ToList();
        if (clearing.Count > 0)
            says.Add(
                $"{Names([.. clearing.Select(u => u.Id)])}: clearing, {clearing.Sum(u => u.MissingCount)} left of "
                    + $"{changes.Where(c => clearing.Any(u => u.Id == c.Unit)).Sum(c => c.CameBack.Count + c.StillMissing.Count)}."
            );
        return (title, says);
    }

    private static string Sentence(string family, IReadOnlyList<UnitLine> units, IReadOnlyList<SheetComparison> changes)
    {
        var names = Names([.. units.Select(u => u.Id)]);
        var own = changes.Where(c => units.Any(u => u.Id == c.Unit)).ToList();
        var moving = own.FirstOrDefault(c => c.Move == GapMove.Moving);
        var still = own.FirstOrDefault(c => c.Move == GapMove.Still);
        var means = family switch
        {
            "supply" when moving is not null =>
                $"short of ink. Gaps of {moving.Unit} wander (overlap {Percent(moving.OverlapShare)}, chance "
                    + $"{Percent(moving.ChanceShare)}), as air makes them. Check the feed before any more cleans.",
            "supply" => "short of ink: air, an empty store, or a feed that cannot follow. No clean mends that.",
            "clogged" when still is not null => $"the same nozzles each time (overlap {Percent(still.OverlapShare)}, chance "
                + $"{Percent(still.ChanceShare)}). A clog that sits still: soak or flush rather than clean again.",
            "clogged" when own.Any(c => c.Move == GapMove.Clearing) => "clearing. What is left was missing before.",
            "clogged" when own.Any(c => c.Move == GapMove.Worse) =>
                "worse than before. After a clean that means the cap or pump draws air, or the supply cannot follow.",
            "clogged" when units.All(u => u.Pattern == PatternClass.Scattered) =>
                "single gaps, as nozzles dry after idle time. They usually come back with cleans.",
            "clogged" => "neighbouring nozzles missing, dried or with debris. Soak and flush rather than clean again.",
            "drive" => "one row of the head does not fire. Contacts and cable first.",
            "mixed" => "inks mixed, at the cap or by a wrong refill.",
            _ => "dashes beside their place or pale: wetting, dirt on the plate, wiper, or a part clog.",
        };
        return $"{names}: {means}";
    }

    private static string Percent(double share) => $"{Math.Round(100 * share)} %";

    private static string Kind(string family) =>
        family switch
        {
            "clogged" => "missing nozzles",
            "supply" => "short of ink",
            "drive" => "a row does not fire",
            "mixed" => "inks mixed",
            _ => "crooked or weak dashes",
        };

    private static string Names(IReadOnlyList<string> ids) =>
        ids.Count == 1 ? ids[0] : $"{string.Join(", ", ids.Take(ids.Count - 1))} and {ids[^1]}";

    private static string Count(int n) =>
        n switch
        {
            2 => "Two",
            3 => "Three",
            _ => $"{n}",
        };
}
