using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.Simulation;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>What advice costs on made machines of which a dozen answers are known, and then five figures more.</summary>
internal static class KindMeasure
{
    private const int Seed = 33_000;
    private const int JobsEach = 12;
    private static readonly string[] Unasked = ["freedBy", "midTravel", "afterBreak", "likeSlots", "feed", "headRenew"];
    private static readonly string[] Taught =
    [
        "operations/clean-light/mlPerChannel",
        "operations/clean-normal/mlPerChannel",
        "operations/clean-deep/mlPerChannel",
        "worth",
        "headCare/headPrice",
    ];

    /// <summary>Measures.</summary>
    public static void Run(Shop house, int machines, StringBuilder said)
    {
        var (kinds, full, five) = Made(house, machines);
        var draw = new TrialJobs(house.Book, house.Book, full.Values, house.Printers, 0);
        var jobs = machines * JobsEach;
        ITrialPolicy[] ways = [new AdvisedPolicy(), new KindPolicy("the kind alone", kinds), new KindPolicy("five figures taught", five)];
        var costs = ways.Select(w => Costs(draw, w, jobs)).ToList();
        said.AppendLine(CultureInfo.InvariantCulture, $"{machines} made machines, {jobs} jobs, seed {Seed}; the book is true.")
            .AppendLine();
        said.AppendLine("| advice with | cost a job | over the whole model | ended right |").AppendLine("|---|---:|---:|---:|");
        foreach (var (way, (cost, right)) in ways.Zip(costs))
        {
            var (name, over) = (way is AdvisedPolicy ? "the whole model" : way.Name, 100 * ((cost / costs[0].Cost) - 1));
            said.AppendLine(CultureInfo.InvariantCulture, $"| {name} | {cost:0.00} | {over:0.0} % | {right:0.0} % |");
        }
    }

    private static (double Cost, double Right) Costs(TrialJobs draw, ITrialPolicy way, int jobs)
    {
        var results = new TrialResult[jobs];
        Parallel.For(
            0,
            jobs,
            i =>
            {
                var (threads, machine) = draw.Draw(Seed + i);
                results[i] = Trial.Run(threads, machine, way);
            }
        );
        return (results.Average(r => r.Cost), 100.0 * results.Count(r => r.Right) / jobs);
    }

    private static (
        Dictionary<string, MachineModel> Kinds,
        Dictionary<string, MachineModel> Full,
        Dictionary<string, MachineModel> Five
    ) Made(Shop house, int machines)
    {
        var files = new PackFolders(Settings.Needed(Settings.Packs)).Files().Value;
        List<MachineModel> known = [.. house.Models.Values];
        var numbers = house.Numbers.Of<OwnNumbers>();
        var chance = new Random(Seed);
        var own = new List<OwnFileKept>();
        string[] inks = ["black", "cyan", "magenta", "yellow", "light cyan", "light magenta", "grey", "orange"];
        while (own.Count < 2 * machines)
        {
            var axes = KindAnswers.Asked.ToDictionary(q => q.Key, q => q.Value[chance.Next(q.Value.Count)]);
            var answers = new KindAnswers("Heath", $"Made {own.Count / 2}", "", axes, inks[..chance.Next(2, 9)], null, "");
            if (answers.Check(known, numbers).Count > 0)
                continue;
            var nearest = FamilyDefaults.Nearest(answers, known, numbers);
            var model = KindFile.Model(
                answers,
                FileOf("machines", nearest.Id),
                FamilyDefaults.Figures(nearest, known, numbers),
                _ => "#232120"
            );
            own.Add(new OwnFileKept("machine", answers.Id, answers.Name, 1, OwnPackFiles.Text(model), ""));
            var access = KindFile.Access(answers.Id, FileOf("access", nearest.Id));
            own.Add(new OwnFileKept("access", answers.Id, answers.Name, 1, OwnPackFiles.Text(access), ""));
        }

        var texts = own.Where(f => f.Sort == "machine").ToDictionary(f => f.Id, f => JsonNode.Parse(f.Text)!.AsObject());
        var kinds = Read(texts, own);
        var truths = texts.ToDictionary(t => t.Key, t => Drawn(t.Value, kinds[t.Key], known, chance));
        var full = Read(truths, own);
        var five = Read(texts.ToDictionary(t => t.Key, t => Told(t.Value, full[t.Key])), own);
        return (kinds, full, five);

        JsonObject FileOf(string folder, string id) =>
            files
                .Where(f => f.Path.Contains($"/{folder}/", StringComparison.Ordinal))
                .Select(f => JsonNode.Parse(f.Text)!.AsObject())
                .First(f => (string?)f[folder == "machines" ? "id" : "model"] == id);
        Dictionary<string, MachineModel> Read(Dictionary<string, JsonObject> models, List<OwnFileKept> with) =>
            OwnPackFiles
                .Read(files, [.. with.Select(f => f.Sort == "machine" ? f with { Text = OwnPackFiles.Text(models[f.Id]) } : f)], out _)
                .Value.Models.Where(m => models.ContainsKey(m.Key))
                .ToDictionary(m => m.Key, m => m.Value);
    }

    // The machine as it really is: figures drawn round the family's, and the axes that nobody asked drawn from machines there are.
    private static JsonObject Drawn(JsonObject kind, MachineModel model, List<MachineModel> known, Random chance)
    {
        var file = kind.DeepClone().AsObject();
        foreach (var figure in ModelFigures.Of(model))
            if (model.Taught!.Figures.TryGetValue(figure.Pointer, out var band) && figure.Value > 0)
                KindFile.Set(
                    file,
                    figure.Pointer,
                    Math.Max(0.01, figure.Value * Math.Exp(Normal(chance) * Math.Log(band.Factor) / FigureBelief.Spreads))
                );
        var like = known[chance.Next(known.Count)];
        foreach (var axis in Unasked)
            file["axes"]![axis] = like.Axes[axis];
        return file;
    }

    private static JsonObject Told(JsonObject kind, MachineModel truth)
    {
        var file = kind.DeepClone().AsObject();
        foreach (var pointer in Taught)
            KindFile.Set(file, pointer, ModelFigures.Find(truth, pointer)!.Value);
        return file;
    }

    private static double Normal(Random chance) =>
        Math.Sqrt(-2 * Math.Log(1 - chance.NextDouble())) * Math.Cos(Math.Tau * chance.NextDouble());
}
