using System.Globalization;
using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Sums;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Sums;

/// <summary>Answers the small sums of the trade: one object in, one out.</summary>
public static class SumAnswers
{
    private const string NameField = "sum";

    /// <summary>The answer to one asking: its result, or every problem with its place.</summary>
    /// <param name="request">What was sent.</param>
    /// <param name="sums">The sums there are.</param>
    /// <param name="name">Which is asked for; null when the asking names it.</param>
    public static JsonObject Answer(JsonNode? request, IReadOnlyList<Sum> sums, string? name = null)
    {
        try
        {
            if (request is not JsonObject asked)
                return Refused(name ?? "", [new Problem(SumProblem.WrongSort, "", "an object")]);
            var told = asked[NameField] is JsonValue v && v.TryGetValue<string>(out var word) ? word : null;
            if (asked[NameField] is not null && (told is null || (name is not null && told != name)))
                return Refused(name ?? "", [new Problem(SumProblem.WrongSort, $"/{NameField}", name ?? "the name of a sum")]);
            if (sums.FirstOrDefault(s => s.Name == (name ?? told)) is not { } sum)
                return Refused(
                    name ?? told ?? "",
                    [new Problem(SumProblem.UnknownSum, $"/{NameField}", name ?? told ?? "", string.Join(", ", sums.Select(s => s.Name)))]
                );
            var problems = new List<Problem>();
            var input = SumReader.Read(asked, sum.Fields, "", problems, NameField);
            if (problems.Count > 0)
                return Refused(sum.Name, problems);
            var outcome = sum.Work(input);
            if (!outcome.IsGood)
                return Refused(sum.Name, outcome.Problems);
            return outcome.Value.Any(IsBeyond) ? Refused(sum.Name, [new Problem(SumProblem.Beyond, "")]) : Good(sum, outcome.Value);
        }
        catch (ArgumentException)
        {
            // An object that names a field twice says so only when it is looked into.
            return Refused(name ?? "", [new Problem(SumProblem.WrongSort, "", "an object that names each field once")]);
        }
    }

    private static bool IsBeyond(object? value) => value is double number && !double.IsFinite(number);

    private static JsonObject Good(Sum sum, IReadOnlyList<object?> values)
    {
        var result = new JsonObject();
        foreach (var (figure, value) in sum.Figures.Zip(values))
            result[figure.Name] = Node(value);
        return new JsonObject
        {
            ["sum"] = sum.Name,
            ["status"] = "ok",
            ["result"] = result,
        };
    }

    private static JsonNode? Node(object? value) =>
        value switch
        {
            double number when number == Math.Floor(number) && Math.Abs(number) < 1e15 => (long)number,
            double number => number,
            bool flag => flag,
            DateTimeOffset at => at.ToString("yyyy-MM-dd'T'HH:mm:ss.FFFFFFFzzz", CultureInfo.InvariantCulture),
            string words => words,
            IReadOnlyList<KeyValuePair<string, double?>> named => new JsonObject(
                named.Select(n => KeyValuePair.Create(n.Key, Node(n.Value)))
            ),
            _ => null,
        };

    private static JsonObject Refused(string name, IReadOnlyList<Problem> problems) =>
        new()
        {
            ["sum"] = name,
            ["status"] = "refused",
            ["problems"] = new JsonArray([.. problems.Select(SaidProblem.Of)]),
        };
}
