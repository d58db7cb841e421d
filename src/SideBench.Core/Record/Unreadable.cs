namespace SideBench.Core.Record;

/// <summary>A line that this version cannot read: it is shown as such, kept as it is, and hides nothing else.</summary>
/// <param name="Name">Its kind, as stored.</param>
/// <param name="Raw">Its fields, as stored.</param>
/// <param name="Why">What could not be read.</param>
public sealed record Unreadable(string Name, string Raw, string Why) : EntryBody
{
    public override EntryKind Kind => new(Name, _ => this);

    public override string Says => $"A line that this version cannot read ({Name}): {Why}";

    public override void Store(FieldWriter to) => throw new InvalidOperationException("what cannot be read is never written anew");
}
