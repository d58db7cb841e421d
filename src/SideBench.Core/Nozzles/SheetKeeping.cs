using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>Puts a nozzle sheet on record, and what it says of each thread: no finding is typed that a sheet has told.</summary>
public static class SheetKeeping
{
    /// <summary>Records a sheet and what follows from it.</summary>
    /// <param name="job">The thread in hand.</param>
    /// <param name="sheet">The sheet's new name.</param>
    /// <param name="way">How it came in.</param>
    /// <param name="units">Every unit of the model's layout.</param>
    /// <param name="reading">What was read; null for taps.</param>
    /// <param name="house">House numbers of sheets.</param>
    /// <param name="caseOf">The case of another thread of the job.</param>
    /// <param name="newId">Makes ids for the tray.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Take(
        JobCase job,
        string sheet,
        SheetWay way,
        IReadOnlyList<UnitLine> units,
        SheetReading? reading,
        SheetNumbers house,
        Func<int, JobCase> caseOf,
        Func<string> newId
    )
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (job.Book.Model.Sheet is not { } plan)
            return new Problem(NozzlesProblem.UnknownLayout, "/layout", job.Book.Model.FullName);
        if (Wrong(plan.Layout, units) is { } wrong)
            return wrong;
        var lines = new List<EntryBody>
        {
            new SheetTaken(sheet, plan.Layout.Id, way.Name, way.Picture, units, reading?.Handling, reading?.Map, way.IsMadeUp),
        };
        lines.AddRange(Follow(job, sheet, units, plan, house, caseOf, newId, new HashSet<int>()));
        return lines;
    }

    /// <summary>Puts a sheet right: what was read stays on record, what it told is told anew.</summary>
    /// <param name="job">The thread in hand.</param>
    /// <param name="sheet">The sheet.</param>
    /// <param name="units">Every unit, as it should have been read.</param>
    /// <param name="house">House numbers of sheets.</param>
    /// <param name="caseOf">The case of another thread of the job.</param>
    /// <param name="newId">Makes ids for the tray.</param>
    public static Outcome<IReadOnlyList<EntryBody>> PutRight(
        JobCase job,
        string sheet,
        IReadOnlyList<UnitLine> units,
        SheetNumbers house,
        Func<int, JobCase> caseOf,
        Func<string> newId
    )
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (job.State.Sheets.FirstOrDefault(s => s.Id == sheet) is null)
            return new Problem(NozzlesProblem.UnknownSheet, "/sheet", sheet);
        if (job.Book.Model.Sheet is not { } plan)
            return new Problem(NozzlesProblem.UnknownLayout, "/layout", job.Book.Model.FullName);
        if (Wrong(plan.Layout, units) is { } wrong)
            return wrong;
        var lines = new List<EntryBody> { new SheetCorrected(sheet, units) };
        var told = new HashSet<int>();
        foreach (var (entry, body) in job.State.Answers.Where(a => a.Body.Sheet == sheet))
        {
            told.Add(body.Thread);
            // A thread that was taken back since is told nothing.
            if (job.State.Threads.All(t => t.Id != body.Thread))
                continue;
            var caseThread = body.Thread == job.Thread.Id ? job : caseOf(body.Thread);
            if (!caseThread.Thread.IsOpen || Answer(caseThread, sheet, units, plan, house, newId, only: body.Finding) is not { } anew)
                continue;
            // The same answer again is no news.
            if (anew.Outcome == body.Outcome)
                continue;
            lines.Add(new Corrected(entry, "the sheet was put right"));
            lines.Add(anew);
        }

        // What was too doubtful to tell anything is told now, unless a later sheet has spoken since.
        if (job.State.Sheets[^1].Id == sheet)
            lines.AddRange(Follow(job, sheet, units, plan, house, caseOf, newId, told));
        return lines;
    }

    /// <summary>The unit that a thread is about: the one its slot feeds, or the worst of the sheet.</summary>
    public static UnitLine? UnitOf(CaseThread thread, IReadOnlyList<UnitLine> units, SheetPlan plan)
    {
        var own = units.Where(unit => thread.Slot == 0 || plan.Slots.GetValueOrDefault(unit.Id) == thread.Slot).ToList();
        return own.MaxBy(unit => unit.Nozzles.Count(n => n != '.') + (unit.Pattern == PatternClass.None ? 0 : 0.5));
    }

    private static Problem? Wrong(SheetLayout layout, IReadOnlyList<UnitLine> units)
    {
        if (units.Count != layout.Units.Count)
            return new Problem(ProblemCode.OutOfRange, "/units", units.Count, layout.Units.Count, layout.Units.Count);
        for (var u = 0; u < units.Count; u++)
        {
            if (units[u].Id != layout.Units[u].Id)
                return new Problem(ProblemCode.UnknownWord, $"/units/{u}/id", units[u].Id, layout.Units[u].Id);
            if (units[u].Nozzles.Length != layout.Units[u].Nozzles)
                return new Problem(
                    ProblemCode.OutOfRange,
                    $"/units/{u}/nozzles",
                    units[u].Nozzles.Length,
                    layout.Units[u].Nozzles,
                    layout.Units[u].Nozzles
                );
            if (units[u].Nozzles.Any(n => !UnitLine.Letters.Contains(n)))
                return new Problem(
                    ProblemCode.UnknownWord,
                    $"/units/{u}/nozzles",
                    units[u].Nozzles,
                    string.Join(' ', UnitLine.Letters.ToCharArray())
                );
        }

        return null;
    }

    private static IEnumerable<EntryBody> Follow(
        JobCase job,
        string sheet,
        IReadOnlyList<UnitLine> units,
        SheetPlan plan,
        SheetNumbers house,
        Func<int, JobCase> caseOf,
        Func<string> newId,
        IReadOnlySet<int> told
    )
    {
        var lines = new List<EntryBody>();
        var spoken = new HashSet<string>();
        var last = Before(job, sheet);
        SheetComparison? Change(UnitLine unit) =>
            last?.Units.FirstOrDefault(u => u.Id == unit.Id) is { } before ? SheetComparison.Of(before, unit, house) : null;
        foreach (var thread in job.State.Threads.Where(t => t.IsOpen))
        {
            var caseThread = thread.Id == job.Thread.Id ? job : caseOf(thread.Id);
            if (UnitOf(thread, units, plan) is { } unit)
                spoken.Add(SheetWords.Family(unit.Pattern, Change(unit)));
            if (!told.Contains(thread.Id) && Answer(caseThread, sheet, units, plan, house, newId) is { } answer)
                lines.Add(answer);
        }

        var next = job.State.Threads.Max(t => t.Id) + 1;
        foreach (
            var family in units
                .Where(u => u.Pattern != PatternClass.None && IsSure(u, house))
                .GroupBy(u => SheetWords.Family(u.Pattern, Change(u)))
                .Where(f => spoken.Add(f.Key))
        )
        {
            var worst = family.MaxBy(u => u.Nozzles.Count(n => n != '.'))!;
            var complaint = job.Book.Book.Complaints.FirstOrDefault(c => c.Sheet?.Contains(family.Key) == true && c.When.Holds(job.Facts));
            if (complaint is null)
                continue;
            var (slot, words) = (
                plan.Slots[worst.Id],
                $"Nozzle sheet, {string.Join(", ", family.Select(u => u.Id))}: {SheetWords.Of(worst, null)}"
            );
            if (Endings.Open(job, complaint.Id, slot, words).IsGood)
                lines.Add(new ThreadOpened(next++, complaint.Id, slot, words));
        }

        return lines;
    }

    // The sheet taken before this one.
    private static SheetOnJob? Before(JobCase job, string sheet) => job.State.Sheets.TakeWhile(s => s.Id != sheet).LastOrDefault();

    private static bool IsSure(UnitLine unit, SheetNumbers house) =>
        unit.Odds.GetValueOrDefault(unit.Pattern) >= house.SureOfPattern && unit.Unsure.Count <= house.MostUnsure * unit.Nozzles.Length;

    // The question of this thread that a sheet answers now: the one that is asked, else the first that has no answer yet.
    private static Answered? Answer(
        JobCase job,
        string sheet,
        IReadOnlyList<UnitLine> units,
        SheetPlan plan,
        SheetNumbers house,
        Func<string> newId,
        string? only = null
    )
    {
        if (UnitOf(job.Thread, units, plan) is not { } unit || !IsSure(unit, house))
            return null;
        var earlier = Before(job, sheet)?.Units.FirstOrDefault(u => u.Id == unit.Id);
        var move = earlier is null ? null : SheetComparison.Of(earlier, unit, house);
        var asked = job.Advice.Chosen?.Step.Id;
        var open = job
            .Book.Findings.Where(f => f.Sheet is not null && (only is null ? f.When.Holds(job.Facts) : f.Id == only))
            .OrderByDescending(f => f.Id == asked)
            .ThenBy(f => f.IsProof)
            .ThenBy(f => job.Facts.Answers.ContainsKey(f.Id));
        foreach (var finding in open)
        {
            var word = finding.Sheet!.ContainsKey("cleared") ? move?.Move.ToString() : unit.Pattern.ToString();
            if (word is null || Outcome(finding, word) is not { } outcome)
                continue;
            // A proof counts only when it is what is wanted now.
            if (only is null && finding.IsProof && finding.Id != asked)
                continue;
            var told = BenchWork.Answer(
                job,
                finding.Id,
                outcome,
                finding.Outcomes[finding.IndexOf(outcome)].Quantity is null ? null : unit.MissingCount,
                newId,
                null,
                plan.Slots[unit.Id]
            );
            if (!told.IsGood)
                continue;
            return told.Value.OfType<Answered>().First() with
            {
                Sheet = sheet,
                Shares = finding.Sheet.ContainsKey("cleared") ? null : Shares(finding, unit),
            };
        }

        return null;
    }

    private static string? Outcome(Finding finding, string word) =>
        finding.Sheet!.GetValueOrDefault(StoredWord.Hyphened(word)) ?? finding.Sheet!.GetValueOrDefault("any");

    private static Dictionary<string, double> Shares(Finding finding, UnitLine unit) =>
        unit
            .Odds.Select(o => (Outcome: Outcome(finding, o.Key.ToString()), o.Value))
            .Where(o => o.Outcome is not null)
            .GroupBy(o => o.Outcome!)
            .ToDictionary(g => g.Key, g => Math.Round(g.Sum(o => o.Value), 3));
}
