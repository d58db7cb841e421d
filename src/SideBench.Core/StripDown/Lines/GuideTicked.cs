using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A step of a guide was done, skipped, or went another way.</summary>
public sealed record GuideTicked(
    string Run,
    string Step,
    string Title,
    string Outcome,
    double? Value,
    string Unit,
    IReadOnlyList<TrayItem> Puts,
    IReadOnlyList<string> Takes,
    double Minutes,
    string Words = "",
    IReadOnlyList<Modification>? Alters = null,
    string Watch = ""
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "guide-ticked",
        from => new GuideTicked(
            from.Text("run"),
            from.Text("step"),
            from.Text("title"),
            from.Text("outcome"),
            from.NumberOrNull("value"),
            from.Text("unit"),
            from.Parts("puts", TrayItem.Read),
            from.Texts("takes"),
            from.Number("minutes"),
            from.TextOrNull("words") ?? "",
            from.Parts("alters", ModificationForm.Read),
            from.TextOrNull("watch") ?? ""
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"{Title}: {Outcome}" + (Value is { } v ? $" ({v:0.##}\u2009{Unit})" : "") + (Words.Length > 0 ? $": {Words}" : "");

    /// <summary>What was measured; null when nothing was.</summary>
    public Reading? Measured => Value is { } value ? new Reading(Step, value, Unit, Title) : null;

    public override Effect Effect =>
        new()
        {
            Puts = Puts,
            Takes = [.. Takes.Select(t => new TrayTake(t))],
            Hands = Quantities.Minutes.Of(Minutes),
            Readings = Measured is { } reading ? [reading] : [],
            Modifications = Alters ?? [],
        };

    public override void Store(FieldWriter to)
    {
        to.Text("run", Run);
        to.Text("step", Step);
        to.Text("title", Title);
        to.Text("outcome", Outcome);
        to.Number("value", Value);
        to.Text("unit", Unit);
        to.Parts("puts", Puts, TrayItem.Store);
        to.Texts("takes", Takes);
        to.Number("minutes", Minutes);
        to.Text("words", Words);
        if (Alters is { Count: > 0 } alters)
            to.Parts("alters", alters, ModificationForm.Store);
        if (Watch.Length > 0)
            to.Text("watch", Watch);
    }
}
