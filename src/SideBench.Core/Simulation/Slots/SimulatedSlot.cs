using MathNet.Numerics.Distributions;
using SideBench.Core.Ink;

namespace SideBench.Core.Simulation.Slots;

/// <summary>
/// A made-up slot: it is poured, prints, is weighed and miscounts, drop by drop, with hidden parameters. What a technician would have told
/// of it is gathered beside; the truth is not.
/// </summary>
public sealed class SimulatedSlot
{
    private const int PiecesOfDay = 12;
    private readonly SlotHistory kind;
    private readonly SlotNoise noise;
    private readonly Random chance;
    private readonly List<SlotEvent> told = [];
    private readonly double mlPerDay;
    private readonly double spread;
    private double factor;
    private double tareOff;

    /// <summary>A piece in a slot, just fitted.</summary>
    /// <param name="kind">What is fitted; its events are not looked at.</param>
    /// <param name="noise">How far fills, weighings and counts are from the truth.</param>
    /// <param name="chance">Draws.</param>
    /// <param name="at">When it begins.</param>
    public SimulatedSlot(SlotHistory kind, SlotNoise noise, Random chance, DateTimeOffset at)
    {
        (this.kind, this.noise, this.chance, Now) = (kind, noise, chance, at);
        mlPerDay = kind.FillMl * (0.01 + (0.05 * chance.NextDouble()));
        spread = 0.5 + (2 * chance.NextDouble());
        Fit();
    }

    /// <summary>The moment it stands at.</summary>
    public DateTimeOffset Now { get; private set; }

    /// <summary>Ink that is really in it, ml.</summary>
    public double Ink { get; private set; }

    /// <summary>The count, %; not rounded.</summary>
    public double Count { get; private set; }

    /// <summary>What was told of it.</summary>
    public SlotHistory History => kind with { Events = [.. told] };

    private double Most => kind.FillMl * (1 + (2 * noise.FullSd));

    /// <summary>Another piece goes in, as bought.</summary>
    public void Fit()
    {
        factor = Normal.Sample(chance, 1, noise.CountSd);
        tareOff = Normal.Sample(chance, 0, noise.TareSd);
        var ml = kind.FillMl * (0.6 + (0.4 * chance.NextDouble()));
        Ink = ml * Normal.Sample(chance, 1, noise.PouredSd);
        Count = 100;
        told.Add(new SlotEvent.Swapped(Now, ml, Count));
    }

    /// <summary>Days go by: it prints, a little at a time.</summary>
    /// <param name="days">So many.</param>
    public void Print(double days)
    {
        var pieces = Math.Max(1, (int)(days * PiecesOfDay));
        var shape = spread * days / pieces;
        for (var i = 0; i < pieces; i++)
            Draw(Math.Min(mlPerDay / spread * Gamma.Sample(chance, shape, 1), kind.ChipMl * Count / 100), factor);
        Now = Now.AddDays(days);
    }

    /// <summary>A use that is told and that no reading covers.</summary>
    public void Spend()
    {
        var ml = Math.Min(kind.FillMl * 0.1 * chance.NextDouble(), kind.ChipMl * Count / 100);
        Draw(ml, Normal.Sample(chance, 1, noise.SpentSd));
        told.Add(new SlotEvent.Spent(Now, ml));
    }

    /// <summary>It is filled to full, and its chip reset.</summary>
    public void FillUp()
    {
        Ink = Math.Min(Most, kind.FillMl * Normal.Sample(chance, 1, noise.FullSd));
        told.Add(new SlotEvent.Filled(Now, null));
        Reset();
    }

    /// <summary>Some is poured in.</summary>
    public void Pour()
    {
        var ml = Math.Max(0.1, (kind.FillMl - Ink) * chance.NextDouble());
        Ink = Math.Min(Math.Max(Most, Ink), Ink + (ml * Normal.Sample(chance, 1, noise.PouredSd)));
        told.Add(new SlotEvent.Filled(Now, ml));
    }

    /// <summary>The chip is read.</summary>
    public double Read()
    {
        var reading = Math.Ceiling(Count - 1e-9);
        told.Add(new SlotEvent.ChipRead(Now, reading));
        return reading;
    }

    /// <summary>The piece is weighed.</summary>
    public void Weigh() =>
        told.Add(new SlotEvent.Weighed(Now, kind.TareG + tareOff + (kind.DensityGPerMl * Ink) + Normal.Sample(chance, 0, noise.ScaleSd)));

    /// <summary>The count is reset.</summary>
    public void Reset()
    {
        Count = 100;
        told.Add(new SlotEvent.Reset(Now, Count));
    }

    private void Draw(double counted, double times)
    {
        Count = Math.Max(0, Count - (100 * counted / kind.ChipMl));
        Ink = Math.Max(0, Ink - (counted * times));
    }
}
