using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>House numbers of waste ink.</summary>
/// <param name="VolatileShare">Of each gram that comes in, the share that dries off, mean over machines, 0 to 1.</param>
/// <param name="DryDays">Time in which what can dry falls to 1/e, median over machines, days.</param>
/// <param name="Noise">How far machines and scales differ.</param>
/// <param name="CounterStep">A reading of the counter is exact to this, points.</param>
/// <param name="GramsPerMl">What waste ink in an outside bottle weighs, g/ml.</param>
/// <param name="OutlierSd">A weighing below the dry mass by more standard deviations than this is refused.</param>
/// <param name="CautiousSd">Where one figure must do, it is that of a machine so many standard deviations on the full side.</param>
/// <param name="MostYears">Dates later than this are not told, years.</param>
/// <param name="Margin">A store is used to this share of what it can hold, 0 to 1.</param>
/// <param name="DueShare">A store is due on the day by which it is full with this chance, 0 to 1.</param>
/// <param name="Overfull">More than this times what it can hold is no weighing of it.</param>
/// <param name="NetReading">The finding that weighs a store over its dry mass.</param>
/// <param name="ResetTag">Work with this tag sets the counter anew.</param>
/// <param name="Works">What works of the fault book are: renewed, washed, emptied.</param>
/// <param name="WashedLeft">What washing leaves where nobody weighed, share of the dry mass.</param>
/// <param name="BottleMl">An outside bottle, ml.</param>
/// <param name="BottleEmptyPct">It is emptied at this level, %.</param>
/// <param name="ResetFromPct">Below this count there is nothing to reset, %.</param>
/// <param name="WarnPct">From this count on the machine warns, %.</param>
/// <param name="FarApart">Counter and store are far apart from this difference on, share.</param>
/// <param name="UseFromDays">Readings of a machine's counter tell its use from so many days apart on, days.</param>
/// <param name="WaterGramsPerMl">What water of a bench trial weighs, g/ml.</param>
/// <param name="TrialShare">A store is used to this share of what a bench trial showed that its pads hold, 0 to 1.</param>
/// <param name="WeighMin">Weighing or looking, min.</param>
/// <param name="Ways">What ways on cost.</param>
/// <param name="Schools">By kind of store: the school that says what is done when it is full, and what way each of its options is.</param>
public sealed record WasteNumbers(
    double VolatileShare,
    double DryDays,
    WasteNoise Noise,
    double CounterStep,
    double GramsPerMl,
    double OutlierSd,
    double CautiousSd,
    double MostYears,
    double Margin,
    double DueShare,
    double Overfull,
    string NetReading,
    string ResetTag,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Works,
    double WashedLeft,
    double BottleMl,
    double BottleEmptyPct,
    double WaterGramsPerMl,
    double TrialShare,
    double WeighMin,
    double ResetFromPct,
    double WarnPct,
    double FarApart,
    double UseFromDays,
    WasteWayNumbers Ways,
    IReadOnlyDictionary<string, WasteSchool> Schools
)
{
    /// <summary>
    /// They as they hold for a model: where what a point brings, or the dry store's mass, is not well known, the counter and a weighing
    /// tell less by as much; where what the store takes up is not well known, it is used to no more than 9 in 10 of such take.
    /// </summary>
    /// <param name="model">The model.</param>
    public WasteNumbers For(MachineModel model) =>
        model.Taught is not { } taught
            ? this
            : this with
            {
                Margin = Margin * Math.Exp(-TaughtFigure.Spreads * taught.SpreadOf("padCapacityG")),
                Noise = Noise with
                {
                    InflowSd = double.Hypot(Noise.InflowSd, taught.SpreadOf("waste/gramsPerPoint")),
                    ScaleSd = double.Hypot(Noise.ScaleSd, taught.SpreadOf("storeTareG") * (model.StoreTareG ?? 0)),
                },
            };
}

/// <summary>A school of what is done with a full store.</summary>
/// <param name="School">Its id in the book.</param>
/// <param name="Ways">The way on that each of its options is.</param>
public sealed record WasteSchool(string School, IReadOnlyDictionary<string, string> Ways);

/// <summary>What ways on cost: money, and bench time in minutes.</summary>
/// <param name="KeyPrice">One use of a reset key.</param>
/// <param name="BoxTool">The hand tool that sets a box's chip anew, bought once.</param>
/// <param name="ResetMin">A reset.</param>
/// <param name="PadsMin">New pads, reset included.</param>
/// <param name="BoxMin">A new box, tank or cartridge.</param>
/// <param name="WashMin">Washing pads or a box, hands alone.</param>
/// <param name="DryHours">Drying, h.</param>
/// <param name="WashFluid">What washing uses up.</param>
/// <param name="BottlePrice">A bottle set.</param>
/// <param name="BottleMin">Fitting it.</param>
/// <param name="BottleCutMin">Fitting it with cutting.</param>
/// <param name="EmptyMin">Emptying it once.</param>
/// <param name="WorkshopPrice">An outside workshop.</param>
/// <param name="WorkshopMin">Packing and unpacking.</param>
/// <param name="WorkshopHours">Its time, h.</param>
/// <param name="OverflowPrice">What an overflow costs, times how full the store is.</param>
public sealed record WasteWayNumbers(
    double KeyPrice,
    double BoxTool,
    double ResetMin,
    double PadsMin,
    double BoxMin,
    double WashMin,
    double DryHours,
    double WashFluid,
    double BottlePrice,
    double BottleMin,
    double BottleCutMin,
    double EmptyMin,
    double WorkshopPrice,
    double WorkshopMin,
    double WorkshopHours,
    double OverflowPrice
);

/// <summary>How far machines and scales differ; standard deviations.</summary>
/// <param name="InflowSd">What comes in against what the counter says: one factor of the machine, in its logarithm.</param>
/// <param name="ShareSd">The share that dries off.</param>
/// <param name="DaysSd">The time it takes, in its logarithm.</param>
/// <param name="ScaleSd">A weighing, g.</param>
public sealed record WasteNoise(double InflowSd, double ShareSd, double DaysSd, double ScaleSd);
