namespace SideBench.Core.Nozzles;

/// <summary>How a sheet came in.</summary>
/// <param name="Name">file, camera, paste, a scanner's name, or taps.</param>
/// <param name="Picture">Fingerprint of the picture; null for taps.</param>
/// <param name="IsMadeUp">Whether a stand-in took it.</param>
public sealed record SheetWay(string Name, string? Picture = null, bool IsMadeUp = false);
