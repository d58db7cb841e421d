using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>A reminder was seen to: it went back, the customer was called. It does not come again for a while.</summary>
/// <param name="Of">The reminder's key.</param>
/// <param name="What">What it said.</param>
public sealed record ReminderDone(string Of, string What) : EntryBody
{
    public static readonly EntryKind Form = new("reminder-done", from => new ReminderDone(from.Text("of"), from.Text("what")));

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Day)];

    public override bool ChangesTheCase => false;

    public override string Says => $"Seen to: {What}";

    public override void Store(FieldWriter to)
    {
        to.Text("of", Of);
        to.Text("what", What);
    }
}
