using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Sums;
using SideBench.Web.Features.Sums;

namespace SideBench.Web.Features.Estimates;

/// <summary>Reads fields of one JSON object, and gathers every problem with its place.</summary>
internal sealed class HistoryReader(JsonObject at, string path, List<Problem> problems)
{
    // A history may leave out the offset, or the time: Greenwich then.
    private static readonly string[] WithoutOffset =
    [
        "yyyy-MM-dd",
        "yyyy-MM-dd'T'HH:mm",
        "yyyy-MM-dd'T'HH:mm:ss",
        "yyyy-MM-dd'T'HH:mm:ss.FFFFFFF",
    ];

    private readonly HashSet<string> known = [];

    /// <summary>Where a field stands, as a JSON pointer.</summary>
    public string Place(string name) => $"{path}/{name}";

    /// <summary>Every field there is that nobody asked for is a problem.</summary>
    public void Done()
    {
        foreach (var name in at.Select(f => f.Key).Where(name => !known.Contains(name)))
            problems.Add(new Problem(SumProblem.UnknownField, Place(name), name));
    }

    public double Number(string name, double least, double most, double? without = null)
    {
        if (Field(name, without is null) is not { } node)
            return without ?? least;
        if (node is not JsonValue value || !value.TryGetValue<double>(out var number) || !double.IsFinite(number))
            problems.Add(new Problem(SumProblem.WrongSort, Place(name), "a number"));
        else if (number < least || number > most)
            problems.Add(new Problem(ProblemCode.OutOfRange, Place(name), number, least, most));
        else
            return number;
        return least;
    }

    public int Whole(string name, int least, int most)
    {
        var number = Number(name, least, most);
        if (number == Math.Floor(number))
            return (int)number;
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "a whole number"));
        return least;
    }

    /// <summary>A number that may be left out.</summary>
    public double? Maybe(string name, double least, double most) => at[name] is null && known.Add(name) ? null : Number(name, least, most);

    /// <summary>A number above 0.</summary>
    public double Above(string name, double most, double? without = null)
    {
        var number = Number(name, 0, most, without);
        if (number > 0 || at[name] is not JsonValue value || !value.TryGetValue<double>(out var told) || told != 0)
            return number > 0 ? number : most;
        problems.Add(new Problem(ProblemCode.OutOfRange, Place(name), number, "above 0", most));
        return most;
    }

    /// <summary>A moment.</summary>
    public DateTimeOffset Moment(string name)
    {
        if (Field(name, isNeeded: true) is not { } node)
            return default;
        if (SumReader.Moment(node, WithoutOffset) is { } moment)
            return moment;
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "a time, such as 2026-03-02T09:30:00+00:00"));
        return default;
    }

    public bool Flag(string name)
    {
        if (Field(name, isNeeded: false) is not { } node)
            return false;
        if (node is JsonValue value && value.TryGetValue<bool>(out var flag))
            return flag;
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "true or false"));
        return false;
    }

    public string Word(string name, params string[] words)
    {
        if (Field(name, isNeeded: true) is not { } node)
            return words[0];
        if (node is JsonValue value && value.TryGetValue<string>(out var word) && words.Contains(word))
            return word;
        problems.Add(new Problem(ProblemCode.UnknownWord, Place(name), node.ToJsonString(), string.Join(", ", words)));
        return words[0];
    }

    /// <summary>A word that says what the other fields are; null when it is none of these, and then they are not looked at.</summary>
    public string? Kind(string name, params string[] words)
    {
        var before = problems.Count;
        var word = Word(name, words);
        if (problems.Count == before)
            return word;
        known.UnionWith(at.Select(f => f.Key));
        return null;
    }

    public string Text(string name)
    {
        if (Field(name, isNeeded: true) is JsonValue value && value.TryGetValue<string>(out var text))
            return text;
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "a text"));
        return "";
    }

    public HashSet<int> Nozzles(string name, int of)
    {
        var nozzles = new HashSet<int>();
        foreach (var (node, i) in List(name).Select((n, i) => (n, i)))
            if (
                node is not JsonValue value
                || !value.TryGetValue<int>(out var nozzle)
                || nozzle < 0
                || nozzle >= of
                || !nozzles.Add(nozzle)
            )
                problems.Add(new Problem(SumProblem.WrongSort, $"{Place(name)}/{i}", $"a nozzle from 0 to {of - 1}, told once"));
        return nozzles;
    }

    public IReadOnlyList<JsonNode?> List(string name, bool isNeeded = true)
    {
        if (Field(name, isNeeded) is not { } node)
            return [];
        if (node is JsonArray list)
            return [.. list];
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "a list"));
        return [];
    }

    /// <summary>Objects of a list, each with a reader of its own.</summary>
    public IEnumerable<HistoryReader> Objects(string name, bool isNeeded = true)
    {
        foreach (var (node, i) in List(name, isNeeded).Select((n, i) => (n, i)))
            if (node is JsonObject of)
                yield return new HistoryReader(of, $"{Place(name)}/{i}", problems);
            else
                problems.Add(new Problem(SumProblem.WrongSort, $"{Place(name)}/{i}", "an object"));
    }

    /// <summary>One object.</summary>
    public HistoryReader? Object(string name, bool isNeeded = true)
    {
        if (Field(name, isNeeded) is not { } node)
            return null;
        if (node is JsonObject of)
            return new HistoryReader(of, Place(name), problems);
        problems.Add(new Problem(SumProblem.WrongSort, Place(name), "an object"));
        return null;
    }

    private JsonNode? Field(string name, bool isNeeded)
    {
        known.Add(name);
        var node = at[name];
        if (node is null && isNeeded)
            problems.Add(new Problem(ProblemCode.Missing, Place(name)));
        return node;
    }
}
