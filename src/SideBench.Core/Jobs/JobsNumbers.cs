namespace SideBench.Core.Jobs;

/// <summary>A wait that is started with one press.</summary>
/// <param name="Kind">What kind of wait.</param>
/// <param name="Minutes">How long, min.</param>
public sealed record ClockPreset(string Kind, double Minutes);

/// <summary>House numbers that every job shares.</summary>
/// <param name="Clocks">Waits that are started with one press.</param>
/// <param name="Guarding">Kinds of wait that guard power, printing or moisture: see <see cref="GuardedWait"/>.</param>
public sealed record JobsNumbers(IReadOnlyList<ClockPreset> Clocks, IReadOnlyList<string> Guarding);
