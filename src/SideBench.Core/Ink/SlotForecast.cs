using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>When a slot falls due, by what the record says of its use.</summary>
/// <param name="MlPerDay">What it uses a day, ml, with its band.</param>
/// <param name="Days">Days until it is down to its reserve, with their band; 0 when it is.</param>
/// <remarks>
/// Use is what the count fell between readings, through resets, times the slot's own factor, over the days they lie apart. The band holds
/// the ink that is not known exactly, and that weeks differ: the mean of n weeks differs by the spread of one over the root of n.
/// </remarks>
public sealed record SlotForecast(Band MlPerDay, Band Days)
{
    private const double WeekDays = 7;
    private const double TailSd = 1.645;

    /// <summary>The forecast; null where readings lie too close together, or nothing was used.</summary>
    /// <param name="slot">The slot.</param>
    /// <param name="rules">House numbers.</param>
    public static SlotForecast? Of(SlotOnMachine slot, SlotRules rules)
    {
        if (slot is not { IsKnown: true, Estimate: { } now, History: { } history, Type: { } type })
            return null;
        var (points, from, to) = Fallen(history);
        var days = (to - from).TotalDays;
        if (days < rules.ForecastDays || points <= 0)
            return null;
        var mean = points * history.ChipMl / 100 * now.CountFactor.Best / days;
        var share = Math.Min(0.9, TailSd * rules.WeekSpread / Math.Sqrt(Math.Max(1, days / WeekDays)));
        var use = new Band(mean, mean * (1 - share), mean * (1 + share));
        double Lasts(double ink, double perDay) => Math.Max(0, ink - type.Reserve.Value) / perDay;
        return new SlotForecast(use, new Band(Lasts(now.Ink.Best, use.Best), Lasts(now.Ink.Low, use.High), Lasts(now.Ink.High, use.Low)));
    }

    /// <summary>Days that a reset board still lasts: its presses, times the days until the hungriest slot needs one.</summary>
    /// <param name="slots">All slots of the machine.</param>
    /// <param name="rules">House numbers.</param>
    /// <param name="pressesLeft">Presses left.</param>
    /// <returns>Null where no slot's use is known.</returns>
    public static Band? Board(IReadOnlyList<SlotOnMachine> slots, SlotRules rules, int pressesLeft)
    {
        var each = slots
            .Select(s => (s.Type, Use: Of(s, rules)?.MlPerDay))
            .Where(s => s.Use is { Best: > 0 })
            .Select(s => s.Use!.Value.With(use => (s.Type!.Fill.Value - s.Type.Reserve.Value) / use))
            .ToList();
        return each.Count == 0 ? null : each.MinBy(d => d.Best).With(days => pressesLeft * days);
    }

    // Points the count fell from reading to reading; a reset or another piece between two of them begins anew.
    private static (double Points, DateTimeOffset From, DateTimeOffset To) Fallen(SlotHistory history)
    {
        var (points, from, to) = (0.0, default(DateTimeOffset?), default(DateTimeOffset));
        double? count = null;
        // What fell in no time fell before anybody looked.
        foreach (var what in history.Events.OrderBy(e => e.At))
        {
            var next = what switch
            {
                SlotEvent.ChipRead read => read.Pct,
                SlotEvent.Reset reset => reset.ToPct,
                SlotEvent.Swapped swapped => swapped.ChipPct,
                _ => default(double?),
            };
            if (next is not { } now)
                continue;
            if (what is SlotEvent.ChipRead && count is { } before && before > now && what.At > to)
                points += before - now;
            (count, from, to) = (now, from ?? what.At, what.At);
        }

        return (points, from ?? to, to);
    }
}
