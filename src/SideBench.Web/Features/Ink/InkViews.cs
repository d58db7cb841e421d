using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Packs;
using SideBench.Web.Features.Jobs;

namespace SideBench.Web.Features.Ink;

/// <summary>Lays ink and chips out for their page. No rules here: only what the core says, in the page's shape.</summary>
internal static class InkViews
{
    private const string School = "slots";
    private const string OnlyDue = "one";
    private const double WeekDays = 7;
    private const double MostDays = 3650;

    /// <summary>The page of a job.</summary>
    public static Outcome<InkView> Of(JobRow row, JobCase job, Shop shop, DateTimeOffset now)
    {
        var (model, numbers) = (job.Book.Model, shop.Numbers.Of<InkNumbers>());
        var slots = SlotOnMachine.All(model, job.State, numbers, now);
        var board = slots.Any(s => s.Type?.Chip == "board");
        return new InkView(
            row.Id.Value,
            row.Tag,
            row.Version,
            job.Thread.Id,
            model.FullName,
            string.Join(" · ", slots.Where(s => s.Type is not null).Select(s => s.Type!.Name).Distinct()),
            job.State.Closing is null,
            board ? InkKeeping.PressesLeft(job.State.Machine, numbers) : null,
            numbers.Rules.BoardPresses,
            board ? SlotForecast.Board(slots, numbers.Rules, InkKeeping.PressesLeft(job.State.Machine, numbers))?.Best / WeekDays : null,
            [.. slots.Select(s => Slot(s, model, numbers, now))],
            [.. model.Slots.Select(SlotView.Of)],
            VisitOf(job, numbers, now) is { } visit ? Visit(visit) : null,
            job.Book.Book.House.Currency,
            model.Prompt,
            model.WasteAt,
            NextSession.Of(slots, numbers.Rules, model.StopsDead) is { } next ? InkPlans.Next(next, now) : null,
            InkPlans.Conversion(job, slots, numbers, now),
            [.. InkPlans.Money(model, numbers, job.Book.Book.House)],
            model.Axes.GetValueOrDefault("waste") is "box" or "tank" or "cartridge",
            job.State.Tray.Where(t => t.Label == InkWords.Plugs).Sum(t => t.Count),
            [.. job.State.Tray.Where(t => t.Label == InkWords.Plugs).Select(t => t.Id)]
        );
    }

    /// <summary>The visit that is due, by the school of the job.</summary>
    public static InkVisit? VisitOf(JobCase job, InkNumbers numbers, DateTimeOffset now) =>
        InkVisit.Of(
            job.Book.Model,
            SlotOnMachine.All(job.Book.Model, job.State, numbers, now),
            numbers,
            job.Facts.Schools.GetValueOrDefault(School) != OnlyDue,
            InkKeeping.PressesLeft(job.State.Machine, numbers)
        );

    /// <summary>A figure with its band.</summary>
    public static FigureView Figure(Core.Quantities.Band band) => new(band.Best, band.Low, band.High);

    private static SlotInkView Slot(SlotOnMachine on, MachineModel model, InkNumbers numbers, DateTimeOffset at)
    {
        var (slot, type, now) = (on.Slot, on.Type, on.Estimate);
        var ahead = SlotForecast.Of(on, numbers.Rules);
        var advice = RefillAdvice.Of(on, numbers.Rules, model.StopsDead);
        return new SlotInkView(
            slot.Panel,
            slot.Ink,
            slot.Colour,
            InkWords.Place(slot, false),
            InkWords.Place(slot, true),
            type?.Id ?? "",
            type?.Name ?? "",
            on.IsTold,
            on.Since,
            on.IsKnown,
            type?.HasCount == true,
            type?.Tare is not null,
            type?.IsFilled == true,
            type is null ? "" : InkKeeping.ToolFor(type.Chip),
            type?.Align ?? "",
            type?.Fill.Value ?? slot.Holds.Value,
            type?.Reserve.Value ?? 0,
            on.IsKnown && now is not null ? Figure(now.Ink) : null,
            now?.ChipPct,
            on.IsKnown && now?.DryAt is { } dry ? Figure(dry) : null,
            on.IsKnown ? now?.AddMl.Best : null,
            on.IsKnown ? now?.AirSince : null,
            StoredWord.Of(advice?.Urgency ?? SlotUrgency.Unknown),
            StoredWord.Of(advice?.Way ?? SlotWay.Fill),
            advice?.DueAtPct,
            advice?.Says ?? "This model's packs do not say what can be fitted.",
            advice?.Why ?? "",
            advice?.Warnings ?? [],
            From(on),
            ahead is null ? null : Figure(ahead.MlPerDay),
            Day(at, ahead?.Days.Best),
            Day(at, ahead?.Days.Low),
            Day(at, ahead?.Days.High),
            now is null ? [] : [.. now.Doubts.Select(d => d.Says).Distinct()],
            [
                .. model
                    .Cartridges.Where(c => c.Slots.Contains(slot.Panel))
                    .Select(c => new CartridgeView(c.Id, c.Name, c.NumberFor(slot.Panel, numbers.Region) ?? "", c.Key, c.Price)),
            ]
        );
    }

    // Later than any calendar is as good as never.
    private static DateTimeOffset? Day(DateTimeOffset at, double? days) => days is { } d and < MostDays ? at.AddDays(d) : null;

    private static string From(SlotOnMachine on)
    {
        if (on.History is not { } history || !on.IsKnown)
            return "";
        var parts = new List<string>();
        if (on.IsAsBought)
            parts.Add("a full one, as bought");
        else
            Count(history.Events.OfType<SlotEvent.Swapped>().Count(), "fitting", "fittings");
        Count(history.Events.OfType<SlotEvent.Filled>().Count(), "fill", "fills");
        Count(history.Events.OfType<SlotEvent.Weighed>().Count(), "weighing", "weighings");
        Count(history.Events.OfType<SlotEvent.ChipRead>().Count(), "chip reading", "chip readings");
        Count(history.Events.OfType<SlotEvent.Spent>().Count(), "clean or purge", "cleans and purges");
        return "From " + string.Join(", ", parts);
        void Count(int n, string one, string many)
        {
            if (n > 0)
                parts.Add($"{n} {(n == 1 ? one : many)}");
        }
    }

    private static string What(VisitSlot slot) =>
        slot.Advice switch
        {
            { Way: SlotWay.Replace } => $"new {slot.On.Type!.Name}",
            { Urgency: SlotUrgency.Air } => "to full, then prime",
            _ => "to full",
        };

    private static InkVisitView Visit(InkVisit visit) =>
        new(
            [.. visit.Slots.Select(s => s.On.Slot.Panel)],
            [.. visit.Slots.Select(s => new InkFillView(s.On.Slot.Panel, s.On.Slot.Ink, s.Ml, What(s)))],
            visit.Steps,
            visit.Minutes.Value,
            visit.InkMl,
            visit.Cost,
            visit.PurgeMl,
            visit.PurgeCounterPct,
            visit.SavedMl,
            visit.SavedCounterPct,
            visit.Held,
            visit.Plugs
        );
}
