using System.Text.RegularExpressions;
using Xunit;

namespace SideBench.Core.Tests.Layers;

/// <summary>Which folder of the core may know which, and where a craft may be named.</summary>
public partial class LayersTests
{
    // Lowest first; a craft stands beside the others, and knows what is below all of them. Ink stands on pictures of pages, head care on
    // the sheets.
    private static readonly string[][] Layers =
    [
        ["Quantities", "Identity", "Outcomes"],
        ["Sums"],
        ["Record"],
        ["Machines"],
        ["Jobs"],
        ["Shelf"],
        ["Diagnosis"],
        ["Nozzles", "StripDown", "Waste", "Day", "Accounts", "Own"],
        ["Ink"],
        ["HeadCare"],
        ["Bench"],
        ["Simulation"],
    ];

    // Shared lists that a craft is added to, a craft that stands on others, what demonstrates all crafts, and what reads their open files.
    private static readonly string[] Shared =
    [
        "src/SideBench.Core/Bench/HouseCrafts.cs",
        "src/SideBench.Core/HeadCare/",
        "src/SideBench.Core/Ink/",
        "src/SideBench.Web/Features/Ink/",
        "src/SideBench.Web/Features/HeadCare/",
        "src/SideBench.Web/Features/Own/",
        "src/SideBench.Web/Plugs/WebCrafts.cs",
        "web/src/app/crafts.ts",
        "src/SideBench.Core/Simulation/",
        "src/SideBench.Web/Demo/",
        "src/SideBench.Packs/",
        "src/SideBench.Devices/",
        "src/SideBench.Cli/",
    ];

    [Fact]
    public void Folder_KnowsOnlyWhatIsBelowIt()
    {
        var core = Path.Combine(TestShop.Root(), "src", "SideBench.Core");
        var folders = Directory.GetDirectories(core).Select(Path.GetFileName).Where(f => f is not ("bin" or "obj")).Order().ToList();
        Assert.Equal(Layers.SelectMany(l => l).Order(), folders!);
        var upward =
            from file in Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
            let own = Path.GetRelativePath(core, file).Split(Path.DirectorySeparatorChar)[0]
            where folders.Contains(own)
            from known in CoreFolder().Matches(File.ReadAllText(file)).Select(m => m.Groups[1].Value).Distinct()
            where known != own && LayerOf(known) >= LayerOf(own)
            select $"{Path.GetRelativePath(core, file)} knows {known}";
        Assert.Empty(upward);
    }

    [Theory]
    [InlineData("Nozzles", "nozzles")]
    [InlineData("StripDown", "strip-down")]
    public void Craft_IsNamedOutsideItsFolders_InTheSharedListsAlone(string craft, string pages)
    {
        var named = new Regex($@"using SideBench\.\w+(\.Features)?\.{craft};|features/{pages}['/]");
        string[] own = [$"src/SideBench.Core/{craft}/", $"src/SideBench.Web/Features/{craft}/", $"web/src/features/{pages}/"];
        var elsewhere = Sources()
            .Where(f => !own.Concat(Shared).Any(f.StartsWith))
            .Where(f => named.IsMatch(File.ReadAllText(Path.Combine(TestShop.Root(), f))));
        Assert.Empty(elsewhere);
    }

    private static int LayerOf(string folder) => Array.FindIndex(Layers, l => l.Contains(folder));

    private static IEnumerable<string> Sources() =>
        from top in new[] { "src", "web/src" }
        from file in Directory.EnumerateFiles(Path.Combine(TestShop.Root(), top), "*.*", SearchOption.AllDirectories)
        where Path.GetExtension(file) is ".cs" or ".ts" or ".vue"
        let path = Path.GetRelativePath(TestShop.Root(), file).Replace('\\', '/')
        where !path.Contains("/obj/") && !path.Contains("/bin/")
        select path;

    [GeneratedRegex(@"SideBench\.Core\.([A-Z]\w+)")]
    private static partial Regex CoreFolder();
}
