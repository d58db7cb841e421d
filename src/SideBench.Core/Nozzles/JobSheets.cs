using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>The nozzle sheets of a job.</summary>
public sealed record JobSheets : CraftState
{
    /// <summary>None yet.</summary>
    public static readonly JobSheets New = new();

    /// <summary>Sheets that stand, oldest first.</summary>
    public IReadOnlyList<SheetOnJob> All { get; init; } = [];

    /// <inheritdoc/>
    public override CraftState After(Entry entry, JobState before, Action<string> doubt) =>
        entry.Body switch
        {
            SheetTaken body => this with
            {
                All =
                [
                    .. All,
                    new SheetOnJob(
                        entry.Id.Value,
                        entry.At,
                        body,
                        body.Units,
                        before.Work.Count(w => w.Tags.Contains(SheetOnJob.CleanTag))
                    ),
                ],
            },
            SheetCorrected body => PutRight(body, doubt),
            _ => this,
        };

    private JobSheets PutRight(SheetCorrected body, Action<string> doubt)
    {
        if (All.Any(s => s.Id == body.Sheet))
            return this with { All = [.. All.Select(s => s.Id == body.Sheet ? s with { Units = body.Units } : s)] };
        doubt("a nozzle sheet is put right that is not on record");
        return this;
    }
}

/// <summary>A job as sheets see it.</summary>
public static class SheetsOfJob
{
    extension(JobState job)
    {
        /// <summary>Nozzle sheets that stand, oldest first.</summary>
        public IReadOnlyList<SheetOnJob> Sheets => job.Of<JobSheets>().All;
    }
}
