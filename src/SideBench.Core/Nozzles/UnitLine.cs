using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>One unit of a nozzle sheet as the record keeps it.</summary>
/// <param name="Id">The unit.</param>
/// <param name="Nozzles">
/// A letter a nozzle: <c>.</c> good, <c>x</c> missing, <c>w</c> weak, <c>d</c> displaced, <c>b</c> both weak and displaced.
/// </param>
/// <param name="Unsure">Nozzles that a person was to look at.</param>
/// <param name="Pattern">The likeliest pattern.</param>
/// <param name="Odds">The odds of the patterns that are not negligible, adding up to about 1.</param>
/// <param name="MixedWith">The unit whose ink got in; null when none did.</param>
public sealed record UnitLine(
    string Id,
    string Nozzles,
    IReadOnlyList<int> Unsure,
    PatternClass Pattern,
    IReadOnlyDictionary<PatternClass, double> Odds,
    string? MixedWith = null
)
{
    private const double Negligible = 0.01;

    /// <summary>The letters that may stand for a nozzle.</summary>
    public const string Letters = ".xwdb";

    /// <summary>Numbers of the missing nozzles.</summary>
    public IEnumerable<int> Missing => Where('x');

    /// <summary>How many are missing.</summary>
    public int MissingCount => Nozzles.Count(n => n == 'x');

    /// <summary>Whether its ink was too faint on the picture to tell anything: it is unsure as a whole.</summary>
    public bool IsTooFaint => Unsure.Count == Nozzles.Length && Nozzles.Length > 0;

    /// <summary>From a reading.</summary>
    public static UnitLine Of(UnitReading unit) =>
        new(
            unit.Id,
            new string([.. unit.Nozzles.Select(n => Letter(n.State))]),
            [.. unit.Unsure],
            unit.Pattern,
            unit.Odds.Where(o => o.Value >= Negligible).ToDictionary(o => o.Key, o => Math.Round(o.Value, 3)),
            unit.MixedWith
        );

    /// <summary>From what a person tapped: the pattern is worked out as for a reading, on dashes that leave no doubt.</summary>
    /// <param name="unit">The unit of the layout.</param>
    /// <param name="letters">A letter a nozzle.</param>
    /// <param name="model">How nozzles behave.</param>
    /// <param name="mixedWith">The unit whose ink got in, as told; null for none.</param>
    public static UnitLine Tapped(SheetUnit unit, string letters, PatternModel model, string? mixedWith = null)
    {
        var measures = letters
            .Select(letter => new DashMeasure(
                letter switch
                {
                    'x' => 0,
                    'w' or 'b' => 0.42,
                    _ => 1,
                },
                0.02,
                letter is 'd' or 'b' ? 0.3 : 0,
                0.01
            ))
            .ToArray();
        var likely = measures.Select(m => NozzleLikelihood.Of(m, model, model.GoodSpread, model.OffsetSpreadMm)).ToArray();
        var odds = PatternOdds.Of(measures, likely, mixedWith is null ? 0 : 1, model.OffsetSpreadMm, model);
        return new UnitLine(
            unit.Id,
            letters,
            [],
            odds.Likeliest,
            odds.Odds.Where(o => o.Value >= Negligible).ToDictionary(o => o.Key, o => Math.Round(o.Value, 3)),
            mixedWith
        );
    }

    private static char Letter(NozzleState state) =>
        state switch
        {
            NozzleState.Good => '.',
            NozzleState.Missing => 'x',
            NozzleState.Weak => 'w',
            NozzleState.Deflected => 'd',
            _ => 'b',
        };

    private IEnumerable<int> Where(char letter) => Enumerable.Range(0, Nozzles.Length).Where(n => Nozzles[n] == letter);
}
