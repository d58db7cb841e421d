using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Web.Features.Machines;
using SideBench.Web.Features.Own;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Jobs;

/// <summary>Lays a job out for the bench page. No rules here: only what the core says, in the page's shape.</summary>
public static class BenchViews
{
    /// <summary>The bench page of a job.</summary>
    public static BenchView Of(JobRow row, IReadOnlyList<Entry> entries, JobCase job, BenchBooks books) =>
        new(
            Job(row, job, books),
            Machine(row, job),
            Diagnosis(job, entries, books),
            StripDown(job.State),
            new InkSection(Feed(job)),
            Record(entries, job.State)
        );

    private static JobSection Job(JobRow row, JobCase job, BenchBooks books)
    {
        var now = books.Now;
        var (state, intake) = (job.State, job.State.Intake);
        return new JobSection(
            row.Id.Value,
            row.Tag,
            state.Version,
            row.CustomerName,
            job.Thread.Words.Length > 0 ? job.Thread.Words : intake.Words,
            intake.Tried,
            intake.Ink,
            intake.IdleWeeks,
            intake.Moved,
            intake.Paper,
            intake.WarrantyEnd,
            job.Facts.Context["warranty"] == "in",
            intake.Promise,
            intake.Accessories,
            state.Place,
            StandingWord(state.StandingAt(now)),
            state.WaitsFor,
            state.WaitsWhat,
            now,
            [.. state.Clocks.Select(c => new ClockView(c.Id, c.Kind, c.Label, c.StartedAt, c.EndsAt, c.LatestAt))],
            books.Shop.Numbers.Of<JobsNumbers>().Clocks,
            BenchKeeping.ClockKinds,
            Spent(job),
            state.Closing?.How,
            state.Closing?.Reason ?? "",
            state.HandOver is not null
        );
    }

    private static MachineSection Machine(JobRow row, JobCase job)
    {
        var model = job.Book.Model;
        return new MachineSection(
            row.Machine.Value,
            model.Id,
            model.FullName,
            model.Kind,
            row.Serial,
            job.State.Counter?.Pct,
            [.. model.Slots.Select(SlotView.Of)],
            [.. model.Codes.Select(c => new CodeView(c.Code, c.Says, c.Means))],
            model.Cautions,
            MachineViews.Known(job.State.Machine)
        );
    }

    private static DiagnosisSection Diagnosis(JobCase job, IReadOnlyList<Entry> entries, BenchBooks books) =>
        new(
            job.Book.Complaint.Name,
            Stations(job),
            Advice(job),
            [.. job.Odds.Evidence.Select(EvidenceOf)],
            job.Odds.Unknown,
            job.Odds.Fixed,
            [.. StepViews.HeldGroups(job)],
            job.Proof.Proved,
            job.Thread.Id,
            [.. job.State.Threads.Select(t => ThreadOf(job, t))],
            job.Thread.IsOpen,
            job.Odds.Contradicted,
            Schools(job),
            Endable(job),
            BookNote(job, books.Shop.Models.GetValueOrDefault(job.Book.Model.Id)?.Version ?? 0),
            OwnMeasured.On(job.Book.Model, entries, books)
        );

    private static StripDownSection StripDown(JobState state) =>
        new([
            .. state.Tray.Select(i => new TrayItemView(
                i.Id,
                i.Label,
                i.Change,
                i.Count,
                i.Undo,
                i.Marks.Contains("no-power") || i.Marks.Contains("open")
            )),
        ]);

    private static RecordSection Record(IReadOnlyList<Entry> entries, JobState state) =>
        new(EntryViews(entries), [.. state.Doubts.Select(d => new DoubtView(d.Entry.Value, d.Says))]);

    /// <summary>One station's causes, tests and repairs.</summary>
    public static StationDetail? Station(JobCase job, string station)
    {
        var place = job.Book.Model.Stations.FirstOrDefault(s => s.Id == station);
        if (place is null)
            return null;
        var causes = job
            .Book.Causes.Select((cause, c) => (cause, c))
            .Where(p => p.cause.Station == station)
            .Select(p => new CauseView(p.cause.Id, p.cause.Name, job.Odds.Still[p.c], job.Odds.Mended[p.c]))
            .OrderByDescending(c => c.Ratio);
        var steps = job
            .Book.Findings.Cast<BookStep>()
            .Concat(job.Book.Repairs)
            .Where(s => s.Station == station && s.When.Holds(job.Facts))
            .ToList();
        // What is true can be told though it tells this complaint nothing: it is kept.
        var others = job.Book.Others().Where(f => f.Station == station && steps.All(s => s.Id != f.Id));
        return new StationDetail(place.Id, place.Name, [.. causes], [.. steps.Concat(others).Select(s => StepViews.Of(job, s))]);
    }

    /// <summary>Lines of the record, newest first.</summary>
    public static IReadOnlyList<EntryView> EntryViews(IReadOnlyList<Entry> entries)
    {
        var takenBack = TakenBack.In(entries);
        return [.. entries.OrderByDescending(e => e.Id.Value).Select(e => EntryOf(e, takenBack.Contains(e.Id.Value)))];
    }

    /// <summary>A standing as the interface names it.</summary>
    public static string StandingWord(Standing standing) => standing.ToString().ToLowerInvariant();

    private static EntryView EntryOf(Entry entry, bool takenBack) =>
        new(
            entry.Id.Value,
            entry.Body.Kind.Name,
            entry.Body.Says,
            entry.At,
            entry.PersonName,
            entry.Body is Corrected c ? c.Target : null,
            takenBack,
            entry.How is { } how ? StoredWord.Of(how) : null
        );

    private static IReadOnlyList<StationView> Stations(JobCase job)
    {
        var leading = job.Leading;
        return
        [
            .. job.Book.Model.Stations.Select(s => new StationView(
                s.Id,
                s.Name,
                s.Path.ToString().ToLowerInvariant(),
                job.Book.Complaint.Planned ? 0 : job.Odds.On(s.Id),
                job.IsCleared(s.Id),
                s.Id == leading && !job.IsConfirmed(s.Id),
                job.IsConfirmed(s.Id),
                job.Book.Causes.Count(c => c.Station == s.Id)
            )),
        ];
    }

    private static AdviceView Advice(JobCase job)
    {
        var advice = job.Advice;
        return new AdviceView(
            advice.Kind.ToString().ToLowerInvariant(),
            advice.Chosen is { } chosen ? StepViews.Of(job, chosen, advice.Outlooks) : null,
            advice.Because,
            advice.ExpectedCost,
            [.. advice.Others.Select(o => StepViews.Of(job, o, []))],
            advice.Word is { } word ? new WordView(word.Word, word.Step.Name, word.Gate.Reason) : null
        );
    }

    /// <summary>The arithmetic for one cause, or null when it is not one of the thread's.</summary>
    public static WhyView? Why(JobCase job, string cause)
    {
        if (CauseArithmetic.Of(job.Odds, job.Facts, cause) is not { } why)
            return null;
        return new WhyView(
            why.Cause.Id,
            why.Cause.Name,
            why.Cause.Station,
            why.Start,
            why.Now,
            [.. why.Lines.Select(l => new ArithmeticView(l.Kind, l.Says, l.Why, l.Likelihood, l.Average, l.Before, l.After))],
            [.. why.Changes.Select(c => new MindChangeView(c.Finding.Name, c.Outcome.Label, c.Chance, c.Then, c.Leads.Name, c.LeadsThen))]
        );
    }

    /// <summary>What typed words can mean, best first.</summary>
    public static IReadOnlyList<ReadingView> Readings(JobCase job, string text) =>
        [
            .. QuickEntry
                .Of(job.Book, job.Facts, text)
                .Select(r => new ReadingView(
                    r.Finding.Id,
                    r.Finding.Name,
                    r.Outcome.Id,
                    r.Outcome.Label,
                    r.Outcome.Says,
                    r.Quantity,
                    r.Outcome.Quantity?.Unit ?? "",
                    r.Slot,
                    InkOf(job, r.Slot),
                    r.Fit,
                    r.IsSure,
                    r.Code
                )),
        ];

    private static ThreadView ThreadOf(JobCase job, CaseThread thread) =>
        new(
            thread.Id,
            job.Book.Book.Complaints.FirstOrDefault(c => c.Id == thread.Complaint)?.Name ?? thread.Complaint,
            thread.Slot,
            InkOf(job, thread.Slot),
            thread.Words,
            thread.How
        );

    private static string InkOf(JobCase job, int slot) => job.Book.Model.Slots.FirstOrDefault(s => s.Panel == slot)?.Ink ?? "";

    private static FeedView? Feed(JobCase job) =>
        job.Feed is { } feed ? new FeedView(feed.PerPage.Value, feed.Needed.Value, feed.Share.Value, feed.ServesCoverage.Pct) : null;

    private static IReadOnlyList<JobSchoolView> Schools(JobCase job) =>
        [
            .. job
                .Book.Book.Schools.Where(s => s.PerJob)
                .Select(s => new JobSchoolView(
                    s.Id,
                    s.Name,
                    job.Facts.Schools[s.Id],
                    job.State.Schools.ContainsKey(s.Id),
                    [.. s.Options.Select(o => new PracticeView(o.Id, o.Name, o.Why, o.Default))]
                )),
        ];

    // What the proved repair may have ended, likeliest first: the person who did it may know better.
    private static IReadOnlyList<CauseChoice> Endable(JobCase job) =>
        !job.Proof.Proved
            ? []
            :
            [
                .. job
                    .Book.Causes.Select((c, i) => new CauseChoice(c.Id, c.Name, job.Odds.Mended[i]))
                    .Where(c => c.Ratio >= 0.005)
                    .OrderByDescending(c => c.Ratio)
                    .Take(6),
            ];

    // Whether book or model have changed since the machine was taken in.
    private static string BookNote(JobCase job, int version)
    {
        var intake = job.State.Intake;
        if (job.State.Closing is not null)
            return job.Book.Model.Version == version
                ? ""
                : $"Shown as it was worked: with version {job.Book.Model.Version} of the model’s data. Version {version} stands now.";
        if (job.Book.Model.Taught is { } taught && taught.Figures.Count(f => f.Value.Seen == 0) is > 0 and var open)
            return $"A model of the shop's own: {open} of its figures are family defaults, with wide bands.";
        if (intake.BookVersion is not { Length: > 0 } then)
            return "";
        if (then != job.Book.Book.Version)
            return $"Taken in with the book “{then}”; it is “{job.Book.Book.Version}” now, and the odds are worked out with that.";
        return intake.ModelVersion > 0 && intake.ModelVersion != job.Book.Model.Version
            ? $"The model's data are version {job.Book.Model.Version} now; at take-in they were version {intake.ModelVersion}."
            : "";
    }

    private static EvidenceView EvidenceOf(Evidence e) =>
        new(e.Kind, e.Source, e.Says, e.Why, e.Entry, e.Weight, [.. e.Moves.Select(m => new MoveView(m.Station, m.Before, m.After))]);

    private static SpentView Spent(JobCase job)
    {
        var labour = job.Labour;
        return new SpentView(
            job.State.Hands.Value,
            job.State.Parts,
            job.State.Ink.Value,
            labour.Amount,
            labour.Currency,
            job.State.Intake.Limit
        );
    }
}
