namespace SideBench.Core.Quantities;

/// <summary>An amount in one currency. Unlike currencies are refused, not converted.</summary>
/// <param name="Amount">The amount in whole units of the currency.</param>
/// <param name="Currency">ISO 4217 code, such as GBP; empty only in the harmless default of 0.</param>
public readonly record struct Money(decimal Amount, string Currency)
{
    /// <summary>Two amounts of the same currency together.</summary>
    public static Money operator +(Money a, Money b) =>
        a.Currency == b.Currency
            ? new(a.Amount + b.Amount, a.Currency)
            : throw new InvalidOperationException($"cannot add {a.Currency} to {b.Currency}");
}
