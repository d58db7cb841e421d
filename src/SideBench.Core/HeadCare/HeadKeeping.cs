using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.HeadCare;

/// <summary>Turns what a person says of head care into lines of the record.</summary>
public static class HeadKeeping
{
    private const int MostAgreed = 20;
    private const int MostPaper = 80;
    private const int MostThickness = 40;

    /// <summary>Kinds of line that tell of a machine's head.</summary>
    public static IReadOnlyList<string> Kinds { get; } =
    [Mended.Form.Name, SheetTaken.Form.Name, SheetCorrected.Form.Name, BuildUpSeen.Form.Name];

    /// <summary>Agrees how complete a sheet has to be.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="mostLeft">Nozzles that may stay missing in a channel; null when it was not said.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Agree(JobState state, int? mostLeft)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (mostLeft is not { } most)
            return new Problem(ProblemCode.Missing, "/mostLeft");
        return most is < 0 or > MostAgreed
            ? new Problem(ProblemCode.OutOfRange, "/mostLeft", most, 0, MostAgreed)
            : new List<EntryBody> { new LevelAgreed(most) };
    }

    /// <summary>Build-up under the head was found.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="paper">The stock on which it smudged.</param>
    /// <param name="thickness">The thickness that was set; null when nobody looked.</param>
    public static Outcome<IReadOnlyList<EntryBody>> SawBuildUp(JobState state, string? paper, string? thickness)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (string.IsNullOrWhiteSpace(paper))
            return new Problem(ProblemCode.Missing, "/paper");
        var (stock, set) = (paper.Trim(), thickness?.Trim() ?? "");
        if (stock.Length > MostPaper)
            return new Problem(ProblemCode.TooLong, "/paper", stock.Length, MostPaper);
        return set.Length > MostThickness
            ? new Problem(ProblemCode.TooLong, "/thickness", set.Length, MostThickness)
            : new List<EntryBody> { new BuildUpSeen(stock, set) };
    }
}
