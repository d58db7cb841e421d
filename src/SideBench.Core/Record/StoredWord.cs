namespace SideBench.Core.Record;

/// <summary>One of a fixed set of words as it is stored: with hyphens, such as <c>every-kth</c>.</summary>
public static class StoredWord
{
    /// <summary>The word as stored.</summary>
    public static string Of<T>(T word)
        where T : struct, Enum => Hyphened(word.ToString());

    /// <summary>The word that is stored so.</summary>
    public static T Read<T>(string stored)
        where T : struct, Enum
    {
        foreach (var word in Enum.GetValues<T>())
            if (Of(word) == stored)
                return word;
        throw new FormatException($"“{stored}” is none of: {string.Join(", ", Enum.GetValues<T>().Select(Of))}");
    }

    /// <summary>A name in the code as packs and the record write it: EveryKth is every-kth.</summary>
    public static string Hyphened(string name) =>
        string.Concat(name.Select((c, i) => char.IsUpper(c) ? (i > 0 ? "-" : "") + char.ToLowerInvariant(c) : c.ToString()));
}
