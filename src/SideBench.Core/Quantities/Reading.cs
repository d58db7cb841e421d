namespace SideBench.Core.Quantities;

/// <summary>A measured value with its unit and how it was got. Unlike units are never combined.</summary>
/// <param name="What">What was measured: the finding or step that asked for it.</param>
/// <param name="Value">The value, in its unit; finite.</param>
/// <param name="Unit">The unit as the shop writes it, such as <c>g</c>, <c>ml</c>, <c>pages</c> or <see cref="OfCounter"/>.</param>
/// <param name="How">How it was got, in words.</param>
public sealed record Reading(string What, double Value, string Unit, string How)
{
    /// <summary>The unit of a reading of the waste counter. This is the one place that knows it.</summary>
    public const string OfCounter = "% of counter";

    /// <summary>The waste counter, when that is what was read; null otherwise.</summary>
    public CounterShare? Counter => Unit == OfCounter && double.IsFinite(Value) && Value >= 0 ? CounterShare.OfPct(Value) : null;
}
