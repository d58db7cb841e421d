using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>
/// The counter of borderless prints, on models that count them apart: at its limit only those stop. What comes in by them is in the main
/// counter's grams already.
/// </summary>
/// <param name="Counter">As last read, or as a reset left it.</param>
/// <param name="PointsPerDay">What it rises a day; null while not known.</param>
/// <param name="FullOn">When it is at its limit.</param>
public sealed record SecondCounter(CounterAt Counter, double? PointsPerDay, DateBand FullOn)
{
    /// <summary>The counter of a machine.</summary>
    /// <param name="machine">It, as it stands.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="limitPct">Where it stops borderless prints, %.</param>
    /// <param name="now">The time.</param>
    /// <returns>Null where nobody read it.</returns>
    /// <remarks>House default: a reset of the main counter sets it too; it is taken for that until it is read again.</remarks>
    public static SecondCounter? Of(MachineCase machine, WasteNumbers numbers, double limitPct, DateTimeOffset now)
    {
        var reads = machine
            .ReadingLife.Where(r => r.Reading.What == StoreTold.BorderlessRead && r.At <= now)
            .Select(r => (WasteEvent)new WasteEvent.CounterRead(r.At, r.Reading.Value))
            .ToList();
        if (reads.Count == 0)
            return null;
        var events = reads
            .Concat(
                machine
                    .StoreLife.Where(l => l.What is { What: StoreChange.Reset, Amount: not null })
                    .Select(l => new WasteEvent.Reset(l.At, l.What.Amount!.Value))
            )
            .Concat(machine.Work.Where(w => w.Work.Tags.Contains(numbers.ResetTag)).Select(w => new WasteEvent.Reset(w.At, 0)))
            .Where(e => e.At <= now)
            .OrderBy(e => e.At)
            .ToList();
        var counter = events[^1] switch
        {
            WasteEvent.CounterRead read => new CounterAt(read.Pct, read.At, true),
            WasteEvent.Reset reset => new CounterAt(reset.ToPct, reset.At, false),
            _ => throw new InvalidOperationException("Only readings and resets were gathered."),
        };
        var use = CounterUse.Of(StoreWay.Rises([.. events.Select((e, i) => (e, i))], numbers.UseFromDays), numbers.CounterStep);
        var dates = new CounterDates(use, numbers.MostYears, now);
        return new SecondCounter(
            counter,
            use.IsKnown ? use.PerDay : null,
            dates.Of([.. CounterDates.Paths(use).Select(p => dates.Reaches(p, counter.Pct, counter.At, limitPct))])
        );
    }
}
