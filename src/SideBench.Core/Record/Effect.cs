using SideBench.Core.Identity;
using SideBench.Core.Quantities;

namespace SideBench.Core.Record;

/// <summary>Something of the tray that is undone.</summary>
/// <param name="Item">What lay there.</param>
/// <param name="Count">How many of it; null for all.</param>
public sealed record TrayTake(string Item, int? Count = null);

/// <summary>Ink that was spent.</summary>
/// <param name="Slot">The slot; <see cref="SlotId.Whole"/> for all channels together.</param>
/// <param name="Volume">How much.</param>
public sealed record InkUse(SlotId Slot, Millilitres Volume);

/// <summary>Work on a machine, as its later visits see it.</summary>
/// <param name="Repair">Which.</param>
/// <param name="Says">In words.</param>
/// <param name="Tags">Words that gates look at.</param>
public sealed record WorkDone(string Repair, string Says, IReadOnlyList<string> Tags);

/// <summary>A lasting change of a machine: a bottle fitted, a board, a part that stays off.</summary>
/// <param name="Key">What is changed, such as <c>stays-off</c>; a craft declares what it can be.</param>
/// <param name="Of">Which of them; empty when there is one.</param>
/// <param name="Word">What it is now; null when it is as it was made again.</param>
/// <param name="Says">In words, for people.</param>
public sealed record Modification(string Key, string Of, string? Word, string Says)
{
    /// <summary>Work with this tag takes it away again; empty when none does.</summary>
    public string LiftedBy { get; init; } = "";
}

/// <summary>What is in a slot from now on.</summary>
/// <param name="Slot">The slot.</param>
/// <param name="Says">What is in it, in words; empty when nothing is.</param>
public sealed record SlotFilled(SlotId Slot, string Says)
{
    /// <summary>Its lot; empty when not told.</summary>
    public string Lot { get; init; } = "";
}

/// <summary>What can happen to what is in a slot.</summary>
public enum SlotChange
{
    /// <summary>A piece went in; the amount is the ink in it, ml.</summary>
    Fitted,

    /// <summary>It was filled; the amount is in ml, none for a fill to full.</summary>
    Filled,

    /// <summary>It was weighed; the amount is in g.</summary>
    Weighed,

    /// <summary>Its count was read; the amount is in %.</summary>
    ChipRead,

    /// <summary>Its count was set anew; the amount is in %.</summary>
    Reset,

    /// <summary>Ink was drawn from it; the amount is in ml.</summary>
    Spent,
}

/// <summary>Something that happened to what is in a slot.</summary>
/// <param name="Slot">The slot; <see cref="SlotId.Whole"/> for all of them alike.</param>
/// <param name="What">What.</param>
/// <param name="Amount">How much, in the unit of what it is; null when not told.</param>
/// <param name="Count">The count that came with it, %; null when none.</param>
/// <param name="Of">The type that was fitted, or the tool of a reset; else empty.</param>
public sealed record SlotHappening(SlotId Slot, SlotChange What, double? Amount, double? Count = null, string Of = "");

/// <summary>What can happen to a waste store or its counter.</summary>
public enum StoreChange
{
    /// <summary>It was weighed; the amount is in g, with its own mass.</summary>
    Weighed,

    /// <summary>A new store, or dry pads.</summary>
    Renewed,

    /// <summary>Washed and dried; the amount is in g, with its own mass.</summary>
    Washed,

    /// <summary>An outside bottle was emptied; the amount is what stayed in it, ml.</summary>
    Emptied,

    /// <summary>An outside bottle was fitted; the amount is what it holds, ml.</summary>
    BottleFitted,

    /// <summary>Its level was looked at; the amount is in ml.</summary>
    BottleSeen,

    /// <summary>The counter was set anew; the amount is in %.</summary>
    Reset,

    /// <summary>A box with a tag went in; the amount is in g, with its own mass.</summary>
    BoxIn,

    /// <summary>Water was given to it dose by dose until its top felt was wet; the amount is in ml.</summary>
    Trial,
}

/// <summary>Something that happened to a waste store or its counter.</summary>
/// <param name="What">What.</param>
/// <param name="Amount">How much, in the unit of what it is; null when not told.</param>
/// <param name="Of">The tag of the box, or the way of a reset; else empty.</param>
public sealed record StoreHappening(StoreChange What, double? Amount, string Of = "")
{
    /// <summary>What a box that went in weighs dry, g; null when its model's figure holds.</summary>
    public double? TareG { get; init; }

    /// <summary>What a box that went in is used to by its own trial, g above dry; null when it had none.</summary>
    public double? SafeG { get; init; }

    /// <summary>Whether a box that went in was dry, so that the store was seen to.</summary>
    public bool IsDry { get; init; }
}

/// <summary>What a line does, in terms that every craft shares. The shared folds apply it and know no craft.</summary>
public sealed record Effect
{
    /// <summary>Nothing.</summary>
    public static readonly Effect None = new();

    /// <summary>What comes onto the tray. Pieces of one removal that come out one after the other lie together.</summary>
    public IReadOnlyList<TrayItem> Puts { get; init; } = [];

    /// <summary>What goes off the tray.</summary>
    public IReadOnlyList<TrayTake> Takes { get; init; } = [];

    /// <summary>Bench time.</summary>
    public Minutes Hands { get; init; }

    /// <summary>Parts and consumables, in the shop's currency.</summary>
    public decimal Parts { get; init; }

    /// <summary>Ink spent, by slot.</summary>
    public IReadOnlyList<InkUse> Ink { get; init; } = [];

    /// <summary>How far the waste counter moved.</summary>
    public CounterShare CounterMoved { get; init; }

    /// <summary>What was measured.</summary>
    public IReadOnlyList<Reading> Readings { get; init; } = [];

    /// <summary>A wait that begins; null when none.</summary>
    public ClockStart? ClockBegins { get; init; }

    /// <summary>A wait that ends; null when none.</summary>
    public string? ClockEnds { get; init; }

    /// <summary>Work that was done on the machine; null when none.</summary>
    public WorkDone? Work { get; init; }

    /// <summary>How the machine differs from now on.</summary>
    public IReadOnlyList<Modification> Modifications { get; init; } = [];

    /// <summary>What is in slots from now on.</summary>
    public IReadOnlyList<SlotFilled> Slots { get; init; } = [];

    /// <summary>What happened to what is in slots.</summary>
    public IReadOnlyList<SlotHappening> Happenings { get; init; } = [];

    /// <summary>What happened to its waste store and counter.</summary>
    public IReadOnlyList<StoreHappening> Stores { get; init; } = [];

    /// <summary>The tag of the waste box that is in from now on, empty for one without a tag; null when that does not change.</summary>
    public string? Box { get; init; }
}

/// <summary>A wait as it begins.</summary>
/// <param name="Id">Unique within the job.</param>
/// <param name="Kind">What kind of wait.</param>
/// <param name="Label">What is waited for.</param>
/// <param name="MinMinutes">It rings after so long, min.</param>
/// <param name="MaxMinutes">It must not last longer, min; null when there is no limit.</param>
public sealed record ClockStart(string Id, string Kind, string Label, double MinMinutes, double? MaxMinutes);
