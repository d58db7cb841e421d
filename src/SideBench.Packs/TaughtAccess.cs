using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;

namespace SideBench.Packs;

/// <summary>One part as it was taken off, in a few words.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="View">Side from which it is reached.</param>
/// <param name="Way">off, open, aside or unplugged.</param>
/// <param name="Screws">How many screws hold it; 0 for none.</param>
/// <param name="Driver">Their driver; empty when none or not told.</param>
/// <param name="LengthMm">Their length, mm; 0 when not told.</param>
/// <param name="IsCollared">Whether they are shouldered.</param>
/// <param name="IsLoosenOnly">Whether they are only loosened.</param>
/// <param name="Catches">How many catches hold it.</param>
/// <param name="Cables">Cables and tubes that are pulled, by what they are called.</param>
/// <param name="Caution">What to mind; empty for nothing.</param>
/// <param name="Minutes">How long it took, min.</param>
public sealed record TaughtPart(
    string Name,
    string View,
    string Way,
    int Screws,
    string Driver,
    double LengthMm,
    bool IsCollared,
    bool IsLoosenOnly,
    int Catches,
    IReadOnlyList<string> Cables,
    string Caution,
    double Minutes
)
{
    /// <summary>Its id.</summary>
    public string Id =>
        string.Join(
            '-',
            new string([.. Name.ToLowerInvariant().Select(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') ? c : ' ')]).Split(
                ' ',
                StringSplitOptions.RemoveEmptyEntries
            )
        );
}

/// <summary>Writes what an opening taught into the file of how a model opens.</summary>
public static class TaughtAccess
{
    private const int MostScrews = 60;
    private const double MostMinutes = 240;
    private const int LongestName = 80;
    private const int MostCables = 12;
    private static readonly string[] Views = ["front", "back", "left", "right", "top", "under"];
    private static readonly string[] Ways = ["off", "open", "aside", "unplugged"];

    /// <summary>The file with one opening more, or everything that is wrong with what was told.</summary>
    /// <param name="file">The file so far; the family's until somebody taught an opening.</param>
    /// <param name="parts">What came off, in order.</param>
    public static Outcome<JsonObject> With(JsonObject file, IReadOnlyList<TaughtPart> parts)
    {
        var problems = new List<Problem>();
        if (parts.Count == 0)
            problems.Add(new Problem(ProblemCode.Missing, "/parts"));
        for (var i = 0; i < parts.Count; i++)
            Check(parts[i], $"/parts/{i}", problems);
        foreach (var twice in parts.GroupBy(p => p.Id).Where(g => g.Count() > 1))
            problems.Add(new Problem(OwnProblem.Contradiction, "/parts", $"{twice.First().Name} comes off twice."));
        if (problems.Count > 0)
            return problems;
        var next = file.DeepClone().AsObject();
        var taught = next["openings"] is JsonArray known ? known.Select(Order).ToList() : [];
        var old = next["parts"]!.AsArray().OfType<JsonObject>().ToDictionary(p => (string)p["id"]!);
        // The family's parts go with the first opening: what was never seen on this machine is no way in. Parts that serve a station stay,
        // since guides and findings lead there.
        taught.Add([.. parts.Select(p => p.Id)]);
        foreach (var part in parts)
            old[part.Id] = Written(part, old.GetValueOrDefault(part.Id));
        var minutes = old.ToDictionary(p => p.Key, p => (double)p.Value["outMin"]! + (double)p.Value["backMin"]!);
        var needs = OpeningTaught.Needs(taught, minutes);
        foreach (var (id, after) in needs)
            if (old.TryGetValue(id, out var part))
                part["after"] = new JsonArray([.. after.Where(old.ContainsKey).Select(n => (JsonNode)n)]);
        next["parts"] = new JsonArray([.. old.Values.Select(p => p.DeepClone())]);
        next["openings"] = new JsonArray([.. taught.Select(o => (JsonNode)new JsonArray([.. o.Select(n => (JsonNode)n)]))]);
        next["version"] = (int)next["version"]! + 1;
        return next;
    }

    private static List<string> Order(JsonNode? node) => [.. node!.AsArray().Select(n => (string)n!)];

    private static void Check(TaughtPart part, string at, List<Problem> problems)
    {
        Guard.Text(problems, part.Name, $"{at}/name", LongestName, needed: true);
        if (part.Name.Trim().Length > 0 && part.Id.Length == 0)
            problems.Add(
                new Problem(OwnProblem.Contradiction, $"{at}/name", "A part needs letters of the Latin alphabet or digits in its name.")
            );
        Guard.Word(problems, part.View, $"{at}/view", Views);
        Guard.Word(problems, part.Way, $"{at}/way", Ways);
        Guard.Text(problems, part.Driver, $"{at}/driver", LongestName, needed: false);
        Guard.Text(problems, part.Caution, $"{at}/caution", LongestName * 2, needed: false);
        Guard.Range(problems, part.Screws, $"{at}/screws", 0, MostScrews);
        Guard.Range(problems, part.LengthMm, $"{at}/lengthMm", 0, MostMinutes);
        Guard.Range(problems, part.Catches, $"{at}/catches", 0, MostScrews);
        Guard.Range(problems, part.Minutes, $"{at}/minutes", 0.1, MostMinutes);
        Guard.Range(problems, part.Cables.Count, $"{at}/cables", 0, MostCables);
        for (var i = 0; i < part.Cables.Count; i++)
            Guard.Text(problems, part.Cables[i], $"{at}/cables/{i}", LongestName, needed: true);
        if (part.Screws == 0 && (part.IsCollared || part.IsLoosenOnly || part.LengthMm > 0))
            problems.Add(new Problem(OwnProblem.Contradiction, $"{at}/screws", "Something is told of its screws, but it has none."));
    }

    private static JsonObject Written(TaughtPart part, JsonObject? old)
    {
        var made = old?.DeepClone().AsObject() ?? new JsonObject { ["at"] = new JsonArray(40, 40, 20, 20) };
        (made["id"], made["name"], made["view"], made["way"]) = (part.Id, part.Name.Trim(), part.View, part.Way);
        (made["outMin"], made["backMin"]) = (part.Minutes, part.Minutes);
        made["out"] = part.Screws + part.Catches + part.Cables.Count == 0 ? "By hand, as it was taken off before." : "";
        made["back"] = "The same way back.";
        made["fasteners"] = new JsonArray();
        if (part.Screws > 0)
            made["fasteners"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = $"{part.Id}-screws",
                    ["name"] = "screws",
                    ["count"] = part.Screws,
                    ["kind"] = "screw",
                    ["driver"] = part.Driver.Trim(),
                    ["lengthMm"] = part.LengthMm,
                    ["collared"] = part.IsCollared,
                    ["loosenOnly"] = part.IsLoosenOnly,
                    ["at"] = Spots(part.Screws),
                }
            );
        made["catches"] = new JsonArray();
        if (part.Catches > 0)
            made["catches"] = new JsonArray(
                new JsonObject
                {
                    ["name"] = "catches",
                    ["count"] = part.Catches,
                    ["move"] = "lever",
                    ["at"] = Spots(part.Catches),
                }
            );
        made["cables"] = new JsonArray([
            .. part.Cables.Select(
                (c, i) =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["id"] = $"{part.Id}-cable-{i + 1}",
                            ["label"] = c.Trim(),
                            ["port"] = "as labelled",
                        }
            ),
        ]);
        if (part.Caution.Trim().Length > 0)
            made["cautions"] = new JsonArray((JsonNode)part.Caution.Trim());
        return made;
    }

    // Nobody told where each one sits: they stand in a row on the drawing.
    private static JsonArray Spots(int count) =>
        new([.. Enumerable.Range(0, count).Select(i => (JsonNode)new JsonArray(42 + (16.0 * i / Math.Max(1, count)), 50))]);
}
