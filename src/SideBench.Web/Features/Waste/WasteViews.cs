using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Waste;
using SideBench.Data.Jobs;
using SideBench.Packs;
using SideBench.Web.Features.Ink;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Waste;

/// <summary>Lays waste out for its page. No rules here: only what the core says, in the page's shape.</summary>
internal static class WasteViews
{
    private const string KeyKind = "key";
    private const double LeastAhead = 240;
    private const double MostAhead = 1460;
    private const int Points = 24;

    /// <summary>The page of a job.</summary>
    public static WasteView Of(JobRow row, JobCase job, BenchBooks books, double years)
    {
        var (model, machine, numbers) = (job.Book.Model, job.State.Machine, books.Shop.Numbers.Of<WasteNumbers>());
        var store = StoreOnMachine.Of(model, machine, numbers, books.Now);
        var gate = store is null ? null : ResetGate.Of(store, machine, job.State.OpenedAt);
        var now = store?.Estimate;
        var house = job.Book.Book.House;
        return new WasteView(
            row.Id.Value,
            row.Tag,
            row.Version,
            job.Thread.Id,
            model.FullName,
            job.State.Closing is null,
            store is not null,
            model.WasteAt,
            store?.Box ?? "",
            store?.Counter?.Pct,
            store?.Counter?.At,
            store?.Counter?.IsRead == true,
            store?.Counter is null || store.Counter.Pct >= numbers.ResetFromPct,
            store?.IsKnown == true,
            now is null ? null : InkViews.Figure(now.Mass),
            now is null ? null : InkViews.Figure(now.Room),
            now is null ? null : InkViews.Figure(now.CyclesLeft),
            store?.History.TareG ?? 0,
            store is null ? 0 : store.History.TareG + store.History.SafeG,
            store is null ? 0 : store.History.TareG + store.History.AbsorbentLimitG,
            store?.PointsPerDay,
            now is null ? null : Dates(now.CounterFullOn),
            now is null ? null : Dates(now.StoreFullOn),
            now?.First ?? "",
            store is null ? "This model’s packs do not say what its waste store holds." : WasteWords.Gap(store, numbers),
            now is null ? [] : [.. now.Doubts.Select(d => d.Says).Distinct()],
            gate is null ? [] : [.. gate.Items.Select(i => new GateItemView(i.Id, i.IsMet, i.Says))],
            gate?.IsOpen == true,
            gate?.Needs ?? [],
            store is null ? [] : [.. WasteWays.Of(model, store, numbers, house.BenchPerHour, years).Select(Way)],
            store is null || now is null ? [] : Course(store, numbers, books.Now),
            store is null ? [] : [.. store.Moments.Reverse().Select(m => new StoreMomentView(m.At, m.Says))],
            store?.Bottle is { } bottle ? Bottle(bottle, books.Now) : null,
            model.Waste is { Bottle: not "no" },
            store?.PartialSpent == true ? null : model.Waste?.PartialToPct,
            store?.Resets ?? 0,
            [
                .. books
                    .State.Stock.Where(i => i.IsLeft && i.Came.StockKind == KeyKind)
                    .Select(i => new KeyView(i.Id, i.Came.Name, i.Came.For, i.Left)),
            ],
            house.Currency,
            machine.Modifications.GetValueOrDefault((CounterReset.Unserviced, ""))?.What.Says ?? ""
        );
    }

    /// <summary>One machine on the shop's list.</summary>
    public static WasteRowView? Row(
        long id,
        string serial,
        string customer,
        MachineModel model,
        MachineCase machine,
        Shop shop,
        DateTimeOffset now
    )
    {
        if (
            StoreOnMachine.Of(model, machine, shop.Numbers.Of<WasteNumbers>(), now) is not { Estimate: { } said } store
            || store.Moments.Count == 0
        )
            return null;
        var next = said.First == "store" ? said.StoreFullOn.Median : said.CounterFullOn.Median;
        return new WasteRowView(
            id,
            model.FullName,
            serial,
            customer,
            store.Counter?.Pct,
            said.Room.Best,
            next,
            said.First,
            machine.Modifications.ContainsKey((CounterReset.Unserviced, "")),
            store.Bottle?.Days is { } days ? now.AddDays(days.Best) : null
        );
    }

    private static IReadOnlyList<CourseView> Course(StoreOnMachine store, WasteNumbers numbers, DateTimeOffset now)
    {
        var late = store.Estimate!.StoreFullOn.Late is { } day ? (day - now).TotalDays : MostAhead;
        var days = Math.Clamp(late, LeastAhead, MostAhead);
        return
        [
            .. WasteLedger
                .Course(store.History, numbers, now, days, Points)
                .Select(c => new CourseView(c.Days, c.Mass.Best, c.Mass.Low, c.Mass.High)),
        ];
    }

    private static DateBandView Dates(DateBand band) => new(band.Early, band.Median, band.Late);

    private static WasteWayView Way(WasteWay w) =>
        new(w.Id, w.Name, w.Today, w.HandsMin, w.WaitHours, w.LastsDays, w.PerYear, w.Spared, w.Why, w.IsOpen);

    private static BottleView Bottle(BottleWatch bottle, DateTimeOffset now) =>
        new(
            bottle.HoldsMl,
            InkViews.Figure(bottle.InIt),
            bottle.EmptyAtMl,
            bottle.Days is { } days ? now.AddDays(days.Best) : null,
            bottle.Days is { } early ? now.AddDays(early.Low) : null
        );
}
