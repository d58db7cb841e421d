using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using SideBench.Web.Features.Nozzles;
using SideBench.Web.Problems;

namespace SideBench.Cli;

/// <summary>Reads one picture of a nozzle sheet, or a folder of them with a manifest, and writes the open result format.</summary>
public static class ReadSheetCommand
{
    private static readonly Lazy<PatternModel> Pattern = new(HousePattern.Read);
    private const int Good = 0;
    private const int BadInput = 2;
    private const int Refused = 3;
    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>Reads.</summary>
    /// <returns>0 when read (of a set: when all could be tried), 3 when refused, 2 on bad input.</returns>
    public static int Run(string[] options)
    {
        string? Option(string name) => Array.IndexOf(options, name) is var at and >= 0 && at + 1 < options.Length ? options[at + 1] : null;
        if (Option("--set") is { } set && Option("--out") is { } to)
            return Set(set, to);
        if (Option("--layout") is not { } layout || Option("--image") is not { } image)
        {
            Console.Error.WriteLine("Usage: ./sidebench read-sheet --layout L.json --image X.jpg | read-sheet --set DIR --out DIR");
            return BadInput;
        }

        if (LayoutOf(layout) is not { } known || One(image, known) is not { } result)
            return BadInput;
        Console.WriteLine(result.ToJsonString(Written));
        return (string?)result["status"] == "read" ? Good : Refused;
    }

    private static int Set(string folder, string to)
    {
        var layouts = new Dictionary<string, SheetLayout?>();
        JsonNode? manifest;
        try
        {
            manifest = JsonNode.Parse(File.ReadAllText(Path.Combine(folder, "manifest.json")));
            Directory.CreateDirectory(to);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or JsonException)
        {
            Console.Error.WriteLine($"The manifest cannot be read: {e.Message}");
            return BadInput;
        }

        var bad = false;
        foreach (var item in manifest?["images"] as JsonArray ?? [])
        {
            var (image, id) = ((string?)item?["image"], (string?)item?["layout"]);
            if (image is null || id is null)
            {
                Console.Error.WriteLine("An image of the manifest has no name or no layout.");
                bad = true;
                continue;
            }

            if (!layouts.TryGetValue(id, out var layout))
                layouts[id] = layout = LayoutOf(Path.Combine(folder, (string?)manifest?["layouts"] ?? "layouts", id + ".json"));
            var result = layout is null ? null : One(Path.Combine(folder, image), layout);
            bad |= result is null;
            if (result is not null)
                File.WriteAllText(Path.Combine(to, Path.GetFileNameWithoutExtension(image) + ".json"), result.ToJsonString(Written));
        }

        return bad ? BadInput : Good;
    }

    private static SheetLayout? LayoutOf(string file)
    {
        try
        {
            return Told(LayoutFile.Read(file, File.ReadAllText(file)));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"{file}: {e.Message}");
            return null;
        }
    }

    private static JsonObject? One(string file, SheetLayout layout)
    {
        try
        {
            if (Told(PictureCodec.Read(File.ReadAllBytes(file)), file) is not { } image)
                return null;
            var reading = SheetReader.Read(image, layout, Pattern.Value);
            return ResultFile.Of(Path.GetFileName(file), reading, reading.Refusal is { } refusal ? RefusalText.Line(refusal) : null);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Console.Error.WriteLine($"{file}: {e.Message}");
            return null;
        }
    }

    private static T? Told<T>(Outcome<T> outcome, string file = "")
        where T : class
    {
        if (outcome.IsGood)
            return outcome.Value;
        foreach (var problem in outcome.Problems)
            Console.Error.WriteLine(file + ProblemText.Line(problem));

        return null;
    }
}
