using SideBench.Core.StripDown;

namespace SideBench.Core.Logbook;

/// <summary>Folds lines about opening up into a job: what is off, the tray, counts, guides.</summary>
internal static class OpeningFold
{
    /// <summary>The job after one line; as it was when the line is not about opening up.</summary>
    public static JobState Step(JobState state, Entry entry) =>
        entry.Body switch
        {
            EntryBody.Aimed body => With(state, o => o with { Targets = body.Parts }),
            EntryBody.TakenOff body => Off(state, body, entry),
            EntryBody.PutBack body => Back(state, body),
            EntryBody.PieceLost body => Lost(state, body),
            EntryBody.PieceReplaced body => Replaced(state, body),
            EntryBody.LeftOff body => With(
                state,
                o => o with { StaysOff = new Dictionary<string, string>(o.StaysOff) { [body.What] = body.Reason } }
            ) with
            {
                Tray = Without(state.Tray, body.Item),
            },
            EntryBody.PartRenewed body => With(state, o => o with { Renewed = [.. o.Renewed, body] }) with
            {
                Parts = state.Parts + body.Price,
            },
            EntryBody.PhotoTaken body => With(state, o => o with { Photos = [.. o.Photos, body] }),
            EntryBody.GuideBegun body => With(
                state,
                o => o with { Runs = [.. o.Runs, new GuideRun(body.Run, body, new Dictionary<string, StepTick>(), null)] }
            ),
            EntryBody.GuideTicked body => Ticked(state, body, entry),
            EntryBody.GuideRenewed body => Run(
                state,
                body.Run,
                r => r with { Begun = r.Begun with { Version = body.Version, Steps = body.Steps, Windows = body.Windows } }
            ),
            EntryBody.GuideEnded body => Run(state, body.Run, r => r with { Ended = body }),
            _ => state,
        };

    private static JobState With(JobState state, Func<OpeningState, OpeningState> change) => state with { Opening = change(state.Opening) };

    private static JobState Run(JobState state, string run, Func<GuideRun, GuideRun> change) =>
        With(state, o => o with { Runs = [.. o.Runs.Select(r => r.Id == run ? change(r) : r)] });

    private static IReadOnlyList<TrayItem> Without(IReadOnlyList<TrayItem> tray, string item) => [.. tray.Where(i => i.Id != item)];

    private static Dictionary<string, FastenerCount> Counted(OpeningState opening, string removal, FastenerCount count) =>
        new(opening.Counts) { [removal] = count };

    private static JobState Off(JobState state, EntryBody.TakenOff body, Entry entry)
    {
        var before = state.Opening.Counts.GetValueOrDefault(body.Removal, new FastenerCount(body.Total));
        var count = before.TakenOut(Math.Clamp(body.Item.Count, 0, before.In));
        // Pieces of one group that come out one after the other lie together on the tray.
        var there = state.Tray.FirstOrDefault(i => i.Removal == body.Removal);
        return With(
            state,
            o =>
                o with
                {
                    Counts = Counted(o, body.Removal, count),
                    Off =
                    [
                        .. o.Off,
                        new OffLine(body.Removal, body.Part, there?.Id ?? body.Item.Id, body.Item.Count, entry.PersonName, entry.At),
                    ],
                    StaysOff = o.StaysOff.Where(s => s.Key != body.Removal).ToDictionary(s => s.Key, s => s.Value),
                }
        ) with
        {
            Tray = there is null
                ? [.. state.Tray, body.Item]
                : [.. state.Tray.Select(i => i == there ? i with { Count = i.Count + body.Item.Count } : i)],
            Minutes = state.Minutes + body.Minutes,
        };
    }

    /// <summary>The job after something went back.</summary>
    public static JobState Back(JobState state, EntryBody.PutBack body)
    {
        var item = state.Tray.FirstOrDefault(i => i.Id == body.Item);
        var left = (item?.Count ?? 0) - body.Count - body.LeftEmpty;
        var counts = state.Opening.Counts;
        if (counts.TryGetValue(body.Removal, out var count))
        {
            count = count.PutBack(Math.Clamp(body.Count, 0, count.OnTray));
            if (body.LeftEmpty > 0)
                count = count.LeaveEmpty(count.Empty + count.Lost)!.Value;
        }

        var gone = left <= 0;
        return With(
            state,
            o =>
                o with
                {
                    Counts = counts.ContainsKey(body.Removal) ? Counted(o, body.Removal, count) : counts,
                    Off = gone ? [.. o.Off.Where(l => l.Removal != body.Removal)] : o.Off,
                }
        ) with
        {
            Tray = gone ? Without(state.Tray, body.Item) : [.. state.Tray.Select(i => i.Id == body.Item ? i with { Count = left } : i)],
            Minutes = state.Minutes + body.Minutes,
        };
    }

    private static JobState Lost(JobState state, EntryBody.PieceLost body)
    {
        if (!state.Opening.Counts.TryGetValue(body.Removal, out var count))
            count = new FastenerCount(Math.Max(body.Count, body.Total));
        // What was missing already was never on the tray: it counts as out and lost.
        if (body.Before)
            count = count.TakenOut(Math.Clamp(body.Count, 0, count.In));
        return With(state, o => o with { Counts = Counted(o, body.Removal, count.Lose(Math.Clamp(body.Count, 0, count.OnTray))) }) with
        {
            Tray = body.Before ? [.. state.Tray.Select(i => i.Id == body.Item ? i with { Count = i.Count + body.Count } : i)] : state.Tray,
        };
    }

    private static JobState Replaced(JobState state, EntryBody.PieceReplaced body) =>
        state.Opening.Counts.TryGetValue(body.Removal, out var count)
            ? With(state, o => o with { Counts = Counted(o, body.Removal, count.Replace(Math.Clamp(body.Count, 0, count.Lost))) })
            : state;

    private static JobState Ticked(JobState state, EntryBody.GuideTicked body, Entry entry)
    {
        var next = Run(
            state,
            body.Run,
            run =>
            {
                var ticks = new Dictionary<string, StepTick>(run.Ticks);
                if (body.Outcome is "done" or "skipped")
                    ticks[body.Step] = new StepTick(body.Outcome, body.Value, entry.PersonName, entry.At, body.Words);
                else if (
                    run.Begun.Steps.FirstOrDefault(s => s.Id == body.Step)?.Branches.FirstOrDefault(b => b.Id == body.Outcome)?.GoTo is
                    { Length: > 0 } back
                )
                    foreach (var step in run.Begun.Steps.SkipWhile(s => s.Id != back))
                        ticks.Remove(step.Id);
                return run with { Ticks = ticks };
            }
        );
        return next with
        {
            CounterPct = body is { Unit: "% of counter", Value: { } pct } ? pct : state.CounterPct,
            Tray = [.. state.Tray.Where(i => !body.Takes.Contains(i.Id)), .. body.Puts],
            Minutes = state.Minutes + body.Minutes,
        };
    }
}
