namespace SideBench.Core.Logbook;

/// <summary>Folds the lines of one job into where it stands.</summary>
public static class JobFold
{
    /// <summary>Where the job stands after these lines.</summary>
    /// <param name="entries">All lines of the job in order; the first is its take-in.</param>
    /// <remarks>
    /// A corrected line stays on record and is left out here, as if it had never been; so what it put on the tray is gone
    /// with it, and its minutes and parts are not counted.
    /// </remarks>
    public static JobState Of(IReadOnlyList<Entry> entries)
    {
        var corrected = entries.Select(e => e.Body).OfType<EntryBody.Corrected>().Select(c => c.Target).ToHashSet();
        JobState? state = null;
        foreach (var entry in entries)
        {
            if (corrected.Contains(entry.Id.Value))
                continue;
            state = entry.Body is EntryBody.TakenIn intake
                ? new JobState
                {
                    Intake = intake,
                    OpenedAt = entry.At,
                    Threads = [new CaseThread(0, intake.Complaint, intake.Slot, intake.Words)],
                }
                : Step(state ?? throw new InvalidOperationException("a job starts with its take-in"), entry);
        }

        return (state ?? throw new InvalidOperationException("a job has at least its take-in")) with
        {
            Version = entries[^1].Version,
        };
    }

    private static JobState Step(JobState state, Entry entry) =>
        entry.Body switch
        {
            EntryBody.Answered body => Answered(state, body, entry.Id.Value),
            EntryBody.Mended body => Mended(state, body, entry.Id.Value),
            EntryBody.TrayPutBy body => state with { Tray = [.. state.Tray, body.Item] },
            EntryBody.TrayCleared body => Cleared(state, body.Item),
            EntryBody.ClockStarted body => state with
            {
                Clocks = [.. state.Clocks, new Day.Clock(body.Clock, body.Kind, body.Label, entry.At, body.MinMinutes, body.MaxMinutes)],
            },
            EntryBody.ClockStopped body => state with { Clocks = [.. state.Clocks.Where(c => c.Id != body.Clock)] },
            EntryBody.WaitSet body => state with
            {
                WaitsFor = body.For == "hands" ? "" : body.For,
                WaitsWhat = body.What,
                WaitsUntil = body.Until,
            },
            EntryBody.PlaceSet body => state with { Place = body.Place },
            EntryBody.Consented body => state with { Consents = [.. state.Consents, body.What] },
            EntryBody.GateOverridden body => state with { Overridden = [.. state.Overridden, $"{body.Gate}:{body.Step}"] },
            EntryBody.Closed body => Ended(state, body.Thread, body.ThreadHow ?? body.How, body.Cause, body.Reason) with
            {
                Closing = body,
                Clocks = [.. state.Clocks.Where(c => !c.IsWait)],
                WaitsFor = "",
            },
            EntryBody.ThreadOpened body => state with
            {
                Threads = [.. state.Threads, new CaseThread(body.Thread, body.Complaint, body.Slot, body.Words)],
            },
            EntryBody.ThreadClosed body => Ended(state, body.Thread, body.How, body.Cause, body.Reason),
            EntryBody.SchoolChosen body => state with
            {
                Schools = new Dictionary<string, string>(state.Schools) { [body.School] = body.Option },
            },
            EntryBody.SheetTaken body => state with
            {
                Sheets =
                [
                    .. state.Sheets,
                    new SheetOnJob(entry.Id.Value, entry.At, body, body.Units, state.Work.Count(w => w.Tags.Contains(SheetOnJob.CleanTag))),
                ],
            },
            EntryBody.SheetCorrected body => state with
            {
                Sheets = [.. state.Sheets.Select(s => s.Id == body.Sheet ? s with { Units = body.Units } : s)],
            },
            EntryBody.HandedOver body => state with { HandOver = body, Place = 0 },
            _ => OpeningFold.Step(state, entry),
        };

    // What came off by the access graph and is cleared by hand counts as back.
    private static JobState Cleared(JobState state, string item) =>
        state.Tray.FirstOrDefault(i => i.Id == item) is { Removal: { } removal } piece
            ? OpeningFold.Back(state, new EntryBody.PutBack(item, removal, piece.Label, piece.Count, 0, 0))
            : state with
            {
                Tray = [.. state.Tray.Where(i => i.Id != item)],
            };

    private static JobState Ended(JobState state, int thread, string how, string cause, string reason) =>
        state with
        {
            Threads = [.. state.Threads.Select(t => t.Id == thread ? t with { How = how, Cause = cause, Reason = reason } : t)],
        };

    private static JobState Answered(JobState state, EntryBody.Answered body, long entry) =>
        state with
        {
            Timeline = [.. state.Timeline, new CaseEvent.Told(body.Finding, body.Outcome, entry, body.Quantity, body.Thread, body.Shares)],
            Answers = [.. state.Answers, (entry, body)],
            Tray = [.. state.Tray, .. body.Puts],
            Minutes = state.Minutes + body.Minutes,
            CounterPct = body.Unit == "% of counter" && body.Quantity is { } pct ? pct : state.CounterPct,
        };

    private static JobState Mended(JobState state, EntryBody.Mended body, long entry) =>
        state with
        {
            Timeline = [.. state.Timeline, new CaseEvent.Worked(body.Repair, entry, body.Thread)],
            Work = [.. state.Work, body],
            Tray = [.. state.Tray, .. body.Puts],
            Minutes = state.Minutes + body.Minutes,
            Parts = state.Parts + body.Parts,
            InkMl = state.InkMl + body.InkMl,
            CounterPct = state.CounterPct is { } pct ? pct + body.CounterPct : null,
        };
}
