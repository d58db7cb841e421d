using SideBench.Core.Jobs;
using SideBench.Core.Nozzles;

namespace SideBench.Core.HeadCare;

/// <summary>Head care: what a clean, a rest, a soak or a flush is worth on this head.</summary>
public static class HeadCareCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("HeadCare", [LevelAgreed.Form, BuildUpSeen.Form])
    {
        Begin = _ => JobCleans.New,
        Numbers = typeof(HeadCareNumbers),
        HandOver = CameBack,
    };

    // What was done to the head, what it took, and what the sheets say came back.
    private static HandOverLines CameBack(JobState job)
    {
        var cleans = job.Of<JobCleans>();
        if (cleans.All.Count == 0)
            return HandOverLines.None;
        var work = cleans.All.GroupBy(c => c.Name).Select(g => g.Count() > 1 ? $"{g.Key}, {g.Count()} times" : g.Key);
        string[] left = cleans.MostLeft > 0 ? [$"Up to {cleans.MostLeft} missing nozzles in a channel were agreed to stay."] : [];
        return new HandOverLines([], left) { CameBack = [$"Head: {string.Join("; ", work)}{Gaps(job)}"] };
    }

    private static string Gaps(JobState job)
    {
        if (job.Sheets.Count < 2)
            return "";
        var (first, last) = (job.Sheets[0].Units.Sum(u => u.MissingCount), job.Sheets[^1].Units.Sum(u => u.MissingCount));
        return $"; {first} nozzles missing before, {last} after";
    }
}
