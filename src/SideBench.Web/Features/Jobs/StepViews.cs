using SideBench.Core.Diagnosis;

namespace SideBench.Web.Features.Jobs;

/// <summary>Lays steps out for cards and lists.</summary>
public static class StepViews
{
    // Marks a step of the book that is done with the machine's slots in view.
    private const string SlotMapTag = "slot-map";

    /// <summary>A step as the station list shows it.</summary>
    public static StepView Of(JobCase job, BookStep step)
    {
        var candidate =
            job.Advice.Chosen?.Step.Id == step.Id ? job.Advice.Chosen : job.Advice.Others.FirstOrDefault(o => o.Step.Id == step.Id);
        return Of(job, candidate ?? new Candidate(step, 0, job.Book.StepCost.GetValueOrDefault(step.Id), job.FixChance(step), 0), []);
    }

    /// <summary>A step as a card shows it.</summary>
    public static StepView Of(JobCase job, Candidate candidate, IReadOnlyList<Outlook> outlooks)
    {
        var step = candidate.Step;
        var model = job.Book.Model;
        var held = job.Advice.Held.FirstOrDefault(h => h.Step.Id == step.Id);
        return new StepView(
            step.Id,
            step is Finding f ? f.Kind : "repair",
            step.Name,
            step.Station,
            StepCost.MinutesOf(step, model) + StepCost.OpeningOf(step, job.State.Tray),
            step.Parts,
            (step as Repair)?.Part ?? "",
            StepCost.InkMlOf(step, model),
            StepCost.CounterPctOf(step, model),
            step.How,
            step.Cautions,
            (step as Repair)?.Steps ?? [],
            [.. step.Puts.Select(p => $"{p.Label} {p.Change}")],
            step is Finding finding ? [.. finding.Outcomes.Select(o => OutcomeOf(job, o, outlooks))] : [],
            candidate.FixChance,
            candidate.Expected,
            held is null ? null : HeldOf(job, held),
            job.Facts.Answers.ContainsKey(step.Id),
            step is Repair { Part.Length: > 0 } repair && job.Facts.PartsMissing.Contains(repair.Part),
            SchoolOf(job, step),
            step is Finding told && job.Book.IndexOfFinding(told.Id) < 0,
            step.Tags.Contains(SlotMapTag)
        );
    }

    /// <summary>Held steps by the reason that holds them.</summary>
    public static IEnumerable<HeldGroupView> HeldGroups(JobCase job) =>
        job
            .Advice.Held.Where(h => !h.Gate.Quiet && job.IsWorthSaying(h) && h.Step.Id != job.Advice.Chosen?.Step.Id)
            .GroupBy(h => h.Gate.Id)
            .Select(g => new HeldGroupView(
                g.Key,
                g.First().Gate.Reason,
                g.First().Gate.Lift,
                g.First().Gate.Overridable,
                Gates.WordFor(g.First().Gate) ?? "",
                [.. g.Select(h => HeldOf(job, h))]
            ));

    private static HeldView HeldOf(JobCase job, HeldStep held)
    {
        var ml = StepCost.InkMlOf(held.Step, job.Book.Model);
        var pct = StepCost.CounterPctOf(held.Step, job.Book.Model);
        var now = job.State.Counter?.Pct;
        var spends =
            ml <= 0
                ? ""
                : $"{ml:0.#}\u2009ml of ink, waste counter "
                    + (now is { } c ? $"from {c:0} to {c + pct:0}\u2009%" : $"up by {pct:0.#}\u2009%");
        return new HeldView(held.Step.Id, held.Step.Name, held.Gate.Id, held.Gate.Reason, held.Gate.Lift, held.Gate.Overridable, spends);
    }

    private static OutcomeView OutcomeOf(JobCase job, FindingOutcome outcome, IReadOnlyList<Outlook> outlooks)
    {
        var outlook = outlooks.FirstOrDefault(o => o.Outcome == outcome.Id);
        var leaves = outlook is null
            ? ""
            : string.Join(", ", outlook.Leaves.Select(l => $"{NameOf(job, l.Station)} {Explanation.Percent(l.Suspicion)}"));
        return new OutcomeView(
            outcome.Id,
            outcome.Label,
            outlook?.Chance ?? 0,
            leaves,
            outcome.Quantity?.Label,
            outcome.Quantity?.Unit,
            outcome.Quantity?.Min,
            outcome.Quantity?.Max,
            outcome.Quantity?.WithCoverage == true,
            outcome.Quantity?.Needed == true
        );
    }

    private static string SchoolOf(JobCase job, BookStep step) =>
        job.Book.Book.Schools.FirstOrDefault(s => s.Options.Any(o => o.Id == job.Facts.Schools[s.Id] && o.Prefers.Contains(step.Id)))?.Name
        ?? "";

    private static string NameOf(JobCase job, string station) =>
        job.Book.Model.Stations.FirstOrDefault(s => s.Id == station)?.Name.ToLowerInvariant() ?? station;
}
