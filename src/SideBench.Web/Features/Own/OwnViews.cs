using System.Globalization;
using System.Text;
using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Own;
using SideBench.Packs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Own;

/// <summary>Pages of models.</summary>
internal static class OwnViews
{
    private const int HelpsShown = 3;
    private const int HistoryShown = 30;

    /// <summary>All models.</summary>
    public static ModelsView All(BenchBooks books) =>
        new(
            books.Version,
            [
                .. books
                    .Shop.Models.Values.OrderBy(m => !IsOwn(books, m))
                    .ThenBy(m => m.FullName, StringComparer.Ordinal)
                    .Select(m => new ModelLine(
                        m.Id,
                        m.FullName,
                        m.Kind,
                        IsOwn(books, m),
                        m.Version,
                        m.Taught?.Figures.Count(f => f.Value.Seen == 0) ?? 0,
                        m.SerialPrefix
                    )),
            ],
            [
                .. KindAnswers.Questions.Select(q => new KindQuestion(
                    q.Axis,
                    q.Asks,
                    [.. q.Options.Select(o => new KindChoice(o.Id, o.Says, o.Follows))]
                )),
            ],
            [.. books.Shop.Numbers.Of<SheetNumbers>().Teach.Inks.Select(i => i.Ink)],
            [.. books.Own.Where(f => f.Sort == "machine").Select(f => f.Id)],
            [.. books.LeftOut.Select(ProblemText.Line)]
        );

    /// <summary>Answers to what the panel says, as a code can be one.</summary>
    public static IEnumerable<(string Id, string Name)> ReadsOf(BenchBooks books) =>
        books
            .Shop.Book.Findings.First(f => f.Id == CodeOdds.Finding)
            .Outcomes.Where(o => o.Id != CodeOdds.NoCode)
            .Select(o => (o.Id, o.Label));

    /// <summary>One model.</summary>
    public static ModelPageView One(BenchBooks books, MachineModel model)
    {
        var graph = books.Shop.Graphs.GetValueOrDefault(model.Id);
        var openings = graph?.Openings ?? [];
        var figures = ModelFigures.Of(model);
        // Of a model whose family stands for it, only what was seen on it is known once somebody taught an opening.
        var isGuessed = model.Taught is { Like.Length: > 0 };
        var parts = graph?.Parts.Where(p => openings.Count == 0 || !isGuessed || graph.Seen(p.Id) > 0) ?? [];
        return new ModelPageView(
            books.Version,
            model.Id,
            model.FullName,
            model.Kind,
            IsOwn(books, model),
            model.Version,
            new OwnFiles(books).HouseVersion(model.Id),
            books.Shop.Models.GetValueOrDefault(model.Taught?.Like ?? "")?.FullName ?? "",
            model.SerialPrefix,
            model.WasteAt,
            model.Cautions,
            [
                .. model.Slots.Select(s => new OwnSlot(
                    s.Panel,
                    s.Ink,
                    s.InkKind,
                    s.Cartridge,
                    s.Bay,
                    s.FromFront,
                    s.FromBack,
                    s.Holds.Value
                )),
            ],
            [.. figures.Select(f => View(f, model.Taught?.Figures.GetValueOrDefault(f.Pointer)))],
            [.. Helps(books, model)],
            [.. model.Codes.Select(c => new OwnCodeView(c.Code, c.Says, c.Complaint, c.Reads))],
            [.. ReadsOf(books).Select(o => new WordChoice(o.Id, o.Name))],
            [.. books.Shop.Book.Complaints.Select(c => new WordChoice(c.Id, c.Name))],
            model.Sheet?.Layout.Name ?? "",
            openings.Count,
            [.. books.Shop.Numbers.Of<OwnNumbers>().UsualParts.Select(p => new UsualPartView(p.Name, p.View, p.Way, p.Minutes))],
            [
                .. parts.Select(p => new TaughtPartView(
                    p.Id,
                    p.Name,
                    p.View,
                    p.Way.ToString().ToLowerInvariant(),
                    [.. p.After.Select(line => string.Join(" or ", line.Select(id => graph!.Part(id)?.Name ?? id)))],
                    graph!.Seen(p.Id),
                    p.OutMin,
                    isGuessed && graph.Seen(p.Id) == 0 ? null : Off(TaughtPart.Of(p))
                )),
            ],
            [
                .. books
                    .ShopLines.Where(e => e.Body is OwnFileKept file && file.Id == model.Id)
                    .Reverse()
                    .Take(HistoryShown)
                    .Select(e => $"{e.At:d MMM yyyy}: {e.Body.Says}"),
            ]
        );
    }

    /// <summary>A part as it came off.</summary>
    public static PartOff Off(TaughtPart p) =>
        new(p.Name, p.View, p.Way, p.Screws, p.Driver, p.LengthMm, p.IsCollared, p.IsLoosenOnly, p.Catches, p.Cables, p.Caution, p.Minutes);

    /// <summary>What the record measured.</summary>
    public static MeasuredListView Measured(BenchBooks books, MachineModel model, IReadOnlyList<OwnMeasured.Found> open)
    {
        var farOff = books.Shop.Numbers.Of<OwnNumbers>().FarOff;
        return new MeasuredListView(
            books.Version,
            [
                .. open.Select(f =>
                {
                    var (measure, figure) = (f.Measure, ModelFigures.Find(model, f.Measure.Pointer)!);
                    return new MeasuredView(
                        measure.Key,
                        measure.Pointer,
                        figure.Name,
                        figure.Unit,
                        measure.Value,
                        measure.Value / measure.Factor,
                        measure.Value * measure.Factor,
                        OwnKeeping.BeliefOf(model, figure)?.Off(measure.Value, measure.Factor) > farOff,
                        measure.Says,
                        measure.Line.At,
                        f.Machine,
                        f.Serial
                    );
                }),
            ]
        );
    }

    /// <summary>What a picture taught, laid over it.</summary>
    public static TaughtSheetView Taught(TaughtLayout taught, PixelImage image) =>
        new(
            LayoutWriter.Write(taught.Layout, "Taught from a picture of a good sheet."),
            [.. taught.Layout.Units.Select(u => Laid(u, taught.Lies))],
            image.Width,
            image.Height,
            taught.Doubts,
            taught.Asks
        );

    private static LaidChannelView Laid(SheetUnit unit, PageMap lies)
    {
        var path = new StringBuilder();
        for (var nozzle = 0; nozzle < unit.Nozzles; nozzle++)
        {
            var (x, y) = unit.DashAt(nozzle);
            var (from, to) = (lies.At(x, y), lies.At(x + unit.Block.DashLengthMm, y));
            path.Append(CultureInfo.InvariantCulture, $"M{from.X:0.#} {from.Y:0.#}L{to.X:0.#} {to.Y:0.#}");
        }

        var first = unit.DashAt(0);
        var at = lies.At(first.X, first.Y);
        return new LaidChannelView(unit.Id, unit.Nozzles, path.ToString(), Math.Round(at.X, 1), Math.Round(at.Y, 1));
    }

    private static bool IsOwn(BenchBooks books, MachineModel model) => books.Own.Any(f => f.Sort == "machine" && f.Id == model.Id);

    private static ModelFigureView View(ModelFigure f, TaughtFigure? known) =>
        new(
            f.Pointer,
            f.Name,
            f.Unit,
            f.Group,
            f.Value,
            known is null ? null : f.Value / known.Factor,
            known is null ? null : f.Value * known.Factor,
            known is { Seen: 0 },
            known?.Seen ?? 0,
            f.Most
        );

    private static IEnumerable<HelpView> Helps(BenchBooks books, MachineModel model)
    {
        var jobs = books.Verdicts.GroupBy(v => v.Complaint).ToDictionary(g => g.Key, g => g.Sum(v => v.Jobs));
        return FigureHelp
            .Of(model, books.Shop.Numbers.Of<OwnNumbers>(), jobs, HelpsShown)
            .Select(h => new HelpView(
                h.Figure.Pointer,
                h.Figure.Name,
                h.Jobs > 0 ? $"{h.Jobs} of this shop’s jobs turned on such a figure." : "Its band is among the widest that plans go by."
            ));
    }
}
