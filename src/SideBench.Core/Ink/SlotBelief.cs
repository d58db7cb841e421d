using MathNet.Numerics.Distributions;

namespace SideBench.Core.Ink;

/// <summary>
/// What is believed of a slot, as one normal distribution over four figures that hang together: ink (ml), true use to counted use, how far
/// the piece's empty mass is from its kind's (g), and the count (%). A fill, a use or a weighing is a linear step.
/// </summary>
internal sealed class SlotBelief
{
    public const int Ink = 0;
    public const int Factor = 1;
    public const int Tare = 2;
    public const int Count = 3;
    private const int Size = 4;
    private readonly double[] mean = new double[Size];
    private readonly double[] cov = new double[Size * Size];

    /// <summary>How much it counts beside others, not normed.</summary>
    public double Weight { get; set; } = 1;

    /// <summary>Chance that nothing is left.</summary>
    public double Empty { get; private set; }

    /// <summary>Middle of a figure.</summary>
    public double Mean(int of) => mean[of];

    /// <summary>How two figures vary together.</summary>
    public double Cov(int a, int b) => cov[(a * Size) + b];

    /// <summary>Standard deviation of a figure.</summary>
    public double Sd(int of) => Math.Sqrt(Math.Max(0, Cov(of, of)));

    /// <summary>A figure is known anew, whatever it was before.</summary>
    public void Set(int of, double to, double sd)
    {
        mean[of] = to;
        for (var i = 0; i < Size; i++)
            cov[(of * Size) + i] = cov[(i * Size) + of] = 0;
        cov[(of * Size) + of] = sd * sd;
        if (of == Ink)
            Empty = 0;
    }

    /// <summary>A figure grows, by an amount that is not known exactly.</summary>
    public void Add(int to, double amount, double sd)
    {
        mean[to] += amount;
        if (to == Ink && amount > 0)
            Empty = 0;
        cov[(to * Size) + to] += sd * sd;
    }

    /// <summary>Counted use: the count falls, and the ink by the slot's factor.</summary>
    /// <param name="points">Points of the count.</param>
    /// <param name="sd">How far they may be off.</param>
    /// <param name="mlPerPoint">What a point stands for, ml.</param>
    public void Use(double points, double sd, double mlPerPoint)
    {
        var (factor, slope) = (mean[Factor], -mlPerPoint * points);
        mean[Ink] += slope * factor;
        mean[Count] -= points;
        for (var i = 0; i < Size; i++)
            cov[(Ink * Size) + i] += slope * cov[(Factor * Size) + i];
        for (var i = 0; i < Size; i++)
            cov[(i * Size) + Ink] += slope * cov[(i * Size) + Factor];
        var drawn = mlPerPoint * factor;
        cov[(Ink * Size) + Ink] += drawn * drawn * sd * sd;
        cov[(Ink * Size) + Count] += drawn * sd * sd;
        cov[(Count * Size) + Ink] += drawn * sd * sd;
        cov[(Count * Size) + Count] += sd * sd;
    }

    /// <summary>How far a witness is from what is believed, and how far it may be.</summary>
    /// <param name="a">A figure it sees.</param>
    /// <param name="gain">By how much.</param>
    /// <param name="b">Another it sees as it is; −1 for none.</param>
    /// <param name="seen">What it says.</param>
    public (double Off, double Variance) Against(int a, double gain, int b, double seen)
    {
        var off = seen - (gain * mean[a]) - (b < 0 ? 0 : mean[b]);
        var variance = (gain * gain * Cov(a, a)) + (b < 0 ? 0 : (2 * gain * Cov(a, b)) + Cov(b, b));
        return (off, variance);
    }

    /// <summary>Learns from a witness.</summary>
    /// <param name="a">A figure it sees.</param>
    /// <param name="gain">By how much.</param>
    /// <param name="b">Another it sees as it is; −1 for none.</param>
    /// <param name="seen">What it says.</param>
    /// <param name="noise">Its variance.</param>
    /// <returns>Logarithm of how likely it was.</returns>
    public double Learn(int a, double gain, int b, double seen, double noise)
    {
        var (off, own) = Against(a, gain, b, seen);
        var variance = own + noise;
        if (variance <= 0)
            return 0;
        if (a == Ink)
            Empty = 0;
        Span<double> pull = stackalloc double[Size];
        for (var i = 0; i < Size; i++)
            pull[i] = (gain * Cov(i, a)) + (b < 0 ? 0 : Cov(i, b));
        for (var i = 0; i < Size; i++)
            mean[i] += pull[i] * off / variance;
        for (var i = 0; i < Size; i++)
        for (var j = 0; j < Size; j++)
            cov[(i * Size) + j] -= pull[i] * pull[j] / variance;
        return -0.5 * ((off * off / variance) + Math.Log(variance));
    }

    /// <summary>Ink cannot be below nothing or above what the piece takes: what reaches past an end lies on it.</summary>
    /// <param name="end">The end.</param>
    /// <param name="isLeast">Whether it is the lower one.</param>
    public void End(double end, bool isLeast)
    {
        var (sd, side) = (Sd(Ink), isLeast ? 1 : -1);
        var over = side * (mean[Ink] - end);
        if (over > 6 * sd)
            return;
        if (sd <= 0)
        {
            mean[Ink] = over < 0 ? end : mean[Ink];
            Empty = isLeast && over <= 0 ? 1 : Empty;
            return;
        }

        var inside = Normal.CDF(0, 1, over / sd);
        if (isLeast)
            Empty = Math.Max(Empty, 1 - inside);
        var density = Normal.PDF(0, 1, over / sd);
        var first = (over * inside) + (sd * density);
        var second = (((over * over) + (sd * sd)) * inside) + (over * sd * density);
        mean[Ink] = end + (side * first);
        for (var i = 0; i < Size; i++)
            cov[(Ink * Size) + i] = cov[(i * Size) + Ink] = Cov(Ink, i) * inside;
        cov[(Ink * Size) + Ink] = Math.Max(0, second - (first * first));
    }

    /// <summary>One belief in place of several.</summary>
    public static SlotBelief Merged(IReadOnlyList<SlotBelief> several)
    {
        if (several.Count == 1)
            return several[0];
        var all = several.Sum(s => s.Weight);
        var one = new SlotBelief();
        foreach (var s in several)
            for (var i = 0; i < Size; i++)
                one.mean[i] += s.Weight / all * s.mean[i];
        foreach (var s in several)
            for (var i = 0; i < Size; i++)
            for (var j = 0; j < Size; j++)
                one.cov[(i * Size) + j] += s.Weight / all * (s.Cov(i, j) + ((s.mean[i] - one.mean[i]) * (s.mean[j] - one.mean[j])));
        return one;
    }
}
