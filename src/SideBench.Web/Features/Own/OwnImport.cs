using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Own;

/// <summary>Models that come from another shop: looked at first, and nothing is replaced without a word.</summary>
internal sealed class OwnImport(BenchBooks books)
{
    private const int LongestImport = 4_000_000;
    private readonly OwnFiles files = new(books);

    /// <summary>What an import would change.</summary>
    public Outcome<ImportLook> Look(ImportRequest r)
    {
        var read = Brought(r);
        return read.IsGood ? new ImportLook([.. read.Value.Select(LineOf)]) : read.Problems.ToList();
    }

    /// <summary>Takes models in.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Import(ImportRequest r)
    {
        var read = Brought(r);
        if (!read.IsGood)
            return read.Problems.ToList();
        var problems = new List<Problem>();
        var lines = new List<OwnFileKept>();
        foreach (var file in read.Value)
        {
            if (files.Here(file) is not { } here)
                lines.Add(file);
            else if (!OwnFiles.Same(here, file) && !r.Replace)
                problems.Add(new Problem(OwnProblem.WouldReplace, "/replace", file.Name, here.Version, file.Version));
            else if (!OwnFiles.Same(here, file))
                lines.Add(file with { Version = here.Version + 1, Text = OwnFiles.Numbered(file, here.Version + 1) });
        }

        if (problems.Count == 0 && lines.Count == 0)
            problems.Add(new Problem(OwnProblem.FileBad, "/text", "All of it is here already, just so."));
        return problems.Count > 0 ? problems : files.Tried(lines);
    }

    private static Outcome<IReadOnlyList<OwnFileKept>> Brought(ImportRequest r) =>
        (r.Text?.Length ?? 0) > LongestImport
            ? new Problem(ProblemCode.TooLong, "/text", r.Text!.Length, LongestImport)
            : OwnPackFiles.Unbundle(r.Text ?? "");

    private ImportLine LineOf(OwnFileKept file)
    {
        var here = files.Here(file);
        return new ImportLine(
            file.Sort,
            file.Id,
            file.Name,
            file.Version,
            here?.Version,
            here is null ? [] : [.. JsonDifferences.Of(JsonNode.Parse(here.Text)!, JsonNode.Parse(file.Text)!)]
        );
    }
}
