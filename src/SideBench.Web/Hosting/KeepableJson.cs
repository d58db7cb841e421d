using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using SideBench.Core.Outcomes;

namespace SideBench.Web.Hosting;

/// <summary>
/// Looks at everything that was read from a request before a rule sees it: no text that a record cannot keep, and nothing empty in a
/// list of things. So no rule has to remember to ask.
/// </summary>
public static class KeepableJson
{
    /// <summary>Adds the look to what is read.</summary>
    public static void Look(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object || type.Type.Namespace?.StartsWith("SideBench", StringComparison.Ordinal) != true)
            return;
        var gets = type
            .Properties.Where(p => p.Get is not null)
            .Where(p => p.PropertyType == typeof(string) || p.PropertyType.IsAssignableTo(typeof(IEnumerable<object>)))
            .Select(p => (Path: $"/{p.Name}", Get: p.Get!))
            .ToList();
        if (gets.Count > 0)
            type.OnDeserialized = read => gets.ForEach(g => Check(g.Get(read), g.Path));
    }

    private static void Check(object? value, string path)
    {
        if (value is string text && !Guard.IsKeepable(text))
            throw new NotKeepable(new Problem(ProblemCode.UnkeepableText, path));
        if (value is not IEnumerable<object> list)
            return;
        foreach (var (item, i) in list.Select((item, i) => (item, i)))
            if (item is null)
                throw new NotKeepable(new Problem(ProblemCode.Missing, $"{path}/{i}"));
            else if (item is string)
                Check(item, $"{path}/{i}");
    }
}

/// <summary>Something in a request that no record can keep.</summary>
public sealed class NotKeepable(Problem problem) : JsonException(problem.Code.Id)
{
    /// <summary>What, and where.</summary>
    public Problem Problem { get; } = problem;
}
