using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Something a technician can do next: a finding to make or a repair.</summary>
public abstract record BookStep
{
    /// <summary>Name used in the record.</summary>
    public required string Id { get; init; }

    /// <summary>What to do, as one line.</summary>
    public required string Name { get; init; }

    /// <summary>What it is in at most 18 letters, as written; null when its name is short enough.</summary>
    public string? ShortName { get; init; }

    /// <summary>What it is in few letters, for the strip over the bench.</summary>
    public string Short => ShortName ?? Name;

    /// <summary>The station it looks at or mends.</summary>
    public required string Station { get; init; }

    /// <summary>Hands-on time, min.</summary>
    public required double Minutes { get; init; }

    /// <summary>Parts and consumables, in the shop's currency.</summary>
    public decimal Parts { get; init; }

    /// <summary>The machine's own operation it runs; empty when none. Its ink, counter and minutes count as cost.</summary>
    public string Operation { get; init; } = "";

    /// <summary>What can go wrong by doing it, on the book's scale of risk words.</summary>
    public string Risk { get; init; } = "none";

    /// <summary>How to do it.</summary>
    public string How { get; init; } = "";

    /// <summary>Warnings, shown before the step.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>What it puts on the tray.</summary>
    public IReadOnlyList<TrayPut> Puts { get; init; } = [];

    /// <summary>Words that gates look at, such as <c>head-cleaning</c>, <c>opens</c>, <c>power</c>.</summary>
    public IReadOnlyList<string> Tags { get; init; } = [];

    /// <summary>One of the easy checks that come before any tool.</summary>
    public bool Easy { get; init; }

    /// <summary>Whether it looks at or mends one slot or channel only, so that it says nothing of another.</summary>
    public bool PerPlace { get; init; }

    /// <summary>When it makes sense at all.</summary>
    public Condition When { get; init; } = new Condition.Always();
}

/// <summary>A number asked for with an answer.</summary>
/// <param name="Label">What is measured.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Min">Smallest sensible value.</param>
/// <param name="Max">Largest sensible value.</param>
/// <param name="Bands">What the number itself says for some causes.</param>
/// <param name="WithCoverage">Whether the coverage of the page is asked with it.</param>
public sealed record AskedQuantity(string Label, string Unit, double Min, double Max, IReadOnlyList<Band> Bands, bool WithCoverage = false)
{
    /// <summary>The numbers that say this answer.</summary>
    public NumberRange Range { get; init; } = NumberRange.Any;

    /// <summary>Whether the answer says nothing without its number.</summary>
    public bool Needed { get; init; }

    /// <summary>A figure of the model that bounds it instead of the largest; null when none.</summary>
    public FigureBound? MaxOf { get; init; }

    /// <summary>A figure of the model from which on numbers say this answer; null when none.</summary>
    public FigureBound? FromOf { get; init; }

    /// <summary>A figure of the model up to which numbers say this answer; null when none.</summary>
    public FigureBound? ToOf { get; init; }

    /// <summary>With the bounds that a model gives.</summary>
    /// <param name="model">The model.</param>
    public AskedQuantity On(MachineModel model) =>
        this with
        {
            Max = MaxOf?.On(model) ?? Max,
            Range = new NumberRange(FromOf?.On(model) ?? Range.From, ToOf?.On(model) ?? Range.To),
        };
}

/// <summary>The numbers that say one answer; what lies on the edge of two says both.</summary>
/// <param name="From">From this value on; null for no lower end.</param>
/// <param name="To">Up to this value; null for no upper end.</param>
public sealed record NumberRange(double? From, double? To)
{
    /// <summary>Any number says it.</summary>
    public static readonly NumberRange Any = new(null, null);

    /// <summary>Whether a number says it.</summary>
    public bool Holds(double value) => !(value < From) && !(value > To);
}

/// <summary>What a number within a range says.</summary>
/// <param name="Causes">The causes it moves.</param>
/// <param name="From">Smallest value, inclusive.</param>
/// <param name="UpTo">Largest value, inclusive.</param>
/// <param name="Factor">What their odds are multiplied with.</param>
/// <param name="Why">The reason, one line.</param>
public sealed record Band(IReadOnlyList<string> Causes, double From, double UpTo, double Factor, string Why)
{
    /// <summary>Whether a value lies in it.</summary>
    public bool Holds(double value) => value >= From && value <= UpTo;
}

/// <summary>One answer to a finding.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Label">What the button says.</param>
/// <param name="Proves">Whether it proves that the fault is gone, once a repair was made.</param>
/// <param name="Quantity">A number that goes with it; null when none.</param>
/// <param name="Clears">Stations that it speaks for: they are cleared once nothing there is under suspicion.</param>
/// <param name="Says">The fact as a sentence for the evidence and the hand-over.</param>
public sealed record FindingOutcome(
    string Id,
    string Label,
    bool Proves,
    AskedQuantity? Quantity,
    IReadOnlyList<string> Clears,
    string Says
);

/// <summary>How likely each answer is under some causes.</summary>
/// <param name="Causes">The causes it speaks of.</param>
/// <param name="Probabilities">Per outcome, adding up to 1.</param>
/// <param name="Why">The reason, one line.</param>
/// <param name="Words">As the book words it, by outcome; outcomes not named share the rest.</param>
public sealed record LikelihoodRow(
    IReadOnlyList<string> Causes,
    IReadOnlyList<double> Probabilities,
    string Why,
    IReadOnlyDictionary<string, string>? Words = null
);

/// <summary>A question, look or test with its possible answers.</summary>
public sealed record Finding : BookStep
{
    /// <summary>Whether it is asked, looked at, tested or a proof.</summary>
    public required string Kind { get; init; }

    /// <summary>The possible answers, in the order of their digits.</summary>
    public required IReadOnlyList<FindingOutcome> Outcomes { get; init; }

    /// <summary>How likely each answer is under named causes.</summary>
    public required IReadOnlyList<LikelihoodRow> Rows { get; init; }

    /// <summary>How likely each answer is under every other cause of the book.</summary>
    public required IReadOnlyList<double> Otherwise { get; init; }

    /// <summary>The reason for <see cref="Otherwise"/>, one line.</summary>
    public string OtherwiseWhy { get; init; } = "";

    /// <summary><see cref="Otherwise"/> as the book words it, by outcome.</summary>
    public IReadOnlyDictionary<string, string>? OtherwiseWords { get; init; }

    /// <summary>
    /// The answer that a nozzle sheet gives by itself: pattern of the channel, or what became of its gaps, to outcome; <c>any</c> for the
    /// rest. Null when a sheet does not answer it.
    /// </summary>
    public IReadOnlyDictionary<string, string>? Sheet { get; init; }

    /// <summary>Whether it proves a repair.</summary>
    public bool IsProof => Kind == "proof";

    /// <summary>How likely each answer is on a machine with nothing wrong.</summary>
    public required IReadOnlyList<double> Sound { get; init; }

    /// <summary>It with the bounds that a model gives to its numbers.</summary>
    /// <param name="model">The model.</param>
    public Finding On(MachineModel model) =>
        this with
        {
            Outcomes = [.. Outcomes.Select(o => o.Quantity is { } asked ? o with { Quantity = asked.On(model) } : o)],
        };

    /// <summary>Index of an outcome, or -1.</summary>
    public int IndexOf(string outcome)
    {
        for (var i = 0; i < Outcomes.Count; i++)
            if (Outcomes[i].Id == outcome)
                return i;
        return -1;
    }
}

/// <summary>How surely a repair ends one cause.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Chance">Chance that the cause is gone afterwards, 0 to 1.</param>
/// <param name="Word">The chance as the book words it.</param>
public sealed record Fix(string Cause, double Chance, string Word = "");

/// <summary>Work that can end a cause.</summary>
public sealed record Repair : BookStep
{
    /// <summary>What it can end, and how surely.</summary>
    public required IReadOnlyList<Fix> Fixes { get; init; }

    /// <summary>The finding that proves it.</summary>
    public required string Proof { get; init; }

    /// <summary>Whether customers do it themselves, or have it done: it is asked for at take-in.</summary>
    public bool ToldBefore { get; init; }

    /// <summary>The part it needs; empty when none.</summary>
    public string Part { get; init; } = "";

    /// <summary>The single presses of work, in order.</summary>
    public IReadOnlyList<string> Steps { get; init; } = [];

    /// <summary>The wait that follows; null when none.</summary>
    public BookWait? Wait { get; init; }
}

/// <summary>A wait that follows work.</summary>
/// <param name="Kind">settle, dry, rest, soak or charge.</param>
/// <param name="Label">What is waited for.</param>
/// <param name="MinMinutes">At least so long, min.</param>
/// <param name="MaxMinutes">At most so long, min; null when there is no limit.</param>
public sealed record BookWait(string Kind, string Label, double MinMinutes, double? MaxMinutes);
