using System.Text.Json.Nodes;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>An operation of the API, as its description has it.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Method">GET, POST or DELETE.</param>
/// <param name="Path">Its address, with places in braces.</param>
/// <param name="Act">What one must be allowed to do; null when it is open to all.</param>
/// <param name="Query">Names of its query.</param>
/// <param name="Body">The schema of its body; null when it takes none.</param>
public sealed record FuzzCall(string Id, string Method, string Path, string? Act, IReadOnlyList<string> Query, JsonNode? Body)
{
    /// <summary>Whether it only reads.</summary>
    public bool Reads => Method == "GET";

    /// <summary>All operations of a description.</summary>
    /// <param name="document">The description.</param>
    public static IReadOnlyList<FuzzCall> All(JsonNode document) =>
        [
            .. from path in document["paths"]!.AsObject()
            from operation in path.Value!.AsObject()
            let schema = operation.Value!["requestBody"]?["content"]?["application/json"]?["schema"]
            select new FuzzCall(
                (string)operation.Value!["operationId"]!,
                operation.Key.ToUpperInvariant(),
                path.Key,
                (string?)operation.Value["x-act"],
                [
                    .. (operation.Value["parameters"]?.AsArray() ?? [])
                        .Where(p => (string)p!["in"]! == "query")
                        .Select(p => (string)p!["name"]!),
                ],
                Resolved(document, schema)
            ),
        ];

    private static JsonNode? Resolved(JsonNode document, JsonNode? schema) =>
        schema?["$ref"] is { } name ? document["components"]!["schemas"]![((string)name!).Split('/')[^1]] : schema;
}
