using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>What a proved thread turned out to be, with the odds before its first repair and what its tests told.</summary>
public sealed record Judged(
    int Thread,
    string ModelId,
    string Complaint,
    string Ink,
    string Cause,
    IReadOnlyList<Foretold> Odds,
    IReadOnlyList<TestWorth> Tests
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "judged",
        from => new Judged(
            from.Count("thread"),
            from.Text("modelId"),
            from.Text("complaint"),
            from.Text("ink"),
            from.Text("cause"),
            from.Parts("odds", Foretold.Read),
            from.Parts("tests", TestWorth.Read)
        )
        {
            Panel = from.TextOrNull("panel") ?? "",
            Code = from.TextOrNull("code") ?? "",
        }
    );

    /// <summary>What the panel had shown; empty when it was not asked, or the code was not told.</summary>
    public string Panel { get; init; } = "";

    /// <summary>The code by which that was told; empty when it was told otherwise.</summary>
    public string Code { get; init; } = "";

    public override EntryKind Kind => Form;

    public override string Says => $"It was: {Cause}";

    public override bool Stands => true;

    public override void Store(FieldWriter to)
    {
        to.Whole("thread", Thread);
        to.Text("modelId", ModelId);
        to.Text("complaint", Complaint);
        to.Text("ink", Ink);
        to.Text("cause", Cause);
        to.Parts("odds", Odds, Foretold.Store);
        to.Parts("tests", Tests, TestWorth.Store);
        if (Panel.Length > 0)
            to.Text("panel", Panel);
        if (Code.Length > 0)
            to.Text("code", Code);
    }
}
