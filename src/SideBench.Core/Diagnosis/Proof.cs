namespace SideBench.Core.Diagnosis;

/// <summary>A repair that waits for its proof.</summary>
/// <param name="Repair">The repair.</param>
/// <param name="Proof">The finding that proves it.</param>
public sealed record PendingProof(Repair Repair, string Proof);

/// <summary>Whether the last repair is proved: a sheet does not prove a supply repair, full pages do.</summary>
/// <param name="Proved">Proved by its own finding, told after it.</param>
/// <param name="Pending">The repair that waits for proof; null when none was made or its proof failed.</param>
/// <param name="Repair">The repair that was proved; null when not proved.</param>
/// <param name="Times">How often it was proved since the repair.</param>
public sealed record Proof(bool Proved, PendingProof? Pending, Repair? Repair, int Times)
{
    /// <summary>Reads the proof off the timeline.</summary>
    /// <param name="book">The book, for what proves what.</param>
    /// <param name="timeline">Answers and repairs as they stand.</param>
    /// <param name="thread">The thread: a repair made in another waits for its proof there.</param>
    public static Proof Of(CaseBook book, IReadOnlyList<CaseEvent> timeline, int thread = 0)
    {
        var times = 0;
        Repair? last = null;
        bool? proved = null;
        foreach (var happened in timeline)
        {
            if (happened is CaseEvent.Worked worked && worked.Thread == thread && book.IndexOfRepair(worked.Repair) is >= 0 and var r)
            {
                last = book.Repairs[r];
                proved = null;
                times = 0;
            }
            else if (happened is CaseEvent.Told told && last is not null && told.Finding == last.Proof)
            {
                var finding = book.Findings[book.IndexOfFinding(told.Finding)];
                var o = finding.IndexOf(told.Outcome);
                proved = o >= 0 && finding.Outcomes[o].Proves;
                times = proved.Value ? times + 1 : 0;
            }
        }

        return new Proof(
            proved == true,
            last is not null && proved is null ? new PendingProof(last, last.Proof) : null,
            proved == true ? last : null,
            times
        );
    }
}
