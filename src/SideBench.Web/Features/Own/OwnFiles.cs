using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Own;

/// <summary>
/// The shop's own files as they stand beside those of the packs, and their next versions. Each is tried with all packs first: what would
/// not fit is refused, placed, and nothing changes.
/// </summary>
internal sealed class OwnFiles(BenchBooks books)
{
    /// <summary>Own files of one model with its sheet and access; of all when none is named.</summary>
    public static IEnumerable<OwnFileKept> FilesOf(IReadOnlyList<OwnFileKept> own, string? model)
    {
        if (model is null)
            return own;
        var sheet = own.FirstOrDefault(f => f.Sort == "machine" && f.Id == model) is { } file
            ? (string?)JsonNode.Parse(file.Text)!["sheet"]?["layout"]
            : null;
        return own.Where(f => f.Sort == "sheet" ? f.Id == sheet : f.Id == model);
    }

    /// <summary>The latest of the shop's own; null when there is none.</summary>
    public OwnFileKept? Latest(string sort, string? id) => books.Own.FirstOrDefault(f => f.Sort == sort && f.Id == id);

    /// <summary>A file as a pack has it; null when none does. Packs that cannot be read now have none.</summary>
    public JsonObject? OfHouse(string sort, string id) =>
        books.Folders.Files() is { IsGood: true } packs ? OwnPackFiles.OfHouse(packs.Value, sort, id) : null;

    /// <summary>A file of the packs or of the shop's own, by what it is about.</summary>
    public JsonObject? FileOf(string sort, string id) =>
        Latest(sort, id) is { } own ? JsonNode.Parse(own.Text)!.AsObject() : OfHouse(sort, id);

    /// <summary>What stands here of a file that comes from elsewhere: the shop's own, or what a pack has; null when it is new.</summary>
    public OwnFileKept? Here(OwnFileKept file) =>
        Latest(file.Sort, file.Id)
        ?? (
            OfHouse(file.Sort, file.Id) is { } house
                ? file with
                {
                    Version = (int?)house["version"] ?? 1,
                    Text = OwnPackFiles.Text(house),
                }
                : null
        );

    /// <summary>The version that a pack has of an own model; null where none has it.</summary>
    public int? HouseVersion(string model) => Latest("machine", model) is null ? null : (int?)OfHouse("machine", model)?["version"];

    /// <summary>The next version of a model's file, tried with all packs.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Changed(string? id, Func<JsonObject, MachineModel, Outcome<string>> change)
    {
        if (Latest("machine", id) is not { } kept || !books.Shop.Models.TryGetValue(kept.Id, out var model))
            return new Problem(OwnProblem.NotOwn, "/model", id ?? "");
        var file = JsonNode.Parse(kept.Text)!.AsObject();
        var why = change(file, model);
        return why.IsGood ? Tried([Next(kept, file, why.Value)]) : why.Problems.ToList();
    }

    /// <summary>Files to be written, tried with all packs.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Tried(IReadOnlyList<OwnFileKept> files)
    {
        List<OwnFileKept> then = [.. books.Own.Where(o => files.All(f => (f.Sort, f.Id) != (o.Sort, o.Id))), .. files];
        var problems = books.Try(then);
        return problems.Count == 0 ? new List<EntryBody>(files) : problems.ToList();
    }

    /// <summary>A file's next version.</summary>
    public static OwnFileKept Next(OwnFileKept kept, JsonObject file, string why)
    {
        file["version"] = kept.Version + 1;
        return kept with { Version = kept.Version + 1, Text = OwnPackFiles.Text(file), Why = why };
    }

    /// <summary>Whether two files say the same: only their versions may tell them apart.</summary>
    public static bool Same(OwnFileKept a, OwnFileKept b) => Numbered(a, 0) == Numbered(b, 0);

    /// <summary>A file's text with another version; a sheet's has none.</summary>
    public static string Numbered(OwnFileKept file, int version)
    {
        if (file.Sort == "sheet")
            return file.Text;
        var node = JsonNode.Parse(file.Text)!;
        node["version"] = version;
        return OwnPackFiles.Text(node);
    }
}
