using SideBench.Core.Bench;
using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Data.Jobs;

namespace SideBench.Web.Features.Jobs;

/// <summary>Lays a job out for the bench page. No rules here: only what the core says, in the page's shape.</summary>
public static class BenchViews
{
    /// <summary>The bench page of a job.</summary>
    public static BenchView Of(JobRow row, IReadOnlyList<Entry> entries, JobCase job, DateTimeOffset now)
    {
        var state = job.State;
        var model = job.Book.Model;
        var intake = state.Intake;
        return new BenchView(
            row.Id.Value, row.Tag, state.Version, row.Machine.Value, model.Id, model.FullName, model.Kind, row.Serial, row.CustomerName,
            job.Book.Complaint.Name, intake.Words, intake.Tried, intake.Ink, intake.IdleWeeks, intake.Moved, intake.Paper, intake.WarrantyEnd,
            job.Facts.Context["warranty"] == "in", intake.Promise, intake.Accessories, state.Place, StandingWord(state.StandingAt(now)),
            state.WaitsFor, state.WaitsWhat, state.CounterPct, now,
            Stations(job),
            [.. model.Slots.Select(s => new SlotView(s.Panel, s.Ink, s.Colour, s.Bay, s.FromFront, s.FromBack, s.Cartridge))],
            [.. model.Codes.Select(c => new CodeView(c.Code, c.Says, c.Means))],
            model.Cautions,
            Advice(job),
            [.. job.Odds.Evidence.Select(EvidenceOf)],
            job.Odds.Unknown, job.Odds.Fixed,
            [.. StepViews.HeldGroups(job)],
            [.. state.Tray.Select(i => new TrayItemView(i.Id, i.Label, i.Change, i.Count, i.Undo, i.Marks.Contains("no-power") || i.Marks.Contains("open")))],
            [.. state.Clocks.Select(c => new ClockView(c.Id, c.Kind, c.Label, c.StartedAt, c.EndsAt, c.LatestAt))],
            Spent(job), EntryViews(entries), job.Proof.Proved, state.Closing?.How, state.Closing?.Reason ?? "", state.HandOver is not null);
    }

    /// <summary>One station's causes, tests and repairs.</summary>
    public static StationDetail? Station(JobCase job, string station)
    {
        var place = job.Book.Model.Stations.FirstOrDefault(s => s.Id == station);
        if (place is null) return null;
        var causes = job.Book.Causes
            .Select((cause, c) => (cause, c))
            .Where(p => p.cause.Station == station)
            .Select(p => new CauseView(p.cause.Id, p.cause.Name, job.Odds.Still[p.c], job.Odds.Mended[p.c]))
            .OrderByDescending(c => c.Ratio);
        var steps = job.Book.Findings.Cast<BookStep>().Concat(job.Book.Repairs).Where(s => s.Station == station && s.When.Holds(job.Facts));
        return new StationDetail(place.Id, place.Name, [.. causes], [.. steps.Select(s => StepViews.Of(job, s))]);
    }

    /// <summary>Lines of the record, newest first.</summary>
    public static IReadOnlyList<EntryView> EntryViews(IReadOnlyList<Entry> entries)
    {
        var takenBack = entries.Select(e => e.Body).OfType<EntryBody.Corrected>().Select(c => c.Target).ToHashSet();
        return [.. entries.OrderByDescending(e => e.Id.Value).Select(e => EntryOf(e, takenBack.Contains(e.Id.Value)))];
    }

    /// <summary>A standing as the interface names it.</summary>
    public static string StandingWord(Standing standing) => standing.ToString().ToLowerInvariant();

    private static EntryView EntryOf(Entry entry, bool takenBack) => new(
        entry.Id.Value, EntrySentence.KindOf(entry.Body), EntrySentence.Of(entry.Body), entry.At, entry.PersonName,
        entry.Body is EntryBody.Corrected c ? c.Target : null, takenBack);

    private static IReadOnlyList<StationView> Stations(JobCase job)
    {
        var leading = job.Leading;
        return
        [
            .. job.Book.Model.Stations.Select(s => new StationView(
                s.Id, s.Name, s.Path.ToString().ToLowerInvariant(), job.Odds.On(s.Id), job.IsCleared(s.Id), s.Id == leading,
                job.Book.Causes.Count(c => c.Station == s.Id))),
        ];
    }

    private static AdviceView Advice(JobCase job)
    {
        var advice = job.Advice;
        return new AdviceView(
            advice.Kind.ToString().ToLowerInvariant(),
            advice.Chosen is { } chosen ? StepViews.Of(job, chosen, advice.Outlooks) : null,
            advice.Because, advice.ExpectedCost,
            [.. advice.Others.Select(o => StepViews.Of(job, o, []))]);
    }

    private static EvidenceView EvidenceOf(Evidence e) =>
        new(e.Kind, e.Source, e.Says, e.Why, e.Entry, e.Weight, [.. e.Moves.Select(m => new MoveView(m.Station, m.Before, m.After))]);

    private static SpentView Spent(JobCase job)
    {
        var labour = job.Labour;
        return new SpentView(job.State.Minutes, job.State.Parts, job.State.InkMl, labour.Amount, labour.Currency, job.State.Intake.Limit);
    }
}
