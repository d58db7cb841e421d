namespace SideBench.Core.Diagnosis;

/// <summary>An answer or a repair as diagnosis sees it.</summary>
/// <param name="Entry">Its line.</param>
/// <param name="Thread">The thread it was told or made in.</param>
public abstract record CaseEvent(long Entry, int Thread)
{
    /// <summary>A finding was told, with the number measured when there was one.</summary>
    public sealed record Told(
        string Finding,
        string Outcome,
        long Entry,
        double? Quantity = null,
        int Thread = 0,
        IReadOnlyDictionary<string, double>? Shares = null
    ) : CaseEvent(Entry, Thread)
    {
        /// <summary>The panel's code by which it was told; empty when it was told otherwise.</summary>
        public string Code { get; init; } = "";
    }

    /// <summary>Work was done before this visit, and the trouble stayed.</summary>
    public sealed record Before(string Repair, long Entry, int Thread = 0) : CaseEvent(Entry, Thread);

    /// <summary>A repair was made.</summary>
    public sealed record Worked(string Repair, long Entry, int Thread = 0) : CaseEvent(Entry, Thread);
}
