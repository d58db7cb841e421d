namespace SideBench.Core.Diagnosis;

/// <summary>What a craft knows better than the book of one repair on the machine at hand.</summary>
/// <param name="Chance">By cause and the book's chance: the chance that the cause is gone afterwards, 0 to 1.</param>
/// <param name="Cost">What it costs, money; null for what the book says.</param>
public sealed record RepairWorth(Func<string, double, double> Chance, double? Cost)
{
    /// <summary>It mends nothing now.</summary>
    public static readonly RepairWorth Nothing = new((_, _) => 0, null);
}
