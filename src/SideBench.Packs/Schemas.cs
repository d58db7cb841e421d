using System.Collections.Concurrent;
using System.Text.Json;
using System.Text.Json.Nodes;
using Json.Schema;
using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>Checks the shape of pack files against the JSON Schemas that ship with us.</summary>
internal static class Schemas
{
    private const int MostPassed = 2_000;
    private static readonly ConcurrentDictionary<string, bool> Passed = new();
    private static readonly EvaluationOptions Options = new() { OutputFormat = OutputFormat.List };

    private static readonly IReadOnlyDictionary<PackFileKind, (string Text, Lazy<JsonSchema> Schema)> ByKind = new Dictionary<
        PackFileKind,
        string
    >
    {
        [PackFileKind.Card] = "pack",
        [PackFileKind.MachineModel] = "machine-model",
        [PackFileKind.FaultBook] = "fault-book",
        [PackFileKind.SheetLayout] = "nozzle-sheet-layout",
        [PackFileKind.AccessGraph] = "access-graph",
        [PackFileKind.Guides] = "guides",
        [PackFileKind.Numbers] = "house-numbers",
        [PackFileKind.Changes] = "lasting-changes",
        [PackFileKind.Printers] = "simulated-printers",
    }.ToDictionary(s => s.Key, s => Load(s.Value));

    /// <summary>The schema of a kind, as text.</summary>
    public static string TextOf(PackFileKind kind) => ByKind[kind].Text;

    /// <summary>The file as JSON, or every place where it does not fit.</summary>
    public static Outcome<JsonNode> Check(PackFile file)
    {
        JsonNode node;
        try
        {
            node =
                JsonNode.Parse(file.Text, documentOptions: new JsonDocumentOptions { AllowTrailingCommas = false }) ?? JsonValue.Create("");
        }
        catch (JsonException e)
        {
            return new Problem(ProblemCode.PackNotJson, file.Path, e.LineNumber + 1, e.BytePositionInLine + 1);
        }

        // What passed once in this process passes again: packs are read whenever a shop teaches something.
        var print = file.IsKnown ? "" : KnownPacks.Fingerprint(file.Kind, file.Text);
        if (file.IsKnown || Passed.ContainsKey(print))
            return node;
        var result = ByKind[file.Kind].Schema.Value.Evaluate(node, Options);
        if (result.IsValid)
        {
            if (Passed.Count >= MostPassed)
                Passed.Clear();
            Passed[print] = true;
            return node;
        }

        var problems = result
            .Details.Where(d => d.HasErrors)
            .SelectMany(d => d.Errors!.Select(e => new Problem(ProblemCode.PackNotInSchema, $"{file.Path}#{d.InstanceLocation}", e.Value)))
            .DistinctBy(p => p.Path)
            .ToList();
        return problems.Count > 0 ? problems : new Problem(ProblemCode.PackNotInSchema, file.Path, "does not fit");
    }

    private static (string Text, Lazy<JsonSchema> Schema) Load(string name)
    {
        using var stream =
            typeof(Schemas).Assembly.GetManifestResourceStream($"{name}.schema.json")
            ?? throw new InvalidOperationException($"schema {name} is not shipped");
        using var reader = new StreamReader(stream);
        var text = reader.ReadToEnd();
        return (text, new Lazy<JsonSchema>(() => JsonSchema.FromText(text)));
    }
}
