namespace SideBench.Core.Record;

/// <summary>
/// Gives the fields of a stored line by name. A field that came later than the line is not there; then its default counts.
/// </summary>
public abstract class FieldReader
{
    /// <summary>Whether the field is there and known.</summary>
    public abstract bool Has(string name);

    /// <summary>A text that every line of the kind has.</summary>
    public abstract string Text(string name);

    /// <summary>A number that every line of the kind has.</summary>
    public abstract double Number(string name);

    /// <summary>A count that every line of the kind has.</summary>
    public abstract long Whole(string name);

    /// <summary>An amount that every line of the kind has.</summary>
    public abstract decimal Amount(string name);

    /// <summary>Yes or no, of every line of the kind.</summary>
    public abstract bool Flag(string name);

    /// <summary>A date.</summary>
    public abstract DateOnly? Day(string name);

    /// <summary>A time.</summary>
    public abstract DateTimeOffset? Time(string name);

    /// <summary>Texts in order; none when the field is not there.</summary>
    public abstract IReadOnlyList<string> Texts(string name);

    /// <summary>Numbers in order; none when the field is not there.</summary>
    public abstract IReadOnlyList<double> Numbers(string name);

    /// <summary>Numbers by name; null when not known.</summary>
    public abstract IReadOnlyDictionary<string, double>? Named(string name);

    /// <summary>Parts in order; none when the field is not there.</summary>
    public abstract IReadOnlyList<T> Parts<T>(string name, Func<FieldReader, T> read);

    /// <summary>Fields of their own; null when there is no such part.</summary>
    public abstract FieldReader? Part(string name);

    /// <summary>A text, or null.</summary>
    public string? TextOrNull(string name) => Has(name) ? Text(name) : null;

    /// <summary>A number, or null.</summary>
    public double? NumberOrNull(string name) => Has(name) ? Number(name) : null;

    /// <summary>An amount, or null.</summary>
    public decimal? AmountOrNull(string name) => Has(name) ? Amount(name) : null;

    /// <summary>A count that fits 32 bits.</summary>
    public int Count(string name) => checked((int)Whole(name));

    /// <summary>A count, or a default where the line is older than the field.</summary>
    public int CountOr(string name, int otherwise) => Has(name) ? Count(name) : otherwise;

    /// <summary>A count, or null.</summary>
    public int? CountOrNull(string name) => Has(name) ? Count(name) : null;
}
