using System.Security.Cryptography;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;

namespace SideBench.Packs;

/// <summary>The shop's own files among those of the packs, and as one file to be passed on (docs/packs.md).</summary>
public static class OwnPackFiles
{
    private const string Format = "side-bench-models";
    private const int Version = 1;
    private const int MostFiles = 300;
    private static readonly JsonSerializerOptions Compact = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>As files of a pack.</summary>
    public static IEnumerable<PackFile> Of(IEnumerable<OwnFileKept> own) =>
        own.Select(f => new PackFile(PathOf(f), KindOf(f.Sort), f.Text));

    /// <summary>The sum by which a content is known: SHA-256 of it as compact JSON in UTF-8, letters written as they are.</summary>
    public static string SumOf(JsonNode content) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(content.ToJsonString(Compact))));

    /// <summary>Writes a node as a file.</summary>
    public static string Text(JsonNode node) => node.ToJsonString(Written);

    /// <summary>Packs and the shop's own, read together; a model whose file does not fit is left out, and said.</summary>
    /// <param name="house">Files of the packs.</param>
    /// <param name="own">The shop's own.</param>
    /// <param name="left">What was left out, and why.</param>
    public static Outcome<Shop> Read(IReadOnlyList<PackFile> house, IReadOnlyList<OwnFileKept> own, out IReadOnlyList<Problem> left)
    {
        left = [];
        var whole = PackReader.Read([.. Beside(house, own), .. Of(own)]);
        if (whole.IsGood || own.Count == 0)
            return whole;
        // A problem of the house's own files stays one.
        var bad = own.Where(f => whole.Problems.Any(p => p.Path.StartsWith(PathOf(f), StringComparison.Ordinal)))
            .Select(f => f.Id)
            .ToHashSet();
        var fit = own.Where(f => !bad.Contains(f.Id)).ToList();
        left = whole.Problems;
        var rest = PackReader.Read([.. Beside(house, fit), .. Of(fit)]);
        return rest.IsGood ? rest : PackReader.Read(house);
    }

    /// <summary>A file of the packs that is about a model or a sheet; null when no pack has it.</summary>
    /// <param name="house">Files of the packs.</param>
    /// <param name="sort">machine, access or sheet.</param>
    /// <param name="id">The model, or the sheet.</param>
    public static JsonObject? OfHouse(IEnumerable<PackFile> house, string sort, string id) =>
        house.Where(f => f.Kind == KindOf(sort) && f.Text.Contains($"\"{id}\"")).Select(Parsed).FirstOrDefault(f => IdOf(sort, f) == id);

    // What is the shop's own takes the place of what a pack has of the same model or sheet.
    private static IEnumerable<PackFile> Beside(IReadOnlyList<PackFile> house, IReadOnlyList<OwnFileKept> own) =>
        house.Where(f => !own.Any(o => f.Kind == KindOf(o.Sort) && f.Text.Contains($"\"{o.Id}\"") && IdOf(o.Sort, Parsed(f)) == o.Id));

    private static string IdOf(string sort, JsonObject? file) => Said(file?[sort == "access" ? "model" : "id"]);

    // A file of the house that is no JSON is told of when it is read.
    private static JsonObject? Parsed(PackFile file)
    {
        try
        {
            return JsonNode.Parse(file.Text) as JsonObject;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>A model alone, as one of its versions has it; null when that no longer fits.</summary>
    /// <param name="file">The version.</param>
    /// <param name="layouts">Sheets, by id.</param>
    public static MachineModel? Model(OwnFileKept file, IReadOnlyDictionary<string, SheetLayout> layouts)
    {
        var read = Schemas.Check(new PackFile(PathOf(file), PackFileKind.MachineModel, file.Text));
        return read.IsGood ? PackReader.ModelFile.Alone(read.Value, layouts, PathOf(file)) : null;
    }

    /// <summary>One file of them all.</summary>
    public static string Bundle(IEnumerable<OwnFileKept> own)
    {
        var files = own.Select(f => JsonNode.Parse(f.Text)!)
            .Zip(own)
            .Select(f =>
                (JsonNode)
                    new JsonObject
                    {
                        ["path"] = PathOf(f.Second)["own/".Length..],
                        ["sort"] = f.Second.Sort,
                        ["id"] = f.Second.Id,
                        ["name"] = f.Second.Name,
                        ["version"] = f.Second.Version,
                        ["sha256"] = SumOf(f.First),
                        ["content"] = f.First,
                    }
            );
        return Text(
            new JsonObject
            {
                ["format"] = Format,
                ["version"] = Version,
                ["files"] = new JsonArray([.. files]),
            }
        );
    }

    /// <summary>Reads such a file; every problem is placed.</summary>
    public static Outcome<IReadOnlyList<OwnFileKept>> Unbundle(string text)
    {
        JsonNode? node;
        try
        {
            node = JsonNode.Parse(text);
        }
        catch (JsonException e)
        {
            return Bad("", $"It is no JSON: {e.Message}");
        }

        if (node is not JsonObject bundle || Said(bundle["format"]) != Format)
            return Bad("/format", $"It is no file of models: “format” must be “{Format}”.");
        if (Whole(bundle["version"]) is not Version)
            return Bad(
                "/version",
                $"It is of version {bundle["version"]?.ToJsonString() ?? "none"}; this Side Bench reads version {Version}."
            );
        if (bundle["files"] is not JsonArray { Count: > 0 and <= MostFiles } files)
            return Bad("/files", $"It needs 1 to {MostFiles} files.");
        var problems = new List<Problem>();
        var read = new List<OwnFileKept>();
        for (var i = 0; i < files.Count; i++)
            if (One(files[i], $"/files/{i}", problems) is { } file)
                read.Add(file);
        foreach (var twice in read.GroupBy(f => (f.Sort, f.Id)).Where(g => g.Count() > 1))
            problems.Add(new Problem(OwnProblem.FileBad, "/files", $"{twice.Key.Sort} {twice.Key.Id} is there twice."));
        return problems.Count > 0 ? problems : read;
    }

    private static OwnFileKept? One(JsonNode? node, string at, List<Problem> problems)
    {
        if (node is not JsonObject file || file["content"] is not JsonObject content)
        {
            problems.Add(new Problem(OwnProblem.FileBad, at, "A file needs sort, sha256 and content."));
            return null;
        }

        var sort = Said(file["sort"]);
        if (!OwnFileKept.Sorts.Contains(sort))
            problems.Add(new Problem(ProblemCode.UnknownWord, $"{at}/sort", sort, string.Join(", ", OwnFileKept.Sorts)));
        else if (Said(file["sha256"]) != SumOf(content))
            problems.Add(
                new Problem(OwnProblem.FileBad, $"{at}/sha256", "Its content is not what the sum says: it was changed on the way.")
            );
        else
        {
            var kind = KindOf(sort);
            var id = Said(content[sort == "access" ? "model" : "id"]);
            var path = $"{at}/content";
            var shape =
                kind == PackFileKind.SheetLayout
                    ? LayoutProblems(path, content)
                    : Schemas.Check(new PackFile(path, kind, content.ToJsonString())).Problems;
            problems.AddRange(shape);
            if (shape.Count == 0)
            {
                var name =
                    sort == "machine" ? $"{Said(content["maker"])} {Said(content["name"])}"
                    : Said(content["name"]) is { Length: > 0 } n ? n
                    : id;
                return new OwnFileKept(sort, id, name, Whole(content["version"]) ?? 1, Text(content), "brought in");
            }
        }

        return null;
    }

    private static IReadOnlyList<Problem> LayoutProblems(string path, JsonObject content) =>
        LayoutFile.Read(path, content.ToJsonString()).Problems;

    private static Problem Bad(string at, string why) => new(OwnProblem.FileBad, at, why);

    private static string Said(JsonNode? node) => node is JsonValue v && v.TryGetValue(out string? s) ? s : "";

    private static int? Whole(JsonNode? node) => node is JsonValue v && v.TryGetValue(out int n) ? n : null;

    private static string PathOf(OwnFileKept f) =>
        f.Sort switch
        {
            "machine" => $"own/machines/{f.Id}.json",
            "access" => $"own/access/{f.Id}.json",
            _ => $"own/sheets/{f.Id}.json",
        };

    private static PackFileKind KindOf(string sort) =>
        sort switch
        {
            "machine" => PackFileKind.MachineModel,
            "access" => PackFileKind.AccessGraph,
            _ => PackFileKind.SheetLayout,
        };
}
