using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>From measured dashes to what every nozzle of every unit does.</summary>
public static class UnitReader
{
    // So much ink is a pen's or a hair's: a person should look.
    private const double TooMuchInk = 1.8;
    private const double PresentFrom = 0.45;
    private const double MostOfFaint = 0.5;
    private const double MostGoodSpread = 0.22;
    private const double MostOffsetSpreadMm = 0.1;

    /// <summary>Reads every unit.</summary>
    public static List<UnitReading> Read(GaugedSheet sheet, SheetLayout layout, PatternModel model)
    {
        var mixed = InkMixing.Of(layout.Units, sheet.Inks);
        var units = new UnitReading[layout.Units.Count];
        var firsts = new int[layout.Units.Count];
        for (int u = 0, first = 0; u < firsts.Length; first += layout.Units[u++].Nozzles)
            firsts[u] = first;
        Parallel.For(
            0,
            units.Length,
            u =>
            {
                var unit = layout.Units[u];
                var measures = new ArraySegment<DashMeasure>(sheet.Measures, firsts[u], unit.Nozzles);
                var read = Read(unit, measures, mixed[u], model, mixed[u].With < 0 ? null : layout.Units[mixed[u].With].Id);
                units[u] = sheet.TooFaint[u] ? TooFaint(read) : read;
            }
        );
        return [.. units];
    }

    private static UnitReading Read(
        SheetUnit unit,
        IReadOnlyList<DashMeasure> measures,
        (double Share, int With) mixed,
        PatternModel model,
        string? with
    )
    {
        var goodSpread = Math.Max(model.GoodSpread, Math.Min(MostGoodSpread, Spread(measures, m => m.Strength - 1)));
        var offsetSpread = Math.Max(model.OffsetSpreadMm, Math.Min(MostOffsetSpreadMm, Spread(measures, m => m.OffsetMm)));
        var likely = measures.Select(m => NozzleLikelihood.Of(m, model, goodSpread, offsetSpread)).ToArray();
        var odds = PatternOdds.Of(measures, likely, mixed.Share, offsetSpread, model);
        var signs = measures.Select((measure, n) => Sign(measure, likely[n], odds.Expected[n])).ToArray();
        return new UnitReading(unit.Id, signs, odds.Likeliest, odds.Odds, odds.Likeliest == PatternClass.Contaminated ? with : null);
    }

    // A faint ink's dash may be seen or not; whether it is weak cannot be told.
    private static UnitReading TooFaint(UnitReading read) =>
        read with
        {
            Pattern = read.Pattern is PatternClass.WeakGroup or PatternClass.Starvation ? PatternClass.None : read.Pattern,
            Nozzles =
            [
                .. read.Nozzles.Select(sign =>
                    sign with
                    {
                        State = sign.State & ~NozzleState.Weak,
                        Confidence = Math.Min(sign.Confidence, MostOfFaint),
                    }
                ),
            ],
        };

    /// <summary>What one nozzle does, by its dash and by what its pattern makes likely.</summary>
    /// <param name="measure">Its dash.</param>
    /// <param name="l">How likely the dash is under each state.</param>
    /// <param name="role">How likely each state is in the pattern.</param>
    public static NozzleSign Sign(DashMeasure measure, NozzleLikelihood l, NozzleOdds role)
    {
        // A pattern may lean a doubtful nozzle its way; it never makes the impossible certain.
        const double Open = 0.004;
        var odds = new (NozzleState State, double Odds)[]
        {
            (NozzleState.Good, Math.Max(Open, role.Good) * l.Good),
            (NozzleState.Weak, Math.Max(Open, role.Weak) * l.Weak),
            (NozzleState.Missing, Math.Max(Open, role.Missing) * l.Missing),
            (NozzleState.Deflected, Math.Max(Open, role.Deflected) * l.Deflected),
            (NozzleState.Weak | NozzleState.Deflected, Math.Max(Open / 10, role.WeakDeflected) * l.WeakDeflected),
        };
        var sum = odds.Sum(o => o.Odds);
        var best = odds.MaxBy(o => o.Odds);
        var sure = measure.Strength > TooMuchInk ? 0.5 : best.Odds / sum;
        return new NozzleSign(best.State, sure, measure.Strength, best.State == NozzleState.Missing ? 0 : measure.OffsetMm);
    }

    // Spread of the dashes that are there, by the middle of their distances from the middle.
    private static double Spread(IReadOnlyList<DashMeasure> measures, Func<DashMeasure, double> value)
    {
        var there = measures.Where(m => m.Strength > PresentFrom).Select(value).Order().ToArray();
        if (there.Length < 8)
            return 0;
        var middle = there[there.Length / 2];
        return 1.48 * there.Select(v => Math.Abs(v - middle)).Order().ToArray()[there.Length / 2];
    }
}
