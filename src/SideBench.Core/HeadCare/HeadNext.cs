using SideBench.Core.Diagnosis;
using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>What kind of thing is to be done next for a head.</summary>
public enum HeadNextKind
{
    /// <summary>A nozzle sheet.</summary>
    Sheet,

    /// <summary>Nothing: a rest or a soak works by itself.</summary>
    Wait,

    /// <summary>Looking whether ink comes.</summary>
    Supply,

    /// <summary>Leaving the head alone.</summary>
    Stop,

    /// <summary>A clean, rest, soak or flush.</summary>
    Work,
}

/// <summary>The one thing to do next for a head.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Title">What, in a line; for work its name in the fault book.</param>
/// <param name="Says">Why, and what it is expected to bring.</param>
public sealed record HeadNext(HeadNextKind Kind, string Title, string Says)
{
    private const string Thermal = "thermal";

    /// <summary>Hands, its sheet included.</summary>
    public Minutes Hands { get; init; }

    /// <summary>The work of the fault book that it is; null when it is none.</summary>
    public Repair? Work { get; init; }

    /// <summary>The slots it is run on, by panel number; none for all.</summary>
    public IReadOnlyList<int> Slots { get; init; } = [];

    /// <summary>What of the head it is run on, in words; empty for all of it.</summary>
    public string On { get; init; } = "";

    /// <summary>What is said beside it.</summary>
    public IReadOnlyList<string> Beside { get; init; } = [];

    /// <summary>What is to be done as the job stands.</summary>
    /// <param name="job">The job.</param>
    /// <param name="head">Its head; null without a sheet.</param>
    /// <param name="plan">The plan; null without a head.</param>
    public static HeadNext Of(JobCase job, HeadOnJob? head, HeadPlan? plan)
    {
        if (head is null || plan is null)
            return new HeadNext(
                HeadNextKind.Sheet,
                "Print a nozzle sheet",
                "Nobody knows what a clean does before there is a sheet to go by."
            );
        if (job.State.Clocks.FirstOrDefault(c => c.IsWait && c.Kind is HeadMethod.Rest or HeadMethod.Soak) is { } clock)
            return new HeadNext(
                HeadNextKind.Wait,
                $"It works by itself: {clock.Label}",
                "Serve another machine; it rings when its time is up."
            );
        if (head.SheetDue is { } due)
            return new HeadNext(
                HeadNextKind.Sheet,
                "Print a nozzle sheet",
                $"{due.Name} is done. A sheet after every one: it says what it was worth here."
            );
        return Planned(job, head, plan);
    }

    /// <summary>What the last sheet leads to, whatever runs or is due.</summary>
    /// <param name="job">The job.</param>
    /// <param name="head">Its head.</param>
    /// <param name="plan">The plan.</param>
    public static HeadNext Planned(JobCase job, HeadOnJob head, HeadPlan plan)
    {
        var model = job.Book.Model;
        if (head.Case.Channels.Count == 0 && head.TooFaint.Count > 0)
            return new HeadNext(
                HeadNextKind.Sheet,
                "Read the sheet again",
                $"{string.Join(", ", head.TooFaint)} too faint to tell; nothing missing elsewhere. Scan in colour at 300 dpi, or tap it in."
            );
        if (head.FeedFirst.Count > 0)
            return new HeadNext(HeadNextKind.Supply, "Look whether ink comes", HeadWords.Feed(head.FeedFirst));
        if (plan.Steps.Count == 0)
            return new HeadNext(
                HeadNextKind.Stop,
                plan.Stop == StopReason.Complete ? "Leave the head alone" : "Stop cleaning",
                Stopped(job, head, plan)
            );
        var next = plan.Steps[0].Methods[0];
        if (next.Id == HeadMethod.Supply)
            return new HeadNext(
                HeadNextKind.Supply,
                next.Name,
                model.Axes["head"] == Thermal
                    ? "A thermal head that starves is ruined by a clean. Prove that ink comes before one is run."
                    : "Air or too little feed is likely enough that a look is worth more than the next clean."
            )
            {
                Hands = next.Hands,
            };
        var slots = next.IsClean
            ? HeadGroups.Slots(model, head.Case.Channels)
            : [.. head.Case.Channels.Select(c => c.Slot).Distinct().Order()];
        var step = (Repair)job.Book.Book.Step(next.Repair)!;
        var words = next.IsClean || next.Id == HeadMethod.Flush ? HeadGroups.Words(model, slots) : "";
        return new HeadNext(HeadNextKind.Work, step.Name, Brings(head, next))
        {
            Hands = plan.Steps[0].Hands,
            Work = step,
            Slots = slots,
            On = words,
            Beside =
            [
                .. step.How.Length > 0 ? new[] { step.How } : [],
                .. HeadWords.Beside(head.Case, model.Axes["head"] == Thermal, head.Channels.Any(c => c.Head.Refilled)),
            ],
        };
    }

    /// <summary>Why a plan has no steps; empty when it has some.</summary>
    public static string Stopped(JobCase job, HeadOnJob head, HeadPlan plan)
    {
        if (plan.Steps.Count > 0)
            return "";
        var why = plan.Stop ?? StopReason.NotWorthIt;
        var said = HeadWords.Stopped(head.Case, why, job.Book.Model.Axes["headRenew"] == "yes", job.Book.Book.House.Currency);
        if (why != StopReason.Complete)
            return said;
        if (head.Smudges)
            said += " Smudges without gaps are build-up under the head: blot, wipe, look at paper and thickness. No clean cures them.";
        return head.SupplyMended ? $"{said} The supply was worked on: a sheet is no proof of that, full pages are." : said;
    }

    private static string Brings(HeadOnJob head, HeadMethod next)
    {
        var says = HeadWords.Brings(head.Case, next);
        var limits = head.Case.Limits;
        if (next is { IsClean: true, Counter.Pct: > 0 } && head.StoreGramsPerPoint is { } grams)
            says += $" About {next.Counter.Pct * grams:0.0}\u2009g go into the waste store.";
        if (next.IsClean && limits.RowSoFar + 1 >= limits.CleansInRow)
            says += $" It is number {limits.RowSoFar + 1} in a row; another comes only after a rest.";
        if (next.IsClean && limits.CounterRoom is { } room && next.Counter.Pct > 0)
        {
            var has = limits.StoreIsFirst ? "waste store" : "counter";
            says += $" The {has} has room for {Math.Floor(room.Pct / next.Counter.Pct):0} of these.";
        }

        return says;
    }
}
