using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Own;

/// <summary>Whole parts of a model's file: shown with their rules, tried while they are typed, and put in.</summary>
internal sealed class OwnPartKeeping(BenchBooks books)
{
    private const string Axes = "axes";
    private const int LongestPart = 60_000;
    private readonly OwnFiles files = new(books);

    /// <summary>The parts as they stand. Questions about a kind have their answers in words.</summary>
    public Outcome<ModelPartsView> Show(string model) =>
        files.FileOf("machine", model) is not { } file
            ? new Problem(ProblemCode.UnknownModel, "", model)
            : new ModelPartsView(
                books.Version,
                [.. ModelParts.All.Select(p => new ModelPartView(p.Name, p.Title, file[p.Name]?.DeepClone(), Worded(p)))]
            );

    /// <summary>Puts a part in.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Put(ModelPartRequest r)
    {
        var problems = new List<Problem>();
        Guard.Word(problems, r.Part, "/part", [.. ModelParts.All.Select(p => p.Name)]);
        if (r.Value?.ToJsonString().Length is { } length and > LongestPart)
            problems.Add(new Problem(ProblemCode.TooLong, "/value", length, LongestPart));
        if (problems.Count > 0)
            return problems;
        var part = ModelParts.All.First(p => p.Name == r.Part);
        var put = files.Changed(
            r.Model,
            (file, _) =>
            {
                var before = file[part.Name]?.DeepClone();
                ModelParts.Put(file, part.Name, r.Value);
                if (JsonNode.DeepEquals(before, file[part.Name]))
                    return new Problem(OwnProblem.NothingNew, "/value", part.Title);
                return part.Title.ToLowerInvariant();
            }
        );
        if (!put.IsGood)
            return put.Problems.Select(p => Placed(p, part.Name)).ToList();
        var odd = part.Name == Axes ? Contradictions(r.Value!.AsObject()) : [];
        return odd.Count > 0 ? odd : put;
    }

    /// <summary>Whether it fits, and what would change.</summary>
    public Outcome<ModelPartLook> Look(ModelPartRequest r)
    {
        var put = Put(r);
        if (!put.IsGood)
            return put.Problems.ToList();
        var next = put.Value.OfType<OwnFileKept>().First();
        var (before, after) = (files.FileOf(next.Sort, next.Id)![r.Part!], JsonNode.Parse(next.Text)![r.Part!]);
        return new ModelPartLook(JsonDifferences.Of(before, after, "now", "then"));
    }

    private static List<Problem> Contradictions(JsonObject axes) =>
        [
            .. KindAnswers
                .Contradictions(KindAnswers.Questions.ToDictionary(q => q.Axis, q => (string?)axes[q.Axis] ?? "no"))
                .Select(p => p with { Path = $"/value{p.Path["/axes".Length..]}" }),
        ];

    // A place in the file is one in what was sent; what is said of another place is said of the whole.
    private static Problem Placed(Problem problem, string part)
    {
        var (whole, place) = (problem.Path.EndsWith('#'), $"#/{part}");
        var at = problem.Path.IndexOf(place, StringComparison.Ordinal);
        var path =
            whole ? "/value"
            : at < 0 ? problem.Path
            : $"/value{problem.Path[(at + place.Length)..]}";
        return problem.Code == ProblemCode.PackNotInSchema && path.StartsWith("/value", StringComparison.Ordinal)
            ? new Problem(OwnProblem.PartBad, path, [.. problem.Args])
            : problem with
            {
                Path = path,
            };
    }

    private static JsonNode Worded(ModelPart part)
    {
        var schema = part.Schema.DeepClone();
        if (part.Name == Axes)
            foreach (var question in KindAnswers.Questions)
                schema["properties"]![question.Axis]!["says"] = new JsonObject(
                    question.Options.Select(o => KeyValuePair.Create(o.Id, (JsonNode?)o.Says))
                );
        return schema;
    }
}
