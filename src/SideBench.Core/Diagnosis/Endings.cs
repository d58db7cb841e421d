using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Opens threads and ends them; the last one ends the job.</summary>
public static class Endings
{
    /// <summary>How a thread can end.</summary>
    public static readonly IReadOnlyList<string> Ways = ["verified", "handed-back", "unproved"];

    /// <summary>Opens a thread for another symptom, or the same at another place.</summary>
    /// <param name="job">Any case of the job.</param>
    /// <param name="complaint">The complaint.</param>
    /// <param name="slot">The slot it is about, by panel number; 0 for the whole machine.</param>
    /// <param name="words">The symptom in words; may be empty.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Open(JobCase job, string complaint, int slot, string words)
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        var known = job.Book.Book.Complaints.FirstOrDefault(c => c.Id == complaint);
        if (known is null)
            problems.Add(
                new Problem(ProblemCode.UnknownWord, "/complaint", complaint, string.Join(", ", job.Book.Book.Complaints.Select(c => c.Id)))
            );
        else if (!known.When.Holds(job.Facts))
            problems.Add(new Problem(DiagnosisProblem.ComplaintDoesNotFit, "/complaint", known.Name, job.Book.Model.FullName));
        if (slot < 0 || slot > job.Book.Model.Slots.Count)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/slot", slot, 0, job.Book.Model.Slots.Count));
        if (words.Length > Guard.LongestText)
            problems.Add(new Problem(ProblemCode.TooLong, "/words", words.Length, Guard.LongestText));
        if (job.State.Threads.Any(t => t.IsOpen && t.Complaint == complaint && t.Slot == slot))
            problems.Add(new Problem(DiagnosisProblem.ThreadThere, "/complaint"));
        if (job.State.Threads.Count >= job.Book.Book.House.MostThreads)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/thread", job.State.Threads.Count + 1, 1, job.Book.Book.House.MostThreads));
        if (problems.Count > 0)
            return problems;
        return new List<EntryBody> { new ThreadOpened(job.State.Threads.Max(t => t.Id) + 1, complaint, slot, words.Trim()) };
    }

    /// <summary>
    /// Ends a thread; the job with it when it is the last: verified needs proof, and a tray that is not clear needs a reason.
    /// </summary>
    /// <param name="job">The thread.</param>
    /// <param name="how">verified, handed-back or unproved.</param>
    /// <param name="reason">Why; needed for all but a verified end with a clear tray.</param>
    /// <param name="cause">The cause it was, when the person knows better than the odds; empty otherwise.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Close(JobCase job, string how, string reason, string cause = "")
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (!job.Thread.IsOpen)
            return new Problem(DiagnosisProblem.ThreadClosed, "/thread");
        var last = job.State.Threads.Count(t => t.IsOpen) == 1;
        var problems = Wrong(job, how, reason, cause, last);
        if (problems.Count > 0)
            return problems;
        var was =
            how == "verified"
                ? cause.Length > 0
                    ? cause
                    : ConfirmedCause(job)
                : "";
        var lines = new List<EntryBody>();
        if (was.Length > 0)
            lines.Add(Judge(job, was));
        lines.Add(
            last
                ? new Closed(Whole(job, how), was, reason, [.. job.State.Tray.Select(i => $"{i.Label} {i.Change}")], job.Thread.Id, how)
                : new ThreadClosed(job.Thread.Id, how, was, reason)
        );
        return lines;
    }

    /// <summary>The cause that the proved repair most likely ended; empty when nothing was proved.</summary>
    public static string ConfirmedCause(JobCase job)
    {
        if (!job.Proof.Proved || job.Odds.Mended.Length == 0)
            return "";
        var best = 0;
        for (var c = 1; c < job.Odds.Mended.Length; c++)
            if (job.Odds.Mended[c] > job.Odds.Mended[best])
                best = c;
        return job.Odds.Mended[best] > 0 ? job.Book.Causes[best].Id : "";
    }

    private static List<Problem> Wrong(JobCase job, string how, string reason, string cause, bool last)
    {
        var problems = new List<Problem>();
        if (!Ways.Contains(how))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/how", how, string.Join(", ", Ways)));
        if (how == "verified" && !job.Proof.Proved)
            problems.Add(new Problem(DiagnosisProblem.NotProved, "/how"));
        if (cause.Length > 0 && job.Book.Causes.All(c => c.Id != cause))
            problems.Add(new Problem(DiagnosisProblem.UnknownStep, "/cause", cause));
        var bare = string.IsNullOrWhiteSpace(reason);
        if (last && job.State.Tray.Where(i => i.Change == "inside").ToList() is { Count: > 0 } inside)
            problems.Add(new Problem(ProblemCode.StillInside, "/tray", string.Join(", ", inside.Select(i => i.Label))));
        else if (last && job.State.Tray.Count > 0 && bare)
            problems.Add(
                new Problem(ProblemCode.TrayNotClear, "/reason", string.Join(", ", job.State.Tray.Select(i => $"{i.Label} {i.Change}")))
            );
        else if (how != "verified" && bare)
            problems.Add(new Problem(ProblemCode.Missing, "/reason"));
        if (reason.Length > Guard.LongestText)
            problems.Add(new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText));
        return problems;
    }

    // A job ended as its worst thread did.
    private static string Whole(JobCase job, string how)
    {
        var ways = job.State.Threads.Where(t => !t.IsOpen).Select(t => t.How).Append(how).ToList();
        return ways.Contains("handed-back") ? "handed-back"
            : ways.Contains("unproved") ? "unproved"
            : "verified";
    }

    // The odds as they stood before the first repair, against what it was; and what each test told of it. Before the first,
    // since looking only at the repair that helped would flatter the odds.
    private static Judged Judge(JobCase job, string cause)
    {
        var at = job.Book.Causes.ToList().FindIndex(c => c.Id == cause);
        var done = job.Timeline.ToList().FindIndex(e => e is CaseEvent.Worked w && w.Thread == job.Thread.Id);
        var before = Posterior.Of(job.Book, job.Facts, [.. job.Timeline.Take(done)]);
        var odds = job
            .Book.Causes.Select((c, i) => new Foretold(c.Id, before.Still[i], i == at))
            .Where(f => f.Confirmed || f.Ratio >= job.Book.Book.House.LeastForetold);
        var panel = job.Timeline.OfType<CaseEvent.Told>().LastOrDefault(t => t.Finding == CodeOdds.Finding);
        var minutes = job.State.Answers.GroupBy(a => a.Entry).ToDictionary(g => g.Key, g => g.First().Body.Minutes);
        return new Judged(
            job.Thread.Id,
            job.Book.Model.Id,
            job.Book.Complaint.Id,
            job.State.Intake.Ink,
            cause,
            [.. odds],
            [.. before.Paths.Select((p, i) => Worth(before, i, at, minutes)).OfType<TestWorth>()]
        )
        {
            // An answer whose code nobody told says nothing of any one code: it counts neither for nor against it.
            Panel = panel is { Code.Length: > 0 } or { Outcome: CodeOdds.NoCode } ? panel.Outcome : "",
            Code = panel?.Code ?? "",
        };
    }

    private static TestWorth? Worth(Posterior odds, int fact, int cause, Dictionary<long, double> minutes)
    {
        var path = odds.Paths[fact];
        if (path.Evidence.Kind != "finding" || path.Evidence.Entry is not { } entry)
            return null;
        var before = Math.Max(path.Before[cause], 1e-6);
        return new TestWorth(path.Evidence.Source, minutes.GetValueOrDefault(entry), Math.Log2(Math.Max(path.After[cause], 1e-6) / before));
    }
}
