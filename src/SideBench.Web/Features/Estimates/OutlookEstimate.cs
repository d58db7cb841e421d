using System.Text.Json.Nodes;
using SideBench.Core.HeadCare;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Core.Sums;

namespace SideBench.Web.Features.Estimates;

/// <summary>What the next clean would bring, from a history.</summary>
internal static class OutlookEstimate
{
    /// <summary>Its name in the open format.</summary>
    public const string Name = "clean-outlook";

    private const int MostNozzles = 2000;
    private const double Most = 1e6;
    private static readonly string[] Methods = [.. HeadMethod.OnTheHead];

    /// <summary>The estimate, or every problem with its place.</summary>
    /// <param name="asked">What was sent.</param>
    /// <param name="numbers">House numbers.</param>
    public static Outcome<JsonObject> Of(JsonObject asked, HeadCareNumbers numbers)
    {
        var problems = new List<Problem>();
        var all = new HistoryReader(asked, "", problems);
        all.Word("estimate", Name);
        _ = asked.ContainsKey("at") ? all.Text("at") : "";
        var head = all.Object("head") is { } told ? Head(told) : null;
        if (head is not null)
            head = head with { Done = [.. all.Objects("history", isNeeded: false).Select(h => Done(h, head.Nozzles))] };
        var methods = all.Objects("methods").Select(Method).ToList();
        foreach (var (method, i) in methods.Select((m, i) => (m.Id, i)).Where(m => methods.FindIndex(o => o.Id == m.Id) < m.i))
            problems.Add(new Problem(SumProblem.WrongSort, $"/methods/{i}/method", $"a method told once; “{method}” is told twice"));
        var replace = all.Number("replace", 0, Most);
        all.Done();
        if (problems.Count > 0 || head is null)
            return problems;
        if (!numbers.Chances.TryGetValue(head.Kind, out var chances))
            return new Problem(HeadCareProblem.UnknownHead, "/head", head.Kind);
        foreach (var (method, i) in methods.Select((m, i) => (m.Id, i)).Where(m => !chances.ContainsKey(m.Id)))
            problems.Add(new Problem(HeadCareProblem.UnknownMethod, $"/methods/{i}/method", method, head.Kind));
        foreach (var (method, i) in head.Done.Select((d, i) => (d.Method, i)).Where(d => !chances.ContainsKey(d.Method)))
            problems.Add(new Problem(HeadCareProblem.UnknownMethod, $"/history/{i}/method", method, head.Kind));
        if (problems.Count > 0)
            return problems;
        var outlook = CleanOutlook.Of(head, numbers)!;
        var result = Result(outlook, methods, HeadPlan.Of(ToldHead.Of(head, outlook, methods, replace, numbers)));
        result["doubts"] = new JsonArray([.. Doubts(head)]);
        return result;
    }

    // What is strange and kept: the explanations leave room for it, and their bands are the wider for it.
    private static IEnumerable<JsonNode> Doubts(HeadHistory head)
    {
        for (var i = 1; i < head.Done.Count; i++)
            if (!head.Done[i].Before.SetEquals(head.Done[i - 1].After))
                yield return EstimateAnswers.Doubt($"/history/{i}/before", "It is not what the sheet before it showed.");
        if (head.Done.Count > 0 && !head.Missing.SetEquals(head.Done[^1].After))
            yield return EstimateAnswers.Doubt("/head/missing", "It is not what the last sheet showed.");
    }

    private static HeadHistory Head(HistoryReader told)
    {
        var kind = $"{told.Word("kind", "piezo", "thermal")} {told.Word("ink", "dye", "pigment", "transfer", "white")}";
        var nozzles = told.Whole("nozzles", 1, MostNozzles);
        var head = new HeadHistory(
            kind,
            told.Number("idleWeeks", 0, Most, without: 0),
            nozzles,
            told.Flag("refilled"),
            told.Nozzles("missing", nozzles),
            []
        );
        told.Done();
        return head;
    }

    private static Application Done(HistoryReader told, int nozzles)
    {
        var done = new Application(told.Word("method", Methods), told.Nozzles("before", nozzles), told.Nozzles("after", nozzles));
        told.Done();
        return done;
    }

    private static ToldMethod Method(HistoryReader told)
    {
        var price = new ToldMethod(
            told.Word("method", Methods),
            Millilitres.Of(told.Number("ml", 0, Most, without: 0)),
            CounterShare.OfPct(told.Number("counterPct", 0, Most, without: 0)),
            Minutes.Of(told.Number("handsMin", 0, Most, without: 0)),
            Minutes.Of(told.Number("waitMin", 0, Most, without: 0)),
            told.Number("money", 0, Most, without: 0),
            told.Number("risk", 0, Most, without: 0)
        );
        told.Done();
        return price;
    }

    private static JsonObject Result(CleanOutlook outlook, IReadOnlyList<ToldMethod> methods, HeadPlan plan)
    {
        var next = new JsonObject();
        foreach (var method in methods.Select(m => m.Id))
        {
            var one = outlook.Next(method)!;
            next[method] = new JsonObject
            {
                ["nextBack"] = new JsonObject
                {
                    ["best"] = one.Best,
                    ["low"] = one.Quantile(Band.Tail),
                    ["high"] = one.Quantile(1 - Band.Tail),
                },
                ["completeNext"] = one.Complete,
            };
        }

        var stop = plan.Stop is { } why ? Why(why) : null;
        return new JsonObject
        {
            ["explanation"] = new JsonObject
            {
                ["clog"] = outlook.Explanation.Clog,
                ["air"] = outlook.Explanation.Air,
                ["starved"] = outlook.Explanation.Starved,
            },
            ["methods"] = next,
            ["plan"] = new JsonObject
            {
                ["steps"] = new JsonArray([.. plan.Steps.SelectMany(s => s.Methods).Select(m => JsonValue.Create(m.Id))]),
                ["complete"] = plan.Complete,
                ["expected"] = new JsonObject
                {
                    ["money"] = plan.Price,
                    ["ml"] = plan.Ink.Value,
                    ["counterPct"] = plan.Counter.Pct,
                    ["handsMin"] = plan.Hands.Value,
                },
                ["stop"] = stop,
            },
            ["stop"] = stop,
        };
    }

    private static string Why(StopReason why) =>
        why switch
        {
            StopReason.Complete => "Nothing is missing.",
            StopReason.Air => "Gaps move: air in the channel is likelier than a clog. Look to the supply; cleans do not help.",
            StopReason.Starved => "Each clean leaves more missing from one end: the supply cannot follow. Look to it before the head.",
            _ => "What another application would bring is not worth its price against giving up.",
        };
}
