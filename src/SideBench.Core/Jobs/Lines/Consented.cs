using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The customer agreed to something.</summary>
public sealed record Consented(string What, string By) : EntryBody
{
    public static readonly EntryKind Form = new("consented", from => new Consented(from.Text("what"), from.Text("by")));

    public override EntryKind Kind => Form;

    public override string Says => $"Customer's word: {Word(What)}, by {By}";

    private static string Word(string consent) =>
        consent switch
        {
            "open-in-warranty" => "the machine may be opened though in warranty",
            "irreversible" => "irreversible work is agreed",
            "past-limit" => "the cost may pass the limit",
            "past-worth" => "it is worth more to them than the machine",
            _ => consent,
        };

    public override void Store(FieldWriter to)
    {
        to.Text("what", What);
        to.Text("by", By);
    }
}
