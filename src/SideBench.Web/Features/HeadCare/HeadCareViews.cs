using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using SideBench.Core.Waste;
using SideBench.Data.Jobs;
using SideBench.Packs;

namespace SideBench.Web.Features.HeadCare;

/// <summary>Lays head care out for its page. No rules here: only what the core says, in the page's shape.</summary>
public static class HeadCareViews
{
    private const int MostRuns = 3;
    private const string PlanId = "plan";

    /// <summary>The page of a job.</summary>
    public static HeadCareView Of(JobRow row, JobCase job, Shop shop, IReadOnlyList<Entry> life, DateTimeOffset now)
    {
        var model = job.Book.Model;
        var (numbers, guides) = (shop.Numbers.Of<HeadCareNumbers>(), shop.GuidesFor(model));
        var head = HeadOnJob.Of(job, numbers, shop.Numbers.Of<InkNumbers>(), shop.Numbers.Of<WasteNumbers>(), now);
        var plan = head is null ? null : HeadPlan.Of(head.Case);
        var counter = job.State.Counter?.Pct ?? job.State.Machine.Counter?.Reading.Counter?.Pct;
        var steps = plan is null ? [] : Steps(plan, counter);
        var next = plan?.Steps.FirstOrDefault()?.Methods[0];
        return new HeadCareView(
            row.Id.Value,
            row.Tag,
            row.Version,
            job.Thread.Id,
            model.FullName,
            Facts(job),
            job.State.Closing is null && job.Thread.IsOpen,
            head is not null,
            head is null
                ? []
                : [.. head.Channels.Select(c => Channel(c, model, head.FeedFirst.Contains(c))).OrderByDescending(c => c.Missing)],
            head is null || head.Case.Channels.Count == 0 ? null : Next(head.Case, next),
            steps,
            plan is null ? null : Way(PlanId, "this plan", "", true, plan),
            steps.Count == 0 ? null : now.AddMinutes(steps[^1].FromMin + steps[^1].HandsMin + steps[^1].WaitMin),
            counter,
            head is null || plan is null ? "" : HeadNext.Stopped(job, head, plan),
            Do(HeadNext.Of(job, head, plan), guides),
            head is null || head.Case.Channels.Count == 0 ? [] : [.. Ways(job, head.Case, numbers)],
            head is null || head.Case.Channels.Count == 0 ? [] : [.. WhatIf(head.Case)],
            head is null || plan is null || plan.Steps.Count == 0 ? "" : HeadWords.StopLine(head.Case, plan),
            head is null
                ? []
                : [.. head.Case.Methods.Where(m => m.Held is not null).Select(m => new HeldMethodView(m.Name, m.Held!.Why, m.Held.First))],
            [.. Declines(life, numbers)],
            [.. HeadRecords.Of(life, job, model)],
            job.State.Of<JobCleans>().MostLeft,
            job.Book.Book.House.Currency,
            job.State.Threads.Any(t => t.IsOpen && numbers.Smudge.Contains(t.Complaint)),
            [
                .. BuildUp
                    .Of(life.Where(e => e.Body is BuildUpSeen).Select(e => ((BuildUpSeen)e.Body, e.At)).Select(Seen))
                    .Select(b => new BuildUpView(b.Paper, b.Thickness, b.Times, b.Last, b.NextFrom, b.Next)),
            ]
        );
    }

    private static (string, string, DateTimeOffset) Seen((BuildUpSeen Body, DateTimeOffset At) seen) =>
        (seen.Body.Paper, seen.Body.Thickness, seen.At);

    private static HeadDoView Do(HeadNext next, IReadOnlyList<Guide> guides) =>
        new(
            StoredWord.Of(next.Kind),
            next.Title,
            next.On,
            next.Says,
            next.Hands.Value,
            next.Work?.Id ?? "",
            next.Slots,
            next.Work?.Cautions ?? [],
            next.Beside,
            next.Work?.Steps ?? [],
            guides.FirstOrDefault(g => next.Work is { } work && g.Repairs.Contains(work.Id))?.Name ?? ""
        );

    private static string Facts(JobCase job)
    {
        var model = job.Book.Model;
        var kinds = string.Join(" and ", model.Slots.Select(s => s.InkKind).Distinct());
        var weeks = job.State.Intake.IdleWeeks;
        return $"{model.Axes["head"]}, {kinds}" + (weeks > 0 ? $" · stood {weeks} {(weeks == 1 ? "week" : "weeks")}" : "");
    }

    private static ChannelCareView Channel(ChannelCare channel, MachineModel model, bool feedFirst)
    {
        var odds = channel.Outlook.Explanation;
        var colour = model.Sheet!.Layout.Units.First(u => u.Id == channel.Unit).Color;
        return new ChannelCareView(
            channel.Unit,
            channel.Slot,
            channel.Ink,
            $"#{colour.R:x2}{colour.G:x2}{colour.B:x2}",
            channel.Head.Nozzles,
            channel.Outlook.Missing,
            odds.Clog,
            odds.Air,
            odds.Starved,
            feedFirst,
            channel.Head.Done.Count
        );
    }

    // Of the plan's next step; where it stops, of the clean that would bring most.
    private static NextView? Next(HeadCase head, HeadMethod? next)
    {
        var method =
            next is not null && next.Id != HeadMethod.Supply
                ? next
                : head.Methods.Where(m => m.IsClean).MaxBy(m => HeadWords.Back(head, m).Best);
        if (method is null)
            return null;
        var back = HeadWords.Chances(head, method);
        return new NextView(method.Id, method.Name, back.Back, back.Quantile(0.05), back.Best, back.Quantile(0.95));
    }

    private static List<HeadStepView> Steps(HeadPlan plan, double? counter)
    {
        var (from, used) = (0.0, 0.0);
        var steps = new List<HeadStepView>();
        foreach (var step in plan.Steps)
        {
            used += step.Counter.Pct;
            steps.Add(
                new HeadStepView(
                    step.Methods[0].Id,
                    string.Join(", ", step.Methods.Select(m => m.Name)),
                    step.Reached,
                    step.Complete,
                    step.Missing.Low,
                    step.Missing.Best,
                    step.Missing.High,
                    from,
                    step.Hands.Value,
                    step.Wait.Value,
                    step.WaitMost?.Value,
                    step.Ink.Value,
                    counter + used
                )
            );
            from += step.Hands.Value + step.Wait.Value;
        }

        return steps;
    }

    private static WayView Way(string id, string name, string why, bool ofShop, HeadPlan plan) =>
        new(id, name, why, ofShop, plan.Ink.Value, plan.Counter.Pct, plan.Hands.Value, plan.Complete, plan.Price);

    private static IEnumerable<WayView> Ways(JobCase job, HeadCase head, HeadCareNumbers numbers) =>
        numbers.Ladders.Select(l =>
            Way(
                l.Option,
                l.Name,
                l.Why,
                job.Facts.Schools.GetValueOrDefault(l.School) == l.Option,
                HeadPlan.Run(head, HeadLadders.On(l, head))
            )
        );

    private static IEnumerable<WhatIfView> WhatIf(HeadCase head)
    {
        foreach (var (m, method) in head.Methods.Index().Where(m => m.Item.Id != HeadMethod.Supply))
            for (var times = 1; times <= MostRuns; times++)
            {
                var run = HeadPlan.Run(head, [.. Enumerable.Repeat<IReadOnlyList<int>>([m], times)]);
                yield return new WhatIfView(
                    method.Id,
                    method.Name,
                    times,
                    run.Complete,
                    run.Steps[^1].Missing.Best,
                    run.Steps.Sum(s => s.Ink.Value),
                    run.Steps.Sum(s => s.Counter.Pct)
                );
            }
    }

    private static IEnumerable<DeclineView> Declines(IReadOnlyList<Entry> life, HeadCareNumbers numbers)
    {
        var right = life.Select(e => e.Body).OfType<SheetCorrected>().GroupBy(c => c.Sheet).ToDictionary(g => g.Key, g => g.Last().Units);
        var visits = life.Where(e => e is { Body: SheetTaken, Job: not null })
            .GroupBy(e => e.Job)
            .Select(g => g.Last())
            .Select(e => (e.At, Units: right.GetValueOrDefault(((SheetTaken)e.Body).Sheet) ?? ((SheetTaken)e.Body).Units))
            .Select(v => (v.At, (IReadOnlyDictionary<string, int>)v.Units.ToDictionary(u => u.Id, u => u.MissingCount)))
            .ToList();
        return SlowDecline.Of(visits, numbers).Select(d => new DeclineView(d.Unit, d.PerYear, d.Visits, d.Now));
    }
}
