namespace SideBench.Core.Waste;

/// <summary>A stretch of a store's life with what ends it.</summary>
/// <param name="Days">How long.</param>
/// <param name="Points">Points that the counter rose, as far as readings tell.</param>
/// <param name="Unsure">Variance of those points: what lies between two readings, or before a reset, is not known.</param>
/// <param name="End">What happened then; null at the moment asked about.</param>
/// <param name="Place">Its place in the history.</param>
internal sealed record Stretch(double Days, double Points, double Unsure, WasteEvent? End, int Place);

/// <summary>Lays a history out as stretches from event to event, with the points that came in each.</summary>
internal static class StoreWay
{
    /// <summary>The rises that readings tell, for the use of a day.</summary>
    /// <param name="events">By time.</param>
    /// <param name="fromDays">Readings closer together than this tell none, days.</param>
    public static List<(double Days, double Points)> Rises(IReadOnlyList<(WasteEvent Event, int Place)> events, double fromDays)
    {
        var rises = new List<(double, double)>();
        (DateTimeOffset At, double Pct)? last = null;
        foreach (var (what, _) in events)
        {
            if (what is WasteEvent.CounterRead read)
            {
                if (last is { } from && read.Pct >= from.Pct && read.At > from.At && (read.At - from.At).TotalDays >= fromDays)
                    rises.Add(((read.At - from.At).TotalDays, read.Pct - from.Pct));
                last = (read.At, read.Pct);
            }
            else if (what is WasteEvent.Reset reset)
            {
                last = (reset.At, reset.ToPct);
            }
        }

        return rises;
    }

    /// <summary>The stretches, and the count at the end.</summary>
    /// <param name="events">By time.</param>
    /// <param name="at">The moment asked about.</param>
    /// <param name="use">Points a day and their variance, for what no reading tells.</param>
    /// <param name="fell">Told the place of a reading that fell without a reset.</param>
    public static (List<Stretch> Way, double? Count, DateTimeOffset CountAt) Of(
        IReadOnlyList<(WasteEvent Event, int Place)> events,
        DateTimeOffset at,
        CounterUse use,
        Action<int> fell
    )
    {
        var way = new List<Stretch>();
        (DateTimeOffset At, double Pct)? last = null;
        for (var i = 0; i < events.Count; i++)
        {
            var (what, place) = events[i];
            var days = i == 0 ? 0 : (what.At - events[i - 1].Event.At).TotalDays;
            var next = last is null ? null : NextCount(events, i);
            if (next is { } to && last is { } from && to.Pct >= from.Pct)
            {
                var (whole, done) = ((to.At - from.At).TotalDays, (what.At - from.At).TotalDays);
                var share =
                    whole > 0 ? days / whole
                    : to.At == what.At && NextIs(events, i) ? 1
                    : 0;
                var passed = whole > 0 ? done / whole : 1;
                var perDay = use.PerDay > 0 ? use.Variance / use.PerDay : 0;
                way.Add(new Stretch(days, (to.Pct - from.Pct) * share, (to.Pct - from.Pct) * perDay * passed * (1 - passed), what, place));
            }
            else
            {
                if (next is not null && NextIs(events, i))
                    fell(place);
                way.Add(new Stretch(days, use.PerDay * days, use.Variance * days, what, place));
            }

            if (what is WasteEvent.CounterRead read)
                last = (read.At, read.Pct);
            else if (what is WasteEvent.Reset reset)
                last = (reset.At, reset.ToPct);
        }

        var rest = events.Count == 0 ? 0 : (at - events[^1].Event.At).TotalDays;
        way.Add(new Stretch(rest, use.PerDay * rest, use.Variance * rest, null, -1));
        return (way, last?.Pct, last?.At ?? at);
    }

    private static bool NextIs(IReadOnlyList<(WasteEvent Event, int Place)> events, int i) => events[i].Event is WasteEvent.CounterRead;

    // The reading that tells what comes in now: none when the count is set before it.
    private static (DateTimeOffset At, double Pct)? NextCount(IReadOnlyList<(WasteEvent Event, int Place)> events, int from)
    {
        for (var i = from; i < events.Count; i++)
            if (events[i].Event is WasteEvent.CounterRead read)
                return (read.At, read.Pct);
            else if (events[i].Event is WasteEvent.Reset)
                return null;
        return null;
    }
}
