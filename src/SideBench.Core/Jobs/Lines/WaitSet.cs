using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The job waits for parts or for the customer, or hands can be on it again.</summary>
public sealed record WaitSet(string For, string What, DateTimeOffset? Until) : EntryBody
{
    public static readonly EntryKind Form = new("wait-set", from => new WaitSet(from.Text("for"), from.Text("what"), from.Time("until")));

    public override EntryKind Kind => Form;

    public override string Says =>
        For == "hands" ? "Hands can be on it again" : $"Waits for {(For == "parts" ? "parts" : "the customer")}: {What}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("for", For);
        to.Text("what", What);
        to.Time("until", Until);
    }
}
