using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>How lines about opening up change it. What cannot be is told as a doubt and changes nothing.</summary>
public sealed partial record OpeningState
{
    /// <inheritdoc/>
    public override CraftState After(Entry entry, JobState before, Action<string> doubt) =>
        entry.Body switch
        {
            Aimed body => this with { Targets = body.Parts },
            TakenOff body => TakeOff(body, entry, before, doubt),
            PutBack body => Back(body, before.Tray.FirstOrDefault(i => i.Id == body.Item), doubt),
            // What came off by the access graph and is cleared by hand counts as back.
            TrayCleared body when before.Tray.FirstOrDefault(i => i.Id == body.Item) is { Removal: { } removal } piece => Back(
                new PutBack(body.Item, removal, piece.Label, OnTray(removal, piece.Count), 0, 0),
                piece with
                {
                    Count = OnTray(removal, piece.Count),
                },
                doubt
            ),
            PieceLost body => Lose(body, doubt),
            PieceReplaced body => Counted(body.Removal, body.Count, body.Label, "are replaced", c => c.Lost, (c, n) => c.Replace(n), doubt),
            LeftOff body => this with { StaysOff = new Dictionary<string, string>(StaysOff) { [body.What] = body.Reason } },
            PartRenewed body => this with { Renewed = [.. Renewed, body] },
            PhotoTaken body => this with { Photos = [.. Photos, body] },
            GuideBegun body => this with { Runs = [.. Runs, new GuideRun(body.Run, body, new Dictionary<string, StepTick>(), null)] },
            GuideTicked body => Altered(body.Alters ?? [], body.Watch).Run(body.Run, run => run.After(body, entry), doubt),
            MachineChanged body => Altered(body.Alters, "") with
            {
                Changes = [.. Changes, new ChangeTold(body.Name, body.Made, body.Watch)],
            },
            GuideRenewed body => Run(
                body.Run,
                r => r with { Begun = r.Begun with { Version = body.Version, Steps = body.Steps, Windows = body.Windows } },
                doubt
            ),
            GuideEnded body => Run(body.Run, r => r with { Ended = body }, doubt),
            _ => this,
        };

    private int OnTray(string removal, int lies) => Counts.TryGetValue(removal, out var count) ? Math.Min(lies, count.OnTray) : lies;

    private OpeningState Run(string run, Func<GuideRun, GuideRun> change, Action<string> doubt)
    {
        if (Runs.All(r => r.Id != run))
        {
            doubt("a guide is followed that was never begun");
            return this;
        }

        return this with
        {
            Runs = [.. Runs.Select(r => r.Id == run ? change(r) : r)],
        };
    }

    // What stays changed is no longer on the tray, and neither off nor back: it is how the machine is now.
    private OpeningState Altered(IReadOnlyList<Modification> alters, string watch)
    {
        if (alters.Count == 0)
            return this;
        var stays = new Dictionary<string, string>(StaysChanged);
        var counts = new Dictionary<string, FastenerCount>(Counts);
        foreach (var change in alters.Where(a => a.Key == StripDownCraft.StaysChangedKey))
        {
            counts.Remove(change.Of);
            if (change.Word is null)
                stays.Remove(change.Of);
            else
                stays[change.Of] = change.Word;
        }

        var made = alters.Where(a => a.Key == LastingChange.Key && a.Word is not null).Select(a => new ChangeTold(a.Says, true, watch));
        return this with
        {
            StaysChanged = stays,
            Counts = counts,
            Off = [.. Off.Where(o => !stays.ContainsKey(o.Removal))],
            Changes = [.. Changes, .. made],
        };
    }

    private OpeningState TakeOff(TakenOff body, Entry entry, JobState before, Action<string> doubt)
    {
        var has = Counts.GetValueOrDefault(body.Removal, new FastenerCount(body.Total));
        if (body.Item.Count < 0 || body.Item.Count > has.In)
        {
            doubt($"{body.Item.Count} of “{body.Item.Label}” came off, and {has.In} were in");
            return this;
        }

        // Pieces of one group that come out one after the other lie together on the tray.
        var there = before.Tray.FirstOrDefault(i => i.Removal == body.Removal);
        return this with
        {
            Counts = With(body.Removal, has.TakenOut(body.Item.Count)),
            Off = [.. Off, new OffLine(body.Removal, body.Part, there?.Id ?? body.Item.Id, body.Item.Count, entry.PersonName, entry.At)],
            StaysOff = StaysOff.Where(s => s.Key != body.Removal).ToDictionary(s => s.Key, s => s.Value),
        };
    }

    private OpeningState Back(PutBack body, TrayItem? item, Action<string> doubt)
    {
        var gone = (item?.Count ?? 0) - body.Count - body.LeftEmpty <= 0;
        var off = gone ? [.. Off.Where(l => l.Removal != body.Removal)] : Off;
        if (!Counts.TryGetValue(body.Removal, out var count))
            return this with { Off = off };
        if (body.Count < 0 || body.Count > count.OnTray || body.LeftEmpty > count.Lost)
        {
            doubt(
                $"{body.Count} of “{body.Label}” go back and {body.LeftEmpty} "
                    + $"holes stay empty, with {count.OnTray} off and {count.Lost} lost"
            );
            return this with { Off = off };
        }

        count = count.PutBack(body.Count);
        if (body.LeftEmpty > 0)
            count = count.LeaveEmpty(count.Empty + count.Lost)!.Value;
        return this with { Counts = With(body.Removal, count), Off = off };
    }

    private OpeningState Lose(PieceLost body, Action<string> doubt)
    {
        var count = Counts.GetValueOrDefault(body.Removal, new FastenerCount(Math.Max(body.Count, body.Total)));
        var room = body.Before ? count.In : count.OnTray;
        if (body.Count < 0 || body.Count > room)
        {
            doubt($"{body.Count} of “{body.Label}” are lost, of {room}");
            return this;
        }

        // What was missing already was never on the tray: it counts as out and lost.
        if (body.Before)
            count = count.TakenOut(body.Count);
        return this with { Counts = With(body.Removal, count.Lose(body.Count)) };
    }

    private OpeningState Counted(
        string removal,
        int many,
        string label,
        string verb,
        Func<FastenerCount, int> room,
        Func<FastenerCount, int, FastenerCount> change,
        Action<string> doubt
    )
    {
        if (Counts.TryGetValue(removal, out var count) && many >= 0 && many <= room(count))
            return this with { Counts = With(removal, change(count, many)) };
        doubt($"{many} of “{label}” {verb}, of {(Counts.ContainsKey(removal) ? room(Counts[removal]) : 0)}");
        return this;
    }

    private Dictionary<string, FastenerCount> With(string removal, FastenerCount count) => new(Counts) { [removal] = count };
}
