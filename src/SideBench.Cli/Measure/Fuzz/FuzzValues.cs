using System.Text.Json.Nodes;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>Values that no program likes, and values that a schema asks for. By chance, but the same chance for the same seed.</summary>
/// <param name="chance">The chance.</param>
public sealed class FuzzValues(Random chance)
{
    private static readonly string[] Texts =
    [
        "",
        " ",
        "x",
        "\0",
        "\ud800",
        "'; DROP TABLE entries; --",
        "<script>alert(1)</script>",
        "../../etc/passwd",
        "%00",
        "{{7*7}}",
        "NaN",
        "1e999",
        "=1+1",
        "ﷺ𝕏́",
        "2026-02-30",
        "9999-12-31T23:59:59Z",
        "0001-01-01T00:00:00Z",
        "-0",
        "null",
        new('a', 5000),
    ];

    private static readonly double[] Numbers =
    [
        0,
        -1,
        1,
        0.5,
        1e11,
        -1e11,
        1e300,
        -1e300,
        double.Epsilon,
        int.MaxValue,
        int.MinValue,
        long.MaxValue,
        1.0000000001,
    ];

    /// <summary>One of some.</summary>
    public T Of<T>(IReadOnlyList<T> some) => some[chance.Next(some.Count)];

    /// <summary>Something nasty of any kind.</summary>
    public JsonNode? Nasty() =>
        chance.Next(8) switch
        {
            0 => null,
            1 => chance.Next(2) == 0,
            2 => new JsonArray(),
            3 => new JsonArray(null, "x", 1e11),
            4 => new JsonObject { ["x"] = Of(Texts) },
            5 or 6 => Of(Texts),
            _ => Of(Numbers),
        };

    /// <summary>A nasty word for an address, of signs that an address can hold.</summary>
    public string Word() =>
        Uri.EscapeDataString(Of(Texts).Replace("\ud800", "\ufffd", StringComparison.Ordinal).Replace("\0", "x", StringComparison.Ordinal));

    /// <summary>Something that a schema asks for, roughly.</summary>
    public JsonNode? Fitting(JsonNode? schema)
    {
        var type = schema?["type"] is JsonArray several ? (string)several.First(t => (string)t! != "null")! : (string?)schema?["type"];
        return type switch
        {
            "boolean" => chance.Next(2) == 0,
            "integer" => chance.Next(-2, 12),
            "number" => Math.Round((chance.NextDouble() * 140) - 20, 2),
            "array" => new JsonArray([.. Enumerable.Range(0, chance.Next(3)).Select(_ => Fitting(schema!["items"]))]),
            "object" => new JsonObject(),
            _ => chance.Next(3) == 0 ? Of(Texts) : "plain",
        };
    }

    /// <summary>A body with one to three of its fields made nasty, or gone, or one that nobody asked for.</summary>
    public JsonNode? Spoilt(JsonNode? body)
    {
        if (body is not JsonObject fields || fields.Count == 0)
            return Nasty();
        for (var n = chance.Next(1, 4); n > 0; n--)
        {
            var name = Of([.. fields.Select(f => f.Key).Where(k => k != "key")]) ?? "x";
            switch (chance.Next(4))
            {
                case 0:
                    fields.Remove(name);
                    break;
                case 1 when fields[name] is JsonArray { Count: > 0 } list && list[0] is JsonObject inner:
                    Spoilt(inner);
                    break;
                default:
                    fields[chance.Next(10) == 0 ? "unasked" : name] = Nasty();
                    break;
            }

            if (fields.All(f => f.Key == "key"))
                break;
        }

        return fields;
    }
}
