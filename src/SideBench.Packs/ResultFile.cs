using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Nozzles;

namespace SideBench.Packs;

/// <summary>Writes a reading in the open result format (docs/formats/nozzle-sheet-result.md).</summary>
public static class ResultFile
{
    /// <summary>The name of a pattern or refusal in the format: <c>near-blank</c>, <c>cut-off</c>.</summary>
    public static string Name<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());

    /// <summary>The reading as JSON.</summary>
    /// <param name="image">File name of the picture.</param>
    /// <param name="reading">What was read.</param>
    /// <param name="message">For people, when refused.</param>
    public static JsonObject Of(string image, SheetReading reading, string? message)
    {
        var json = new JsonObject { ["image"] = image, ["status"] = reading.Refusal is null ? "read" : "refused" };
        if (reading.Refusal is { } refusal)
        {
            // The format has no name for two sheets: the picture is not of the one that was asked for.
            json["reason"] = refusal.Reason == RefusalReason.TwoSheets ? Name(RefusalReason.WrongLayout) : Name(refusal.Reason);
            json["message"] = message;
        }

        json["channels"] = new JsonArray([.. reading.Units.Select(Unit)]);
        if (reading.Handling is { } done)
        {
            json["handling"] = new JsonObject
            {
                ["rotationDeg"] = Math.Round(done.RotationDeg, 2),
                ["tiltPct"] = Math.Round(done.TiltPct, 1),
                ["pxPerMm"] = Math.Round(done.PxPerMm, 2),
                ["softMm"] = Math.Round(done.SoftMm, 3),
                ["lightPct"] = Math.Round(done.LightPct, 1),
                ["bendMm"] = Math.Round(done.BendMm, 2),
            };
        }

        return json;
    }

    private static JsonNode Unit(UnitReading unit)
    {
        var json = new JsonObject
        {
            ["id"] = unit.Id,
            ["missing"] = Numbers(unit.In(NozzleState.Missing)),
            ["weak"] = Numbers(unit.In(NozzleState.Weak)),
            ["deflected"] = Numbers(unit.In(NozzleState.Deflected)),
            ["pattern"] = Name(unit.Pattern),
            ["unsure"] = Numbers(unit.Unsure),
            ["odds"] = new JsonObject(
                unit.Odds.Where(o => o.Value >= 0.001)
                    .OrderByDescending(o => o.Value)
                    .Select(o => KeyValuePair.Create(Name(o.Key), (JsonNode?)Math.Round(o.Value, 4)))
            ),
        };
        if (unit.MixedWith is { } other)
            json["mixedWith"] = other;
        return json;
    }

    private static JsonArray Numbers(IEnumerable<int> nozzles) => [.. nozzles.Select(n => (JsonNode)n)];
}
