using SideBench.Core.Identity;

namespace SideBench.Core.Record;

/// <summary>Something the record says that cannot be, met while it was folded. It is shown; the fold goes on without it.</summary>
/// <param name="Entry">The line.</param>
/// <param name="Says">What cannot be, as a sentence.</param>
public sealed record RecordDoubt(EntryId Entry, string Says);
