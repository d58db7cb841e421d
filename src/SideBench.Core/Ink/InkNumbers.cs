using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>House numbers of ink and chips.</summary>
/// <param name="Noise">How far fills, weighings and counts are from the truth.</param>
/// <param name="UseShape">
/// How evenly use is spread over the time between two chip readings: 2 means that any share is as likely as any other at the middle; more
/// is more even.
/// </param>
/// <param name="OutlierSd">A witness further off than so many standard deviations is kept with a doubt.</param>
/// <param name="Density">What ink weighs, by its kind, g/ml.</param>
/// <param name="BottleMl">What bottled ink costs, by its kind, money a ml.</param>
/// <param name="Region">The region whose cartridge numbers are the shop's.</param>
/// <param name="Rules">When slots are filled and counts are reset.</param>
/// <param name="Work">How long the hand takes.</param>
/// <param name="Money">What refilling is reckoned with.</param>
/// <param name="Split">How machines make colours of their inks.</param>
public sealed record InkNumbers(
    SlotNoise Noise,
    double UseShape,
    double OutlierSd,
    IReadOnlyDictionary<string, double> Density,
    IReadOnlyDictionary<string, decimal> BottleMl,
    string Region,
    SlotRules Rules,
    SlotWork Work,
    InkMoneyNumbers Money,
    InkSplit Split
)
{
    /// <summary>
    /// They as they hold for a piece of a model: where its fill, its count or its tare are not well known, a fill, a count and a weighing
    /// tell less by as much.
    /// </summary>
    /// <param name="model">The model.</param>
    /// <param name="type">What is fitted.</param>
    public InkNumbers For(MachineModel model, CartridgeType type)
    {
        if (model.Taught is not { } taught)
            return this;
        double Spread(string figure) => taught.SpreadOf($"cartridges/{type.Id}/{figure}");
        return this with
        {
            Noise = Noise with
            {
                FullSd = double.Hypot(Noise.FullSd, Spread("fillMl")),
                CountSd = double.Hypot(Noise.CountSd, Spread("chipMl")),
                TareSd = double.Hypot(Noise.TareSd, Spread("tareG") * (type.Tare?.Value ?? 0)),
            },
        };
    }
}

/// <summary>What refilling is reckoned with.</summary>
/// <param name="FillsPerPiece">So many fillings a refillable lasts.</param>
/// <param name="HeadRisk">By mechanism: chance that one filling costs the head, 0 to 1.</param>
public sealed record InkMoneyNumbers(double FillsPerPiece, IReadOnlyDictionary<string, double> HeadRisk);

/// <summary>When slots are filled and counts are reset.</summary>
/// <param name="FloorPct">Below this count a hand tool mostly fails, %.</param>
/// <param name="Tries">So many tries, the cartridge seated anew between them, before its chip is given up.</param>
/// <param name="EarlyPct">A baffled refillable on lines is topped up from this count on, %.</param>
/// <param name="SoonPct">So far before it is due a slot is said to be due soon, points of the count.</param>
/// <param name="BoardPresses">Presses of a new reset board.</param>
/// <param name="DonorPct">A chip is carried over while its count is at least this, %.</param>
/// <param name="FullShare">A slot is full from this share of a full fill on, 0 to 1: a board is pressed only then.</param>
/// <param name="WorthShare">Topped up along with the others from this share of a full fill missing on, 0 to 1.</param>
/// <param name="PageCoverPct">Coverage that a model's page is told for, %.</param>
/// <param name="WarnShare">
/// A warning comes before air in this share of slots, 0.5 to 1: more is earlier, and more ink is left when it comes.
/// </param>
/// <param name="WarnShareWeighed">The same once a piece was weighed twice: what is left then is little either way.</param>
/// <param name="ForecastDays">Use is told only when readings lie so many days apart, days.</param>
/// <param name="WeekSpread">How far the use of one week differs from the mean, one standard deviation, share of it.</param>
/// <param name="JointDays">What falls due so many days after the first is done in the same visit, days.</param>
/// <param name="SoftDonorPct">A donor's count for those who try whatever is left, %.</param>
public sealed record SlotRules(
    double FloorPct,
    int Tries,
    double EarlyPct,
    double SoonPct,
    int BoardPresses,
    double DonorPct,
    double FullShare,
    double WorthShare,
    double PageCoverPct,
    double WarnShare,
    double WarnShareWeighed,
    double ForecastDays,
    double WeekSpread,
    double JointDays,
    double SoftDonorPct
);

/// <summary>How long the hand takes over ink and chips, min.</summary>
/// <param name="Open">Doors, plugs and towels, before and after a visit.</param>
/// <param name="Fill">Filling one slot.</param>
/// <param name="Weigh">Weighing one cartridge.</param>
/// <param name="Reset">One reset.</param>
/// <param name="Prime">Priming a slot that took in air.</param>
/// <param name="Convert">Carrying one chip over into a refillable.</param>
public sealed record SlotWork(double Open, double Fill, double Weigh, double Reset, double Prime, double Convert);

/// <summary>How far fills, weighings and counts are from the truth; standard deviations.</summary>
/// <param name="FullSd">A fill to full, share of a full fill.</param>
/// <param name="PouredSd">A fill by millilitres, share of them.</param>
/// <param name="CountSd">True use to counted use: one factor of the slot, near 1.</param>
/// <param name="ScaleSd">A weighing, g.</param>
/// <param name="TareSd">The empty mass of the single piece, g.</param>
/// <param name="SpentSd">A counted use that was told, share of it.</param>
public sealed record SlotNoise(double FullSd, double PouredSd, double CountSd, double ScaleSd, double TareSd, double SpentSd);
