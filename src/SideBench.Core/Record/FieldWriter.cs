namespace SideBench.Core.Record;

/// <summary>Takes the fields of a line as they are stored, by name. What is not known is stored as such.</summary>
public abstract class FieldWriter
{
    /// <summary>A text.</summary>
    public abstract void Text(string name, string? value);

    /// <summary>A number; its unit is in its name or in a field beside it.</summary>
    public abstract void Number(string name, double? value);

    /// <summary>A count, a version or another thing's number.</summary>
    public abstract void Whole(string name, long? value);

    /// <summary>An amount, in the shop's currency.</summary>
    public abstract void Amount(string name, decimal? value);

    /// <summary>Yes or no.</summary>
    public abstract void Flag(string name, bool value);

    /// <summary>A date.</summary>
    public abstract void Day(string name, DateOnly? value);

    /// <summary>A time, UTC.</summary>
    public abstract void Time(string name, DateTimeOffset? value);

    /// <summary>Texts in order.</summary>
    public abstract void Texts(string name, IEnumerable<string>? values);

    /// <summary>Numbers in order.</summary>
    public abstract void Numbers(string name, IEnumerable<double> values);

    /// <summary>Numbers by name.</summary>
    public abstract void Named(string name, IEnumerable<KeyValuePair<string, double>>? values);

    /// <summary>Fields of their own; null when there is no such part.</summary>
    public abstract void Part(string name, Action<FieldWriter>? write);

    /// <summary>Parts in order.</summary>
    public abstract void Parts<T>(string name, IEnumerable<T> items, Action<FieldWriter, T> write);
}
