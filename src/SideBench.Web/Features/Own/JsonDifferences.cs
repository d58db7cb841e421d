using System.Text.Json.Nodes;

namespace SideBench.Web.Features.Own;

/// <summary>What differs between two files, place by place.</summary>
internal static class JsonDifferences
{
    private const int Most = 40;
    private const int Longest = 60;

    /// <summary>The places, with what stands there in each.</summary>
    public static IReadOnlyList<string> Of(JsonNode here, JsonNode brings)
    {
        var found = new List<string>();
        Compare(here, brings, "", found);
        return found.Count <= Most ? found : [.. found.Take(Most), $"and {found.Count - Most} more"];
    }

    private static void Compare(JsonNode? a, JsonNode? b, string at, List<string> found)
    {
        if (JsonNode.DeepEquals(a, b))
            return;
        if (a is JsonObject one && b is JsonObject other)
        {
            foreach (var name in one.Select(p => p.Key).Union(other.Select(p => p.Key)).Where(n => !(at.Length == 0 && n == "version")))
                Compare(one[name], other[name], $"{at}/{name}", found);
        }
        else if (a is JsonArray list && b is JsonArray with && list.Count == with.Count)
        {
            for (var i = 0; i < list.Count; i++)
                Compare(
                    list[i],
                    with[i],
                    $"{at}/{(string?)(list[i] as JsonObject)?["id"] ?? i.ToString(System.Globalization.CultureInfo.InvariantCulture)}",
                    found
                );
        }
        else
        {
            found.Add($"{at}: {Short(a)} here, {Short(b)} in the file");
        }
    }

    private static string Short(JsonNode? node)
    {
        var text = node?.ToJsonString() ?? "nothing";
        return text.Length <= Longest ? text : text[..Longest] + "…";
    }
}
