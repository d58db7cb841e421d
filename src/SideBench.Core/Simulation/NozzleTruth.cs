using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>What a simulated head's nozzles really do, unit by unit.</summary>
/// <param name="Units">In the layout's order.</param>
public sealed record NozzleTruth(IReadOnlyList<UnitTruth> Units)
{
    /// <summary>A head on which every nozzle is good.</summary>
    public static NozzleTruth Good(SheetLayout layout) => new([.. layout.Units.Select(unit => UnitTruth.Good(unit.Nozzles))]);

    /// <summary>The head that a kept sheet speaks of: what a letter says, as strength and offset.</summary>
    public static NozzleTruth Of(IReadOnlyList<UnitLine> units) =>
        new([
            .. units.Select(u => new UnitTruth(
                [
                    .. u.Nozzles.Select(n =>
                        n switch
                        {
                            'x' => 0,
                            'w' or 'b' => 0.4,
                            _ => 1.0,
                        }
                    ),
                ],
                [.. u.Nozzles.Select(n => n is 'd' or 'b' ? 0.3 : 0.0)],
                u.Pattern
            )),
        ]);

    /// <summary>As a sheet would be kept: a letter a nozzle.</summary>
    public IReadOnlyList<UnitLine> Lines(SheetLayout layout, PatternModel model) =>
        [
            .. layout.Units.Select(
                (u, at) => UnitLine.Tapped(u, new string([.. Enumerable.Range(0, u.Nozzles).Select(n => Letter(Units[at], n))]), model)
            ),
        ];

    private static char Letter(UnitTruth unit, int n) =>
        unit.Strength[n] < 0.14 ? 'x'
        : unit.Strength[n] < 0.7 ? 'w'
        : Math.Abs(unit.OffsetMm[n]) > 0.12 ? 'd'
        : '.';

    /// <summary>The same head with one unit's nozzles replaced.</summary>
    public NozzleTruth With(int unit, UnitTruth truth) => new([.. Units.Select((u, at) => at == unit ? truth : u)]);
}

/// <summary>One unit's nozzles.</summary>
/// <param name="Strength">Ink of each dash, 1 being a proper one.</param>
/// <param name="OffsetMm">How far below its place each prints.</param>
/// <param name="Pattern">What the whole is.</param>
/// <param name="MixedWith">The unit whose ink got into it; −1 for none.</param>
public sealed record UnitTruth(double[] Strength, double[] OffsetMm, PatternClass Pattern, int MixedWith = -1)
{
    /// <summary>From what strength down nothing is to be seen.</summary>
    public const double MissingBelow = 0.08;

    /// <summary>A unit without fault.</summary>
    public static UnitTruth Good(int nozzles) => new([.. Enumerable.Repeat(1.0, nozzles)], new double[nozzles], PatternClass.None);

    /// <summary>Nozzles that do not fire.</summary>
    public IEnumerable<int> Missing => Enumerable.Range(0, Strength.Length).Where(n => Strength[n] < MissingBelow);

    /// <summary>Nozzles that fire weakly.</summary>
    public IEnumerable<int> Weak => Enumerable.Range(0, Strength.Length).Where(n => Strength[n] is >= 0.2 and <= 0.62);

    /// <summary>Nozzles that fire beside their place.</summary>
    public IEnumerable<int> Deflected =>
        Enumerable.Range(0, Strength.Length).Where(n => Strength[n] >= MissingBelow && Math.Abs(OffsetMm[n]) >= 0.15);

    /// <summary>Nozzles too close to a limit for anyone to be right about.</summary>
    public IEnumerable<int> Ambiguous =>
        Enumerable.Range(0, Strength.Length).Where(n => Strength[n] is (>= 0.08 and < 0.2) or (> 0.62 and < 0.82));
}
