using SideBench.Packs;
using SideBench.Web.Problems;

namespace SideBench.Web.Hosting;

/// <summary>What the server is told at its start.</summary>
public static class Settings
{
    /// <summary>Name of the setting that says where the database is.</summary>
    public const string Database = "SIDEBENCH_DB";

    /// <summary>Name of the setting that names folders of packs, ours first, separated by a colon.</summary>
    public const string Packs = "SIDEBENCH_PACKS";

    /// <summary>Name of the setting that says where a scale listens, <c>host:port</c>; not needed.</summary>
    public const string Scale = "SIDEBENCH_SCALE";

    /// <summary>Name of the setting that lists names under which the server is reached, separated by blanks; addresses need none.</summary>
    public const string HostNames = "SIDEBENCH_HOSTS";

    private static readonly string[] Names = (Environment.GetEnvironmentVariable(HostNames) ?? "").Split(
        ' ',
        StringSplitOptions.RemoveEmptyEntries
    );

    /// <summary>Names under which the server is reached, beside its addresses.</summary>
    public static IReadOnlyList<string> Hosts() => Names;

    /// <summary>A setting that must be there.</summary>
    public static string Needed(string name) =>
        Environment.GetEnvironmentVariable(name) is { Length: > 0 } value
            ? value
            : throw new InvalidOperationException($"{name} is not set; use ./start");

    /// <summary>The packs, or null after every problem was printed.</summary>
    public static Shop? LoadShop(string folders, TextWriter console)
    {
        var shop = new PackFolders(folders).Read();
        if (shop.IsGood)
            return shop.Value;
        console.WriteLine($"The packs have {shop.Problems.Count} problem(s); nothing was started.");
        foreach (var problem in shop.Problems)
            console.WriteLine($"  {ProblemText.Line(problem)}");
        return null;
    }
}
