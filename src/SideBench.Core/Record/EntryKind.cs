namespace SideBench.Core.Record;

/// <summary>A kind of line: its name in the record, and how it is read from its stored form, of whatever age.</summary>
/// <param name="Name">As stored and exported; never changed.</param>
/// <param name="Read">Reads the stored fields.</param>
public sealed record EntryKind(string Name, Func<FieldReader, EntryBody> Read);
