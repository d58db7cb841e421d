using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>A way to go on with a machine's waste store.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Today">Money today: parts, and bench time at the shop's rate.</param>
/// <param name="HandsMin">Bench time today, min.</param>
/// <param name="WaitHours">Waiting, h.</param>
/// <param name="LastsDays">Days until it is to be done again; null when longer than is told, 0 when it cannot be.</param>
/// <param name="PerYear">Money a year over the horizon, its risk as a price.</param>
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
);

/// <summary>Ways to go on, compared over one horizon for one machine and its use.</summary>
public static class WasteWays
{
    private const double DaysPerYear = 365.25;
    private const double MinutesPerHour = 60;
    private const string Retire = "retire";

    /// <summary>All ways, the cheapest a year first; those that cannot be last.</summary>
    /// <param name="model">The model.</param>
    /// <param name="store">Its store.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="benchPerHour">Bench time, money an hour.</param>
    /// <param name="years">The horizon, years, above 0.</param>
    /// <remarks>
    /// Formula: house default. How long a way lasts: the room it makes, over what stays of a day's inflow once what can dry has dried; a
    /// reset alone lasts to the first of counter and store. Each way is done again as often as the horizon asks; what is bought once is
    /// spread over it.
    /// </remarks>
    public static IReadOnlyList<WasteWay> Of(
        MachineModel model,
        StoreOnMachine store,
        WasteNumbers numbers,
        double benchPerHour,
        double years
    )
    {
        if (model.Waste is not { } waste)
            return [];
        var inflow = (store.PointsPerDay ?? 0) * waste.GramsPerPoint;
        var kept = inflow * (1 - numbers.VolatileShare);
        var box = model.Axes.GetValueOrDefault("waste") is "box" or "tank" or "cartridge";
        double? Lasts(double room) => kept <= 0 ? null : Math.Max(0, room) / kept;
        var fresh = Lasts(store.History.SafeG);
        var washed = Lasts(store.History.SafeG - (store.History.TareG * numbers.WashedLeft));
        var room = store.Estimate?.Room.Best ?? 0;
        var cycle = store.PointsPerDay is > 0 and var points ? store.History.CounterLimitPct / points : (double?)null;
        var bottle = inflow <= 0 ? null : (double?)(numbers.BottleMl * numbers.BottleEmptyPct / 100 * numbers.GramsPerMl / inflow);
        var prices = numbers.Ways;
        List<WasteWay> ways =
        [
            Way(
                "reset",
                "Reset alone",
                prices.KeyPrice,
                prices.ResetMin,
                0,
                Least(cycle, Lasts(room)),
                0,
                room <= 0 ? "No room: it would overflow." : "",
                room > 0,
                prices.OverflowPrice * Math.Clamp(1 - (room / store.History.SafeG), 0, 1)
            ),
            Way(
                "renew",
                box ? "A new one" : "New pads",
                (double)waste.Price + prices.KeyPrice,
                box ? prices.BoxMin : prices.PadsMin,
                0,
                fresh,
                0,
                "",
                true,
                0
            ),
            Way(
                "wash",
                box ? "Refurbish it: wash, dry, reset" : "Wash and dry the pads",
                prices.WashFluid + prices.KeyPrice,
                prices.WashMin,
                prices.DryHours,
                washed,
                1,
                "No printing while they dry.",
                true,
                0
            ),
            Way(
                "bottle",
                "Outside bottle",
                prices.BottlePrice,
                waste.Bottle == "cut" ? prices.BottleCutMin : prices.BottleMin,
                0,
                bottle,
                1,
                waste.Bottle == "cut" ? "Only with cutting: the owner's word first."
                    : waste.Bottle == "no" ? "Not on this model."
                    : "Emptied whenever it is due.",
                waste.Bottle != "no",
                0,
                prices.EmptyMin
            ),
            Way("workshop", "An outside workshop", prices.WorkshopPrice, prices.WorkshopMin, prices.WorkshopHours, fresh, 0, "", true, 0),
            Way(Retire, "Retire the machine", (double)model.Worth, 0, 0, null, 0, "Its worth is what is lost.", true, 0),
        ];
        // To retire it is what is left when nothing else pays, never what is advised: what another machine costs is not in it.
        return [.. ways.OrderByDescending(w => w.IsOpen).ThenBy(w => w.Id == Retire).ThenBy(w => w.PerYear)];

        static double? Least(double? a, double? b) => a is { } x && b is { } y ? Math.Min(x, y) : a ?? b;

        WasteWay Way(
            string id,
            string name,
            double parts,
            double hands,
            double wait,
            double? lasts,
            double spared,
            string why,
            bool open,
            double risk,
            double? again = null
        )
        {
            var today = parts + (hands / MinutesPerHour * benchPerHour);
            var times = lasts is > 0 and var days ? Math.Max(1, years * DaysPerYear / days) : 1;
            // Done once more costs the same, but for what is bought once.
            var next = again is { } min ? min / MinutesPerHour * benchPerHour : today;
            var perYear = (today + (next * (times - 1)) + (risk * times)) / years;
            return new WasteWay(id, name, today, hands, wait, lasts, perYear, spared * times / years, why, open);
        }
    }
}
