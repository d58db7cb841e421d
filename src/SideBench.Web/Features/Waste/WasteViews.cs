using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
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

    private const string PadsKind = "pads";
    private const string BoxKind = "box";

    /// <summary>The page of a job.</summary>
    public static WasteView Of(JobRow row, JobCase job, BenchBooks books, double years, WasteBoxes boxes)
    {
        var (model, machine, numbers) = (job.Book.Model, job.State.Machine, books.Shop.Numbers.Of<WasteNumbers>());
        var store = StoreOnMachine.Of(model, machine, numbers, books.Now);
        var gate = store is null ? null : ResetGate.Of(store, machine, job.State.OpenedAt);
        var now = store?.Estimate;
        var house = job.Book.Book.House;
        var due = store is null ? null : WasteDue.Of(store, books.Now);
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
            [.. (now?.Doubts ?? []).Select(d => d.Says).Append(WasteWords.NotStored(machine)).Where(says => says.Length > 0).Distinct()],
            gate is null ? [] : [.. gate.Items.Select(i => new GateItemView(i.Id, i.IsMet, i.Says))],
            gate?.IsOpen == true,
            gate?.Needs ?? [],
            store is null ? [] : [.. WasteWays.Of(model, store, numbers, house.BenchPerHour, years).Select(Way)],
            store is null || now is null ? [] : Course(store, books.Now),
            store is null ? [] : [.. store.Moments.Reverse().Select(m => new StoreMomentView(m.At, m.Says))],
            store?.Bottle is { } bottle ? Bottle(bottle, books.Now) : null,
            model.Waste is { Bottle: not "no" },
            store?.PartialSpent == true ? null : model.Waste?.PartialToPct,
            store?.Resets ?? 0,
            [.. Keys(books).Where(k => k.For.Length == 0 || model.FullName.Contains(k.For, StringComparison.OrdinalIgnoreCase))],
            house.Currency,
            machine.Modifications.GetValueOrDefault((CounterReset.Unserviced, ""))?.What.Says ?? "",
            WasteBoxes.Has(model),
            [.. boxes.All.Where(b => b.Fits == model.Id && b.Stand != BoxStand.Gone).Select(b => Box(b, books.Shop, boxes.Here))],
            [.. Pads(books).Where(p => StockItem.Same(p.For, model.FullName) || StockItem.Same(p.For, model.Id))],
            BySchool(model, job, numbers),
            due?.On,
            due?.Says ?? "",
            Rules(books),
            numbers.WarnPct,
            model.Waste?.Borderless == true,
            store?.Borderless is { } second
                ? new SecondCounterView(second.Counter.Pct, second.Counter.At, second.Counter.IsRead, Dates(second.FullOn))
                : null
        );
    }

    /// <summary>Waste of the whole shop.</summary>
    public static WasteShopView Shop(
        BenchBooks books,
        IReadOnlyList<WasteRowView> rows,
        WasteBoxes boxes,
        IReadOnlyList<ShopLine> handed
    ) =>
        new(
            books.Version,
            rows,
            [.. boxes.All.Select(b => Box(b, books.Shop, boxes.Here))],
            [
                .. books
                    .Shop.Models.Values.Where(WasteBoxes.Has)
                    .OrderBy(m => m.FullName)
                    .Select(m => new BoxModelView(m.Id, m.FullName, m.StoreTareG!.Value)),
            ],
            Keys(books),
            Pads(books),
            [.. handed.Reverse().Select(HandedIn)],
            Rules(books)
        );

    private static HandedInView HandedIn(ShopLine line)
    {
        var body = (WasteHandedIn)line.Entry.Body;
        return new HandedInView(line.Entry.At, body.What, body.Kg, body.Where, line.Serial, line.Entry.PersonName);
    }

    private static IReadOnlyList<KeyView> Keys(BenchBooks books) =>
        [
            .. books
                .State.Stock.Where(i => i.IsLeft && i.Came.StockKind == KeyKind)
                .Select(i => new KeyView(i.Id, i.Came.Name, i.Came.For, i.Left)),
        ];

    private static IReadOnlyList<PadsView> Pads(BenchBooks books) =>
        [
            .. books
                .State.Stock.Where(i => i.IsLeft && i.Came.StockKind is PadsKind or BoxKind)
                .Select(i => new PadsView(i.Id, i.Came.Name, i.Came.For, i.Left)),
        ];

    private static string Rules(BenchBooks books) => LocalRules.In(books.ShopLines);

    private static WasteSchoolView? BySchool(MachineModel model, JobCase job, WasteNumbers numbers)
    {
        if (WasteWays.BySchool(model, job.Facts.Schools, numbers) is not var (id, option, way))
            return null;
        var school = job.Book.Book.Schools.First(s => s.Id == id);
        var chosen = school.Options.First(o => o.Id == option);
        return new WasteSchoolView(school.Name, chosen.Name, chosen.Why, way);
    }

    private static BoxView Box(WasteBox box, Shop shop, long here) =>
        new(
            box.Tag,
            box.Fits,
            shop.Models.GetValueOrDefault(box.Fits)?.FullName ?? box.Fits,
            box.TareG,
            box.Serial,
            here != 0 && box.Machine == here,
            box.NetG,
            box.SafeG,
            StoredWord.Of(box.Stand),
            box.DryOn,
            box.Washes,
            box.Resets,
            box.Next,
            [.. box.Life.Reverse().Select(m => new BoxMomentView(m.At, m.Says, m.Serial))]
        );

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

    private static IReadOnlyList<CourseView> Course(StoreOnMachine store, DateTimeOffset now)
    {
        var late = store.Estimate!.StoreFullOn.Late is { } day ? (day - now).TotalDays : MostAhead;
        var days = Math.Clamp(late, LeastAhead, MostAhead);
        return [.. store.Estimate!.Course(days, Points).Select(c => new CourseView(c.Days, c.Mass.Best, c.Mass.Low, c.Mass.High))];
    }

    private static DateBandView Dates(DateBand band) => new(band.Early, band.Median, band.Late);

    private static WasteWayView Way(WasteWay w) =>
        new(
            w.Id,
            w.Name,
            w.Today,
            w.HandsMin,
            w.WaitHours,
            w.LastsDays,
            w.PerYear,
            w.Spared,
            w.Why,
            w.IsOpen,
            w.CheaperUntilDays,
            w.CheaperUntilRuns
        );

    private static BottleView Bottle(BottleWatch bottle, DateTimeOffset now) =>
        new(
            bottle.HoldsMl,
            InkViews.Figure(bottle.InIt),
            bottle.EmptyAtMl,
            bottle.Days is { } days ? now.AddDays(days.Best) : null,
            bottle.Days is { } early ? now.AddDays(early.Low) : null
        );
}
