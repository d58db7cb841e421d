using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>How well readings agree with the truth, as counts of found, wrongly found and overlooked nozzles.</summary>
public sealed class SheetScore
{
    /// <summary>Missing nozzles.</summary>
    public Agreement Missing { get; private set; }

    /// <summary>Weak nozzles.</summary>
    public Agreement Weak { get; private set; }

    /// <summary>Displaced nozzles.</summary>
    public Agreement Deflected { get; private set; }

    /// <summary>Units whose pattern was right.</summary>
    public int PatternsRight { get; private set; }

    /// <summary>Units.</summary>
    public int Patterns { get; private set; }

    /// <summary>Nozzles asked about.</summary>
    public int Unsure { get; private set; }

    /// <summary>Nozzles.</summary>
    public int Nozzles { get; private set; }

    /// <summary>Adds one unit.</summary>
    /// <param name="truth">What it really does.</param>
    /// <param name="read">As read; null when the sheet was refused, which overlooks everything.</param>
    public void Add(UnitTruth truth, UnitReading? read)
    {
        var skip = truth.Ambiguous.ToHashSet();
        Missing += Agreement.Of(truth.Missing, read?.In(NozzleState.Missing) ?? [], skip);
        Weak += Agreement.Of(truth.Weak, read?.In(NozzleState.Weak) ?? [], skip);
        Deflected += Agreement.Of(truth.Deflected, read?.In(NozzleState.Deflected) ?? [], skip);
        Patterns++;
        Nozzles += truth.Strength.Length;
        Unsure += read?.Unsure.Count() ?? 0;
        if (read?.Pattern == truth.Pattern)
            PatternsRight++;
    }
}

/// <summary>Counts of what was found.</summary>
/// <param name="Right">Found and there.</param>
/// <param name="False">Found and not there.</param>
/// <param name="Overlooked">There and not found.</param>
public readonly record struct Agreement(int Right, int False, int Overlooked)
{
    /// <summary>The harmonic mean of precision and recall, 0 to 1; 1 when there was nothing to find and nothing was found.</summary>
    public double F1 => Right + False + Overlooked == 0 ? 1 : 2.0 * Right / ((2.0 * Right) + False + Overlooked);

    /// <summary>Compares two sets of nozzles.</summary>
    public static Agreement Of(IEnumerable<int> truth, IEnumerable<int> found, IReadOnlySet<int> skip)
    {
        var (t, f) = (truth.Where(n => !skip.Contains(n)).ToHashSet(), found.Where(n => !skip.Contains(n)).ToHashSet());
        var right = t.Count(f.Contains);
        return new Agreement(right, f.Count - right, t.Count - right);
    }

    /// <summary>Adds counts.</summary>
    public static Agreement operator +(Agreement a, Agreement b) => new(a.Right + b.Right, a.False + b.False, a.Overlooked + b.Overlooked);
}
