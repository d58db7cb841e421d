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

    /// <summary>Kinds of line that tell of a machine's head.</summary>
    public static IReadOnlyList<string> Kinds { get; } = [Mended.Form.Name, SheetTaken.Form.Name, SheetCorrected.Form.Name];

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
}
