using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>Makes units with the faults a technician meets, by chance.</summary>
public static class HeadFaults
{
    /// <summary>A unit that shows a pattern.</summary>
    /// <param name="pattern">Which; a contaminated unit is made by its caller, since two belong to it.</param>
    /// <param name="nozzles">How many it has.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static UnitTruth Of(PatternClass pattern, int nozzles, Random chance)
    {
        var unit = UnitTruth.Good(nozzles) with { Pattern = pattern };
        switch (pattern)
        {
            case PatternClass.Scattered:
                Scatter(unit, Math.Max(1, (int)(nozzles * (0.01 + (0.13 * chance.NextDouble())))), chance);
                break;
            case PatternClass.Run:
                var length = Math.Max(6, (int)(nozzles * (0.07 + (0.2 * chance.NextDouble()))));
                Array.Fill(unit.Strength, 0, chance.Next(0, nozzles - length + 1), length);
                break;
            case PatternClass.EveryKth:
                var (k, phase) = (chance.Next(2, 5), 0);
                phase = chance.Next(k);
                for (var n = phase; n < nozzles; n += k)
                    unit.Strength[n] = chance.NextDouble() < 0.06 ? 1 : 0;
                break;
            case PatternClass.Starvation:
                var start = (int)(nozzles * (0.2 + (0.4 * chance.NextDouble())));
                var gone = start + Math.Max(8, (int)(nozzles * (0.15 + (0.25 * chance.NextDouble()))));
                for (var n = start; n < nozzles; n++)
                    unit.Strength[n] = n >= gone ? 0 : Fading(1 - ((n - start + 1.0) / (gone - start)), chance);
                break;
            case PatternClass.Blank:
                Array.Fill(unit.Strength, 0);
                break;
            case PatternClass.NearBlank:
                Array.Fill(unit.Strength, 0);
                for (var left = Math.Max(1, (int)Math.Round(nozzles * (0.02 + (0.03 * chance.NextDouble())))); left > 0; left--)
                    unit.Strength[chance.Next(nozzles)] = chance.NextDouble() < 0.5 ? 1 : Weak(chance);
                break;
            case PatternClass.DeflectedGroup:
                var (from, count) = Group(nozzles, chance);
                var aside = (chance.NextDouble() < 0.5 ? -1 : 1) * (0.2 + (0.2 * chance.NextDouble()));
                for (var n = from; n < from + count; n++)
                    unit.OffsetMm[n] = aside + (0.03 * (chance.NextDouble() - 0.5));
                break;
            case PatternClass.WeakGroup:
                var (first, many) = Group(nozzles, chance);
                for (var n = first; n < first + many; n++)
                    unit.Strength[n] = Weak(chance);
                break;
        }

        return unit;
    }

    private static double Weak(Random chance) => 0.24 + (0.34 * chance.NextDouble());

    private static double Fading(double mean, Random chance) =>
        mean < 0.1 ? 0 : Math.Clamp(mean + (0.1 * (chance.NextDouble() - 0.5)), 0, 1);

    private static (int First, int Count) Group(int nozzles, Random chance)
    {
        var count = Math.Max(8, (int)(nozzles * (0.08 + (0.2 * chance.NextDouble()))));
        return (chance.Next(0, nozzles - count + 1), count);
    }

    // Single nozzles here and there: no two side by side.
    private static void Scatter(UnitTruth unit, int count, Random chance)
    {
        for (var tries = 0; count > 0 && tries < 500; tries++)
        {
            var n = chance.Next(unit.Strength.Length);
            if (
                unit.Strength[n] < 1
                || (n > 0 && unit.Strength[n - 1] < 0.1)
                || (n + 1 < unit.Strength.Length && unit.Strength[n + 1] < 0.1)
            )
                continue;
            var kind = chance.NextDouble();
            if (kind < 0.75)
                unit.Strength[n] = 0;
            else if (kind < 0.87)
                unit.Strength[n] = Weak(chance);
            else
                unit.OffsetMm[n] = (chance.NextDouble() < 0.5 ? -1 : 1) * (0.2 + (0.2 * chance.NextDouble()));
            count--;
        }
    }
}
