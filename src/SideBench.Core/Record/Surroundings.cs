namespace SideBench.Core.Record;

/// <summary>What a line finds where it is written: by it a line knows what else it is about.</summary>
/// <param name="Machine">The machine's number; 0 for a line about the shop.</param>
/// <param name="Model">That machine's model; empty for the shop.</param>
/// <param name="Box">The tag of the waste box that is in; empty when none with a tag is.</param>
/// <param name="LotIn">The lot of what is in a slot, by panel number; empty when it has none.</param>
public sealed record Surroundings(long Machine, string Model, string Box, Func<int, string> LotIn)
{
    /// <summary>Of a line about the shop.</summary>
    public static Surroundings Shop { get; } = new(0, "", "", _ => "");
}
