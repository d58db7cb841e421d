using SideBench.Core.Outcomes;

namespace SideBench.Core.Sums;

/// <summary>What a field of a sum holds.</summary>
public enum SumKind
{
    /// <summary>A number.</summary>
    Number,

    /// <summary>A whole number.</summary>
    Whole,

    /// <summary>True or false.</summary>
    Flag,

    /// <summary>One of some words.</summary>
    Word,

    /// <summary>A name of the asker's own.</summary>
    Name,

    /// <summary>A moment, with its offset.</summary>
    Moment,

    /// <summary>Several whole numbers.</summary>
    Wholes,

    /// <summary>Several names.</summary>
    Names,

    /// <summary>Several of the same, each with fields of its own.</summary>
    List,
}

/// <summary>One input of a sum.</summary>
/// <param name="Name">Its name in the open format.</param>
/// <param name="Label">What the page says.</param>
/// <param name="Unit">Its unit; empty when none.</param>
/// <param name="Kind">What it holds.</param>
public sealed record SumField(string Name, string Label, string Unit, SumKind Kind)
{
    /// <summary>The smallest number it takes.</summary>
    public double Least { get; init; }

    /// <summary>Whether the smallest itself is too small.</summary>
    public bool AboveLeast { get; init; }

    /// <summary>The largest number it takes.</summary>
    public double Most { get; init; } = 1e9;

    /// <summary>What holds when it is left out: a number, flag or word; null when it may not be.</summary>
    public object? Without { get; init; }

    /// <summary>Whether it may be left out with nothing in its place: the sum says what then holds.</summary>
    public bool Optional { get; init; }

    /// <summary>The words it may be.</summary>
    public IReadOnlyList<string> Words { get; init; } = [];

    /// <summary>Fields of each piece of a list.</summary>
    public IReadOnlyList<SumField> Parts { get; init; } = [];

    /// <summary>What the page begins with.</summary>
    public string Example { get; init; } = "";
}

/// <summary>One figure of a sum's result.</summary>
/// <param name="Name">Its name in the open format.</param>
/// <param name="Label">What the page says.</param>
/// <param name="Unit">Its unit; empty when none.</param>
public sealed record SumFigure(string Name, string Label, string Unit);

/// <summary>The inputs of one asking, every field there and in range.</summary>
public sealed class SumInput(IReadOnlyDictionary<string, object> values)
{
    /// <summary>A number.</summary>
    public double Number(string name) => (double)values[name];

    /// <summary>A number that may be left out.</summary>
    public double? Maybe(string name) => values.TryGetValue(name, out var value) ? (double)value : null;

    /// <summary>Several whole numbers; null when left out.</summary>
    public IReadOnlyList<double>? Wholes(string name) => values.GetValueOrDefault(name) as IReadOnlyList<double>;

    /// <summary>Several names.</summary>
    public IReadOnlyList<string> Names(string name) => (IReadOnlyList<string>)values[name];

    /// <summary>Whether.</summary>
    public bool Flag(string name) => (bool)values[name];

    /// <summary>A word or a name.</summary>
    public string Word(string name) => (string)values[name];

    /// <summary>A moment.</summary>
    public DateTimeOffset Moment(string name) => (DateTimeOffset)values[name];

    /// <summary>The pieces of a list.</summary>
    public IReadOnlyList<SumInput> List(string name) => (IReadOnlyList<SumInput>)values[name];
}

/// <summary>
/// A small sum of the trade, with a name: the page, the API and the command line ask for the same pure function. Nothing is clamped or
/// rounded.
/// </summary>
/// <param name="Name">Its name in the open format.</param>
/// <param name="Title">What the page says.</param>
/// <param name="Asks">The question it answers, one sentence.</param>
/// <param name="Formula">How it is got, one line each.</param>
/// <param name="Fields">Its inputs.</param>
/// <param name="Figures">What it results in.</param>
/// <param name="Work">
/// The sum itself, for each figure in their order: a number, true or false, a moment, words, numbers by name, or null.
/// </param>
public sealed record Sum(
    string Name,
    string Title,
    string Asks,
    IReadOnlyList<string> Formula,
    IReadOnlyList<SumField> Fields,
    IReadOnlyList<SumFigure> Figures,
    Func<SumInput, Outcome<IReadOnlyList<object?>>> Work
);

/// <summary>Whole numbers and limits of the open format: what lies within a billionth counts as on it.</summary>
public static class Near
{
    /// <summary>How near is on it.</summary>
    public const double Enough = 1e-9;

    /// <summary>The whole number at or below; a hair below the next counts as that.</summary>
    public static double Floor(double value) => Math.Abs(value - Math.Round(value)) <= Enough ? Math.Round(value) : Math.Floor(value);

    /// <summary>The whole number at or above; a hair above one counts as that.</summary>
    public static double Ceiling(double value) => -Floor(-value);

    /// <summary>Whether one value is at or below another.</summary>
    public static bool AtMost(double value, double limit) => value <= limit + Enough;
}
