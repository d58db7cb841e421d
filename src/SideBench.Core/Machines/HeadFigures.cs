using SideBench.Core.Quantities;

namespace SideBench.Core.Machines;

/// <summary>What a model's head can be given, and what a new one costs.</summary>
/// <param name="HeadPrice">A new head, in the shop's currency; where it goes with its cartridge, that cartridge.</param>
/// <param name="Groups">Slots, by panel number, that the machine cleans together; every slot once.</param>
/// <param name="CleansInRow">Cleans in a row at most, before a rest.</param>
/// <param name="Flush">Fluid for one channel by hand; null where a flush must not be.</param>
/// <param name="Soak">How long it may soak; null where it must not.</param>
/// <param name="SoakByInk">By kind of ink, where it differs.</param>
public sealed record HeadFigures(
    decimal HeadPrice,
    IReadOnlyList<IReadOnlyList<int>> Groups,
    int CleansInRow,
    Millilitres? Flush,
    SoakFigures? Soak,
    IReadOnlyDictionary<string, SoakFigures> SoakByInk
)
{
    /// <summary>How long a channel may soak; null where it must not.</summary>
    /// <param name="inkKind">Its kind of ink.</param>
    public SoakFigures? SoakOf(string inkKind) => Soak is null ? null : SoakByInk.GetValueOrDefault(inkKind) ?? Soak;
}

/// <summary>A soak.</summary>
/// <param name="From">At least so long.</param>
/// <param name="To">At most so long.</param>
/// <param name="Where">On what: cap, damp-cap, or plate for a head that goes with its cartridge.</param>
public sealed record SoakFigures(Minutes From, Minutes To, string Where);
