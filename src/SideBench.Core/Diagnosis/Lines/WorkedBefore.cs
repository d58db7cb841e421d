using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Work that was done before this visit, by the customer or elsewhere, as it was told.</summary>
/// <param name="Repair">Which work of the fault book.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Tags">Words that gates look at.</param>
/// <param name="On">When; null when not known.</param>
/// <param name="SinceTrouble">Whether the trouble was there already: then it did not end it.</param>
/// <param name="Thread">The thread.</param>
public sealed record WorkedBefore(string Repair, string Name, IReadOnlyList<string> Tags, DateOnly? On, bool SinceTrouble, int Thread = 0)
    : EntryBody
{
    public static readonly EntryKind Form = new(
        "worked-before",
        from => new WorkedBefore(
            from.Text("repair"),
            from.Text("name"),
            from.Texts("tags"),
            from.Day("on"),
            from.Flag("sinceTrouble"),
            from.CountOr("thread", 0)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"Done before this visit: {Name}" + (On is { } day ? $", {day:yyyy-MM-dd}" : "") + (SinceTrouble ? "; the trouble stayed" : "");

    public override Effect Effect => new() { Work = new WorkDone(Repair, Name, Tags) };

    public override void Store(FieldWriter to)
    {
        to.Text("repair", Repair);
        to.Text("name", Name);
        to.Texts("tags", Tags);
        to.Day("on", On);
        to.Flag("sinceTrouble", SinceTrouble);
        to.Whole("thread", Thread);
    }
}
