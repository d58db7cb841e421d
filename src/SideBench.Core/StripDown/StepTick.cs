namespace SideBench.Core.StripDown;

/// <summary>What was done at a step of a guide.</summary>
/// <param name="Outcome">done, skipped, or what went wrong.</param>
/// <param name="Value">The number typed; null when none.</param>
/// <param name="Person">Who.</param>
/// <param name="At">When.</param>
/// <param name="Words">Why it was skipped; empty otherwise.</param>
public sealed record StepTick(string Outcome, double? Value, string Person, DateTimeOffset At, string Words);

/// <summary>Something that is off now, with who took it off and when.</summary>
public sealed record OffLine(string Removal, string Part, string Item, int Count, string Person, DateTimeOffset At);
