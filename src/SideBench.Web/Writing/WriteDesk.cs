using Npgsql;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Data.Shop;
using SideBench.Web.Hosting;

namespace SideBench.Web.Writing;

/// <summary>
/// The one desk at which the record is written. A write is one transaction: what it is about is held, its key is looked for (the same key
/// again is the same write), versions are compared, the rule of the core makes lines, the lines are numbered on every subject they touch,
/// projections follow, the answer is built, and only then is it all made to last.
/// </summary>
public sealed class WriteDesk(NpgsqlDataSource database, JobStore jobs, EntryStore entries, VerdictStore verdicts, BenchBooks books)
{
    // Most writes have fewer lines; one that has more takes numbers once more.
    private const int LinesAtOnce = 8;

    /// <summary>Writes on a job.</summary>
    /// <param name="asked">What is asked.</param>
    /// <param name="id">The job.</param>
    /// <param name="thread">The thread in hand.</param>
    /// <param name="rule">Makes lines of it, or says what stands in the way.</param>
    /// <param name="show">Builds the answer from the job as it then stands.</param>
    /// <param name="cancel">Stops it, until it is sent for good.</param>
    public async Task<Outcome<T>> OnJob<T>(
        Asked asked,
        JobId id,
        int thread,
        Func<OnJob, Outcome<IReadOnlyList<EntryBody>>> rule,
        Func<LoadedJob, JobCase, T> show,
        CancellationToken cancel
    )
    {
        if (asked.Write.Key == Guid.Empty)
            return new Problem(ProblemCode.Missing, "/key");
        return await Try(
            async unit =>
            {
                var held = await jobs.Hold(unit, id, asked.Write.Key, LinesAtOnce, cancel);
                if (held.Job is not { } job)
                    return (false, new Problem(ProblemCode.UnknownJob, "", id.Value));
                if (held.Earlier is { } earlier)
                    return (false, Again(earlier, asked, () => Shown(job, thread, show)));
                if (!asked.IsHarmless && asked.SeenVersion != job.Row.Version)
                    return (false, Stale(job, asked.SeenVersion));
                if (OthersSince(job, asked) > 0)
                    return (false, Stale(job, asked.ShownVersion));
                var now = books.Case(job, thread);
                if (!now.IsGood)
                    return (false, (Outcome<T>)now.Problems.ToList());
                var lines = rule(new OnJob(now.Value, job.Entries, other => books.Case(job, other).Value, books));
                if (!lines.IsGood)
                    return (false, (Outcome<T>)lines.Problems.ToList());
                return (true, await Append(unit, held, job, now.Value, asked, lines.Value, thread, show, cancel));
            },
            cancel
        );
    }

    /// <summary>Writes about the shop itself.</summary>
    /// <param name="asked">What is asked.</param>
    /// <param name="rule">Makes lines of it from those there are, or says what stands in the way.</param>
    /// <param name="cancel">Stops it, until it is sent for good.</param>
    /// <returns>All lines about the shop.</returns>
    public Task<Outcome<IReadOnlyList<Entry>>> OnShop(
        Asked asked,
        Func<IReadOnlyList<Entry>, Outcome<IReadOnlyList<EntryBody>>> rule,
        CancellationToken cancel
    ) => OnShop(asked, (_, known) => Task.FromResult(rule(known)), cancel);

    /// <summary>Writes about the shop itself, with what goes along in the same unit.</summary>
    /// <param name="asked">What is asked.</param>
    /// <param name="rule">Makes lines of it, and writes what goes along; undone when it says what stands in the way.</param>
    /// <param name="cancel">Stops it, until it is sent for good.</param>
    /// <returns>All lines about the shop.</returns>
    public async Task<Outcome<IReadOnlyList<Entry>>> OnShop(
        Asked asked,
        Func<Unit, IReadOnlyList<Entry>, Task<Outcome<IReadOnlyList<EntryBody>>>> rule,
        CancellationToken cancel
    )
    {
        if (asked.Write.Key == Guid.Empty)
            return new Problem(ProblemCode.Missing, "/key");
        var written = await Try<IReadOnlyList<Entry>>(
            async unit =>
            {
                var version = (await SubjectStore.HoldAll(unit, [Subject.Shop], cancel))[Subject.Shop];
                var (known, found) = await entries.OfShop(unit, books.Known, asked.Write.Key, cancel);
                if (found is { } earlier)
                    return (false, Again<IReadOnlyList<Entry>>(earlier, asked, () => (List<Entry>)[.. known]));
                var lines = await rule(unit, known);
                // What is refused of an old view may be fine of the new one: that it is old comes first.
                if (!lines.IsGood && !asked.IsHarmless && version != asked.SeenVersion)
                    return (false, new Problem(ProblemCode.ShopChanged, "/seenVersion"));
                if (!lines.IsGood)
                    return (false, (Outcome<IReadOnlyList<Entry>>)lines.Problems.ToList());
                var ids = await SubjectStore.NewLines(unit, lines.Value.Count, cancel);
                await using var appending = new Appending(unit);
                List<NewLine> made = [.. lines.Value.Select((body, i) => new NewLine(ids[i], version + 1 + i, body))];
                appending.Lines(asked.Write, null, null, made);
                appending.Touch(Subject.Shop, version, ids);
                List<Entry> added = [.. made.Select(line => EntryOf(line, null, asked.Write))];
                var all = TouchedSubjects.OfShop([.. known, .. added]);
                List<TouchedBy> touched = [.. all.Where(t => t.Line.Version > version)];
                if (!asked.IsHarmless && SinceOnTheSame(all, touched, asked.SeenVersion, version))
                    return (false, new Problem(ProblemCode.ShopChanged, "/seenVersion"));
                await Touch(unit, appending, [.. touched.SelectMany(t => t.Subjects.Select(s => (s, t.Line.Id)))], cancel);
                JobStore.AnnounceShop(appending, ShopParts.Of(touched.SelectMany(t => t.Subjects)));
                await appending.Send(cancel);
                return (true, (List<Entry>)[.. known, .. added]);
            },
            cancel
        );
        if (written.IsGood)
            await books.Load(entries, verdicts, cancel);
        return written;
    }

    /// <summary>Does something in one transaction, and knows what became of it when it breaks.</summary>
    /// <param name="work">The work; says whether it is to last.</param>
    /// <param name="cancel">Stops it, until it is sent for good.</param>
    public async Task<Outcome<T>> Try<T>(Func<Unit, Task<(bool Lasts, Outcome<T> Answer)>> work, CancellationToken cancel)
    {
        var isKnown = true;
        try
        {
            await using var unit = await Unit.Begin(database, cancel);
            var (lasts, answer) = await work(unit);
            if (!lasts)
                return answer;
            isKnown = false;
            await unit.Commit(CancellationToken.None);
            return answer;
        }
        catch (PostgresException e) when (isKnown && ConstraintProblems.Of(e) is { } problem)
        {
            return problem;
        }
        catch (Exception e) when (e is not OperationCanceledException || !isKnown)
        {
            throw new WriteFailed(isKnown, e);
        }
    }

    private async Task<Outcome<T>> Append<T>(
        Unit unit,
        HeldJob held,
        LoadedJob job,
        JobCase now,
        Asked asked,
        IReadOnlyList<EntryBody> lines,
        int thread,
        Func<LoadedJob, JobCase, T> show,
        CancellationToken cancel
    )
    {
        var (write, ids) = (asked.Write, held.NewLines);
        if (ids.Count < lines.Count)
            ids.AddRange(await SubjectStore.NewLines(unit, lines.Count - ids.Count, cancel));
        List<NewLine> made = [.. lines.Select((b, i) => new NewLine(ids[i], job.Row.Version + 1 + i, b, i == 0 ? null : asked.ByTheWay))];
        List<Entry> added = [.. made.Select(line => EntryOf(line, job.Row.Id, write))];
        List<Entry> all = [.. job.Entries, .. added];
        await using var appending = new Appending(unit);
        appending.Lines(write, job.Row.Id, job.Row.Machine, made);
        appending.Touch(Subject.Of(job.Row.Machine), held.MachineVersion, [.. made.Select(l => l.Id)]);
        var about = await TouchOthers(unit, appending, job, now, added, cancel);
        JobStore.AnnounceLists(appending, ShopParts.Of(about));
        if (VerdictStore.Follow(appending, job.Row.Id, job.Entries, added))
            JobStore.AnnounceShop(appending, [ShopPart.Book]);
        // Where a plan is made anew, the database writes the lines meanwhile; what lists show follows from the plan.
        var early = lines.Any(line => line.ChangesTheCase) ? appending.Send(cancel) : null;
        await using var projecting = early is null ? null : new Appending(unit);
        var last = projecting ?? appending;
        T answer;
        try
        {
            var then = books.Case(job with { Entries = all }, lines.OfType<ThreadOpened>().LastOrDefault()?.Thread ?? thread).Value;
            var row = job.Row with { Version = job.Row.Version + made.Count, Place = then.State.Place };
            JobStore.Project(last, job.Row.Id, JobProjections.Of(then, books, write.At, job.Row));
            foreach (var word in FoundBy(lines, then).Where(w => w.Length > 0).Distinct())
                FindStore.More(last, "job", job.Row.Id.Value, word);
            foreach (var word in NoLongerFoundBy(job, added, all))
                FindStore.Less(last, "job", job.Row.Id.Value, word);
            answer = show(job with { Row = row, Entries = all }, then);
        }
        finally
        {
            if (early is not null)
                await early;
        }

        await last.Send(cancel);
        return answer;
    }

    // A job is found by the lots and numbers of what was fitted, and by the cause it was closed with.
    private static IEnumerable<string> FoundBy(IReadOnlyList<EntryBody> lines, JobCase job) =>
        lines
            .SelectMany(line => line.FoundBy)
            .Concat(lines.OfType<Closed>().Select(c => job.Book.Book.Causes.FirstOrDefault(x => x.Id == c.Cause)?.Name ?? ""));

    // Words of lines that are taken back, unless another line that holds, or the take-in, has them too.
    private static IEnumerable<string> NoLongerFoundBy(LoadedJob job, IReadOnlyList<Entry> added, IReadOnlyList<Entry> all)
    {
        var (now, ever) = (TakenBack.In(added), TakenBack.In(all));
        if (now.Count == 0)
            return [];
        var kept = all.Where(e => !ever.Contains(e.Id.Value)).SelectMany(e => e.Body.FoundBy);
        string[] begun = [job.Row.CustomerName, job.Row.Serial, $"{job.Row.Tag}"];
        return job
            .Entries.Where(e => now.Contains(e.Id.Value))
            .SelectMany(e => e.Body.FoundBy)
            .Where(w => w.Length > 0 && !kept.Concat(begun).Any(k => k.Contains(w, StringComparison.OrdinalIgnoreCase)))
            .Distinct();
    }

    // Hours that somebody sets meanwhile stand in nobody's way who counts the shelf; another count does. A version from nowhere does too.
    private static bool SinceOnTheSame(IReadOnlyList<TouchedBy> all, List<TouchedBy> now, int seen, int version)
    {
        var about = now.SelectMany(t => t.Subjects).ToHashSet();
        return seen > version || all.Any(t => t.Line.Version > seen && t.Line.Version <= version && t.Subjects.Any(about.Contains));
    }

    // What lines are about beside the job and its machine. What is taken back can change what the machine's later lines were about.
    private async Task<IReadOnlyList<Subject>> TouchOthers(
        Unit unit,
        Appending appending,
        LoadedJob job,
        JobCase now,
        List<Entry> added,
        CancellationToken cancel
    )
    {
        var touched = added.Any(e => e.Body is Corrected)
            ? await Anew(unit, job, added, cancel)
            : TouchedSubjects.Of(job.Row.Machine.Value, job.Row.ModelId, added, now.State.Machine);
        List<(Subject Of, EntryId Line)> about = [.. touched.SelectMany(t => t.Subjects.Select(s => (s, t.Line.Id)))];
        await Touch(unit, appending, about, cancel);
        return [.. about.Select(a => a.Of)];
    }

    private async Task<IEnumerable<TouchedBy>> Anew(Unit unit, LoadedJob job, List<Entry> added, CancellationToken cancel)
    {
        var lines = await entries.Of(unit, job.Row.Machine, cancel);
        List<Entry> all = [.. lines, .. added];
        var known = await SubjectStore.AboutOf(unit, [.. lines.Select(e => e.Id)], cancel);
        // It goes wherever its line was ever told of, also where that turned out not to be its thing.
        IEnumerable<Subject> Ever(TouchedBy t) => t.Line.Body is Corrected back ? known[new EntryId(back.Target)] : [];
        return TouchedSubjects
            .Of(job.Row.Machine.Value, job.Row.ModelId, all)
            .Select(t => t with { Subjects = [.. t.Subjects.Union(Ever(t)).Except(known[t.Line.Id])] });
    }

    private static async Task Touch(Unit unit, Appending appending, List<(Subject Of, EntryId Line)> about, CancellationToken cancel)
    {
        if (about.Count == 0)
            return;
        var bySubject = about.ToLookup(a => a.Of, a => a.Line);
        var versions = await SubjectStore.HoldAll(unit, [.. bySubject.Select(g => g.Key)], cancel);
        foreach (var lines in bySubject)
            appending.Touch(lines.Key, versions[lines.Key], [.. lines]);
    }

    private Outcome<T> Shown<T>(LoadedJob job, int thread, Func<LoadedJob, JobCase, T> show)
    {
        var now = books.Case(job, thread);
        return now.IsGood ? show(job, now.Value) : now.Problems.ToList();
    }

    private static Outcome<T> Again<T>(EarlierWrite earlier, Asked asked, Func<Outcome<T>> answer) =>
        earlier.Fingerprint == asked.Write.Fingerprint ? answer() : new Problem(ProblemCode.KeyReused, "/key");

    private static Problem Stale(LoadedJob job, int seen) =>
        new(ProblemCode.StaleVersion, "/seenVersion")
        {
            Changes = [.. job.Entries.Where(e => e.Version > seen).Select(e => $"{e.PersonName}: {e.Body.Says}")],
        };

    private static Entry EntryOf(NewLine line, JobId? job, Write write) =>
        new(line.Id, job, line.Version, write.Person, write.PersonName, write.At, line.Body, line.How ?? write.How);

    // A press that waited somewhere is seen as its own lines left the job; what others wrote since it was shown is asked about.
    private static int OthersSince(LoadedJob job, Asked asked) =>
        asked.IsHarmless || asked.ShownVersion <= 0
            ? 0
            : job.Entries.Count(e => e.Version > asked.ShownVersion && e.Person != asked.Write.Person);
}
