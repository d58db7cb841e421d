using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.StripDown;

/// <summary>When a service falls due on one machine, as far as its record tells.</summary>
/// <param name="Service">The service.</param>
/// <param name="In">Time until then; negative when it is overdue.</param>
/// <param name="How">How that is known, in words.</param>
/// <param name="LifeLeft">How much of its life what is renewed has left, none to all.</param>
public sealed record DueForecast(DueService Service, TimeSpan In, string How, Ratio LifeLeft);

/// <summary>What it would cost to do a service now against a visit of its own.</summary>
/// <param name="Due">The service and when it falls due.</param>
/// <param name="Now">Extra bench time now.</param>
/// <param name="OwnVisit">Bench time of a visit of its own.</param>
/// <param name="Saved">Bench time saved at the shop's rate, money.</param>
/// <param name="ThrownAway">What is left in the parts that would be thrown away too early, money.</param>
/// <param name="Says">One line.</param>
public sealed record WhileOpenOffer(DueForecast Due, Minutes Now, Minutes OwnVisit, decimal Saved, decimal ThrownAway, string Says)
{
    /// <summary>Whether it is worth doing now.</summary>
    public bool IsWorth => Saved > ThrownAway;
}

/// <summary>While it is open anyway: which services due soon are worth doing now.</summary>
public static class WhileOpen
{
    /// <summary>When services fall due, by the waste counter and by time.</summary>
    /// <param name="graph">How the machine opens, with its services.</param>
    /// <param name="counter">Readings of the waste counter since its last reset, oldest first, with when.</param>
    /// <param name="lastDone">When each repair was last made on this machine, by repair.</param>
    /// <param name="since">From when time counts for what was never done: the first line of its record.</param>
    /// <param name="now">The time.</param>
    /// <returns>Services of which something is known, the soonest first.</returns>
    public static IReadOnlyList<DueForecast> Due(
        AccessGraph graph,
        IReadOnlyList<(DateTimeOffset At, CounterShare Stood)> counter,
        IReadOnlyDictionary<string, DateTimeOffset> lastDone,
        DateTimeOffset since,
        DateTimeOffset now
    ) =>
        [
            .. graph
                .Services.Select(s => Soonest(ByCounter(s, counter, now), ByTime(s, lastDone, since, now)))
                .OfType<DueForecast>()
                .OrderBy(d => d.In),
        ];

    /// <summary>The offers for one opening, the most worth first. Services not due soon are left out.</summary>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="targets">What is to be reached anyway.</param>
    /// <param name="off">Removals done already.</param>
    /// <param name="due">When services fall due.</param>
    /// <param name="handling">What handling costs, and what counts as soon.</param>
    /// <param name="anHour">The shop's rate: the money of an hour.</param>
    public static IReadOnlyList<WhileOpenOffer> Of(
        AccessGraph graph,
        IReadOnlyList<string> targets,
        IReadOnlySet<string> off,
        IReadOnlyList<DueForecast> due,
        Handling handling,
        Money anHour
    )
    {
        var none = new HashSet<string>();
        // What is open already costs its way back in both cases, so only what comes on top counts.
        var anyway = WayIn.To(graph, targets, handling, off).Both.Value;
        return
        [
            .. due.Where(d => d.In.TotalDays <= handling.SoonDays)
                .Select(d =>
                {
                    var now =
                        Math.Max(0, WayIn.To(graph, targets.Concat(d.Service.Targets), handling, off).Both.Value - anyway)
                        + d.Service.WorkMin;
                    var own = WayIn.To(graph, d.Service.Targets, handling, none).Both.Value + d.Service.WorkMin + handling.VisitMin;
                    var saved = Math.Round((decimal)((own - now) / 60) * anHour.Amount, 2);
                    var lost = Math.Round(d.Service.Parts * (decimal)d.LifeLeft.Value, 2);
                    return new WhileOpenOffer(
                        d,
                        Minutes.Of(now),
                        Minutes.Of(own),
                        saved,
                        lost,
                        $"{d.Service.Name}: +{now:0} min now, {own:0} as its own visit. {d.How}."
                    );
                })
                .OrderByDescending(o => o.Saved - o.ThrownAway),
        ];
    }

    private static DueForecast? Soonest(DueForecast? a, DueForecast? b) =>
        a is null ? b
        : b is null || a.In <= b.In ? a
        : b;

    // Two readings give the pace; one alone says only whether it is due.
    private static DueForecast? ByCounter(
        DueService service,
        IReadOnlyList<(DateTimeOffset At, CounterShare Stood)> counter,
        DateTimeOffset now
    )
    {
        if (service.CounterPct <= 0 || counter.Count == 0)
            return null;
        var last = counter[^1];
        if (last.Stood.Pct >= service.CounterPct)
            return new DueForecast(service, TimeSpan.Zero, $"The counter reads {last.Stood.Pct:0} %", Ratio.Of(0));
        var (days, gain) = ((last.At - counter[0].At).TotalDays, last.Stood.Pct - counter[0].Stood.Pct);
        if (days < 1 || gain <= 0)
            return null;
        var inDays = ((service.CounterPct - last.Stood.Pct) / (gain / days)) - (now - last.At).TotalDays;
        return new DueForecast(
            service,
            TimeSpan.FromDays(inDays),
            $"Due in {Span(inDays)} by its counter, {gain / days * 30:0.#} % a month",
            Ratio.Of(1 - (last.Stood.Pct / service.CounterPct))
        );
    }

    private static DueForecast? ByTime(
        DueService service,
        IReadOnlyDictionary<string, DateTimeOffset> lastDone,
        DateTimeOffset since,
        DateTimeOffset now
    )
    {
        if (service.EveryDays <= 0)
            return null;
        var done = service.Repairs.Where(lastDone.ContainsKey).Select(r => lastDone[r]).Append(since).Max();
        var inDays = service.EveryDays - (now - done).TotalDays;
        var how = inDays >= 0 ? $"Due in {Span(inDays)} by time" : $"Overdue by {Span(-inDays)} by time";
        return new DueForecast(service, TimeSpan.FromDays(inDays), how, Ratio.Of(Math.Clamp(inDays / service.EveryDays, 0, 1)));
    }

    private static string Span(double days) =>
        days switch
        {
            < 1.5 => "a day",
            < 14 => $"{days:0} days",
            < 60 => $"{days / 7:0} weeks",
            _ => $"{days / 30.4:0} months",
        };
}
