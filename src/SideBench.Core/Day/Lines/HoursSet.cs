using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>Hours of the shop or of a person were set.</summary>
/// <param name="Of">The person; 0 for the shop.</param>
/// <param name="Name">Their name as it was; empty for the shop.</param>
/// <param name="Weekday">The day of the week, unless a single day is told.</param>
/// <param name="Day">The single day; null for every such weekday.</param>
/// <param name="Hours">Spans such as "09:00-12:30 13:00-17:00"; empty for closed or off.</param>
/// <param name="Why">Why; empty when not told.</param>
public sealed record HoursSet(long Of, string Name, DayOfWeek Weekday, DateOnly? Day, string Hours, string Why) : EntryBody
{
    public static readonly EntryKind Form = new(
        "hours-set",
        from => new HoursSet(
            from.Whole("of"),
            from.Text("name"),
            StoredWord.Read<DayOfWeek>(from.Text("weekday")),
            from.Day("day"),
            from.Text("hours"),
            from.Text("why")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Hours)];

    public override bool ChangesTheCase => false;

    public override string Says =>
        $"{(Of == 0 ? "Shop" : Name)}, {(Day is { } day ? $"{day:d MMM yyyy}" : $"every {Weekday}")}: "
        + (
            Hours.Length > 0 ? Hours
            : Of == 0 ? "closed"
            : "off"
        )
        + (Why.Length > 0 ? $", {Why}" : "");

    public override void Store(FieldWriter to)
    {
        to.Whole("of", Of);
        to.Text("name", Name);
        to.Text("weekday", StoredWord.Of(Weekday));
        to.Day("day", Day);
        to.Text("hours", Hours);
        to.Text("why", Why);
    }
}
