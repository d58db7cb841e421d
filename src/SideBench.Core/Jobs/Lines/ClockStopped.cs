using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A wait was ended by hand; why, when it guarded something and was not over.</summary>
public sealed record ClockStopped(string Clock, string Reason = "") : EntryBody
{
    public static readonly EntryKind Form = new(
        "clock-stopped",
        from => new ClockStopped(from.Text("clock"), from.TextOrNull("reason") ?? "")
    );

    public override EntryKind Kind => Form;

    public override string Says => Reason.Length > 0 ? $"Wait ended before its time: {Reason}" : "Clock ended";

    public override Effect Effect => new() { ClockEnds = Clock };

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("clock", Clock);
        if (Reason.Length > 0)
            to.Text("reason", Reason);
    }
}
