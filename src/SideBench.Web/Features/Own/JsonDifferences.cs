using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace SideBench.Web.Features.Own;

/// <summary>What differs between two files, place by place.</summary>
internal static class JsonDifferences
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private const int Most = 40;
    private const int Longest = 60;

    /// <summary>The places, with what stands there in each.</summary>
    /// <param name="here">As it stands.</param>
    /// <param name="brings">As it would stand.</param>
    /// <param name="of">What the first is called.</param>
    /// <param name="then">What the other is called.</param>
    public static IReadOnlyList<string> Of(JsonNode? here, JsonNode? brings, string of = "here", string then = "in the file")
    {
        var found = new List<string>();
        Compare(here, brings, "", found, (of, then));
        return found.Count <= Most ? found : [.. found.Take(Most), $"and {found.Count - Most} more"];
    }

    private static void Compare(JsonNode? a, JsonNode? b, string at, List<string> found, (string Of, string Then) called)
    {
        if (JsonNode.DeepEquals(a, b))
            return;
        if (a is JsonObject one && b is JsonObject other)
        {
            foreach (var name in one.Select(p => p.Key).Union(other.Select(p => p.Key)).Where(n => !(at.Length == 0 && n == "version")))
                Compare(one[name], other[name], $"{at}/{name}", found, called);
        }
        else if (a is JsonArray list && b is JsonArray with && (IsNamed(list) && IsNamed(with) || list.Count == with.Count))
        {
            var (before, after) = (Named(list), Named(with));
            foreach (var name in before.Keys.Union(after.Keys))
                Compare(before.GetValueOrDefault(name), after.GetValueOrDefault(name), $"{at}/{name}", found, called);
        }
        else
        {
            found.Add($"{at}: {Short(a)} {called.Of}, {Short(b)} {called.Then}");
        }
    }

    // Things with names of their own are told apart by them, wherever they stand in their list.
    private static string? NameOf(JsonNode? node) => (string?)(node as JsonObject)?["id"];

    private static bool IsNamed(JsonArray list) => list.All(n => NameOf(n) is not null) && list.DistinctBy(NameOf).Count() == list.Count;

    private static Dictionary<string, JsonNode?> Named(JsonArray list) =>
        list.Select((n, i) => (Name: IsNamed(list) ? NameOf(n)! : i.ToString(CultureInfo.InvariantCulture), n))
            .ToDictionary(e => e.Name, e => e.n);

    private static string Short(JsonNode? node)
    {
        var text = node?.ToJsonString(Plain) ?? "nothing";
        return text.Length <= Longest ? text : text[..Longest] + "…";
    }
}
