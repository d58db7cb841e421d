using System.Security.Cryptography;
using System.Text;

namespace SideBench.Packs;

/// <summary>
/// Files of packs whose shape was checked when the product was built, by fingerprint of their content and their schema. They need not be
/// checked again at every start; a file with one letter changed is.
/// </summary>
public static class KnownPacks
{
    private const string ListName = "packs.known";

    /// <summary>The fingerprints that ship with the product; none when it was not published.</summary>
    public static IReadOnlySet<string> Shipped()
    {
        var path = Path.Combine(AppContext.BaseDirectory, ListName);
        return File.Exists(path) ? File.ReadAllLines(path).ToHashSet() : [];
    }

    /// <summary>Fingerprint of a file's content together with its schema.</summary>
    public static string Fingerprint(PackFileKind kind, string text) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{Schemas.TextOf(kind)}\0{text}")));

    /// <summary>Checks files and lists their fingerprints beside the product.</summary>
    /// <param name="files">The files that ship.</param>
    /// <returns>How many are listed, or what is wrong with them.</returns>
    public static Core.Outcomes.Outcome<int> Write(IReadOnlyList<PackFile> files)
    {
        var problems = files.SelectMany(f => Schemas.Check(f with { IsKnown = false }).Problems).ToList();
        if (problems.Count > 0)
            return problems;
        File.WriteAllLines(Path.Combine(AppContext.BaseDirectory, ListName), files.Select(f => Fingerprint(f.Kind, f.Text)));
        return files.Count;
    }
}
