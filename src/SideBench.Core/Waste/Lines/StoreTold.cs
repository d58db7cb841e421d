using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>Something was done to a waste store, or seen of it.</summary>
/// <param name="What">counter-read, borderless-read, weighed, renewed, washed, box-in, trial, emptied, bottle-fitted or
/// bottle-seen.</param>
/// <param name="Amount">% for a counter, g with its own mass from a scale, ml for trials and bottles; null where there is none.</param>
/// <param name="Box">The tag of the box that is in from now on; empty when it has none.</param>
/// <param name="Note">What else was told; empty when nothing.</param>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="Cost">Parts, in the shop's currency.</param>
public sealed record StoreTold(string What, double? Amount, string Box, string Note, double Minutes, decimal Cost) : EntryBody
{
    /// <summary>The counter was read, and nothing else done.</summary>
    public const string CounterRead = "counter-read";

    /// <summary>The counter of borderless prints was read, and nothing else done.</summary>
    public const string BorderlessRead = "borderless-read";

    /// <summary>What the counter of borderless prints is read in.</summary>
    public const string OfBorderless = "% of the borderless counter";

    /// <summary>A new store, or dry pads; where a store comes out whole, one without a tag unless it is named.</summary>
    public const string Renewed = "renewed";

    /// <summary>A box with a tag went in.</summary>
    public const string BoxIn = "box-in";

    /// <summary>What it holds was tried with water.</summary>
    public const string Trial = "trial";

    /// <summary>Weighed, with its own mass.</summary>
    public const string Weighed = "weighed";

    /// <summary>Its pads were washed and dried.</summary>
    public const string Washed = "washed";

    /// <summary>The outside bottle was emptied.</summary>
    public const string Emptied = "emptied";

    /// <summary>An outside bottle was fitted.</summary>
    public const string BottleFitted = "bottle-fitted";

    /// <summary>What stands in the outside bottle was looked at.</summary>
    public const string BottleSeen = "bottle-seen";

    /// <summary>A reset that nothing of this was done for is lifted by these, and by a dry box.</summary>
    public static readonly IReadOnlyList<string> Services = [Renewed, Washed, Emptied, BottleFitted];

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
        {
            Swap = from.Part("swap") is { } swap
                ? new BoxSwap(
                    swap.Number("tareG"),
                    swap.NumberOrNull("safeG"),
                    swap.Flag("isDry"),
                    swap.Text("out"),
                    swap.NumberOrNull("outG")
                )
                : null,
        }
    );

    /// <summary>What is known of a box that went in, and of the one that came out; null when none was put in.</summary>
    public BoxSwap? Swap { get; init; }

    public override EntryKind Kind => Form;

    public override IEnumerable<string> FoundBy => Swap is { Out.Length: > 0 } ? [Box, Swap.Out] : [Box];

    public override string Says =>
        What switch
        {
            CounterRead => $"Waste counter read: {Amount:0.#}\u2009%",
            BorderlessRead => $"Borderless counter read: {Amount:0.#}\u2009%",
            Weighed => $"Waste store weighed: {Amount:0.#}\u2009g",
            Renewed => "Waste store renewed",
            Washed => $"Waste pads washed and dried: {Amount:0.#}\u2009g",
            BoxIn => $"Waste box put in, {(Swap is { IsDry: true } ? "dry, " : "")}{Amount:0.#}\u2009g",
            Trial => $"Bench trial: wet at the top after {Amount:0.#}\u2009ml of water",
            Emptied => $"Waste bottle emptied{(Amount > 0 ? $", {Amount:0}\u2009ml stay in it" : "")}",
            BottleFitted => $"Outside bottle fitted, {Amount:0}\u2009ml",
            _ => $"Waste bottle looked at: {Amount:0}\u2009ml in it",
        }
        + (Box.Length > 0 ? $", box {Box} is in" : "")
        + (Swap is { Out.Length: > 0 } swap ? $", {swap.Out} came out{(swap.OutG is { } g ? $" with {g:0.#}\u2009g" : "")}" : "")
        + (Note.Length > 0 ? $"; {Note}" : "");

    // One without a tag that is put in new is in from then on, and no box with a tag.
    private string? BoxThen =>
        Box.Trim().Length > 0 ? Box.Trim()
        : What == Renewed ? ""
        : null;

    /// <summary>The counter's store, the box that goes in, the one that is in or comes out.</summary>
    public override IEnumerable<Subject> About(Surroundings at) =>
        [Subject.Counter(at.Machine), .. new[] { Box.Trim(), at.Box }.Where(b => b.Length > 0).Select(Subject.Store).Distinct()];

    public override Effect Effect =>
        new()
        {
            Box = BoxThen,
            Hands = Core.Quantities.Minutes.Of(Minutes),
            Parts = Cost,
            Readings =
                What is CounterRead or BorderlessRead && Amount is { } pct
                    ? [new Reading(What, pct, What == CounterRead ? Reading.OfCounter : OfBorderless, "read")]
                    : [],
            Stores = What is CounterRead or BorderlessRead
                ? []
                :
                [
                    new StoreHappening(Change, Amount, Box)
                    {
                        TareG = Swap?.TareG,
                        SafeG = Swap?.SafeG,
                        IsDry = Swap is { IsDry: true },
                    },
                ],
            Modifications =
                Services.Contains(What) || Swap is { IsDry: true } ? [new Modification(CounterReset.Unserviced, "", null, "")] : [],
        };

    private StoreChange Change =>
        What switch
        {
            Weighed => StoreChange.Weighed,
            Renewed => StoreChange.Renewed,
            Washed => StoreChange.Washed,
            BoxIn => StoreChange.BoxIn,
            Trial => StoreChange.Trial,
            Emptied => StoreChange.Emptied,
            BottleFitted => StoreChange.BottleFitted,
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
        if (Swap is { } swap)
            to.Part("swap", swap.Store);
    }
}

/// <summary>One box out, another in.</summary>
/// <param name="TareG">What the one that went in weighs dry, g.</param>
/// <param name="SafeG">What it is used to by its own trial, g above dry; null when it had none.</param>
/// <param name="IsDry">Whether it was dry.</param>
/// <param name="Out">The tag of the one that came out; empty when it had none.</param>
/// <param name="OutG">What that weighed, g with its own mass; null when nobody weighed it.</param>
public sealed record BoxSwap(double TareG, double? SafeG, bool IsDry, string Out, double? OutG)
{
    /// <summary>Stores it.</summary>
    internal void Store(FieldWriter to)
    {
        to.Number("tareG", TareG);
        to.Number("safeG", SafeG);
        to.Flag("isDry", IsDry);
        to.Text("out", Out);
        to.Number("outG", OutG);
    }
}
