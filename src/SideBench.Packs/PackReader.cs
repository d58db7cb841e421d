using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Packs;

/// <summary>Checks pack files and puts them together: shape first, then names, then odds. Every problem is gathered and placed.</summary>
public static class PackReader
{
    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>Reads all packs.</summary>
    /// <param name="files">The files of all packs, ours first.</param>
    /// <param name="crafts">The crafts, for their facts and numbers; null for those that ship.</param>
    public static Outcome<Shop> Read(IReadOnlyList<PackFile> files, Crafts? crafts = null)
    {
        crafts ??= HouseCrafts.All;
        var problems = new List<Problem>();
        var layouts = Layouts(files, problems);
        var models = new Dictionary<string, MachineModel>();
        var books = new List<(string Path, BookFile File)>();
        var versions = new List<string>();
        var graphs = new Dictionary<string, AccessGraph>();
        var guides = new List<(string Path, JsonNode File)>();
        var numbers = new List<(string Path, JsonNode File)>();
        var changes = new List<(string Path, JsonNode File)>();
        var printers = new List<(string Path, JsonNode File)>();
        foreach (var file in files)
        {
            if (file.Kind == PackFileKind.SheetLayout)
                continue;
            var checkedFile = Schemas.Check(file);
            problems.AddRange(checkedFile.Problems);
            if (!checkedFile.IsGood)
                continue;
            if (file.Kind == PackFileKind.FaultBook)
                books.Add((file.Path, checkedFile.Value.Deserialize<BookFile>(Json)!));
            if (file.Kind == PackFileKind.Card)
                versions.Add($"{checkedFile.Value["id"]} {checkedFile.Value["version"]}");
            if (file.Kind == PackFileKind.Numbers)
                numbers.Add((file.Path, checkedFile.Value));
            if (file.Kind == PackFileKind.Changes)
                changes.Add((file.Path, checkedFile.Value));
            if (file.Kind == PackFileKind.Printers)
                printers.Add((file.Path, checkedFile.Value));
            if (file.Kind == PackFileKind.Guides)
                guides.Add((file.Path, checkedFile.Value));
            if (
                file.Kind == PackFileKind.AccessGraph
                && AccessFile.Read(checkedFile.Value, file.Path, problems) is { } graph
                && !graphs.TryAdd(graph.Model, graph)
            )
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{file.Path}#/model", "access graph", graph.Model));
            if (file.Kind != PackFileKind.MachineModel)
                continue;
            var model = ModelFile.ToModel(checkedFile.Value.Deserialize<ModelFile>(Json)!, layouts, file.Path, problems);
            if (!models.TryAdd(model.Id, model))
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{file.Path}#/id", "machine model", model.Id));
        }

        if (problems.Count > 0)
            return problems;
        var house = HouseNumbers.Read(numbers, crafts, problems);
        if (problems.Count > 0)
            return problems;
        var lasting = new ChangeFile(models, problems).Read(changes);
        // A machine as it stands can have stations that its model lacks.
        List<MachineModel> all = [.. models.Values, .. models.Values.Select(m => AsItStands.Of(m, lasting))];
        var book = new BookBuilder(all, house.Of<HouseRates>(), crafts, problems).Build(books);
        if (book is not null)
            CheckSize(book, all, problems);
        foreach (var model in graphs.Keys.Where(m => !models.ContainsKey(m)))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"access#/{model}", "machine model", model));
        var read = book is null ? [] : new GuideFile(models, graphs, book, lasting, crafts, problems).Read(guides);
        var made = book is null ? null : new PrinterFile(book, problems).Read(printers);
        return problems.Count > 0 || book is null || made is null
            ? problems
            : new Shop(models, layouts, graphs, read, book with { Version = string.Join(", ", versions) }, lasting, house, made);
    }

    /// <summary>Reads the house numbers alone, for commands that need no shop.</summary>
    /// <param name="files">The files of all packs, ours first.</param>
    public static Outcome<HouseNumbers> Numbers(IReadOnlyList<PackFile> files)
    {
        var problems = new List<Problem>();
        var numbers = new List<(string Path, JsonNode File)>();
        foreach (var file in files.Where(f => f.Kind == PackFileKind.Numbers))
        {
            var node = Schemas.Check(file);
            problems.AddRange(node.Problems);
            if (node.IsGood)
                numbers.Add((file.Path, node.Value));
        }

        var read = HouseNumbers.Read(numbers, HouseCrafts.All, problems);
        return problems.Count > 0 ? problems : read;
    }

    // Only a book that is large as a whole can be too large for a case.
    private static void CheckSize(FaultBook book, IEnumerable<MachineModel> models, List<Problem> problems)
    {
        var openings = CaseBook.OpeningsOf(book.Findings.Cast<BookStep>().Concat(book.Repairs)).Count();
        if (book.Findings.Count <= CaseBook.MostFindings && openings <= CaseBook.MostOpenings)
            return;
        foreach (var model in models)
        foreach (var complaint in book.Complaints)
            if (CaseBook.Of(book, model, complaint) is { IsTooLarge: true } large)
                problems.Add(
                    new Problem(
                        ProblemCode.PackTooLarge,
                        $"book#/complaints/{complaint.Id}",
                        model.FullName,
                        complaint.Name,
                        large.Findings.Count,
                        large.Openings.Count,
                        CaseBook.MostFindings,
                        CaseBook.MostOpenings
                    )
                );
    }

    private static Dictionary<string, SheetLayout> Layouts(IReadOnlyList<PackFile> files, List<Problem> problems)
    {
        var layouts = new Dictionary<string, SheetLayout>();
        foreach (var file in files.Where(f => f.Kind == PackFileKind.SheetLayout))
        {
            var layout = LayoutFile.Read(file);
            problems.AddRange(layout.Problems);
            if (layout.IsGood && !layouts.TryAdd(layout.Value.Id, layout.Value))
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{file.Path}#/id", "sheet layout", layout.Value.Id));
        }

        return layouts;
    }

    internal sealed record ModelFile(
        string Id,
        string Maker,
        string Name,
        int Version,
        string Kind,
        Dictionary<string, string> Axes,
        IReadOnlyList<Station> Stations,
        IReadOnlyList<ModelFile.SlotPart> Slots,
        IReadOnlyList<ModelFile.OperationPart> Operations,
        IReadOnlyList<PanelCode> Codes,
        decimal Worth,
        double? PadCapacityG,
        double? StoreTareG,
        double? CarriageOutMin,
        double PageMl,
        double? DamperMl,
        IReadOnlyList<string> Cautions,
        ModelFile.HeadPart HeadCare,
        ModelFile.SheetPart? Sheet,
        IReadOnlyList<CartridgePart>? Cartridges,
        bool StopsDead,
        string? Prompt,
        string? WasteAt,
        WasteFigures? Waste,
        string? SerialPrefix,
        TaughtModel? Taught
    )
    {
        internal sealed record SheetPart(string Layout, Dictionary<string, int> Slots);

        internal sealed record SlotPart(
            int Panel,
            string Ink,
            string Colour,
            string Bay,
            int FromFront,
            int FromBack,
            string Cartridge,
            double HoldsMl,
            string InkKind
        );

        internal sealed record SoakPart(double From, double To, string Where)
        {
            public SoakFigures Figures => new(Minutes.Of(From), Minutes.Of(To), Where);
        }

        internal sealed record HeadPart(
            decimal HeadPrice,
            IReadOnlyList<IReadOnlyList<int>> Groups,
            int CleansInRow,
            double? FlushMl,
            SoakPart? Soak,
            Dictionary<string, SoakPart>? SoakByInk
        );

        internal sealed record OperationPart(string Id, string Name, double MlPerChannel, double CounterPct, double Minutes);

        public static MachineModel? Alone(JsonNode file, IReadOnlyDictionary<string, SheetLayout> layouts, string path)
        {
            var problems = new List<Problem>();
            var model = ToModel(file.Deserialize<ModelFile>(Json)!, layouts, path, problems);
            return problems.Count == 0 ? model : null;
        }

        public static MachineModel ToModel(
            ModelFile file,
            IReadOnlyDictionary<string, SheetLayout> layouts,
            string path,
            List<Problem> problems
        )
        {
            foreach (
                var (place, id) in Twice("operations", file.Operations.Select(o => o.Id))
                    .Concat(Twice("cartridges", (file.Cartridges ?? []).Select(c => c.Id)))
            )
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{path}#/{place}", place, id));
            return new()
            {
                Id = file.Id,
                Maker = file.Maker,
                Name = file.Name,
                Version = file.Version,
                Kind = file.Kind,
                Axes = file.Axes,
                Stations = file.Stations,
                Slots =
                [
                    .. file.Slots.Select(s => new Slot(
                        s.Panel,
                        s.Ink,
                        s.Colour,
                        s.Bay,
                        s.FromFront,
                        s.FromBack,
                        s.Cartridge,
                        Millilitres.Of(s.HoldsMl),
                        s.InkKind
                    )),
                ],
                Operations =
                [
                    .. file.Operations.Select(o => new Operation(
                        o.Id,
                        o.Name,
                        Millilitres.Of(o.MlPerChannel),
                        o.CounterPct,
                        Minutes.Of(o.Minutes)
                    )),
                ],
                Codes = file.Codes,
                Worth = file.Worth,
                PadCapacityG = file.PadCapacityG,
                StoreTareG = file.StoreTareG,
                CarriageOutMin = file.CarriageOutMin,
                Cartridges =
                [
                    .. (file.Cartridges ?? []).Select(
                        (c, at) => c.ToType([.. file.Slots.Select(s => s.Panel)], $"{path}#/cartridges/{at}", problems)
                    ),
                ],
                StopsDead = file.StopsDead,
                Prompt = file.Prompt ?? "",
                WasteAt = file.WasteAt ?? "",
                Waste = file.Waste,
                SerialPrefix = file.SerialPrefix ?? "",
                Taught = file.Taught,
                Sheet = Plan(file, layouts, path, problems),
                HeadCare = Head(file, path, problems),
                PageMl = file.PageMl,
                DamperMl = file.DamperMl,
                Cautions = file.Cautions,
            };
        }

        private static IEnumerable<(string Place, string Id)> Twice(string place, IEnumerable<string> ids) =>
            ids.GroupBy(i => i).Where(g => g.Count() > 1).Select(g => (place, g.Key));

        // Every slot is cleaned in just one group, and no soak ends before it may.
        private static HeadFigures Head(ModelFile file, string path, List<Problem> problems)
        {
            var head = file.HeadCare;
            var cleaned = head.Groups.SelectMany(g => g).ToList();
            foreach (var slot in file.Slots.Where(s => cleaned.Count(c => c == s.Panel) != 1))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/headCare/groups", "one group for slot", slot.Panel));
            foreach (var slot in cleaned.Where(c => file.Slots.All(s => s.Panel != c)))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/headCare/groups", "slot", slot));
            foreach (var soak in new[] { head.Soak }.Concat(head.SoakByInk?.Values.AsEnumerable() ?? []))
                if (soak is not null && soak.To < soak.From)
                    problems.Add(new Problem(ProblemCode.OutOfRange, $"{path}#/headCare/soak/to", soak.To, soak.From, "more"));
            return new HeadFigures(
                head.HeadPrice,
                head.Groups,
                head.CleansInRow,
                head.FlushMl is { } ml ? Millilitres.Of(ml) : null,
                head.Soak?.Figures,
                head.SoakByInk?.ToDictionary(s => s.Key, s => s.Value.Figures) ?? []
            );
        }

        // Every unit of the layout is fed by a slot that the model has.
        private static SheetPlan? Plan(
            ModelFile file,
            IReadOnlyDictionary<string, SheetLayout> layouts,
            string path,
            List<Problem> problems
        )
        {
            if (file.Sheet is not { } sheet)
                return null;
            if (!layouts.TryGetValue(sheet.Layout, out var layout))
            {
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/sheet/layout", "sheet layout", sheet.Layout));
                return null;
            }

            foreach (var unit in layout.Units.Where(u => !sheet.Slots.ContainsKey(u.Id)))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/sheet/slots", "slot for unit", unit.Id));
            foreach (var (unit, slot) in sheet.Slots.Where(s => s.Value > file.Slots.Count || layout.Units.All(u => u.Id != s.Key)))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/sheet/slots/{unit}", "slot or unit", slot));
            return new SheetPlan(layout, sheet.Slots);
        }
    }
}
