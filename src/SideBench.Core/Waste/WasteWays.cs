using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>A way to go on with a machine's waste store.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Today">Money today: parts, tools bought once, and bench time at the shop's rate.</param>
/// <param name="HandsMin">Bench time today, min.</param>
/// <param name="WaitHours">Waiting, h.</param>
/// <param name="LastsDays">Days until it is to be done again; null when longer than is told, 0 when it cannot be.</param>
/// <param name="PerYear">Money a year over the horizon, its resets and its risk as a price.</param>
/// <param name="Spared">Boxes or pad sets not thrown away a year, against renewing each time.</param>
/// <param name="Why">Why it is not to be had, or what is to be watched; empty when nothing.</param>
/// <param name="IsOpen">Whether it can be done on this machine.</param>
public sealed record WasteWay(
    string Id,
    string Name,
    double Today,
    double HandsMin,
    double WaitHours,
    double? LastsDays,
    double PerYear,
    double Spared,
    string Why,
    bool IsOpen
)
{
    /// <summary>Until so many days it is cheaper than the first of all ways; null when never, or for good.</summary>
    public double? CheaperUntilDays { get; init; }

    /// <summary>That in runs of the counter; null with it, or while its use is not known.</summary>
    public double? CheaperUntilRuns { get; init; }
}

/// <summary>Ways to go on, compared over one horizon for one machine and its use.</summary>
public static class WasteWays
{
    private const double DaysPerYear = 365.25;
    private const double MinutesPerHour = 60;
    private const string Retire = "retire";
    private const string Pads = "pads";
    private const string Cut = "cut";

    /// <summary>All ways, the cheapest a year first; those that cannot be last.</summary>
    /// <param name="model">The model.</param>
    /// <param name="store">Its store.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="benchPerHour">Bench time, money an hour.</param>
    /// <param name="years">The horizon, years, above 0.</param>
    /// <remarks>
    /// Formula: house default. How long a way lasts: the room it makes, over what stays of a day's inflow once what can dry has dried; a
    /// reset alone, and what is renewed at every stop, to the first of counter and store. Each way is done again as often as the horizon
    /// asks, with the resets that fall between; what is bought once is spread over it.
    /// </remarks>
    public static IReadOnlyList<WasteWay> Of(
        MachineModel model,
        StoreOnMachine store,
        WasteNumbers numbers,
        double benchPerHour,
        double years
    )
    {
        if (model.Waste is null)
            return [];
        var ways = new Priced(model, store, numbers, benchPerHour, years).All();
        // To retire it is what is left when nothing else pays, never what is advised: what another machine costs is not in it.
        List<WasteWay> ordered = [.. ways.OrderByDescending(w => w.IsOpen).ThenBy(w => w.Id == Retire).ThenBy(w => w.PerYear)];
        var cycle = store.PointsPerDay is > 0 and var points ? store.History.CounterLimitPct / points : (double?)null;
        return [.. ordered.Select(w => Against(ordered[0], w, years, cycle))];
    }

    /// <summary>The way that the shop's school goes, whatever the numbers say; null where no school speaks of such a store.</summary>
    /// <param name="model">The model.</param>
    /// <param name="chosen">Options that are followed, by school.</param>
    /// <param name="numbers">House numbers.</param>
    public static (string School, string Option, string Way)? BySchool(
        MachineModel model,
        IReadOnlyDictionary<string, string> chosen,
        WasteNumbers numbers
    ) =>
        numbers.Schools.GetValueOrDefault(model.Axes.GetValueOrDefault("waste") ?? "") is { } school
        && chosen.GetValueOrDefault(school.School) is { } option
        && school.Ways.GetValueOrDefault(option) is { } way
            ? (school.School, option, way)
            : null;

    // Two lines, money over time: what is dearer in the long run may be cheaper until they cross.
    private static WasteWay Against(WasteWay first, WasteWay way, double years, double? cycle)
    {
        if (ReferenceEquals(first, way) || !way.IsOpen || !first.IsOpen || way.Id == Retire)
            return way;
        double Rate(WasteWay w) => ((w.PerYear * years) - w.Today) / (years * DaysPerYear);
        var (more, slower) = (first.Today - way.Today, Rate(way) - Rate(first));
        return more > 0 && slower > 0 ? way with { CheaperUntilDays = more / slower, CheaperUntilRuns = more / slower / cycle } : way;
    }

    // The ways with their prices.
    private sealed class Priced(MachineModel model, StoreOnMachine store, WasteNumbers numbers, double benchPerHour, double years)
    {
        private readonly WasteFigures waste = model.Waste!;
        private readonly WasteWayNumbers prices = numbers.Ways;
        private readonly bool pads = model.Axes.GetValueOrDefault("waste") == Pads;

        private double Inflow => (store.PointsPerDay ?? 0) * waste.GramsPerPoint;

        private double? Cycle => store.PointsPerDay is > 0 and var points ? store.History.CounterLimitPct / points : null;

        // A box's chip is set anew by a hand tool that is bought once; a machine's counter by a key that is spent.
        private double Tool => pads ? 0 : prices.BoxTool;

        private double Key => pads ? prices.KeyPrice : 0;

        private double ResetCost => Key + Hands(prices.ResetMin);

        public List<WasteWay> All()
        {
            var history = store.History;
            var (fresh, washed) = (Lasts(history.SafeG), Lasts(history.SafeG - (history.TareG * numbers.WashedLeft)));
            var room = store.Estimate?.Room.Best ?? 0;
            var runs = fresh is { } days && Cycle is { } run ? Math.Floor(days / run) : 0;
            var bottle = Inflow <= 0 ? null : (double?)(numbers.BottleMl * numbers.BottleEmptyPct / 100 * numbers.GramsPerMl / Inflow);
            var renewMin = pads ? prices.PadsMin : prices.BoxMin;
            var renewed = pads ? "New pads" : "A new one";
            return
            [
                Way("reset", "Reset alone", Key, prices.ResetMin, 0, Least(Cycle, Lasts(room)), room > 0) with
                {
                    Why = room > 0 ? "" : "No room: it would overflow.",
                },
                Way("renew", $"{renewed} at every stop", (double)waste.Price + Key, renewMin, 0, Least(Cycle, fresh), true),
                Way(
                    "renew-reset",
                    runs > 1 ? $"{renewed}, and {runs:0} resets before the next" : $"{renewed} when the store is full",
                    (double)waste.Price + Key,
                    renewMin,
                    0,
                    fresh,
                    true,
                    once: Tool,
                    between: true,
                    spares: true
                ),
                Way(
                    "wash",
                    pads ? "Wash and dry the pads" : "Refurbish it: wash, dry, reset",
                    prices.WashFluid + Key,
                    prices.WashMin,
                    prices.DryHours,
                    washed,
                    true,
                    once: Tool,
                    between: true,
                    spares: true
                ) with
                {
                    Why = "No printing while they dry.",
                },
                Way(
                    "bottle",
                    "Outside bottle",
                    0,
                    waste.Bottle == Cut ? prices.BottleCutMin : prices.BottleMin,
                    0,
                    bottle,
                    waste.Bottle != "no",
                    once: prices.BottlePrice,
                    between: true,
                    spares: true,
                    again: prices.EmptyMin
                ) with
                {
                    Why =
                        waste.Bottle == Cut ? "Only with cutting: the owner's word first."
                        : waste.Bottle == "no" ? "Not on this model."
                        : "Emptied whenever it is due.",
                },
                Way(
                    "workshop",
                    "An outside workshop",
                    prices.WorkshopPrice,
                    prices.WorkshopMin,
                    prices.WorkshopHours,
                    fresh,
                    true,
                    between: true
                ),
                Way(Retire, "Retire the machine", (double)model.Worth, 0, 0, null, true) with
                {
                    Why = "Its worth is what is lost.",
                },
            ];
        }

        // Room over what stays of a day's inflow once what can dry has dried.
        private double? Lasts(double room)
        {
            var kept = Inflow * (1 - numbers.VolatileShare);
            return kept <= 0 ? null : Math.Max(0, room) / kept;
        }

        private double Hands(double minutes) => minutes / MinutesPerHour * benchPerHour;

        private WasteWay Way(
            string id,
            string name,
            double parts,
            double hands,
            double wait,
            double? lasts,
            bool open,
            double once = 0,
            bool between = false,
            bool spares = false,
            double? again = null
        )
        {
            var horizon = years * DaysPerYear;
            var today = once + parts + Hands(hands);
            var times = lasts is > 0 and var days ? Math.Max(1, horizon / days) : 1;
            // Done once more costs the same, but for what is bought once.
            var next = again is { } min ? Hands(min) : parts + Hands(hands);
            // While it lasts the counter stops the machine all the same: each stop but the last is a reset.
            var resets = between && Cycle is { } run ? Math.Max(0, (horizon / run) - (again is null ? times : 0)) : 0;
            var (room, safe) = (store.Estimate?.Room.Best ?? 0, store.History.SafeG);
            var risk = id == "reset" ? prices.OverflowPrice * Math.Clamp(1 - (room / safe), 0, 1) : 0;
            var perYear = (today + (next * (times - 1)) + (resets * ResetCost) + (risk * times)) / years;
            // Against one thrown away at every stop.
            var stops = Least(Cycle, Lasts(safe)) is > 0 and var stop ? Math.Max(1, horizon / stop) : 1;
            var thrown = id == "renew-reset" ? times : 0;
            return new WasteWay(id, name, today, hands, wait, lasts, perYear, spares ? Math.Max(0, stops - thrown) / years : 0, "", open);
        }

        private static double? Least(double? a, double? b) => a is { } x && b is { } y ? Math.Min(x, y) : a ?? b;
    }
}
