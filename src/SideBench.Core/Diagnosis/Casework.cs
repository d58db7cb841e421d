using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A gate that was gone past with a reason, for one step.</summary>
/// <param name="Gate">The gate.</param>
/// <param name="Step">The step.</param>
public readonly record struct PastGate(string Gate, string Step);

/// <summary>What diagnosis keeps of a job: its threads, what was told and mended, and the choices that hold for this job alone.</summary>
public sealed record Casework : CraftState
{
    /// <summary>Nothing was told.</summary>
    public static readonly Casework New = new();

    /// <summary>Its threads, the complaint of the take-in first.</summary>
    public IReadOnlyList<CaseThread> Threads { get; init; } = [];

    /// <summary>Answers and repairs of all threads as they stand after corrections, oldest first.</summary>
    public IReadOnlyList<CaseEvent> Timeline { get; init; } = [];

    /// <summary>Work as it stands after corrections, oldest first.</summary>
    public IReadOnlyList<Mended> Work { get; init; } = [];

    /// <summary>Work done before this visit, as it was told.</summary>
    public IReadOnlyList<WorkedBefore> Before { get; init; } = [];

    /// <summary>Answers as they stand after corrections, oldest first, with their line.</summary>
    public IReadOnlyList<(long Entry, Answered Body)> Answers { get; init; } = [];

    /// <summary>Schools chosen for this job, by school.</summary>
    public IReadOnlyDictionary<string, string> Schools { get; init; } = new Dictionary<string, string>();

    /// <summary>Gates gone past, each for one step.</summary>
    public IReadOnlyList<PastGate> Overridden { get; init; } = [];

    /// <inheritdoc/>
    public override CraftState After(Entry entry, JobState before, Action<string> doubt) =>
        entry.Body switch
        {
            TakenIn body => this with { Threads = [new CaseThread(0, body.Complaint, body.Slot, body.Words)] },
            Answered body => this with
            {
                Timeline =
                [
                    .. Timeline,
                    new CaseEvent.Told(body.Finding, body.Outcome, entry.Id.Value, body.Quantity, body.Thread, body.Shares)
                    {
                        Code = body.Code,
                    },
                ],
                Answers = [.. Answers, (entry.Id.Value, body)],
            },
            Mended body => this with
            {
                Timeline = [.. Timeline, new CaseEvent.Worked(body.Repair, entry.Id.Value, body.Thread)],
                Work = [.. Work, body],
            },
            WorkedBefore body => this with
            {
                Before = [.. Before, body],
                Timeline = body.SinceTrouble ? [.. Timeline, new CaseEvent.Before(body.Repair, entry.Id.Value, body.Thread)] : Timeline,
            },
            GateOverridden body => this with { Overridden = [.. Overridden, new PastGate(body.Gate, body.Step)] },
            Closed body => Ended(body.Thread, body.ThreadHow ?? body.How, body.Cause, body.Reason, doubt),
            ThreadOpened body => Opened(body, doubt),
            ThreadClosed body => Ended(body.Thread, body.How, body.Cause, body.Reason, doubt),
            SchoolChosen body => this with { Schools = new Dictionary<string, string>(Schools) { [body.School] = body.Option } },
            _ => this,
        };

    private Casework Opened(ThreadOpened body, Action<string> doubt)
    {
        if (Threads.All(t => t.Id != body.Thread))
            return this with { Threads = [.. Threads, new CaseThread(body.Thread, body.Complaint, body.Slot, body.Words)] };
        doubt($"thread {body.Thread} is opened twice");
        return this;
    }

    private Casework Ended(int thread, string how, string cause, string reason, Action<string> doubt)
    {
        if (Threads.Any(t => t.Id == thread))
            return this with
            {
                Threads = [.. Threads.Select(t => t.Id == thread ? t with { How = how, Cause = cause, Reason = reason } : t)],
            };
        doubt($"thread {thread} is ended and was never opened");
        return this;
    }
}
