using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>The waste counter was set anew, or that was tried.</summary>
/// <param name="Way">full, partial, key, service or tool.</param>
/// <param name="Before">The counter before it, %.</param>
/// <param name="After">The counter read back, %: only that proves it.</param>
/// <param name="KeyItem">The key of the shelf that was spent; null when none.</param>
/// <param name="Despite">Why it was done though the gate held it; empty when the gate was open.</param>
/// <param name="System">The computer system that the service program ran under; empty when none.</param>
/// <param name="Minutes">Bench time, min.</param>
public sealed record CounterReset(string Way, double Before, double After, long? KeyItem, string Despite, string System, double Minutes)
    : EntryBody
{
    /// <summary>A lasting mark of the machine: its counter was reset and nothing done to its store.</summary>
    public const string Unserviced = "reset-without-service";

    /// <summary>The reading before it.</summary>
    public const string ReadBefore = "counter-before";

    /// <summary>The reading after it.</summary>
    public const string ReadBack = "counter-after";

    /// <summary>Work of the fault book with this tag sees to the store.</summary>
    public const string SeenToTag = "makes-room";

    /// <summary>A count that fell by less was not stored, points.</summary>
    public const double Moved = 1;

    public static readonly EntryKind Form = new(
        "counter-reset",
        from => new CounterReset(
            from.Text("way"),
            from.Number("before"),
            from.Number("after"),
            from.Has("keyItem") ? from.Whole("keyItem") : null,
            from.Text("despite"),
            from.Text("system"),
            from.Number("minutes")
        )
    );

    public override EntryKind Kind => Form;

    /// <summary>Whether the count was set anew.</summary>
    public bool Worked => After < Before - Moved;

    public override string Says =>
        (Worked ? $"Waste counter reset ({Way})" : $"Waste counter reset tried ({Way}), not stored")
        + $": {Before:0.#} → {After:0.#}\u2009%"
        + (KeyItem is { } key ? $", key {key} spent" : "")
        + (System.Length > 0 ? $", under {System}" : "")
        + (Despite.Length > 0 ? $"; reset without service: {Despite}" : "");

    /// <summary>The counter, and the box that is in.</summary>
    public override IEnumerable<Subject> About(Surroundings at) =>
        at.Box.Length > 0 ? [Subject.Counter(at.Machine), Subject.Store(at.Box)] : [Subject.Counter(at.Machine)];

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Stores = Worked ? [new StoreHappening(StoreChange.Reset, After, Way)] : [],
            Readings =
            [
                new Reading(ReadBefore, Before, Reading.OfCounter, "read"),
                new Reading(ReadBack, After, Reading.OfCounter, "read back"),
            ],
            Modifications =
                Worked && Despite.Length > 0
                    ?
                    [
                        new Modification(Unserviced, "", "yes", "Waste counter reset without service: an overflow waits")
                        {
                            LiftedBy = SeenToTag,
                        },
                    ]
                    : [],
        };

    public override void Store(FieldWriter to)
    {
        to.Text("way", Way);
        to.Number("before", Before);
        to.Number("after", After);
        to.Whole("keyItem", KeyItem);
        to.Text("despite", Despite);
        to.Text("system", System);
        to.Number("minutes", Minutes);
    }
}
