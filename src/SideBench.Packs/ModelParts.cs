using System.Text.Json.Nodes;

namespace SideBench.Packs;

/// <summary>A part of a model's file that a shop changes as a whole.</summary>
/// <param name="Name">Where it stands in the file.</param>
/// <param name="Title">What it is, in words.</param>
/// <param name="Schema">Its rules, whole, with a title and a unit for every field.</param>
public sealed record ModelPart(string Name, string Title, JsonObject Schema);

/// <summary>The parts of a model's file, and how one is put in the place of another.</summary>
public static class ModelParts
{
    private static readonly Lazy<IReadOnlyList<ModelPart>> Read = new(() =>
    {
        var schema = JsonNode.Parse(Schemas.TextOf(PackFileKind.MachineModel))!.AsObject();
        var shared = schema["$defs"]!.AsObject();
        return
        [
            .. schema["properties"]!
                .AsObject()
                .Where(p => p.Value!["title"] is not null)
                .Select(p => new ModelPart(p.Key, (string)p.Value!["title"]!, Whole(p.Value, shared).AsObject())),
        ];
    });

    /// <summary>Every part that the schema has a title for, in the file's order.</summary>
    public static IReadOnlyList<ModelPart> All => Read.Value;

    /// <summary>
    /// Puts a part into a model's file. A figure of it that is another than before was told, and one that is gone is known no more:
    /// neither keeps what was believed of the one before.
    /// </summary>
    /// <param name="file">The file.</param>
    /// <param name="part">Where the part stands.</param>
    /// <param name="value">What stands there then; null for nothing.</param>
    public static void Put(JsonObject file, string part, JsonNode? value)
    {
        var figures = file["taught"]?["figures"] as JsonObject ?? [];
        var before = figures.ToDictionary(f => f.Key, f => At(file, f.Key)?.DeepClone());
        if (value is null)
            file.Remove(part);
        else
            file[part] = value.DeepClone();
        foreach (var (pointer, was) in before)
            if (At(file, pointer) is not { } now || !JsonNode.DeepEquals(now, was))
                figures.Remove(pointer);
    }

    /// <summary>What stands at a figure's place in a model's file; null when nothing does.</summary>
    /// <param name="file">The file.</param>
    /// <param name="pointer">The place, as operations/clean-light/mlPerChannel.</param>
    public static JsonNode? At(JsonObject file, string pointer) =>
        pointer
            .Split('/')
            .Aggregate(
                (JsonNode?)file,
                (at, name) =>
                    at switch
                    {
                        JsonArray list => list.FirstOrDefault(o => (o as JsonObject)?["id"] is JsonValue id && $"{id}" == name),
                        JsonObject known => known[name],
                        _ => null,
                    }
            );

    // What is said once for several places is said at each.
    private static JsonNode Whole(JsonNode node, JsonObject shared)
    {
        if (node is JsonArray list)
            return new JsonArray([.. list.Select(n => n is null ? null : Whole(n, shared))]);
        if (node is not JsonObject known)
            return node.DeepClone();
        var made = new JsonObject();
        if ((string?)known["$ref"] is { } place)
            foreach (var (name, said) in Whole(shared[place.Split('/')[^1]]!, shared).AsObject())
                made[name] = said?.DeepClone();
        foreach (var (name, said) in known.Where(p => p.Key != "$ref"))
            made[name] = said is null ? null : Whole(said, shared);
        return made;
    }
}
