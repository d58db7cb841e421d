using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>Something was done to a waste box out of its machine, or seen of it.</summary>
/// <param name="Box">Its tag.</param>
/// <param name="What">weighed, washed, new-pads, trial or gone.</param>
/// <param name="Amount">g with its own mass when weighed, changes of water when washed, ml for a trial; null where there is none.</param>
/// <param name="Note">What else was told; empty when nothing.</param>
public sealed record BoxTold(string Box, string What, double? Amount, string Note) : EntryBody
{
    /// <summary>What can be told.</summary>
    public static readonly IReadOnlyList<string> Ways = ["weighed", "washed", "new-pads", "trial", "gone"];

    public static readonly EntryKind Form = new(
        "box-told",
        from => new BoxTold(from.Text("box"), from.Text("what"), from.NumberOrNull("amount"), from.Text("note"))
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Waste), Subject.Store(Box)];

    public override bool ChangesTheCase => false;

    public override IEnumerable<string> FoundBy => [Box];

    public override string Says =>
        $"Waste box {Box} "
        + What switch
        {
            "weighed" => $"weighed: {Amount:0.#}\u2009g",
            "washed" => $"washed, water changed {Amount:0} times; it dries",
            "new-pads" => "got new pads",
            "trial" => $"tried: wet at the top after {Amount:0.#}\u2009ml of water",
            "gone" => "is gone",
            _ => $"told: {What}, which this version does not know",
        }
        + (Note.Length > 0 ? $"; {Note}" : "");

    public override void Store(FieldWriter to)
    {
        to.Text("box", Box);
        to.Text("what", What);
        to.Number("amount", Amount);
        to.Text("note", Note);
    }
}
