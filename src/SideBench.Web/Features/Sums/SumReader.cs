using System.Globalization;
using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Sums;

namespace SideBench.Web.Features.Sums;

/// <summary>Reads one asking of a sum, and gathers every problem with its place.</summary>
internal static class SumReader
{
    private static readonly string[] Moments = ["yyyy-MM-dd'T'HH:mmzzz", "yyyy-MM-dd'T'HH:mm:sszzz", "yyyy-MM-dd'T'HH:mm:ss.FFFFFFFzzz"];

    /// <summary>The inputs.</summary>
    /// <param name="asked">What was sent.</param>
    /// <param name="fields">The fields there are.</param>
    /// <param name="path">Where it stands.</param>
    /// <param name="problems">Told what is wrong.</param>
    /// <param name="beside">A field that may stand beside them.</param>
    public static SumInput Read(
        JsonObject asked,
        IReadOnlyList<SumField> fields,
        string path,
        List<Problem> problems,
        string? beside = null
    )
    {
        var values = new Dictionary<string, object>();
        foreach (var field in fields)
        {
            var place = $"{path}/{field.Name}";
            var node = asked[field.Name];
            if (node is null && field.Without is not null)
                values[field.Name] = field.Without;
            else if (node is null && field.Optional)
                continue;
            else if (node is null)
                problems.Add(new Problem(ProblemCode.Missing, place));
            else if (Value(node, field, place, problems) is { } value)
                values[field.Name] = value;
        }

        foreach (var name in asked.Select(f => f.Key).Where(n => n != beside && fields.All(f => f.Name != n)))
            problems.Add(new Problem(SumProblem.UnknownField, $"{path}/{name}", name));
        return new SumInput(values);
    }

    private static object? Value(JsonNode node, SumField field, string place, List<Problem> problems) =>
        field.Kind switch
        {
            SumKind.Number or SumKind.Whole => Number(node, field, place, problems),
            SumKind.Flag => node is JsonValue v && v.TryGetValue<bool>(out var flag) ? flag : Wrong("true or false", place, problems),
            SumKind.Word => node is JsonValue v && v.TryGetValue<string>(out var word) && field.Words.Contains(word)
                ? word
                : Wrong(string.Join(" or ", field.Words), place, problems),
            SumKind.Name => Named(node) ?? Wrong("a name", place, problems),
            SumKind.Names => Each<string>(node, place, problems, (one, at) => Named(one) ?? Wrong("a name", at, problems)),
            SumKind.Wholes => Each<double>(
                node,
                place,
                problems,
                (one, at) => Number(one, field with { Kind = SumKind.Whole }, at, problems)
            ),
            SumKind.Moment => (object?)Moment(node) ?? Wrong("a time with its offset, such as 2026-03-02T09:30:00+00:00", place, problems),
            _ => List(node, field, place, problems),
        };

    private static object? Number(JsonNode? node, SumField field, string place, List<Problem> problems)
    {
        if (node is not JsonValue value || !value.TryGetValue<double>(out var number) || !double.IsFinite(number))
            return Wrong("a number", place, problems);
        if (field.Kind == SumKind.Whole && number != Math.Floor(number))
            return Wrong("a whole number", place, problems);
        if (number < field.Least || (field.AboveLeast && number <= field.Least) || number > field.Most)
        {
            object least = field.AboveLeast ? $"above {field.Least.ToString(CultureInfo.InvariantCulture)}" : field.Least;
            problems.Add(new Problem(ProblemCode.OutOfRange, place, number, least, field.Most));
            return null;
        }

        return number;
    }

    /// <summary>A moment with its offset; null when it is none.</summary>
    /// <param name="node">What was sent.</param>
    /// <param name="also">Other ways to write it, as times of Greenwich.</param>
    internal static DateTimeOffset? Moment(JsonNode node, params string[] also) =>
        node is JsonValue value
        && value.TryGetValue<string>(out var text)
        && DateTimeOffset.TryParseExact(
            text.EndsWith('Z') ? $"{text[..^1]}+00:00" : text,
            [.. Moments, .. also],
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal,
            out var at
        )
            ? at
            : null;

    // A slot is named by a word or by its number.
    private static string? Named(JsonNode? node) =>
        node is not JsonValue value ? null
        : value.TryGetValue<string>(out var text) && text.Trim().Length > 0 ? text.Trim()
        : value.TryGetValue<double>(out var number) && double.IsFinite(number) ? number.ToString(CultureInfo.InvariantCulture)
        : null;

    private static List<T>? Each<T>(JsonNode node, string place, List<Problem> problems, Func<JsonNode?, string, object?> read)
    {
        if (node is not JsonArray list)
        {
            Wrong("a list", place, problems);
            return null;
        }

        return [.. list.Select((one, i) => read(one, $"{place}/{i}")).OfType<T>()];
    }

    private static List<SumInput>? List(JsonNode node, SumField field, string place, List<Problem> problems)
    {
        if (node is not JsonArray list)
        {
            Wrong("a list", place, problems);
            return null;
        }

        var pieces = new List<SumInput>();
        foreach (var (i, piece) in list.Index())
            if (piece is JsonObject of)
                pieces.Add(Read(of, field.Parts, $"{place}/{i}", problems));
            else
                Wrong("an object", $"{place}/{i}", problems);
        return pieces;
    }

    private static object? Wrong(string should, string place, List<Problem> problems)
    {
        problems.Add(new Problem(SumProblem.WrongSort, place, should));
        return null;
    }
}
