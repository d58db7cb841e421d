using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A wait began.</summary>
public sealed record ClockStarted(string Clock, string Sort, string Label, double MinMinutes, double? MaxMinutes) : EntryBody
{
    public static readonly EntryKind Form = new(
        "clock-started",
        from => new ClockStarted(
            from.Text("clock"),
            from.Text("kind"),
            from.Text("label"),
            from.Number("minMinutes"),
            from.NumberOrNull("maxMinutes")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"Clock started: {Label}, {MinMinutes:0.#}\u2009min" + (MaxMinutes is { } max ? $", at most {max:0.#}\u2009min" : "");

    public override Effect Effect => new() { ClockBegins = new ClockStart(Clock, Sort, Label, MinMinutes, MaxMinutes) };

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("clock", Clock);
        to.Text("kind", Sort);
        to.Text("label", Label);
        to.Number("minMinutes", MinMinutes);
        to.Number("maxMinutes", MaxMinutes);
    }
}
