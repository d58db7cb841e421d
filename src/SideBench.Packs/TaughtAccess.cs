using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;

namespace SideBench.Packs;

/// <summary>Writes what an opening taught into the file of how a model opens.</summary>
public static class TaughtAccess
{
    /// <summary>The file with one opening more, or everything that is wrong with what was told.</summary>
    /// <param name="file">The file so far; the family's until somebody taught an opening.</param>
    /// <param name="parts">What came off, in order.</param>
    /// <param name="back">The same parts by name, in the order in which they went back on; empty when that is not told.</param>
    public static Outcome<JsonObject> With(JsonObject file, IReadOnlyList<TaughtPart> parts, IReadOnlyList<string> back)
    {
        var problems = TaughtPart.Check(parts);
        if (
            back.Count > 0
            && !back.Select(TaughtPart.IdOf)
                .Order(StringComparer.Ordinal)
                .SequenceEqual(parts.Select(p => p.Id).Order(StringComparer.Ordinal))
        )
            problems.Add(
                new Problem(OwnProblem.Contradiction, "/back", "The way back has every part that came off, each once, or is left out.")
            );
        if (problems.Count > 0)
            return problems;
        var next = file.DeepClone().AsObject();
        var graph = AccessFile.Read(file, "", []);
        var (taught, backs) = (Orders(next["openings"]), Orders(next["backs"]));
        var old = next["parts"]!.AsArray().OfType<JsonObject>().ToDictionary(p => (string)p["id"]!);
        // The family's parts stay beside: guides and findings lead to them, until they are seen on this machine too.
        var free = old.Keys.Where(id => !AsksForLead(id, old)).ToHashSet();
        // A part that the file has by that name is that part: guides and findings lead to it.
        var ids = old.GroupBy(p => TaughtPart.IdOf((string?)p.Value["name"])).ToDictionary(g => g.Key, g => g.First().Key);
        taught.Add([.. parts.Select(p => IdOf(p.Id))]);
        if (back.Count > 0)
            backs.Add([.. back.Reverse().Select(name => IdOf(TaughtPart.IdOf(name)))]);
        foreach (var part in parts)
        {
            var id = IdOf(part.Id);
            old[id] = Written(part, id, old.GetValueOrDefault(id), graph?.Part(id) is { } known ? TaughtPart.Of(known) : null);
        }

        var minutes = old.ToDictionary(p => p.Key, p => (double)p.Value["outMin"]! + (double)p.Value["backMin"]!);
        var needs = OpeningTaught.Needs([.. taught, .. backs], minutes, free);
        foreach (var (id, after) in needs)
            if (old.TryGetValue(id, out var part))
                part["after"] = new JsonArray([.. after.Select(line => Line([.. line.Where(n => Stands(part, n))])).OfType<JsonNode>()]);
        next["parts"] = new JsonArray([.. old.Values.Select(p => p.DeepClone())]);
        next["openings"] = Written(taught);
        if (backs.Count > 0)
            next["backs"] = Written(backs);
        next["version"] = (int)next["version"]! + 1;
        return next;

        string IdOf(string name) => ids.GetValueOrDefault(name, name);

        // What the panel frees is freed while there is power, whatever else was off by then.
        bool Stands(JsonObject part, string before) => old.TryGetValue(before, out var there) && (!IsPowered(part) || IsPowered(there));
    }

    // Whether power must be off before a part comes off, by what the file asks of it and of what stands before it.
    private static bool AsksForLead(string id, IReadOnlyDictionary<string, JsonObject> parts) =>
        parts.TryGetValue(id, out var part)
        && part["after"] is JsonArray lines
        && lines.Any(line =>
            line is JsonArray any
                ? any.All(n => (string)n! == AccessGraph.MainsLead || AsksForLead((string)n!, parts))
                : (string)line! == AccessGraph.MainsLead || AsksForLead((string)line!, parts)
        );

    private static bool IsPowered(JsonObject part) => (bool?)part["powered"] == true;

    // One part by its name, one of several as a list.
    private static JsonNode? Line(IReadOnlyList<string> any) =>
        any.Count switch
        {
            0 => null,
            1 => (JsonNode)any[0],
            _ => new JsonArray([.. any.Select(n => (JsonNode)n)]),
        };

    private static List<List<string>> Orders(JsonNode? node) =>
        [.. (node as JsonArray ?? []).Select(order => order!.AsArray().Select(n => (string)n!).ToList())];

    private static JsonArray Written(IEnumerable<IEnumerable<string>> orders) =>
        [.. orders.Select(o => (JsonNode)new JsonArray([.. o.Select(n => (JsonNode)n)]))];

    // What was told as the file has it stays as it is there, with all that the few words leave out: places, single groups, instructions.
    private static JsonObject Written(TaughtPart part, string id, JsonObject? old, TaughtPart? known)
    {
        var made = old?.DeepClone().AsObject() ?? new JsonObject { ["at"] = new JsonArray(40, 40, 20, 20) };
        (made["id"], made["name"], made["view"], made["way"]) = (id, part.Name.Trim(), part.View, part.Way);
        if (known?.Minutes != part.Minutes)
            (made["outMin"], made["backMin"]) = (part.Minutes, part.Minutes);
        List<string> cables = [.. part.Cables.Select(c => c.Trim())];
        var (screws, catches, lines) = (
            known is not null && part.HasScrewsOf(known),
            known?.Catches == part.Catches,
            known?.Cables.SequenceEqual(cables) == true
        );
        if (!screws)
            made["fasteners"] = Screws(part, id);
        if (!catches)
            made["catches"] = Catches(part);
        if (!lines)
            Lines(made, cables, id);
        if (!(screws && catches && lines))
        {
            made["out"] = part.Screws + part.Catches + cables.Count == 0 ? "By hand, as it was taken off before." : "";
            made["back"] = "The same way back.";
        }

        if (known?.Caution != part.Caution.Trim())
            Caution(made, part.Caution.Trim(), replaces: known?.Caution ?? "");
        return made;
    }

    private static JsonArray Screws(TaughtPart part, string id) =>
        part.Screws == 0
            ? []
            :
            [
                new JsonObject
                {
                    ["id"] = $"{id}-screws",
                    ["name"] = "screws",
                    ["count"] = part.Screws,
                    ["kind"] = "screw",
                    ["driver"] = part.Driver.Trim(),
                    ["lengthMm"] = part.LengthMm,
                    ["collared"] = part.IsCollared,
                    ["loosenOnly"] = part.IsLoosenOnly,
                    ["at"] = Spots(part.Screws),
                },
            ];

    private static JsonArray Catches(TaughtPart part) =>
        part.Catches == 0
            ? []
            :
            [
                new JsonObject
                {
                    ["name"] = "catches",
                    ["count"] = part.Catches,
                    ["move"] = "lever",
                    ["at"] = Spots(part.Catches),
                },
            ];

    // A tube that is told stays one; one that is not told is not pulled.
    private static void Lines(JsonObject made, List<string> told, string id)
    {
        foreach (var tube in (made["tubes"] as JsonArray ?? []).OfType<JsonObject>())
        {
            var isTold = told.RemoveAll(c => c == (string?)tube["name"]) > 0;
            if (isTold || tube["pulled"] is not null)
                tube["pulled"] = isTold;
        }

        made["cables"] = new JsonArray([
            .. told.Select(
                (c, i) =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["id"] = $"{id}-cable-{i + 1}",
                            ["label"] = c,
                            ["port"] = "as labelled",
                        }
            ),
        ]);
    }

    // The first caution is what was told; the others stay.
    private static void Caution(JsonObject made, string told, string replaces)
    {
        var others = (made["cautions"] as JsonArray ?? []).Select(c => (string)c!).Where(c => c != replaces && c != told);
        made["cautions"] = new JsonArray([.. others.Prepend(told).Where(c => c.Length > 0).Select(c => (JsonNode)c)]);
    }

    // Nobody told where each one sits: they stand in a row on the drawing.
    private static JsonArray Spots(int count) =>
        new([.. Enumerable.Range(0, count).Select(i => (JsonNode)new JsonArray(42 + (16.0 * i / Math.Max(1, count)), 50))]);
}
