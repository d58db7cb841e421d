using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A finding was told.</summary>
public sealed record Answered(
    string Finding,
    string Outcome,
    string Name,
    string Label,
    string Told,
    double? Quantity,
    string Unit,
    double Minutes,
    IReadOnlyList<TrayItem> Puts,
    int Thread = 0,
    double? CoveragePct = null,
    string? Where = null,
    IReadOnlyDictionary<string, double>? Shares = null,
    string? Sheet = null
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "answered",
        from => new Answered(
            from.Text("finding"),
            from.Text("outcome"),
            from.Text("name"),
            from.Text("label"),
            from.Text("says"),
            from.NumberOrNull("quantity"),
            from.Text("unit"),
            from.Number("minutes"),
            from.Parts("puts", TrayItem.Read),
            from.CountOr("thread", 0),
            from.NumberOrNull("coveragePct"),
            from.TextOrNull("where"),
            from.Named("shares"),
            from.TextOrNull("sheet")
        )
        {
            Code = from.TextOrNull("code") ?? "",
        }
    );

    /// <summary>The panel's code by which it was told; empty when it was told otherwise.</summary>
    public string Code { get; init; } = "";

    public override EntryKind Kind => Form;

    public override string Says =>
        $"{Name}: {(Code.Length > 0 ? $"{Code}, " : "")}{Label}" + (Where is { } ink ? $", {ink.ToLowerInvariant()}" : "") + Amount;

    /// <summary>What was measured, in brackets behind the words; empty when nothing was. One nozzle, two nozzles.</summary>
    public string Amount =>
        Quantity is { } q ? $" ({q:0.##}\u2009{(q == 1 && Unit is { Length: > 3 } && Unit.EndsWith('s') ? Unit[..^1] : Unit)})" : "";

    /// <summary>What was measured; null when nothing was.</summary>
    public Reading? Measured => Quantity is { } value ? new Reading(Finding, value, Unit, Name) : null;

    public override Effect Effect =>
        new()
        {
            Puts = Puts,
            Hands = Quantities.Minutes.Of(Minutes),
            Readings = Measured is { } reading ? [reading] : [],
        };

    public override void Store(FieldWriter to)
    {
        to.Text("finding", Finding);
        to.Text("outcome", Outcome);
        to.Text("name", Name);
        to.Text("label", Label);
        to.Text("says", Told);
        to.Number("quantity", Quantity);
        to.Text("unit", Unit);
        to.Number("minutes", Minutes);
        to.Parts("puts", Puts, TrayItem.Store);
        to.Whole("thread", Thread);
        to.Number("coveragePct", CoveragePct);
        to.Text("where", Where);
        to.Named("shares", Shares);
        to.Text("sheet", Sheet);
        if (Code.Length > 0)
            to.Text("code", Code);
    }
}
