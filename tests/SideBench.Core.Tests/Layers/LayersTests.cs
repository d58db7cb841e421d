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

    // The lists that every craft is added to, what demonstrates or measures all of them, and what reads their open files.
    private static readonly string[] Shared =
    [
        "src/SideBench.Core/Bench/HouseCrafts.cs",
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

    // Where else a craft is named, file by file: what stands on it, and why it does.
    public static TheoryData<string, string, string[]> NamedElsewhere =>
        new()
        {
            {
                "Nozzles",
                "nozzles",
                // Head care reads its sheets; ink is drawn for a page's picture; a model that is taught has its sheet taught too.
                [
                    "src/SideBench.Core/HeadCare/HeadCareCraft.cs",
                    "src/SideBench.Core/HeadCare/HeadKeeping.cs",
                    "src/SideBench.Core/HeadCare/HeadOnJob.cs",
                    "src/SideBench.Core/Ink/PageCover.cs",
                    "src/SideBench.Web/Features/HeadCare/HeadCareViews.cs",
                    "src/SideBench.Web/Features/HeadCare/HeadRecords.cs",
                    "src/SideBench.Web/Features/Ink/InkEndpoints.cs",
                    "src/SideBench.Web/Features/Own/OwnEndpoints.cs",
                    "src/SideBench.Web/Features/Own/OwnKeeping.cs",
                    "src/SideBench.Web/Features/Own/OwnViews.cs",
                ]
            },
            {
                "StripDown",
                "strip-down",
                // Head care names the guide that leads through its work.
                ["src/SideBench.Web/Features/HeadCare/HeadCareViews.cs"]
            },
            {
                "Waste",
                "waste",
                // Cleans fill the store; it falls due on a day; strangers ask of it; a machine's own figures come of it; its hole is drawn.
                [
                    "src/SideBench.Core/HeadCare/HeadAdvice.cs",
                    "src/SideBench.Core/HeadCare/HeadOnJob.cs",
                    "src/SideBench.Web/Features/Day/CalendarFeed.cs",
                    "src/SideBench.Web/Features/Day/DayReminders.cs",
                    "src/SideBench.Web/Features/Estimates/EstimateAnswers.cs",
                    "src/SideBench.Web/Features/Estimates/WasteEstimates.cs",
                    "src/SideBench.Web/Features/HeadCare/HeadCareViews.cs",
                    "src/SideBench.Web/Features/Own/OwnMeasured.cs",
                    "src/SideBench.Web/Features/StripDown/OpeningViews.cs",
                ]
            },
            {
                "Day",
                "today",
                // The strip above every page shows the day's places; the first page is the day's.
                ["web/src/app/BenchStrip.vue", "web/src/app/StripPlace.vue", "web/src/app/router.ts"]
            },
            {
                "Accounts",
                "accounts",
                // Who signs in is asked by every address; the day is of people.
                [
                    "src/SideBench.Data/People/PeopleStore.cs",
                    "src/SideBench.Web/Features/Day/DayDesk.cs",
                    "src/SideBench.Web/Features/Day/DayEndpoints.cs",
                    "src/SideBench.Web/Features/Events/DatabaseEar.cs",
                    "src/SideBench.Web/Hosting/Routes.cs",
                    "src/SideBench.Web/Hosting/SideBenchApp.cs",
                    "src/SideBench.Web/Program.cs",
                    "web/src/app/App.vue",
                    "web/src/app/router.ts",
                    "web/src/features/today/TodayPage.vue",
                ]
            },
            {
                "Own",
                "models",
                // The shop's own models stand among the packs, and what is not known of one is said where it counts.
                [
                    "src/SideBench.Web/Features/Jobs/BenchViews.cs",
                    "src/SideBench.Web/Features/Practice/PracticeEndpoints.cs",
                    "src/SideBench.Web/Features/StripDown/OpeningViews.cs",
                    "src/SideBench.Web/Hosting/BenchBooks.cs",
                    "src/SideBench.Web/Hosting/BookStand.cs",
                    "src/SideBench.Web/Hosting/PackFolders.cs",
                ]
            },
            {
                "Ink",
                "ink",
                // A clean asks what a slot has left; strangers ask of it; the bench says what is fed; the shelf has its lots.
                [
                    "src/SideBench.Core/HeadCare/HeadAdvice.cs",
                    "src/SideBench.Core/HeadCare/HeadOnJob.cs",
                    "src/SideBench.Web/Features/Estimates/EstimateAnswers.cs",
                    "src/SideBench.Web/Features/Estimates/SlotEstimates.cs",
                    "src/SideBench.Web/Features/HeadCare/HeadCareViews.cs",
                    "src/SideBench.Web/Features/Jobs/BenchViews.cs",
                    "src/SideBench.Web/Features/Own/OwnMeasured.cs",
                    "src/SideBench.Web/Features/Shelf/ShelfDesk.cs",
                    "src/SideBench.Web/Features/Waste/WasteContracts.cs",
                    "src/SideBench.Web/Features/Waste/WasteViews.cs",
                ]
            },
            {
                "HeadCare",
                "head-care",
                // Strangers ask of a head; a simulated sheet is of a head that was cleaned.
                [
                    "src/SideBench.Web/Features/Estimates/EstimateAnswers.cs",
                    "src/SideBench.Web/Features/Estimates/OutlookEstimate.cs",
                    "src/SideBench.Web/Features/Nozzles/SimulatedSheets.cs",
                ]
            },
            {
                "Shelf",
                "shelf",
                // What is used is taken from it: parts by the book, pieces and ink by slots, boxes and keys by the waste store.
                [
                    "src/SideBench.Core/Diagnosis/ShopState.cs",
                    "src/SideBench.Core/Ink/CartridgeLookup.cs",
                    "src/SideBench.Core/Ink/FittedPieces.cs",
                    "src/SideBench.Core/Ink/InkKeeping.cs",
                    "src/SideBench.Core/Waste/WasteBox.cs",
                    "src/SideBench.Core/Waste/WasteBoxes.cs",
                    "src/SideBench.Core/Waste/WasteKeeping.cs",
                    "src/SideBench.Web/Features/Day/CalendarFeed.cs",
                    "src/SideBench.Web/Features/Day/DayReminders.cs",
                    "src/SideBench.Web/Features/Ink/InkEndpoints.cs",
                    "src/SideBench.Web/Features/Waste/WasteViews.cs",
                    "src/SideBench.Web/Features/Waste/WasteWrites.cs",
                    "web/src/app/router.ts",
                ]
            },
        };

    // Both ways: an exception that nothing needs any more goes.
    [Theory]
    [MemberData(nameof(NamedElsewhere))]
    public void Craft_IsNamedOutsideItsFolders_WhereItIsListedAndNowhereElse(string craft, string pages, string[] elsewhere)
    {
        var named = new Regex($@"using (static )?SideBench\.\w+(\.Features)?\.{craft}(\.\w+)*;|features/{pages}['/]");
        string[] own = [$"src/SideBench.Core/{craft}/", $"src/SideBench.Web/Features/{craft}/", $"web/src/features/{pages}/"];
        var found = Sources()
            .Where(f => !own.Concat(Shared).Any(f.StartsWith))
            .Where(f => named.IsMatch(File.ReadAllText(Path.Combine(TestShop.Root(), f))));
        Assert.Equal(elsewhere.Order(StringComparer.Ordinal), found.Order(StringComparer.Ordinal));
    }

    // The job itself and its diagnosis are what the others are plugged into.
    [Fact]
    public void EveryCraft_HasItsLaw() =>
        Assert.Equal(
            Directory
                .EnumerateFiles(Path.Combine(TestShop.Root(), "src", "SideBench.Core"), "*?Craft.cs", SearchOption.AllDirectories)
                .Select(f => Path.GetFileName(f)[..^"Craft.cs".Length])
                .Except(["Jobs", "Diagnosis", ""])
                .Order(StringComparer.Ordinal),
            NamedElsewhere.Select(row => row.Data.Item1).Order(StringComparer.Ordinal)
        );

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
