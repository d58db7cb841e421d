using System.Text.Json;
using System.Text.Json.Serialization;
using SideBench.Core.Record;

namespace SideBench.Web.Writing;

/// <summary>A write that says how it was told.</summary>
public interface IPressed
{
    /// <summary>How it was told; null when that is not said.</summary>
    HowTold? HowTold => null;
}

/// <summary>What every write says of the press that it came from.</summary>
public abstract record Pressed
{
    /// <summary>How it was told: key, hand, typed, scan or guide; null when that is not said.</summary>
    [JsonConverter(typeof(HowToldJson))]
    public HowTold? HowTold { get; init; }
}

/// <summary>The same of a press on a card: what stood there.</summary>
public abstract record PressedAtCard : Pressed
{
    /// <summary>What the card showed; null when that is not said. A press that would write something else is refused.</summary>
    public ShownAtPress? Shown { get; init; }
}

/// <summary>How a line was told, as a word.</summary>
public sealed class HowToldJson() : JsonStringEnumConverter<HowTold>(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false);
