using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Packs;

/// <summary>Puts the parts of the fault book together and checks every name and number in them.</summary>
internal sealed class BookBuilder(IEnumerable<MachineModel> models, HouseRates house, Crafts crafts, List<Problem> problems)
{
    private readonly HashSet<string> stations = [.. models.SelectMany(m => m.Stations).Select(s => s.Id)];
    private readonly ILookup<PathKind, string> stationsByPath = models.SelectMany(m => m.Stations).ToLookup(s => s.Path, s => s.Id);
    private readonly Dictionary<string, BookFile.CausePart> causes = [];
    private BookFile.WordsPart words = null!;
    private ConditionReader conditions = null!;

    /// <summary>Builds the book, or null with problems.</summary>
    public FaultBook? Build(IReadOnlyList<(string Path, BookFile File)> files)
    {
        var found = files.Select(f => f.File.Words).FirstOrDefault(w => w is not null);
        if (found is null)
        {
            problems.Add(new Problem(ProblemCode.Missing, "book#/words"));
            return null;
        }

        words = found;
        var complaints = Gather(files, f => f.Complaints, c => c.Id, "complaints", "complaint");
        var causeParts = Gather(files, f => f.Causes, c => c.Id, "causes", "cause");
        var findingParts = Gather(files, f => f.Findings, f => f.Id, "findings", "finding");
        var repairParts = Gather(files, f => f.Repairs, r => r.Id, "repairs", "repair");
        var rules = Gather(files, f => f.Rules, r => r.Id, "rules", "rule");
        var gates = Gather(files, f => f.Gates, g => g.Id, "gates", "gate");
        foreach (var (_, part) in causeParts)
            causes.TryAdd(part.Id, part);
        var outcomes = findingParts.ToDictionary(f => f.Part.Id, f => (IReadOnlyList<string>)[.. f.Part.Outcomes.Select(o => o.Id)]);
        conditions = new ConditionReader(outcomes, crafts, problems);
        HashSet<string> steps = [.. outcomes.Keys, .. repairParts.Select(r => r.Part.Id)];
        var complaintNames = complaints.Select(c => c.Part.Id).ToHashSet();
        foreach (var (path, c) in complaints)
        {
            Known(outcomes.Keys, c.Proof, "finding", $"{path}/proof");
            if (c.First is { } first)
                Known(outcomes.Keys, first, "finding", $"{path}/first");
        }

        return new FaultBook
        {
            Complaints =
            [
                .. complaints.Select(c => new Complaint(
                    c.Part.Id,
                    c.Part.Name,
                    c.Part.Says,
                    c.Part.Proof,
                    conditions.Read(c.Part.When, $"{c.Path}/when"),
                    c.Part.Sheet,
                    c.Part.First ?? "",
                    c.Part.Planned
                )),
            ],
            Causes = [.. causeParts.Select(c => Cause(c.Path, c.Part, complaintNames))],
            Findings = [.. findingParts.Select(f => Finding(f.Path, f.Part))],
            Repairs = [.. repairParts.Select(r => Repair(r.Path, r.Part, outcomes.Keys))],
            Rules = [.. rules.Select(r => Rule(r.Path, r.Part))],
            Gates =
            [
                .. gates.Select(g => new Gate(
                    g.Part.Id,
                    g.Part.Holds,
                    conditions.Read(g.Part.When, $"{g.Path}/when"),
                    g.Part.Reason,
                    g.Part.Lift,
                    g.Part.Overridable,
                    g.Part.Quiet
                )),
            ],
            House = house,
            Synonyms = [.. files.SelectMany(f => f.File.Synonyms)],
            Words = new BookWords(words.Likelihood, words.Rate),
            Schools = [.. Gather(files, f => f.Schools, s => s.Id, "schools", "school").Select(s => School(s.Path, s.Part, steps))],
            Checklists =
            [
                .. Gather(files, f => f.Checklists, c => c.Complaint, "checklists", "checklist")
                    .Select(c => Checklist(c.Path, c.Part, complaintNames, steps)),
            ],
        };
    }

    private School School(string path, BookFile.SchoolPart part, HashSet<string> steps)
    {
        for (var i = 0; i < part.Options.Count; i++)
            foreach (var step in part.Options[i].Prefers ?? [])
                Known(steps, step, "step", $"{path}/options/{i}/prefers");
        return new School(
            part.Id,
            part.Name,
            part.Asks,
            part.PerJob,
            part.Follows ?? "",
            [.. part.Options.Select(o => new SchoolOption(o.Id, o.Name, o.Why, o.Prefers ?? [], o.Default))]
        );
    }

    private Checklist Checklist(string path, BookFile.ChecklistPart part, HashSet<string> complaints, HashSet<string> steps)
    {
        Known(complaints, part.Complaint, "complaint", $"{path}/complaint");
        foreach (var step in part.Steps.SelectMany(s => (s.Then ?? []).Values.SelectMany(r => r).Append(s.Find).Append(s.Mend)))
            if (step is not null)
                Known(steps, step, "step", $"{path}/steps");
        return new Checklist(part.Complaint, [.. part.Steps.Select(s => new ChecklistStep(s.Find ?? "", s.Then ?? [], s.Mend ?? ""))]);
    }

    private List<(string Path, T Part)> Gather<T>(
        IReadOnlyList<(string Path, BookFile File)> files,
        Func<BookFile, IReadOnlyList<T>> part,
        Func<T, string> id,
        string array,
        string kind
    )
    {
        var seen = new HashSet<string>();
        var all = new List<(string, T)>();
        foreach (var (path, file) in files)
            for (var i = 0; i < part(file).Count; i++)
            {
                var place = $"{path}#/{array}/{i}";
                if (seen.Add(id(part(file)[i])))
                    all.Add((place, part(file)[i]));
                else
                    problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{place}/id", kind, id(part(file)[i])));
            }

        return all;
    }

    private Cause Cause(string path, BookFile.CausePart part, HashSet<string> complaints)
    {
        Known(stations, part.Station, "station", $"{path}/station");
        foreach (var complaint in part.Complaints.Keys)
            Known(complaints, complaint, "complaint", $"{path}/complaints/{complaint}");
        return new Cause
        {
            Id = part.Id,
            Name = part.Name,
            Station = part.Station,
            Rate = words.Rate[part.Rate],
            RateWord = part.Rate,
            Complaints = part.Complaints.ToDictionary(c => c.Key, c => words.Likelihood[c.Value]),
            When = conditions.Read(part.When, $"{path}/when"),
            Watch = part.Watch ?? "",
        };
    }

    private Finding Finding(string path, BookFile.FindingPart part)
    {
        Known(stations, part.Station, "station", $"{path}/station");
        string[] outcomes = [.. part.Outcomes.Select(o => o.Id)];
        foreach (var (reads, outcome) in part.Sheet ?? [])
            Known(outcomes, outcome, "outcome", $"{path}/sheet/{reads}");
        return new Finding
        {
            Id = part.Id,
            Name = part.Name,
            ShortName = part.Short,
            Station = part.Station,
            Minutes = part.Minutes,
            Parts = part.Parts,
            Operation = part.Operation,
            Risk = part.Risk,
            How = part.How,
            Cautions = part.Cautions,
            Puts = Puts(part),
            Tags = part.Tags,
            Easy = part.Easy,
            PerPlace = part.PerPlace,
            When = conditions.Read(part.When, $"{path}/when"),
            Kind = part.Kind,
            Outcomes =
            [
                .. part.Outcomes.Select(o => new FindingOutcome(
                    o.Id,
                    o.Label,
                    o.Proves,
                    Quantity(o.Quantity, path),
                    o.Clears ?? [],
                    o.Says
                )),
            ],
            Rows =
            [
                .. part.Rows.Select(
                    (r, i) =>
                        new LikelihoodRow(
                            Causes(r.For, $"{path}/rows/{i}/for"),
                            Odds(outcomes, r.Odds, $"{path}/rows/{i}/odds"),
                            r.Why,
                            r.Odds
                        )
                ),
            ],
            Otherwise = Odds(outcomes, part.Otherwise, $"{path}/otherwise"),
            OtherwiseWhy = part.OtherwiseWhy,
            OtherwiseWords = part.Otherwise,
            Sound = Odds(outcomes, part.Sound, $"{path}/sound"),
            Sheet = part.Sheet,
        };
    }

    private Repair Repair(string path, BookFile.RepairPart part, IEnumerable<string> findings)
    {
        Known(stations, part.Station, "station", $"{path}/station");
        if (part.Proof != CaseBook.ProofOfComplaint)
            Known(findings, part.Proof, "finding", $"{path}/proof");
        for (var i = 0; i < part.Fixes.Count; i++)
            Known(causes.Keys, part.Fixes[i].Cause, "cause", $"{path}/fixes/{i}/cause");
        return new Repair
        {
            Id = part.Id,
            Name = part.Name,
            ShortName = part.Short,
            Station = part.Station,
            Minutes = part.Minutes,
            Parts = part.Parts,
            Operation = part.Operation,
            Risk = part.Risk,
            How = part.How,
            Cautions = part.Cautions,
            Puts = Puts(part),
            Tags = part.Tags,
            Easy = part.Easy,
            PerPlace = part.PerPlace,
            When = conditions.Read(part.When, $"{path}/when"),
            Fixes = [.. part.Fixes.Select(f => new Fix(f.Cause, words.Likelihood[f.Chance], f.Chance))],
            Proof = part.Proof,
            Part = part.Part,
            Steps = part.Steps,
            ToldBefore = part.ToldBefore,
            Wait = part.Wait is { } w ? new BookWait(w.Kind, w.Label, w.MinMinutes, w.MaxMinutes) : null,
        };
    }

    private ContextRule Rule(string path, BookFile.RulePart part)
    {
        for (var i = 0; i < part.Causes.Count; i++)
            Known(causes.Keys, part.Causes[i], "cause", $"{path}/causes/{i}");
        return new ContextRule(
            part.Id,
            part.Name,
            conditions.Read(part.When, $"{path}/when"),
            part.Causes,
            words.Factor[part.Factor],
            part.Why
        );
    }

    // A row speaks of causes by name, of all causes at a station, or of all on a path.
    private IReadOnlyList<string> Causes(IReadOnlyList<string> names, string path)
    {
        var all = new List<string>();
        for (var i = 0; i < names.Count; i++)
        {
            var parts = names[i].Split(':');
            if (parts is ["station", var station] && Known(stations, station, "station", $"{path}/{i}"))
                all.AddRange(causes.Values.Where(c => c.Station == station).Select(c => c.Id));
            else if (parts is ["path", var name] && Enum.TryParse<PathKind>(name, ignoreCase: true, out var kind))
                all.AddRange(causes.Values.Where(c => stationsByPath[kind].Contains(c.Station)).Select(c => c.Id));
            else if (parts is [var cause] && Known(causes.Keys, cause, "cause", $"{path}/{i}"))
                all.Add(cause);
            else if (parts is ["path", var unknown])
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/{i}", "path", unknown));
        }

        return all;
    }

    private double[] Odds(IReadOnlyList<string> outcomes, Dictionary<string, string> odds, string path)
    {
        var read = OddsReader.Of(outcomes, odds, words.Likelihood, path);
        problems.AddRange(read.Problems);
        return read.IsGood ? read.Value : [.. outcomes.Select(_ => 1.0 / outcomes.Count)];
    }

    private bool Known(IEnumerable<string> names, string name, string kind, string path)
    {
        if (names.Contains(name))
            return true;
        problems.Add(new Problem(ProblemCode.PackUnknownName, path, kind, name));
        return false;
    }

    private AskedQuantity? Quantity(BookFile.QuantityPart? part, string path) =>
        part is null
            ? null
            : new AskedQuantity(
                part.Label,
                part.Unit,
                part.Min,
                part.Max,
                [
                    .. (part.Bands ?? []).Select(b => new Band(
                        Causes(b.For, $"{path}/bands"),
                        b.From ?? part.Min,
                        b.UpTo ?? part.Max,
                        words.Factor[b.Factor],
                        b.Why
                    )),
                ],
                part.WithCoverage
            )
            {
                Range = new NumberRange(part.From, part.To),
                Needed = part.Needed,
                MaxOf = part.MaxOf,
                FromOf = part.FromOf,
                ToOf = part.ToOf,
            };

    private static IReadOnlyList<TrayPut> Puts(BookFile.StepPart part) =>
        [.. part.Puts.Select(p => new TrayPut(p.Label, p.Change, p.Count, p.Undo, p.Marks, p.Minutes))];
}
