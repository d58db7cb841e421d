using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Opening a machine up and putting it together again, as lines of the record. Pure: ids come in.</summary>
public static class OpeningWork
{
    /// <summary>What can become of an old part.</summary>
    public static readonly IReadOnlyList<string> Fates = ["returned", "scrapped", "kept"];

    private const double DayMin = 24 * 60;

    /// <summary>Chooses what to reach.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="parts">Parts to reach; none ends the opening.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Aim(JobState state, AccessGraph graph, IReadOnlyList<string> parts)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var unknown = parts
            .Where(p => graph.Part(p) is null)
            .Select(p => new Problem(StripDownProblem.UnknownRemoval, "/parts", p))
            .ToList();
        if (unknown.Count > 0)
            return unknown;
        return One(new Aimed([.. parts.Distinct()], [.. parts.Distinct().Select(p => graph.Part(p)!.Name.ToLowerInvariant())]));
    }

    /// <summary>Takes something off.</summary>
    /// <param name="job">The job.</param>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="id">The removal.</param>
    /// <param name="count">How many came out; null for all that are in.</param>
    /// <param name="newId">A name for it on the tray.</param>
    public static Outcome<IReadOnlyList<EntryBody>> TakeOff(JobCase job, AccessGraph graph, string id, int? count, string newId)
    {
        var state = job.State;
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (Removals.Find(graph, id) is not { } removal)
            return new Problem(StripDownProblem.UnknownRemoval, "/removal", id);
        var part = graph.Part(removal.Part)!;
        var has = state.Opening.Counts.GetValueOrDefault(id, new FastenerCount(removal.Count));
        if (has.In == 0 || state.Opening.DoneOn(graph, state.Tray).Contains(id))
            return new Problem(StripDownProblem.OffAlready, "/removal", removal.Title, WhoTook(state, id));
        if (count is < 1 || count > has.In)
            return new Problem(ProblemCode.OutOfRange, "/count", count, 1, has.In);
        var problems = Before(state, graph, part, removal).ToList();
        if (WordFor(job, part) is { } word)
            problems.Add(new Problem(StripDownProblem.WordNeeded, "/removal", part.Name, word));
        if (problems.Count > 0)
            return problems;
        return One(
            new TakenOff(
                id,
                part.Id,
                removal.Title,
                removal.Count,
                removal.Item(newId, count ?? has.In, part.Marks),
                Math.Round(removal.Out.Value, 2),
                graph.Version
            )
        );
    }

    /// <summary>Notes that something would not move.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> WouldNot(JobState state, AccessGraph graph, string id, string what)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (Removals.Find(graph, id) is not { } removal)
            return new Problem(StripDownProblem.UnknownRemoval, "/removal", id);
        if (what.Length > Guard.LongestText)
            return new Problem(ProblemCode.TooLong, "/what", what.Length, Guard.LongestText);
        return One(
            new WouldNot(id, removal.Title, string.IsNullOrWhiteSpace(what) ? "Stopped, to count again what holds it." : what.Trim())
        );
    }

    /// <summary>Puts something back, or shuts, plugs or tightens it.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="graph">How the machine opens; null when its model has none.</param>
    /// <param name="item">What lies on the tray.</param>
    /// <param name="count">How many go back; null for all that are there.</param>
    public static Outcome<IReadOnlyList<EntryBody>> PutBack(JobState state, AccessGraph? graph, string item, int? count)
    {
        if (state.HandOver is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (state.Tray.FirstOrDefault(i => i.Id == item) is not { } piece)
            return new Problem(StripDownProblem.NotOff, "/item", item);
        var beneath = WayBack.Before(graph, state.Tray, piece);
        if (beneath.Count > 0)
            return new Problem(
                StripDownProblem.BackFirst,
                "/item",
                piece.Label,
                string.Join(", ", beneath.Select(b => $"{b.Label} {b.Change}"))
            );
        if (piece.Removal is not { } id)
            return One(new TrayCleared(piece.Id, $"{piece.Label} {piece.Change}"));
        var has = state.Opening.Counts.GetValueOrDefault(id, new FastenerCount(piece.Count, piece.Count));
        // Nothing goes back only where all of it is lost.
        var least = Math.Min(1, has.OnTray);
        if (count < least || count > has.OnTray)
            return new Problem(ProblemCode.OutOfRange, "/count", count, least, has.OnTray);
        var back = count ?? has.OnTray;
        var last = back == has.OnTray;
        var group = graph is null ? null : Removals.Find(graph, id)?.Group;
        if (last && has.Lost > 0 && has.LeaveEmpty(group?.MayStayEmpty ?? 0) is null)
            return new Problem(
                StripDownProblem.PieceMissing,
                "/item",
                has.Lost,
                piece.Label,
                group?.MayStayEmpty ?? 0,
                group is { Collared: true } ? "a shouldered one never" : "the others hold"
            );
        return One(
            new PutBack(
                piece.Id,
                id,
                piece.Label,
                back,
                last ? has.Lost : 0,
                Math.Round(graph is null ? 0 : Removals.Find(graph, id)?.Back.Value ?? 0, 2)
            )
        );
    }

    /// <summary>Takes things off the tray: they are back, shut or out again.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="items">What is undone, all of it.</param>
    /// <param name="graph">How the machine opens; null when its model has no graph.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Clear(JobState state, IReadOnlyList<string> items, AccessGraph? graph = null)
    {
        if (items.Count == 0)
            return new Problem(ProblemCode.Missing, "/items");
        var missing = items
            .Where(id => state.Tray.All(i => i.Id != id))
            .Select(id => new Problem(ProblemCode.UnknownTrayItem, "/items", id))
            .ToList();
        if (missing.Count > 0)
            return missing;
        // Everything that is undone in one press may lie one beneath the other; what stays may not lie beneath it.
        var stays = state.Tray.Where(i => !items.Contains(i.Id)).ToList();
        var each = state
            .Tray.Where(i => items.Contains(i.Id))
            .Select(i => PutBack(state with { Tray = [.. state.Tray.Where(t => t.Id == i.Id || stays.Contains(t))] }, graph, i.Id, null))
            .ToList();
        var problems = each.SelectMany(e => e.Problems).ToList();
        if (problems.Count > 0)
            return problems;
        return each.SelectMany(e => e.Value).ToList();
    }

    /// <summary>Tells that pieces were lost, or were missing already.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="id">The group's removal.</param>
    /// <param name="count">How many.</param>
    /// <param name="before">Whether they were missing already when it was opened.</param>
    /// <param name="reason">What is known of it; may be empty.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Lose(
        JobState state,
        AccessGraph graph,
        string id,
        int count,
        bool before,
        string reason
    )
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (Removals.Find(graph, id) is not { Group: not null } removal)
            return new Problem(StripDownProblem.UnknownRemoval, "/removal", id);
        var has = state.Opening.Counts.GetValueOrDefault(id, new FastenerCount(removal.Count));
        var most = before ? has.In : has.OnTray;
        if (count < 1 || count > most)
            return new Problem(ProblemCode.OutOfRange, "/count", count, 1, most);
        if (reason.Length > Guard.LongestText)
            return new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText);
        var item = state.Tray.FirstOrDefault(i => i.Removal == id)?.Id ?? "";
        return One(new PieceLost(item, id, removal.Label, count, before, reason.Trim(), removal.Count));
    }

    /// <summary>Replaces lost pieces from stock.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Replace(JobState state, string id, int count, string from)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (!state.Opening.Counts.TryGetValue(id, out var has) || state.Tray.FirstOrDefault(i => i.Removal == id) is not { } item)
            return new Problem(StripDownProblem.UnknownRemoval, "/removal", id);
        if (count < 1 || count > has.Lost)
            return new Problem(ProblemCode.OutOfRange, "/count", count, 1, has.Lost);
        if (from.Length > Guard.LongestName)
            return new Problem(ProblemCode.TooLong, "/from", from.Length, Guard.LongestName);
        return One(new PieceReplaced(item.Id, id, item.Label, count, from.Trim()));
    }

    /// <summary>Leaves a part off, with a reason; what holds it stays on the tray until it is cleared or left off too.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> LeaveOff(JobState state, string item, string reason)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (state.Tray.FirstOrDefault(i => i.Id == item) is not { } piece)
            return new Problem(StripDownProblem.NotOff, "/item", item);
        if (piece.Change == "inside")
            return new Problem(ProblemCode.StillInside, "/item", piece.Label);
        var problems = new List<Problem>();
        Guard.Text(problems, reason, "/reason", Guard.LongestText, needed: true);
        if (problems.Count > 0)
            return problems;
        return state
            .Tray.Where(i => i.Id == item || (piece.Removal == piece.Part && i.Part is not null && i.Part == piece.Part))
            .Select(i => (EntryBody)new LeftOff(i.Id, i.Removal ?? i.Label, i.Label, reason.Trim()))
            .ToList();
    }

    /// <summary>Renews a part; an old one that goes back to its seller starts a clock.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Renew(JobState state, AccessGraph graph, PartRenewed told, DateOnly today, string newId)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        if (graph.Part(told.Part) is not { } part)
            return new Problem(StripDownProblem.UnknownRemoval, "/part", told.Part);
        if (!Fates.Contains(told.OldFate))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/oldFate", told.OldFate, string.Join(", ", Fates)));
        foreach (var (text, path) in new[] { (told.Number, "/number"), (told.Lot, "/lot"), (told.Keeps, "/keeps") })
            Guard.Text(problems, text, path, Guard.LongestName, needed: false);
        if (told.Price is < 0 or > 100_000)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/price", told.Price, 0, 100_000));
        if (told.ReturnBy is { } by && (by < today || by > today.AddYears(2)))
            problems.Add(
                new Problem(
                    ProblemCode.OutOfRange,
                    "/returnBy",
                    by.ToString("yyyy-MM-dd"),
                    today.ToString("yyyy-MM-dd"),
                    today.AddYears(2).ToString("yyyy-MM-dd")
                )
            );
        if (told.WarrantyEnd is { } end && (end < today.AddYears(-1) || end > today.AddYears(20)))
            problems.Add(
                new Problem(
                    ProblemCode.OutOfRange,
                    "/warrantyEnd",
                    end.ToString("yyyy-MM-dd"),
                    today.ToString("yyyy-MM-dd"),
                    today.AddYears(20).ToString("yyyy-MM-dd")
                )
            );
        if (problems.Count > 0)
            return problems;
        var lines = new List<EntryBody> { told with { Name = part.Name.ToLowerInvariant() } };
        if (told is { OldFate: "returned", ReturnBy: { } until })
            lines.Add(
                new ClockStarted(
                    newId,
                    "return",
                    $"old {part.Name.ToLowerInvariant()} back to its seller",
                    Math.Max(1, until.DayNumber - today.DayNumber) * DayMin,
                    null
                )
            );
        return lines;
    }

    /// <summary>Puts a photo on record.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Photo(JobState state, string picture, string of, string label)
    {
        if (state.HandOver is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        Guard.Text(problems, label, "/label", Guard.LongestName, needed: true);
        Guard.Text(problems, of, "/of", Guard.LongestName, needed: false);
        if (problems.Count > 0)
            return problems;
        return One(new PhotoTaken(picture, of, label.Trim()));
    }

    /// <summary>The customer's word that a part needs before it comes off; null when none.</summary>
    public static string? WordFor(JobCase job, MachinePart part)
    {
        var word = part.Spends switch
        {
            "seal" when job.Facts.Context["warranty"] == "in" => Consented.OpenInWarranty,
            "cut" => Consented.Irreversible,
            _ => null,
        };
        return word is not null && !job.State.Consents.Contains(word) ? word : null;
    }

    // What of the graph stands in the way: parts before it, and for the part itself what holds it.
    private static IEnumerable<Problem> Before(JobState state, AccessGraph graph, MachinePart part, Removal removal)
    {
        var done = state.Opening.DoneOn(graph, state.Tray);
        var shut = part
            .After.Where(line => !line.Any(name => done.Contains(name) || state.Opening.StaysOff.ContainsKey(name)))
            .Select(line => string.Join(" or ", line.Select(name => graph.Part(name)!.Name.ToLowerInvariant())));
        var held = removal.IsPart ? Removals.Of(part).Where(r => !r.IsPart && !done.Contains(r.Id)).Select(r => r.Label) : [];
        var first = shut.Concat(held).ToList();
        if (first.Count > 0)
            yield return new Problem(StripDownProblem.OffFirst, "/removal", removal.Title, string.Join(", ", first));
        else if (part.Powered && done.Contains(WayIn.MainsLead))
            yield return new Problem(StripDownProblem.PowerFirst, "/removal", part.Name);
    }

    private static string WhoTook(JobState state, string removal) =>
        state.Opening.Off.LastOrDefault(o => o.Removal == removal) is { } line
            ? $"{line.Person}, {line.At:HH:mm} UTC"
            : "a step of the fault book";

    private static Outcome<IReadOnlyList<EntryBody>> One(EntryBody body) => new List<EntryBody> { body };
}
