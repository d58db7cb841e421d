using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Record;

namespace SideBench.Web.Features.HeadCare;

/// <summary>The head cleanings of a machine, all its life, newest first.</summary>
public static class HeadRecords
{
    /// <summary>From its lines.</summary>
    /// <param name="life">Work and sheets of all visits, oldest first, without what was taken back.</param>
    /// <param name="job">The job in hand: it knows the counter.</param>
    /// <param name="model">The model.</param>
    public static IEnumerable<CleaningView> Of(IReadOnlyList<Entry> life, JobCase job, MachineModel model)
    {
        var own = job.State.Of<JobCleans>().All.ToDictionary(c => c.Entry);
        foreach (var (at, entry) in life.Index().Reverse())
        {
            if (CleanOnJob.Of(entry, null) is not { } seen || entry.Job is not { } of)
                continue;
            var clean = own.GetValueOrDefault(seen.Entry) ?? seen;
            var before = clean.CounterBefore?.Pct;
            yield return new CleaningView(
                clean.Entry,
                of.Value,
                clean.At,
                clean.By,
                clean.Name,
                HeadGroups.Words(model, clean.Slots),
                clean.Ink.Value,
                before,
                before + clean.Counter.Pct,
                Missing(life.Take(at).LastOrDefault(e => e.Body is SheetTaken && e.Job == of), life),
                Missing(life.Skip(at).FirstOrDefault(e => e.Body is SheetTaken && e.Job == of), life)
            );
        }
    }

    private static int? Missing(Entry? sheet, IReadOnlyList<Entry> life)
    {
        if (sheet?.Body is not SheetTaken taken)
            return null;
        var units = life.Select(e => e.Body).OfType<SheetCorrected>().LastOrDefault(c => c.Sheet == taken.Sheet)?.Units ?? taken.Units;
        return units.Sum(u => u.MissingCount);
    }
}
