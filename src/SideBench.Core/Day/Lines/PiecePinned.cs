using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>The next piece of a job was given to a person or set to a time, or let go again: the day's plan is made round it.</summary>
/// <param name="Of">The person; 0 for whoever comes.</param>
/// <param name="Name">Their name as it was; empty for whoever comes.</param>
/// <param name="From">When it begins; null as soon as it can.</param>
/// <param name="Free">Whether it is let go again.</param>
public sealed record PiecePinned(long Of, string Name, DateTimeOffset? From, bool Free) : EntryBody
{
    public static readonly EntryKind Form = new(
        "piece-pinned",
        from => new PiecePinned(from.Whole("of"), from.Text("name"), from.Time("from"), from.Flag("free"))
    );

    public override EntryKind Kind => Form;

    public override bool ChangesTheCase => false;

    public override string Says =>
        Free
            ? "Its next piece is free in the day’s plan again"
            : "Its next piece"
                + (Of > 0 ? $" is {Name}’s" : " is pinned")
                + (From is { } at ? $", at {at.UtcDateTime:d MMM HH:mm} Greenwich" : "");

    public override void Store(FieldWriter to)
    {
        to.Whole("of", Of);
        to.Text("name", Name);
        to.Time("from", From);
        to.Flag("free", Free);
    }
}
