using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The customer agreed to something.</summary>
public sealed record Consented(string What, string By) : EntryBody
{
    /// <summary>The machine may be opened though in warranty.</summary>
    public const string OpenInWarranty = "open-in-warranty";

    /// <summary>What cannot be undone may be done.</summary>
    public const string Irreversible = "irreversible";

    /// <summary>The cost may pass the limit.</summary>
    public const string PastLimit = "past-limit";

    /// <summary>It is worth more to them than the machine.</summary>
    public const string PastWorth = "past-worth";

    /// <summary>All that can be agreed to.</summary>
    public static readonly IReadOnlyList<string> All = [OpenInWarranty, Irreversible, PastLimit, PastWorth];

    public static readonly EntryKind Form = new("consented", from => new Consented(from.Text("what"), from.Text("by")));

    public override EntryKind Kind => Form;

    public override string Says => $"Customer's word: {Word(What)}, by {By}";

    private static string Word(string consent) =>
        consent switch
        {
            OpenInWarranty => "the machine may be opened though in warranty",
            Irreversible => "irreversible work is agreed",
            PastLimit => "the cost may pass the limit",
            PastWorth => "it is worth more to them than the machine",
            _ => consent,
        };

    public override void Store(FieldWriter to)
    {
        to.Text("what", What);
        to.Text("by", By);
    }
}
