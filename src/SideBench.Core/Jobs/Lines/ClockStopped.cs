using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A wait was ended by hand.</summary>
public sealed record ClockStopped(string Clock) : EntryBody
{
    public static readonly EntryKind Form = new("clock-stopped", from => new ClockStopped(from.Text("clock")));

    public override EntryKind Kind => Form;

    public override string Says => "Clock ended";

    public override Effect Effect => new() { ClockEnds = Clock };

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("clock", Clock);
    }
}
