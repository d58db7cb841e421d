using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>Who writes, when, and under which key.</summary>
/// <param name="Key">The write's key: the same key again is the same write.</param>
/// <param name="Fingerprint">What was asked for, so that a key is never used for another thing.</param>
/// <param name="Person">Who.</param>
/// <param name="PersonName">Their name now.</param>
/// <param name="At">When, UTC.</param>
/// <param name="How">How it was told; null when that is not known.</param>
public sealed record Write(Guid Key, string Fingerprint, PersonId Person, string PersonName, DateTimeOffset At, HowTold? How = null);

/// <summary>An earlier write under the same key.</summary>
public sealed record EarlierWrite(string Fingerprint, JobId? Job, MachineId? Machine);
