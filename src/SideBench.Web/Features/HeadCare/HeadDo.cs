using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.StripDown;

namespace SideBench.Web.Features.HeadCare;

/// <summary>The one thing to do next for a head, as the page says it.</summary>
public static class HeadDo
{
    /// <summary>What is to be done.</summary>
    /// <param name="job">The job.</param>
    /// <param name="head">Its head; null without a sheet.</param>
    /// <param name="plan">The plan; null without a head.</param>
    /// <param name="guides">Guides of the machine.</param>
    public static HeadDoView Of(JobCase job, HeadOnJob? head, HeadPlan? plan, IReadOnlyList<Guide> guides)
    {
        if (head is null || plan is null)
            return Plain("sheet", "Print a nozzle sheet", "Nobody knows what a clean does before there is a sheet to go by.");
        if (job.State.Clocks.FirstOrDefault(c => c.IsWait && c.Kind is "rest" or "soak") is { } clock)
            return Plain("wait", $"It works by itself: {clock.Label}", "Serve another machine; it rings when its time is up.");
        if (head.SheetDue is { } due)
            return Plain("sheet", "Print a nozzle sheet", $"{due.Name} is done. A sheet after every one: it says what it was worth here.");
        if (head.Case.Channels.Count == 0 && head.TooFaint.Count > 0)
            return Plain(
                "sheet",
                "Read the sheet again",
                $"{string.Join(", ", head.TooFaint)} too faint to tell; nothing missing elsewhere. Scan in colour at 300 dpi, or tap it in."
            );
        if (head.FeedFirst.Count > 0)
            return Plain("supply", "Look whether ink comes", HeadWords.Feed(head.FeedFirst));
        var stop = plan.Stop ?? (plan.Steps.Count == 0 ? StopReason.NotWorthIt : null);
        var model = job.Book.Model;
        if (stop is { } why)
            return Plain("stop", why == StopReason.Complete ? "Leave the head alone" : "Stop cleaning", Stopped(job, head, why));
        var next = plan.Steps[0].Methods[0];
        if (next.Id == HeadMethod.Supply)
            return Plain(
                "supply",
                next.Name,
                model.Axes["head"] == "thermal"
                    ? "A thermal head that starves is ruined by a clean. Prove that ink comes before one is run."
                    : "Air or too little feed is likely enough that a look is worth more than the next clean.",
                next.Hands.Value
            );
        IReadOnlyList<int> slots = next.IsClean
            ? HeadGroups.Slots(model, head.Case.Channels)
            : [.. head.Case.Channels.Select(c => c.Slot).Distinct().Order()];
        var step = (Repair)job.Book.Book.Step(next.Repair)!;
        var words = next.IsClean || next.Id == "flush" ? HeadGroups.Words(model, slots) : "";
        return new HeadDoView(
            "work",
            words.Length > 0 ? $"{next.Name}: {words}" : next.Name,
            Says(head, next),
            plan.Steps[0].Hands.Value,
            next.Repair,
            slots,
            step.Cautions,
            [
                .. step.How.Length > 0 ? new[] { step.How } : [],
                .. HeadWords.Beside(head.Case, model.Axes["head"] == "thermal", head.Channels.Any(c => c.Head.Refilled)),
            ],
            step.Steps,
            guides.FirstOrDefault(g => g.Repairs.Contains(next.Repair))?.Name ?? ""
        );
    }

    /// <summary>Why a plan has no steps; empty when it has some.</summary>
    public static string Stopped(JobCase job, HeadOnJob head, HeadPlan plan) =>
        plan.Steps.Count > 0 ? "" : Stopped(job, head, plan.Stop ?? StopReason.NotWorthIt);

    private static string Stopped(JobCase job, HeadOnJob head, StopReason why)
    {
        var said = HeadWords.Stopped(head.Case, why, job.Book.Model.Axes["headRenew"] == "yes", job.Book.Book.House.Currency);
        if (why != StopReason.Complete)
            return said;
        if (head.Smudges)
            said += " Smudges without gaps are build-up under the head: blot, wipe, look at paper and thickness. No clean cures them.";
        return head.SupplyMended ? $"{said} The supply was worked on: a sheet is no proof of that, full pages are." : said;
    }

    private static string Says(HeadOnJob head, HeadMethod next)
    {
        var says = HeadWords.Brings(head.Case, next);
        var limits = head.Case.Limits;
        if (next.IsClean && limits.RowSoFar + 1 >= limits.CleansInRow)
            says += $" It is number {limits.RowSoFar + 1} in a row; another comes only after a rest.";
        if (next.IsClean && limits.CounterRoom is { } room && next.Counter.Pct > 0)
            says += $" The counter has room for {Math.Floor(room.Pct / next.Counter.Pct):0} of these.";
        return says;
    }

    private static HeadDoView Plain(string kind, string title, string says, double hands = 0) =>
        new(kind, title, says, hands, "", [], [], [], [], "");
}
