namespace SideBench.Core.Record;

/// <summary>The stored form of a lasting change.</summary>
public static class ModificationForm
{
    /// <summary>Writes it.</summary>
    public static void Store(FieldWriter to, Modification change)
    {
        to.Text("key", change.Key);
        to.Text("of", change.Of);
        to.Text("word", change.Word);
        to.Text("says", change.Says);
    }

    /// <summary>Reads it.</summary>
    public static Modification Read(FieldReader from) => new(from.Text("key"), from.Text("of"), from.TextOrNull("word"), from.Text("says"));
}
