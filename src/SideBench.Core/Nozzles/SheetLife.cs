using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>A nozzle sheet in its machine's life.</summary>
/// <param name="Job">The job it was taken in.</param>
/// <param name="By">Who took it.</param>
/// <param name="Sheet">The sheet.</param>
public sealed record SheetLife(JobId Job, string By, SheetOnJob Sheet)
{
    /// <summary>All sheets, oldest first; those of the job in hand know how many cleans came before.</summary>
    public static List<SheetLife> Of(IReadOnlyList<Entry> entries, JobState state, JobId job)
    {
        var own = state.Sheets.ToDictionary(s => s.Id);
        var right = entries
            .Select(e => e.Body)
            .OfType<SheetCorrected>()
            .GroupBy(c => c.Sheet)
            .ToDictionary(g => g.Key, g => g.Last().Units);
        return
        [
            .. entries
                .Where(e => e.Body is SheetTaken && e.Job is not null)
                .Select(e =>
                {
                    var taken = (SheetTaken)e.Body;
                    var sheet =
                        own.GetValueOrDefault(taken.Sheet)
                        ?? new SheetOnJob(e.Id.Value, e.At, taken, right.GetValueOrDefault(taken.Sheet) ?? taken.Units, 0);
                    return new SheetLife(e.Job!.Value, e.PersonName, sheet);
                }),
        ];
    }
}
