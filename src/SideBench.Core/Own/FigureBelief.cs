using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Own;

/// <summary>
/// What is believed of a figure: its logarithm is a bell curve. A measurement moves it by Bayes' rule and narrows it; one far off is asked
/// about before it counts, and then counts less, since one of the two is wrong.
/// </summary>
/// <param name="Value">The middle, in the figure's unit, above 0.</param>
/// <param name="Factor">8 of 10 lie within this factor, up and down; above 1.</param>
/// <param name="Seen">How many measurements went in.</param>
public readonly record struct FigureBelief(double Value, double Factor, int Seen)
{
    /// <summary>The middle 8 of 10 of a bell curve lie within so many spreads.</summary>
    public const double Spreads = TaughtFigure.Spreads;

    /// <summary>The lower end of its band.</summary>
    public double Low => Value / Factor;

    /// <summary>The upper end.</summary>
    public double High => Value * Factor;

    private double Spread => Math.Log(Factor) / Spreads;

    /// <summary>How many spreads a measurement is off.</summary>
    /// <param name="measured">In the figure's unit, above 0.</param>
    /// <param name="factor">8 of 10 measurements are right within this factor.</param>
    public double Off(double measured, double factor)
    {
        var own = Math.Log(factor) / Spreads;
        return Math.Abs(Math.Log(measured / Value)) / Math.Sqrt((Spread * Spread) + (own * own));
    }

    /// <summary>With one measurement more.</summary>
    /// <param name="measured">In the figure's unit.</param>
    /// <param name="factor">8 of 10 measurements are right within this factor.</param>
    /// <param name="farOff">So many spreads off it is asked about.</param>
    /// <param name="isSure">Whether the person says that it is so.</param>
    /// <param name="unit">For the problem's sentence.</param>
    public Outcome<FigureBelief> With(double measured, double factor, double farOff, bool isSure, string unit)
    {
        var off = Off(measured, factor);
        if (off > farOff && !isSure)
            return new Problem(OwnProblem.FarOff, "/value", Short(measured), unit, Short(Low), Short(High));
        var own = Math.Log(factor) / Spreads;
        // What was known is doubted by as much as the two are too far apart.
        var before = off > farOff ? Spread * off / farOff : Spread;
        var (a, b) = (1 / (before * before), 1 / (own * own));
        var mean = ((a * Math.Log(Value)) + (b * Math.Log(measured))) / (a + b);
        return new FigureBelief(Math.Exp(mean), Math.Exp(Spreads / Math.Sqrt(a + b)), Seen + 1);
    }

    private static double Short(double value) =>
        value == 0 ? 0 : Math.Round(value, Math.Clamp(2 - (int)Math.Floor(Math.Log10(value)), 0, 6));
}
