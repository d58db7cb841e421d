using MathNet.Numerics.Distributions;
using SideBench.Core.Waste;

namespace SideBench.Core.Simulation.Stores;

/// <summary>
/// A made-up waste store: its machine prints day by day, what comes in dries off, it is read, weighed, reset and renewed. What a technician
/// would have told of it is gathered beside; the truth is not.
/// </summary>
public sealed class SimulatedStore
{
    private const double DaysOfYear = 365.25;
    private readonly WasteHistory kind;
    private readonly WasteNumbers numbers;
    private readonly Random chance;
    private readonly List<WasteEvent> told = [];
    private readonly double inflow;
    private readonly double share;
    private readonly double dryDays;
    private readonly double shape;
    private readonly double scale;
    private readonly double season;
    private double stays;
    private double dries;

    /// <summary>A store in a machine, with new pads.</summary>
    /// <param name="kind">The store; its events are not looked at.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="chance">Draws.</param>
    /// <param name="at">When it begins.</param>
    /// <param name="season">How far its use rises and falls over the year, share of its mean; 0 for use that is alike all year.</param>
    public SimulatedStore(WasteHistory kind, WasteNumbers numbers, Random chance, DateTimeOffset at, double season = 0)
    {
        (this.kind, this.numbers, this.chance, Now, this.season) = (kind, numbers, chance, at, season);
        var noise = numbers.Noise;
        inflow = Math.Exp(Normal.Sample(chance, 0, noise.InflowSd));
        var both = (numbers.VolatileShare * (1 - numbers.VolatileShare) / (noise.ShareSd * noise.ShareSd)) - 1;
        share = Beta.Sample(chance, numbers.VolatileShare * both, (1 - numbers.VolatileShare) * both);
        dryDays = numbers.DryDays * Math.Exp(Normal.Sample(chance, 0, noise.DaysSd));
        shape = 0.5 + (2.5 * chance.NextDouble());
        scale = (0.1 + (0.7 * chance.NextDouble())) / shape;
        told.Add(new WasteEvent.Renewed(Now));
        Read();
    }

    private SimulatedStore(SimulatedStore from, int seed)
    {
        (kind, numbers, chance, Now) = (from.kind, from.numbers, new Random(seed), from.Now);
        (inflow, share, dryDays, shape, scale, season) = (from.inflow, from.share, from.dryDays, from.shape, from.scale, from.season);
        (stays, dries, Count) = (from.stays, from.dries, from.Count);
    }

    /// <summary>The moment it stands at.</summary>
    public DateTimeOffset Now { get; private set; }

    /// <summary>The count, points.</summary>
    public double Count { get; private set; }

    /// <summary>Its mass with tare, g.</summary>
    public double Mass => kind.TareG + stays + dries;

    /// <summary>What was told of it.</summary>
    public WasteHistory History => kind with { Events = [.. told] };

    /// <summary>Another that goes on from here by its own chance.</summary>
    public SimulatedStore Ahead(int seed) => new(this, seed);

    /// <summary>A day goes by.</summary>
    public void Day()
    {
        var now = 1 + (season * Math.Sin(Now.DayOfYear / DaysOfYear * 2 * Math.PI));
        var points = now * Gamma.Sample(chance, shape, 1 / scale);
        var came = inflow * kind.GramsPerPoint * points;
        Count += points;
        dries = (dries * Math.Exp(-1 / dryDays)) + (share * came);
        stays += (1 - share) * came;
        Now = Now.AddDays(1);
    }

    /// <summary>The counter is read, to its step.</summary>
    public void Read() => told.Add(new WasteEvent.CounterRead(Now, Math.Round(Count / numbers.CounterStep) * numbers.CounterStep));

    /// <summary>The store is weighed.</summary>
    public void Weigh() => told.Add(new WasteEvent.Weighed(Now, Mass + Normal.Sample(chance, 0, numbers.Noise.ScaleSd)));

    /// <summary>The counter is read and reset.</summary>
    public void Reset()
    {
        Read();
        Count = 0;
        told.Add(new WasteEvent.Reset(Now, Count));
    }

    /// <summary>New pads.</summary>
    public void Renew()
    {
        (stays, dries) = (0, 0);
        told.Add(new WasteEvent.Renewed(Now));
    }
}
