using System.Globalization;
using SideBench.Core.Machines;

namespace SideBench.Core.Diagnosis;

/// <summary>What a few typed words can mean: an answer to a finding, with a number and a slot when they were said.</summary>
/// <param name="Finding">The finding.</param>
/// <param name="Outcome">The answer.</param>
/// <param name="Quantity">The number, in the answer's unit; null when none was said or none is asked.</param>
/// <param name="Slot">The slot by panel number; 0 when none was said.</param>
/// <param name="Fit">How much of what was typed it explains, 0 to 1.</param>
public sealed record TypedReading(Finding Finding, FindingOutcome Outcome, double? Quantity, int Slot, double Fit)
{
    /// <summary>Whether it is the only one, or far ahead of the next: then it is taken without asking.</summary>
    public bool IsSure { get; init; }

    /// <summary>The panel's code that was typed; empty when none was.</summary>
    public string Code { get; init; } = "";
}

/// <summary>Reads findings typed in a hurry, such as "yellow pulls hard 4 ml", a panel code, or "sheet complete".</summary>
public static class QuickEntry
{
    private const int MostReadings = 4;
    private const double LeastFit = 0.34;
    private const double NearFit = 0.6;
    private const double FarAhead = 1.4;
    private const double NotAsSaid = 0.6;
    private const double NotOfTheCase = 0.7;
    private static readonly HashSet<string> Denials = ["no", "not", "none", "nothing", "never", "without"];
    private static readonly string[] Units = ["ml", "g", "%", "pages", "page", "nozzles"];
    private static readonly HashSet<string> Empty =
    [
        "a",
        "an",
        "the",
        "is",
        "are",
        "it",
        "at",
        "in",
        "on",
        "of",
        "to",
        "and",
        "with",
        "after",
        "no",
        "not",
        "one",
    ];

    /// <summary>What was typed can mean this, best first; nothing when it fits nothing well.</summary>
    /// <param name="book">The book of the thread.</param>
    /// <param name="facts">The case: steps that do not fit it are left out.</param>
    /// <param name="text">What was typed.</param>
    public static IReadOnlyList<TypedReading> Of(CaseBook book, Facts facts, string text)
    {
        var words = Words(text);
        if (words.Count == 0)
            return [];
        if (CodeReading(book, text) is { } code)
            return [code with { IsSure = true }];
        var (quantity, unit) = NumberIn(words);
        var slot = SlotIn(book.Model, words);
        HashSet<string> said = [.. words.Where(w => !Empty.Contains(w)).Select(w => Stem(book, w))];
        if (said.Count == 0)
            return [];
        var options = Tellable(book, facts)
            .SelectMany(f => f.Outcomes.Select(o => (Finding: f, Outcome: o, Words: WordsOf(book, f, o))))
            .ToList();
        var denies = Denies(text);
        var rarity = said.ToDictionary(w => w, w => Math.Log(1 + (options.Count / (1.0 + options.Count(o => o.Words.All.Contains(w))))));
        var readings = options
            .Select(o => new TypedReading(
                o.Finding,
                o.Outcome,
                Fits(o.Outcome, quantity, unit) ? quantity : null,
                slot,
                FitOf(o.Words, o.Outcome, said, rarity, unit, quantity)
                    * (denies == Denies($"{o.Outcome.Label} {o.Outcome.Says}") ? 1 : NotAsSaid)
                    * (book.IndexOfFinding(o.Finding.Id) >= 0 && o.Finding.When.Holds(facts) ? 1 : NotOfTheCase)
            ))
            .Where(r => r.Fit >= LeastFit)
            .OrderByDescending(r => r.Fit)
            .Take(MostReadings)
            .ToList();
        List<TypedReading> near = [.. readings.Where(r => r.Fit >= readings[0].Fit * NearFit)];
        if (near.Count == 1 || (near.Count > 1 && near[0].Fit > near[1].Fit * FarAhead))
            near[0] = near[0] with { IsSure = true };
        return near;
    }

    private static double FitOf(
        (HashSet<string> Own, HashSet<string> All) words,
        FindingOutcome outcome,
        HashSet<string> said,
        Dictionary<string, double> rarity,
        string unit,
        double? quantity
    )
    {
        double own = 0,
            all = 0,
            total = 0;
        foreach (var word in said)
        {
            total += rarity[word];
            if (words.Own.Contains(word))
                own += rarity[word];
            else if (words.All.Contains(word))
                all += rarity[word];
        }

        // Some of the words must speak of the answer itself, not only of the question; a number that says it does too, and decides.
        var decides = quantity is not null && Fits(outcome, quantity, unit) && outcome.Quantity!.Range != NumberRange.Any;
        if ((own <= 0 && !(decides && all > 0)) || total <= 0)
            return 0;
        if (decides)
            return outcome.Quantity!.Range.Holds(quantity!.Value) ? 1 : LeastFit / 2;
        var asked = unit.Length > 0 && outcome.Quantity?.Unit.StartsWith(unit, StringComparison.Ordinal) == true ? 0.1 : 0;
        return Math.Min(1, ((own + (0.7 * all)) / total) + asked);
    }

    // Findings of the case first; what else is true of this machine can be told too.
    private static IEnumerable<Finding> Tellable(CaseBook book, Facts facts)
    {
        var now = book.Findings.Where(f => f.When.Holds(facts)).Select(f => f.Id).ToHashSet();
        var others = book.Others().Where(f => !now.Contains(f.Id));
        return book.Findings.Where(f => now.Contains(f.Id)).Concat(others);
    }

    private static bool Denies(string text) => Words(text).Any(Denials.Contains);

    private static bool Fits(FindingOutcome outcome, double? quantity, string unit) =>
        quantity is not null
        && outcome.Quantity is { } asked
        && (unit.Length == 0 || asked.Unit.StartsWith(unit, StringComparison.Ordinal));

    private static TypedReading? CodeReading(CaseBook book, string text)
    {
        var typed = Bare(text);
        var code = book.Model.Codes.FirstOrDefault(c => Bare(c.Code) == typed);
        var panel = book.Findings.FirstOrDefault(f => f.Id == CodeOdds.Finding);
        var o = code is null || panel is null ? -1 : panel.IndexOf(code.Reads);
        return o < 0 ? null : new TypedReading(panel!, panel!.Outcomes[o], null, 0, 1) { Code = code!.Code };
    }

    private static string Bare(string text) => new([.. text.ToLowerInvariant().Where(c => char.IsLetterOrDigit(c))]);

    private static List<string> Words(string text) =>
        [
            .. new string([.. text.ToLowerInvariant().Select(c => char.IsLetterOrDigit(c) || c is '%' or '.' ? c : ' ')])
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(w => w.Trim('.')),
        ];

    // A number and its unit, apart or together; both are taken out of the words.
    private static (double? Quantity, string Unit) NumberIn(List<string> words)
    {
        for (var i = 0; i < words.Count; i++)
        {
            var digits = new string([.. words[i].TakeWhile(c => char.IsDigit(c) || c == '.')]);
            if (!double.TryParse(digits, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number))
                continue;
            var unit = words[i][digits.Length..];
            words.RemoveAt(i);
            if (unit.Length == 0 && i < words.Count && Units.Contains(words[i]))
            {
                unit = words[i];
                words.RemoveAt(i);
            }

            return (number, unit == "page" ? "pages" : unit);
        }

        return (null, "");
    }

    // An ink of the machine; its words are taken out, since findings speak of any ink.
    private static int SlotIn(MachineModel model, List<string> words)
    {
        foreach (var slot in model.Slots.OrderByDescending(s => s.Ink.Length))
        {
            var ink = Words(slot.Ink);
            if (!ink.All(words.Contains))
                continue;
            words.RemoveAll(ink.Contains);
            return slot.Panel;
        }

        return 0;
    }

    private static (HashSet<string> Own, HashSet<string> All) WordsOf(CaseBook book, Finding finding, FindingOutcome outcome)
    {
        HashSet<string> own = [.. Words($"{outcome.Label} {outcome.Says}").Where(w => !Empty.Contains(w)).Select(w => Stem(book, w))];
        return (own, [.. own, .. Words($"{finding.Name} {finding.Station}").Where(w => !Empty.Contains(w)).Select(w => Stem(book, w))]);
    }

    // Words of one meaning count as one; else the plain English endings go.
    private static string Stem(CaseBook book, string word)
    {
        foreach (var group in book.Book.Synonyms)
            if (group.Contains(word))
                return group[0];
        var bare = word.Length > 4 && word.EndsWith("ing", StringComparison.Ordinal) ? word[..^3] : word;
        if (bare.Length > 4 && bare.EndsWith("ed", StringComparison.Ordinal))
            bare = bare[..^2];
        return bare.Length > 3 && bare.EndsWith('s') && !bare.EndsWith("ss", StringComparison.Ordinal) ? bare[..^1] : bare;
    }
}
