using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Choices that hold for the whole shop, as lines of the record.</summary>
public static class ShopKeeping
{
    /// <summary>Chooses a practice of a school.</summary>
    /// <param name="book">The fault book.</param>
    /// <param name="school">The school.</param>
    /// <param name="option">The practice.</param>
    /// <param name="forJob">Whether it is for one job, which only some schools allow.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Choose(FaultBook book, string school, string option, bool forJob)
    {
        var known = book.Schools.FirstOrDefault(s => s.Id == school && (s.PerJob || !forJob));
        if (known is null || known.Options.All(o => o.Id != option))
            return new Problem(DiagnosisProblem.UnknownSchool, "/option", option, school);
        return new List<EntryBody> { new SchoolChosen(school, option) };
    }

    /// <summary>Says that a part is on the shelf, or is not.</summary>
    /// <param name="book">The fault book, for the parts there are.</param>
    /// <param name="part">The part.</param>
    /// <param name="here">Whether it is there.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Shelf(FaultBook book, string part, bool here) =>
        book.Repairs.Any(r => r.Part.Length > 0 && r.Part == part)
            ? new List<EntryBody> { new PartTold(part, here) }
            : new Problem(ProblemCode.UnknownWord, "/part", part, "the parts of the fault book");

    /// <summary>Takes a line about the shop back.</summary>
    /// <param name="entries">Lines about the shop.</param>
    /// <param name="target">The line.</param>
    /// <param name="reason">Why; may be empty.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Correct(IReadOnlyList<Entry> entries, long target, string reason)
    {
        var line = entries.FirstOrDefault(e => e.Id.Value == target);
        if (line is null)
            return new Problem(ProblemCode.UnknownEntry, "/entry", target);
        if (line.Body.Stands)
            return new Problem(ProblemCode.NotCorrectable, "/entry", target);
        if (entries.Any(e => e.Body is Corrected c && c.Target == target))
            return new Problem(ProblemCode.CorrectedAlready, "/entry", target);
        if (reason.Length > Guard.LongestText)
            return new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText);
        return new List<EntryBody> { new Corrected(target, reason) };
    }
}
