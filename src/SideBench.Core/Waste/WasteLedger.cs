using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Core.Waste;

/// <summary>
/// What a waste store really holds, when the counter stops the machine, when the store is full, and whether a reset is safe.
/// </summary>
/// <remarks>
/// Grams, points of the counter, days. Of what comes in, a share dries off with a time constant; both, and what really comes in for a
/// counted point, are this machine's own and learnt from its weighings. Source: handbook of the trade, waste.
/// </remarks>
public static class WasteLedger
{
    private const int Ways = CounterDates.Ways;
    private const double StepDays = 4;
    private const double StepShare = 0.02;
    private static readonly string[] Services = [StoreTold.Renewed, StoreTold.Washed, StoreTold.Emptied];

    /// <summary>Estimates a store.</summary>
    /// <param name="store">The store and what happened.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="at">The moment asked about; what happened later is not looked at.</param>
    /// <returns>Refused when a weighing is lighter than the store can be.</returns>
    public static Outcome<WasteEstimate> Of(WasteHistory store, WasteNumbers numbers, DateTimeOffset at)
    {
        var events = EventsOf(store, at);
        var most = numbers.OutlierSd * numbers.Noise.ScaleSd;
        List<Problem> problems =
        [
            .. events
                .Where(e => MassOf(e.Event) < store.TareG - most)
                .Select(e => new Problem(WasteProblem.LighterThanDry, $"/events/{e.Place}/g", MassOf(e.Event), store.TareG)),
        ];
        if (problems.Count > 0)
            return problems;
        var doubts = events.Where(e => MassOf(e.Event) < store.TareG).Select(e => (e.Place, "It is lighter than it is dry.")).ToList();
        var use = CounterUse.Of(StoreWay.Rises(events, store.UseFromDays), numbers.CounterStep);
        var (way, count, countAt) = StoreWay.Of(events, at, use, place => doubts.Add((place, "The counter fell without a reset.")));
        doubts.AddRange(FarOff.In(way, store, numbers));
        var states = StoreBelief.Of(store, numbers, way, [.. doubts.Select(d => d.Place)]);
        var ahead = new Ahead(store, numbers, at, use, Picked(states), way[^1]);
        return ahead.Estimate(events, count, countAt, doubts) with { Course = use.IsKnown ? ahead.Course : (_, _) => [] };
    }

    /// <summary>
    /// Room to the mass it is used to, g, on the full side and at once: the whole belief is for the page of waste alone.
    /// </summary>
    /// <param name="store">The store and what happened.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="at">The moment asked about.</param>
    /// <returns>Below 0 when it is past it.</returns>
    public static double CautiousRoom(WasteHistory store, WasteNumbers numbers, DateTimeOffset at)
    {
        var events = EventsOf(store, at);
        var use = CounterUse.Of(StoreWay.Rises(events, store.UseFromDays), numbers.CounterStep);
        var (way, _, _) = StoreWay.Of(events, at, use, _ => { });
        var state = StoreBelief.Cautious(store, numbers, way);
        return store.SafeG - state.Stays - state.Dries;
    }

    private static List<(WasteEvent Event, int Place)> EventsOf(WasteHistory store, DateTimeOffset at) =>
        [.. store.Events.Select((e, i) => (Event: e, Place: i)).Where(e => e.Event.At <= at).OrderBy(e => e.Event.At)];

    private static double? MassOf(WasteEvent what) =>
        what switch
        {
            WasteEvent.Weighed weighed => weighed.G,
            WasteEvent.Washed washed => washed.G,
            WasteEvent.Swapped swapped => swapped.G,
            _ => null,
        };

    // As many equal ways as are followed into the future, by their chances.
    private static List<StoreState> Picked(List<StoreState> states)
    {
        var picked = new List<StoreState>(Ways);
        var (sum, i) = (0.0, 0);
        for (var k = 0; k < Ways; k++)
        {
            var until = (k + 0.5) / Ways;
            while (i < states.Count - 1 && sum + states[i].Chance < until)
                sum += states[i++].Chance;
            picked.Add(states[i]);
        }

        return picked;
    }

    // What comes of each way.
    private sealed class Ahead(
        WasteHistory store,
        WasteNumbers numbers,
        DateTimeOffset at,
        CounterUse use,
        List<StoreState> states,
        Stretch since
    )
    {
        private readonly CounterDates dates = new(use, numbers.MostYears, at);
        private readonly IReadOnlyList<Func<double, double>> paths = CounterDates.Paths(use);

        public WasteEstimate Estimate(
            List<(WasteEvent Event, int Place)> events,
            double? count,
            DateTimeOffset countAt,
            List<(int, string)> doubts
        )
        {
            // What came in since the last event is not as the mean has it, but as this way has it.
            var masses = states
                .Select((s, i) => s.Stays + s.Dries + (s.Inflow * store.GramsPerPoint * (paths[i](since.Days) - since.Points)))
                .ToList();
            var mass = BandOf(masses.Select(m => store.TareG + Math.Max(0, m)).ToList());
            var fills = states.Select((state, i) => Fills(state, paths[i])).ToList();
            var full = fills.Select(f => f.Days).ToList();
            var counter = paths.Select(p => dates.Reaches(p, count, countAt, store.CounterLimitPct)).ToList();
            var cycles = BandOf([.. fills.Select(f => Math.Floor(f.Points / store.CounterLimitPct))]);
            var room = mass.With(g => store.SafeG + store.TareG - g);
            var (may, needs) = Gate([.. events.Select(e => e.Event)], room, cycles);
            return new WasteEstimate(
                mass,
                room,
                cycles,
                dates.Of(counter),
                dates.Of(full),
                full.Zip(counter).Count(z => (z.First ?? double.MaxValue) < (z.Second ?? double.MaxValue)) > Ways / 2 ? "store" : "counter",
                may,
                needs,
                doubts
            )
            {
                StoreDueOn = dates.By(full, numbers.DueShare),
            };
        }

        // Days until the store is at the mass it is used to, null beyond what is told; and the points counted until then.
        private (double? Days, double Points) Fills(StoreState state, Func<double, double> path)
        {
            var (stays, dries, last) = (state.Stays, state.Dries, 0.0);
            var perPoint = state.Inflow * store.GramsPerPoint;
            if (stays + dries >= store.SafeG)
                return (0, 0);
            // Without a known use nothing is said of drying: as if all came at once.
            if (!use.IsKnown)
                return (null, (store.SafeG - stays - dries) / perPoint);
            // The further ahead, the longer the steps: what is said of years is not said to the week.
            for (var (day, step) = (StepDays, StepDays); day < dates.MostDays; step = Math.Max(StepDays, StepShare * day), day += step)
            {
                var before = stays + dries;
                var points = path(day);
                var came = perPoint * (points - last);
                var kept = Math.Exp(-step / state.Days);
                dries = (dries * kept) + (state.Share * came * state.Days / step * (1 - kept));
                stays += (1 - state.Share) * came;
                if (stays + dries >= store.SafeG)
                {
                    var part = (store.SafeG - before) / Math.Max(1e-9, stays + dries - before);
                    return (day - (step * (1 - part)), last + ((points - last) * part));
                }

                last = points;
            }

            // So slow that what can dry has dried: what stays fills the rest.
            return (null, last + (Math.Max(0, store.SafeG - stays - dries) / (perPoint * (1 - state.Share))));
        }

        public IReadOnlyList<(double Days, Band Mass)> Course(double days, int points)
        {
            var step = days / points;
            var masses = Enumerable.Range(0, points + 1).Select(_ => new List<double>(states.Count)).ToList();
            for (var i = 0; i < states.Count; i++)
            {
                var (state, path) = (states[i], paths[i]);
                var (stays, dries, last) = (state.Stays, state.Dries, 0.0);
                var kept = Math.Exp(-step / state.Days);
                masses[0].Add(store.TareG + stays + dries);
                for (var n = 1; n <= points; n++)
                {
                    var counted = path(n * step);
                    var came = state.Inflow * store.GramsPerPoint * (counted - last);
                    dries = (dries * kept) + (state.Share * came * state.Days / step * (1 - kept));
                    stays += (1 - state.Share) * came;
                    last = counted;
                    masses[n].Add(store.TareG + stays + dries);
                }
            }

            return [.. masses.Select((m, n) => (n * step, BandOf(m)))];
        }

        private (bool May, IReadOnlyList<string> Needs) Gate(List<WasteEvent> events, Band room, Band cycles)
        {
            var since = events.Skip(events.FindLastIndex(e => e is WasteEvent.Reset) + 1).ToList();
            if (since.Any(e => e.IsService) && room.Best > 0)
                return (true, []);
            var weighed = since.Any(e => e.IsWeighing);
            if (weighed && cycles.Low >= 1)
                return (true, []);
            return (false, weighed ? Services : [StoreTold.Weighed, .. Services]);
        }

        private static Band BandOf(List<double> values)
        {
            values.Sort();
            return Band.Of(q => values[(int)Math.Round(q * (values.Count - 1))]);
        }
    }
}
