using SideBench.Core.Diagnosis;

namespace SideBench.Core.Simulation;

/// <summary>The advice of the product.</summary>
public sealed class AdvisedPolicy : ITrialPolicy
{
    /// <inheritdoc/>
    public string Name => "advice";

    /// <inheritdoc/>
    public TrialMove Next(TrialThread thread)
    {
        var advice = NextStep.Of(thread.Odds, thread.Facts, thread.Timeline, [], thread.Index);
        return new TrialMove(advice.Chosen?.Step, advice.Kind == AdviceKind.Close);
    }
}

/// <summary>What the other ways share: a repair is proved at once, and the first good proof closes.</summary>
public abstract class ProvingPolicy : ITrialPolicy
{
    /// <inheritdoc/>
    public abstract string Name { get; }

    /// <inheritdoc/>
    public TrialMove Next(TrialThread thread)
    {
        var proof = Proof.Of(thread.Book, thread.Timeline, thread.Index);
        if (proof.Proved)
            return new TrialMove(null, true);
        return new TrialMove(
            proof.Pending is { } pending ? thread.Book.Findings[thread.Book.IndexOfFinding(pending.Proof)] : Choose(thread),
            false
        );
    }

    /// <summary>The next step when nothing waits for proof; null to hand back.</summary>
    protected abstract BookStep? Choose(TrialThread thread);

    /// <summary>Cheapest free repair, not made yet, that can end a cause.</summary>
    protected static Repair? RepairFor(TrialThread thread, string cause) =>
        thread
            .Book.Repairs.Where(r => r.Fixes.Any(f => f.Cause == cause && f.Chance >= 0.4) && thread.TimesMade(r) == 0 && thread.IsFree(r))
            .MinBy(r => thread.Book.StepCost[r.Id] / r.Fixes.First(f => f.Cause == cause).Chance);

    /// <summary>The likeliest cause that a repair is left for, with that repair.</summary>
    protected static Repair? Likeliest(TrialThread thread)
    {
        foreach (var (cause, _) in thread.Book.Causes.Select((c, i) => (c, Odds: thread.Odds.Still[i])).OrderByDescending(p => p.Odds))
            if (RepairFor(thread, cause.Id) is { } repair)
                return repair;
        return null;
    }
}

/// <summary>A fixed checklist per complaint, as data.</summary>
public sealed class ChecklistPolicy : ProvingPolicy
{
    /// <inheritdoc/>
    public override string Name => "fixed checklist";

    /// <inheritdoc/>
    protected override BookStep? Choose(TrialThread thread)
    {
        var list = thread.Book.Book.Checklists.First(c => c.Complaint == thread.Book.Complaint.Id);
        foreach (var step in list.Steps)
        {
            if (step.Mend.Length > 0 && Open(thread, step.Mend) is { } mend)
                return mend;
            if (step.Find.Length == 0 || thread.Book.IndexOfFinding(step.Find) is not (>= 0 and var f))
                continue;
            var finding = thread.Book.Findings[f];
            if (thread.Facts.Answers.TryGetValue(finding.Id, out var answer))
            {
                foreach (var repair in step.Then.GetValueOrDefault(answer) ?? [])
                    if (Open(thread, repair) is { } then)
                        return then;
            }
            else if (thread.IsFree(finding))
                return finding;
        }

        return null;
    }

    private static Repair? Open(TrialThread thread, string id) =>
        thread.Book.IndexOfRepair(id) is >= 0 and var r
        && thread.TimesMade(thread.Book.Repairs[r]) == 0
        && thread.IsFree(thread.Book.Repairs[r])
            ? thread.Book.Repairs[r]
            : null;
}

/// <summary>Mends the most likely cause first, without further tests.</summary>
public sealed class LikeliestFirstPolicy : ProvingPolicy
{
    /// <inheritdoc/>
    public override string Name => "most likely cause first";

    /// <inheritdoc/>
    protected override BookStep? Choose(TrialThread thread) => Likeliest(thread);
}

/// <summary>Makes the cheapest test first, until one cause is likely enough to be mended.</summary>
public sealed class CheapestTestPolicy : ProvingPolicy
{
    private const double SureEnough = 0.7;
    private const double Tells = 0.02;

    /// <inheritdoc/>
    public override string Name => "cheapest test first";

    /// <inheritdoc/>
    protected override BookStep? Choose(TrialThread thread)
    {
        if (thread.Odds.Still.DefaultIfEmpty(0).Max() < SureEnough && CheapestTest(thread) is { } test)
            return test;
        return Likeliest(thread);
    }

    private static Finding? CheapestTest(TrialThread thread) =>
        thread
            .Book.Findings.Where(
                (finding, f) =>
                    !finding.IsProof && !thread.IsTold(finding) && thread.IsFree(finding) && Information.Bits(f, thread.Odds) >= Tells
            )
            .MinBy(finding => thread.Book.StepCost[finding.Id]);
}
