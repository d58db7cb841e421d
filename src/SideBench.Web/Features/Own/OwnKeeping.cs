using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Own;

/// <summary>What is made, told and taught of models: each makes the next version of the shop's own files.</summary>
internal sealed class OwnKeeping(BenchBooks books)
{
    private const double LeastMl = 0.01;
    private const double MostMl = 10_000;
    private const int LongestText = 120;
    private const int LongestWhy = 400;
    private const double LeastFactor = 1.0001;
    private readonly OwnFiles files = new(books);
    private OwnNumbers Numbers => books.Shop.Numbers.Of<OwnNumbers>();

    /// <summary>A model of a kind.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Make(KindRequest r)
    {
        var answers = new KindAnswers(
            r.Maker ?? "",
            r.Name ?? "",
            r.SerialPrefix?.Trim() ?? "",
            r.Axes ?? [],
            r.Inks ?? [],
            r.Worth,
            r.Like ?? ""
        );
        List<MachineModel> known = [.. books.Shop.Models.Values];
        var problems = answers.Check(known, Numbers);
        if (problems.Count > 0)
            return problems;
        var nearest = FamilyDefaults.Nearest(answers, known, Numbers);
        if (files.FileOf("machine", nearest.Id) is not { } like || files.FileOf("access", nearest.Id) is not { } access)
            return new Problem(ProblemCode.UnknownModel, "/like", nearest.Id);
        var family = FamilyDefaults.Figures(nearest, known, Numbers);
        var model = KindFile.Model(answers, like, family, ColourOf);
        var name = $"{answers.Maker.Trim()} {answers.Name.Trim()}";
        return files.Tried([
            new OwnFileKept("machine", answers.Id, name, 1, OwnPackFiles.Text(model), $"made from its kind, like {nearest.FullName}"),
            new OwnFileKept(
                "access",
                answers.Id,
                name,
                1,
                OwnPackFiles.Text(KindFile.Access(answers.Id, access)),
                $"taken from {nearest.FullName}"
            ),
        ]);
    }

    /// <summary>
    /// A model of a pack becomes the shop's own, to be taught; where it is so already, what the pack has of it now takes the place of what
    /// was taught.
    /// </summary>
    public Outcome<IReadOnlyList<EntryBody>> Ours(OursRequest r)
    {
        if (files.OfHouse("machine", r.Model ?? "") is not { } machine || files.OfHouse("access", r.Model ?? "") is not { } access)
            return new Problem(ProblemCode.UnknownModel, "/model", r.Model ?? "");
        machine["taught"] = new JsonObject { ["like"] = "", ["figures"] = new JsonObject() };
        var name = $"{machine["maker"]} {machine["name"]}";
        // A sheet that was taught for it goes back with it.
        var layout = (string?)machine["sheet"]?["layout"] ?? "";
        var sheet = files.Latest("sheet", layout) is null ? null : files.OfHouse("sheet", layout);
        var next = new[] { ("machine", r.Model!, machine), ("access", r.Model!, access), ("sheet", layout, sheet!) }
            .Where(f => f.Item3 is not null)
            .Select(f =>
            {
                var (sort, id, file) = f;
                var version = Math.Max((int)file["version"]!, files.Latest(sort, id)?.Version ?? 0) + 1;
                var kept = new OwnFileKept(
                    sort,
                    id,
                    sort == "sheet" ? $"{file["name"]}" : name,
                    version,
                    OwnPackFiles.Text(file),
                    $"as the pack has it, its version {file["version"]}"
                );
                return kept with { Text = OwnFiles.Numbered(kept, version) };
            })
            .Where(f => files.Latest(f.Sort, f.Id) is not { } own || !OwnFiles.Same(own, f))
            .ToList();
        return next.Count > 0 ? files.Tried(next) : new Problem(OwnProblem.NothingNew, "/model", name);
    }

    /// <summary>A figure.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Figure(FigureRequest r) =>
        files.Changed(
            r.Model,
            (file, model) =>
            {
                if (ModelFigures.Find(model, r.Pointer ?? "") is not { } figure)
                    return new Problem(OwnProblem.UnknownFigure, "/pointer", r.Pointer ?? "");
                var problems = new List<Problem>();
                Guard.Range(problems, r.Value ?? double.NaN, "/value", r.Measured ? 1e-6 : 0, figure.Most);
                if (problems.Count > 0)
                    return problems;
                var value = r.Value!.Value;
                var figures = FiguresOf(file);
                if (!r.Measured || figure.Value <= 0 || model.Taught?.Figures.GetValueOrDefault(figure.Pointer) is not { } known)
                {
                    // What is told is taken as it is; what nobody believed anything of is what was measured.
                    KindFile.Set(file, figure.Pointer, value);
                    figures.Remove(figure.Pointer);
                    if (r.Measured)
                        figures[figure.Pointer] = Known(Numbers.MeasuredFactor[figure.Unit], 1, []);
                    return $"{figure.Name}, {(r.Measured ? "measured" : "told")}: {value:0.####} {figure.Unit}";
                }

                var belief = new FigureBelief(figure.Value, Math.Max(1.0001, known.Factor), known.Seen).With(
                    value,
                    Numbers.MeasuredFactor[figure.Unit],
                    Numbers.FarOff,
                    r.IsSure,
                    figure.Unit
                );
                if (!belief.IsGood)
                    return belief.Problems.ToList();
                KindFile.Set(file, figure.Pointer, belief.Value.Value);
                figures[figure.Pointer] = Known(belief.Value.Factor, belief.Value.Seen, known.From);
                return $"{figure.Name}, measured {value:0.####}, now {belief.Value.Value:0.####} {figure.Unit}";
            }
        );

    /// <summary>Measurements of the record.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Measured(MeasuredRequest r, IReadOnlyList<BenchMeasure> open) =>
        files.Changed(
            r.Model,
            (file, model) =>
            {
                // Oldest first: each moves what the next is held against.
                List<BenchMeasure> asked = [.. open.Reverse().Where(m => r.Of is null || m.Key == r.Of)];
                var (figures, taken, now) = (FiguresOf(file), new List<string>(), new Dictionary<string, FigureBelief>());
                foreach (var measure in asked)
                {
                    var figure = ModelFigures.Find(model, measure.Pointer)!;
                    var next = now.TryGetValue(measure.Pointer, out var before) ? With(before) : With(BeliefOf(model, figure));
                    if (!next.IsGood && r.Of is not null)
                        return next.Problems.ToList();
                    if (!next.IsGood)
                        continue;
                    now[measure.Pointer] = next.Value;
                    KindFile.Set(file, measure.Pointer, next.Value.Value);
                    var from = figures[measure.Pointer]?["from"] as JsonArray ?? [];
                    List<string> keys = [.. from.Select(k => (string)k!).TakeLast(Numbers.MostTaken - 1), measure.Key];
                    figures[measure.Pointer] = Known(next.Value.Factor, next.Value.Seen, keys);
                    taken.Add($"{figure.Name}, {measure.Says}: {measure.Value:0.###}, now {next.Value.Value:0.####} {figure.Unit}");

                    Outcome<FigureBelief> With(FigureBelief? known) =>
                        known is { } belief
                            ? belief.With(measure.Value, measure.Factor, Numbers.FarOff, r.IsSure, figure.Unit)
                            : new FigureBelief(measure.Value, measure.Factor, 1);
                }

                return taken.Count > 0 ? Short(string.Join("; ", taken)) : new Problem(OwnProblem.NoMeasure, "/of", r.Of ?? "");
            }
        );

    /// <summary>What is believed of a figure; null where nothing is.</summary>
    public static FigureBelief? BeliefOf(MachineModel model, ModelFigure figure) =>
        figure.Value <= 0 ? null
        : model.Taught?.Figures.GetValueOrDefault(figure.Pointer) is { } known
            ? new FigureBelief(figure.Value, Math.Max(LeastFactor, known.Factor), known.Seen)
        : new FigureBelief(figure.Value, LeastFactor, 0);

    // A file that was written by hand says nothing of how well its figures are known.
    private static JsonObject FiguresOf(JsonObject file)
    {
        file["taught"] ??= new JsonObject { ["like"] = "", ["figures"] = new JsonObject() };
        return file["taught"]!["figures"]!.AsObject();
    }

    private static string Short(string text) => text.Length <= LongestWhy ? text : $"{text[..LongestWhy]}…";

    /// <summary>What is told of a model beside its figures.</summary>
    public Outcome<IReadOnlyList<EntryBody>> About(AboutRequest r) =>
        files.Changed(
            r.Model,
            (file, model) =>
            {
                var problems = new List<Problem>();
                Guard.Text(problems, r.SerialPrefix, "/serialPrefix", LongestText, needed: false);
                Guard.Text(problems, r.WasteAt, "/wasteAt", LongestText, needed: false);
                foreach (var (caution, i) in (r.Cautions ?? []).Select((c, i) => (c, i)))
                    Guard.Text(problems, caution, $"/cautions/{i}", LongestText * 3, needed: true);
                var slots = r.Slots ?? [];
                foreach (var (slot, i) in slots.Select((s, i) => (s, i)))
                {
                    Guard.Text(problems, slot.Ink, $"/slots/{i}/ink", LongestText, needed: true);
                    Guard.Word(problems, slot.InkKind, $"/slots/{i}/inkKind", ["dye", "pigment", "transfer", "white"]);
                    Guard.Text(problems, slot.Cartridge, $"/slots/{i}/cartridge", 20, needed: false);
                    Guard.Text(problems, slot.Bay, $"/slots/{i}/bay", 20, needed: false);
                    Guard.Range(problems, slot.FromFront, $"/slots/{i}/fromFront", 1, model.Slots.Count);
                    Guard.Range(problems, slot.FromBack, $"/slots/{i}/fromBack", 1, model.Slots.Count);
                    if (slot.HoldsMl is { } holds)
                        Guard.Range(problems, holds, $"/slots/{i}/holdsMl", LeastMl, MostMl);
                }

                if (r.Slots is not null && !slots.Select(s => s.Panel).Order().SequenceEqual(model.Slots.Select(s => s.Panel).Order()))
                    problems.Add(new Problem(OwnProblem.Contradiction, "/slots", "Every slot of the panel is told once."));
                var prefix = r.SerialPrefix?.Trim() ?? model.SerialPrefix;
                if (KindAnswers.PrefixOf(books.Shop.Models.Values.Where(m => m.Id != model.Id), prefix) is { } other)
                    problems.Add(new Problem(OwnProblem.PrefixTaken, "/serialPrefix", prefix, other.FullName));
                if (problems.Count > 0)
                    return problems;
                file["serialPrefix"] = prefix;
                if (r.WasteAt is { } at)
                    file["wasteAt"] = at.Trim();
                if (r.Cautions is { } cautions)
                    file["cautions"] = new JsonArray([.. cautions.Select(c => (JsonNode)c.Trim())]);
                foreach (var slot in slots)
                {
                    var own = file["slots"]!.AsArray().OfType<JsonObject>().First(s => (int)s["panel"]! == slot.Panel);
                    var ink = slot.Ink!.Trim();
                    if (ink != (string)own["ink"]!)
                        own["colour"] = ColourOf(ink);
                    (own["ink"], own["inkKind"], own["cartridge"]) = (ink, slot.InkKind, slot.Cartridge?.Trim() ?? "");
                    if (slot.HoldsMl is { } holds)
                        own["holdsMl"] = holds;
                    (own["bay"], own["fromFront"], own["fromBack"]) = (slot.Bay?.Trim() ?? "", slot.FromFront, slot.FromBack);
                }

                return "slots, cautions and where things are";
            }
        );

    /// <summary>A code.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Code(CodeRequest r) =>
        files.Changed(
            r.Model,
            (file, _) =>
            {
                var problems = new List<Problem>();
                Guard.Text(problems, r.Code, "/code", 40, needed: true);
                Guard.Text(problems, r.Says, "/says", LongestText, needed: true);
                if ((r.Complaint ?? "").Length > 0)
                    Guard.Word(problems, r.Complaint, "/complaint", [.. books.Shop.Book.Complaints.Select(c => c.Id)]);
                Guard.Word(problems, r.Reads, "/reads", [.. OwnViews.ReadsOf(books).Select(o => o.Id)]);
                if (problems.Count > 0)
                    return problems;
                var code = r.Code!.Trim();
                var codes = file["codes"]!.AsArray();
                if (codes.OfType<JsonObject>().FirstOrDefault(c => (string?)c["code"] == code) is { } old)
                    codes.Remove(old);
                codes.Add(
                    (JsonNode)
                        new JsonObject
                        {
                            ["code"] = code,
                            ["says"] = r.Says!.Trim(),
                            ["means"] = "Taught at the bench: evidence, not a verdict.",
                            ["complaint"] = r.Complaint ?? "",
                            ["reads"] = r.Reads,
                        }
                );
                return $"code {code}, “{r.Says!.Trim()}”";
            }
        );

    /// <summary>An opening.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Opening(OpeningTaughtRequest r)
    {
        if (files.Latest("access", r.Model) is not { } kept)
            return new Problem(OwnProblem.NotOwn, "/model", r.Model ?? "");
        List<TaughtPart> parts = [.. (r.Parts ?? []).Select(PartOf)];
        var next = TaughtAccess.With(JsonNode.Parse(kept.Text)!.AsObject(), parts, r.Back ?? []);
        return next.IsGood
            ? files.Tried([
                kept with
                {
                    Version = kept.Version + 1,
                    Text = OwnPackFiles.Text(next.Value),
                    Why = $"opened: {string.Join(", ", parts.Select(p => p.Name.Trim()))}",
                },
            ])
            : next.Problems.ToList();
    }

    // What was left out is told as nothing, and refused where something is needed.
    private static TaughtPart PartOf(PartOff p) =>
        new(
            p.Name ?? "",
            p.View ?? "",
            p.Way ?? "",
            p.Screws,
            p.Driver ?? "",
            p.LengthMm,
            p.IsCollared,
            p.IsLoosenOnly,
            p.Catches,
            p.Cables ?? [],
            p.Caution ?? "",
            p.Minutes
        );

    /// <summary>A layout for a model's sheet.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Sheet(SheetTaughtRequest r)
    {
        if (files.Latest("machine", r.Model) is not { } kept)
            return new Problem(OwnProblem.NotOwn, "/model", r.Model ?? "");
        var read = LayoutFile.Read("layout", r.Layout ?? "");
        if (!read.IsGood)
            return read.Problems.ToList();
        if (books.Shop.Models.Values.FirstOrDefault(m => m.Id != kept.Id && m.Sheet?.Layout.Id == read.Value.Id) is { } other)
            return new Problem(OwnProblem.ModelThere, "/layout", $"The layout {read.Value.Id} of the {other.FullName}");
        var file = JsonNode.Parse(kept.Text)!.AsObject();
        var slots = r.Slots ?? [];
        file["sheet"] = new JsonObject
        {
            ["layout"] = read.Value.Id,
            ["slots"] = new JsonObject(slots.Select(s => KeyValuePair.Create(s.Key, (JsonNode?)s.Value))),
        };
        var before = files.Latest("sheet", read.Value.Id)?.Version ?? 0;
        return files.Tried([
            new OwnFileKept("sheet", read.Value.Id, read.Value.Name, before + 1, r.Layout!, "taught by a picture"),
            OwnFiles.Next(kept, file, "its nozzle sheet"),
        ]);
    }

    private static JsonObject Known(double factor, int seen, IReadOnlyList<string> from)
    {
        var known = new JsonObject { ["factor"] = Math.Round(factor, 4), ["seen"] = seen };
        if (from.Count > 0)
            known["from"] = new JsonArray([.. from.Select(k => (JsonNode)k)]);
        return known;
    }

    private string ColourOf(string ink)
    {
        var inks = books.Shop.Numbers.Of<SheetNumbers>().Teach.Inks;
        var known = inks.FirstOrDefault(i => i.Ink.Equals(ink, StringComparison.OrdinalIgnoreCase)) ?? inks[0];
        return string.Create(System.Globalization.CultureInfo.InvariantCulture, $"#{known.Red:x2}{known.Green:x2}{known.Blue:x2}");
    }
}
