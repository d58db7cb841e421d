namespace SideBench.Core.Record;

/// <summary>A line with its machine, among those of all machines.</summary>
/// <param name="Entry">The line.</param>
/// <param name="Machine">Its machine.</param>
/// <param name="Model">That machine's model.</param>
/// <param name="Serial">That machine's serial number.</param>
public sealed record ShopLine(Entry Entry, long Machine, string Model, string Serial);
