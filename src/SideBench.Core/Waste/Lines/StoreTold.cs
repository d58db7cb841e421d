using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>Something was done to a waste store, or seen of it.</summary>
/// <param name="What">weighed, renewed, washed, emptied, bottle-fitted or bottle-seen.</param>
/// <param name="Amount">g with its own mass for weighed and washed, ml for bottles; null where there is none.</param>
/// <param name="Box">The tag of the box that is in from now on; empty when it has none.</param>
/// <param name="Note">What else was told; empty when nothing.</param>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="Cost">Parts, in the shop's currency.</param>
public sealed record StoreTold(string What, double? Amount, string Box, string Note, double Minutes, decimal Cost) : EntryBody
{
    /// <summary>A reset that nothing of this was done for is lifted by these.</summary>
    public static readonly IReadOnlyList<string> Services = ["renewed", "washed", "emptied", "bottle-fitted"];

    public static readonly EntryKind Form = new(
        "store-told",
        from => new StoreTold(
            from.Text("what"),
            from.NumberOrNull("amount"),
            from.Text("box"),
            from.Text("note"),
            from.Number("minutes"),
            from.Amount("cost")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<string> FoundBy => [Box];

    public override string Says =>
        What switch
        {
            "weighed" => $"Waste store weighed: {Amount:0.#}\u2009g",
            "renewed" => "Waste store renewed",
            "washed" => $"Waste pads washed and dried: {Amount:0.#}\u2009g",
            "emptied" => $"Waste bottle emptied{(Amount > 0 ? $", {Amount:0}\u2009ml stay in it" : "")}",
            "bottle-fitted" => $"Outside bottle fitted, {Amount:0}\u2009ml",
            _ => $"Waste bottle looked at: {Amount:0}\u2009ml in it",
        }
        + (Box.Length > 0 ? $", box {Box} is in" : "")
        + (Note.Length > 0 ? $"; {Note}" : "");

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Parts = Cost,
            Stores = [new StoreHappening(Change, Amount, Box)],
            Modifications = Services.Contains(What) ? [new Modification(CounterReset.Unserviced, "", null, "")] : [],
        };

    private StoreChange Change =>
        What switch
        {
            "weighed" => StoreChange.Weighed,
            "renewed" => StoreChange.Renewed,
            "washed" => StoreChange.Washed,
            "emptied" => StoreChange.Emptied,
            "bottle-fitted" => StoreChange.BottleFitted,
            _ => StoreChange.BottleSeen,
        };

    public override void Store(FieldWriter to)
    {
        to.Text("what", What);
        to.Number("amount", Amount);
        to.Text("box", Box);
        to.Text("note", Note);
        to.Number("minutes", Minutes);
        to.Amount("cost", Cost);
    }
}
