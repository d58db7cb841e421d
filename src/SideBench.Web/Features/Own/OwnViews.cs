using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Own;
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
                    .Shop.Models.Values.OrderBy(m => m.Taught is null)
                    .ThenBy(m => m.FullName, StringComparer.Ordinal)
                    .Select(m => new ModelLine(
                        m.Id,
                        m.FullName,
                        m.Kind,
                        m.Taught is not null,
                        m.Version,
                        m.Taught?.Figures.Count(f => f.Value.Seen == 0) ?? 0,
                        m.SerialPrefix
                    )),
            ],
            [
                .. KindAnswers.Questions.Select(q => new KindQuestion(
                    q.Axis,
                    q.Asks,
                    [.. q.Options.Select(o => new WordChoice(o.Id, o.Says))]
                )),
            ],
            [.. books.Shop.Numbers.Of<SheetNumbers>().Teach.Inks.Select(i => i.Ink)],
            [.. books.Shop.Models.Values.Where(m => m.Taught is not null).Select(m => m.Id)],
            [.. books.LeftOut.Select(ProblemText.Line)]
        );

    /// <summary>Answers to what the panel says, as a code can be one.</summary>
    public static IEnumerable<(string Id, string Name)> ReadsOf(BenchBooks books) =>
        books.Shop.Book.Findings.First(f => f.Id == CodeOdds.Finding).Outcomes.Where(o => o.Id != "none").Select(o => (o.Id, o.Label));

    /// <summary>One model.</summary>
    public static ModelPageView One(BenchBooks books, MachineModel model)
    {
        var graph = books.Shop.Graphs.GetValueOrDefault(model.Id);
        var openings = graph?.Openings ?? [];
        var figures = ModelFigures.Of(model);
        var parts = graph?.Parts.Where(p => openings.Count == 0 || OpeningTaught.Seen(openings, p.Id) > 0) ?? [];
        return new ModelPageView(
            books.Version,
            model.Id,
            model.FullName,
            model.Kind,
            model.Taught is not null,
            model.Version,
            books.Shop.Models.GetValueOrDefault(model.Taught?.Like ?? "")?.FullName ?? "",
            model.SerialPrefix,
            model.WasteAt,
            model.Cautions,
            [.. model.Slots.Select(s => new OwnSlot(s.Panel, s.Ink, s.InkKind, s.Cartridge, s.Bay, s.FromFront, s.FromBack))],
            [.. figures.Select(f => View(f, model.Taught?.Figures.GetValueOrDefault(f.Pointer)))],
            [.. Helps(books, model, figures)],
            [.. model.Codes.Select(c => new OwnCodeView(c.Code, c.Says, c.Complaint, c.Reads))],
            [.. ReadsOf(books).Select(o => new WordChoice(o.Id, o.Name))],
            [.. books.Shop.Book.Complaints.Select(c => new WordChoice(c.Id, c.Name))],
            model.Sheet?.Layout.Name ?? "",
            openings.Count,
            [
                .. parts.Select(p => new TaughtPartView(
                    p.Id,
                    p.Name,
                    p.View,
                    [.. p.After.SelectMany(line => line).Select(id => graph!.Part(id)?.Name ?? id)],
                    OpeningTaught.Seen(openings, p.Id),
                    p.OutMin
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

    // What a figure not known costs: how wide it is, times how many of this shop's jobs ask for it.
    private static IEnumerable<HelpView> Helps(BenchBooks books, MachineModel model, IReadOnlyList<ModelFigure> figures)
    {
        if (model.Taught is null)
            return [];
        var jobs = books.Verdicts.GroupBy(v => v.Complaint).ToDictionary(g => g.Key, g => g.Sum(v => v.Jobs));
        var helps = books.Shop.Numbers.Of<OwnNumbers>().Helps;
        return figures
            .Where(f => model.Taught.IsDefault(f.Pointer))
            .Select(f =>
            {
                var complaints = helps
                    .Where(h => f.Pointer.StartsWith(h.Key, StringComparison.Ordinal))
                    .SelectMany(h => h.Value)
                    .ToHashSet();
                var asked = complaints.Sum(c => jobs.GetValueOrDefault(c));
                return (
                    Figure: f,
                    Asked: asked,
                    Cost: Math.Log(model.Taught.Figures[f.Pointer].Factor) * (1 + asked) * (complaints.Count > 0 ? 1 : 0)
                );
            })
            .Where(h => h.Cost > 0)
            .OrderByDescending(h => h.Cost)
            .ThenBy(h => h.Figure.Pointer, StringComparer.Ordinal)
            // One figure of a sort stands for its like: the next most useful is another thing to do.
            .DistinctBy(h => h.Figure.Pointer.Split('/') is [var sort, _, var last] ? $"{sort}/{last}" : h.Figure.Pointer)
            .Take(HelpsShown)
            .Select(h => new HelpView(
                h.Figure.Pointer,
                h.Figure.Name,
                h.Asked > 0
                    ? $"{h.Asked} of this shop’s jobs turned on such a figure."
                    : "Its band is the widest of those that plans go by."
            ));
    }
}
