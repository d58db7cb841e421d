using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Diagnosis;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Simulation.Heads;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Packs;

/// <summary>Puts together what simulated printers are made of; a later pack adds ills and answers and may set numbers anew.</summary>
/// <param name="book">The fault book, whose causes and findings are named.</param>
/// <param name="problems">Told what is unknown or missing.</param>
internal sealed class PrinterFile(FaultBook book, List<Problem> problems)
{
    /// <summary>The makings, or null with problems.</summary>
    /// <param name="files">Files whose shape was checked, ours first.</param>
    public PrinterBook? Read(IReadOnlyList<(string Path, JsonNode File)> files)
    {
        var before = problems.Count;
        PrinterNumbers? numbers = null;
        var well = new Dictionary<string, Bounds>();
        var (ills, answers) = (new List<Illness>(), new List<AnswerState>());
        var gaps = new Dictionary<string, ChannelTruth>();
        foreach (var (path, node) in files)
        {
            var file = node.Deserialize<Shape>(PackReader.Json)!;
            numbers = file.Numbers ?? numbers;
            foreach (var (key, bounds) in State(file.Well, $"{path}#/well"))
                well[key] = bounds;
            foreach (var (truth, causes) in file.Gaps ?? [])
            foreach (var cause in Known(causes, $"{path}#/gaps/{truth}"))
                gaps[cause] = StoredWord.Read<ChannelTruth>(truth);
            // What a later pack says of a cause or an answer counts.
            ills.InsertRange(0, (file.Ills ?? []).Select((ill, at) => Read(ill, $"{path}#/ills/{at}")));
            answers.InsertRange(0, (file.Answers ?? []).Select((answer, at) => Read(answer, $"{path}#/answers/{at}")));
        }

        foreach (var missing in SimulatedPrinter.Quantities.Where(key => !well.ContainsKey(key)))
            problems.Add(new Problem(ProblemCode.PackUnknownName, "printers#/well", "bounds for", missing));
        if (numbers is null)
            problems.Add(new Problem(ProblemCode.PackUnknownName, "printers#/numbers", "numbers of", "simulated printers"));
        return problems.Count > before ? null : new PrinterBook(numbers!, well, ills, answers, gaps);
    }

    private IReadOnlyList<string> Known(IReadOnlyList<string> causes, string path)
    {
        foreach (var cause in causes.Where(cause => book.Causes.All(c => c.Id != cause)))
            problems.Add(new Problem(ProblemCode.PackUnknownName, path, "cause", cause));
        return causes;
    }

    private Illness Read(IllShape ill, string path) =>
        new(Known(ill.Causes, $"{path}/causes"), State(ill.Is, $"{path}/is"), State(ill.Then, $"{path}/then"));

    private AnswerState Read(AnswerShape answer, string path)
    {
        if (book.Findings.FirstOrDefault(f => f.Id == answer.Finding) is not { } finding)
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/finding", "finding", answer.Finding));
        else if (finding.IndexOf(answer.Outcome) < 0)
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/outcome", "outcome", answer.Outcome));
        return new AnswerState(answer.Finding, answer.Outcome, State(answer.Is, $"{path}/is"));
    }

    private Dictionary<string, Bounds> State(Dictionary<string, double[]>? state, string path)
    {
        foreach (var (key, bounds) in state ?? [])
        {
            if (!SimulatedPrinter.Quantities.Contains(key))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/{key}", "quantity of a printer", key));
            if (bounds[0] > bounds[1])
                problems.Add(new Problem(ProblemCode.OutOfRange, $"{path}/{key}", bounds[0], 0, bounds[1]));
        }

        return (state ?? []).ToDictionary(s => s.Key, s => new Bounds(s.Value[0], s.Value[1]));
    }

    private sealed record Shape(
        PrinterNumbers? Numbers,
        Dictionary<string, double[]>? Well,
        IReadOnlyList<IllShape>? Ills,
        IReadOnlyList<AnswerShape>? Answers,
        Dictionary<string, IReadOnlyList<string>>? Gaps
    );

    private sealed record IllShape(IReadOnlyList<string> Causes, Dictionary<string, double[]> Is, Dictionary<string, double[]> Then);

    private sealed record AnswerShape(string Finding, string Outcome, Dictionary<string, double[]> Is);
}
