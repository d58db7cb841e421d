using System.Text.Json.Nodes;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>Turns a written condition into a <see cref="Condition"/>, and checks the names in it.</summary>
internal sealed class ConditionReader(
    IReadOnlyDictionary<string, IReadOnlyList<string>> outcomesByFinding,
    Crafts crafts,
    List<Problem> problems
)
{
    /// <summary>Reads a condition; absent means always.</summary>
    /// <param name="node">As written; its shape was checked by the schema.</param>
    /// <param name="path">Where it stands, for problems.</param>
    public Condition Read(JsonNode? node, string path)
    {
        if (node is not JsonObject o)
            return new Condition.Always();
        if (o["all"] is JsonArray all)
            return new Condition.All(Parts(all, $"{path}/all"));
        if (o["any"] is JsonArray any)
            return new Condition.Any(Parts(any, $"{path}/any"));
        if (o["not"] is { } not)
            return new Condition.Not(Read(not, $"{path}/not"));
        if (o["model"] is { } model)
            return new Condition.ModelIs(Text(model), Words(o["is"]));
        if (o["named"] is not null)
            return new Condition.ModelNamed(Words(o["named"]));
        if (o["has"] is { } station)
            return new Condition.HasStation(Text(station));
        if (o["context"] is { } context)
        {
            Fact(Text(context), o, path, "context");
            return new Condition.ContextIs(Text(context), Words(o["is"]));
        }
        if (o["fact"] is { } fact)
            return Fact(Text(fact), o, path, "fact");
        if (o["finding"] is { } finding)
            return Finding(Text(finding), Words(o["is"]), path);
        if (o["done"] is { } done)
            return new Condition.DoneAtLeast(Text(done), o["atLeast"]!.GetValue<int>(), o["since"]?.GetValue<string>());
        if (o["tray"] is { } mark)
            return new Condition.TrayHas(Text(mark));
        if (o["counterPasses"] is { } limit)
            return new Condition.CounterPasses(limit.GetValue<double>());
        if (o["school"] is { } school)
            return new Condition.SchoolIs(Text(school), Words(o["is"]));
        if (o["pastLimit"] is not null)
            return new Condition.PastLimit();
        if (o["pastWorth"] is { } share)
            return new Condition.PastWorth(share.GetValue<double>());
        return new Condition.Agreed(Text(o["agreed"]!));
    }

    // A fact must be one that a craft declares, with words it can have or as the number it is.
    private Condition Fact(string key, JsonObject o, string path, string property)
    {
        if (!crafts.FactKinds.TryGetValue(key, out var kind))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/{property}", "fact", key));
        if (o["is"] is JsonArray)
        {
            if (kind is { IsNumber: false })
                foreach (var word in Words(o["is"]).Except(kind.Words))
                    problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/is", $"word of “{key}”", word));
            return new Condition.FactIs(key, Words(o["is"]));
        }

        if (kind is { IsNumber: false })
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/{property}", "number", key));
        return new Condition.FactWithin(key, o["atLeast"]?.GetValue<double>(), o["atMost"]?.GetValue<double>());
    }

    private Condition Finding(string finding, IReadOnlyList<string> outcomes, string path)
    {
        if (!outcomesByFinding.TryGetValue(finding, out var known))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/finding", "finding", finding));
        else
            foreach (var outcome in outcomes.Except(known))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/is", "answer", outcome));
        return new Condition.FindingIs(finding, outcomes);
    }

    private IReadOnlyList<Condition> Parts(JsonArray parts, string path) => [.. parts.Select((p, i) => Read(p, $"{path}/{i}"))];

    private static IReadOnlyList<string> Words(JsonNode? node) => [.. ((JsonArray)node!).Select(w => Text(w!))];

    private static string Text(JsonNode node) => node.GetValue<string>();
}
