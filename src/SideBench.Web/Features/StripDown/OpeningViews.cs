using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using SideBench.Core.Waste;
using SideBench.Data.Jobs;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.StripDown;

/// <summary>Lays the page of opening up out. No rules here: only what the core says, in the page's shape.</summary>
internal static class OpeningViews
{
    private const string WayInSection = "Way in";
    private const string WayBackSection = "Way back";

    public static OpeningView Of(
        LoadedJob loaded,
        JobCase job,
        BenchBooks books,
        AccessGraph graph,
        IReadOnlyList<DueForecast> due,
        string? run
    )
    {
        var (row, shop, rules) = (loaded.Row, books.Shop, LocalRules.In(books.ShopLines));
        var (state, opening, handling) = (job.State, job.State.Opening, shop.Numbers.Of<Handling>());
        var following = opening.Runs.LastOrDefault(r => run is not null ? r.Id == run : r.Ended is null);
        var inWarranty = job.Facts.Context["warranty"] == "in";
        var targets = following?.Next is { Kind: StepKind.Open } open
            ? GuideTargets.Of(open, graph, following.Begun.Slot)
            : opening.Targets;
        var view = ViewNow(opening, graph);
        var done = opening.DoneOn(graph, state.Tray);
        var way = WayIn.To(graph, targets, handling, done, inWarranty, view);
        var whole = WayIn.To(graph, targets, handling, null, inWarranty);
        var back = WayBack.Of(graph, state.Tray, handling, view);
        var backActs = ActViews.Numbered(back.Steps.Select(s => ActViews.Back(s, WayBackSection)));
        IReadOnlyList<ActView> acts = following is null
            ? ActViews.Numbered(Opened(job, graph, way, targets))
            : [.. Followed(job, graph, following, way, back, rules)];
        return new OpeningView(
            row.Id.Value,
            row.Tag,
            job.Book.Model.Id,
            job.Book.Model.FullName,
            state.Version,
            state.Closing is not null,
            inWarranty,
            shop.Book.House.Currency,
            targets,
            AskedFor(job, graph),
            [.. graph.Parts.Select(p => Part(p, graph, job, done))],
            whole.Parts.Count,
            whole.Out.Value,
            whole.Back.Value,
            whole.Tools,
            whole.Needs,
            [.. whole.Spends.Where(p => OpeningWork.WordFor(job, p) is not null).Select(p => p.Name)],
            LeaveAlone(graph, way, whole),
            acts,
            Current(acts),
            [.. state.Tray.Select(i => Card(i, state, graph))],
            backActs,
            back.Hands.Value,
            [.. Offers(job, shop, graph, targets, due)],
            following is null ? null : Run(following, job, shop),
            [.. shop.GuidesFor(job.Book.Model).OrderByDescending(g => GuideOrder.ChanceOf(g, job)).Select(g => GuideLine(g, job, graph))],
            [.. job.Book.Model.Slots.Select(s => new SlotOfMachine(s.Panel, s.Ink))],
            job.Thread.Slot,
            GuideWork.InTheWay(state, "power", false),
            GuideWork.InTheWay(state, "moving", true),
            [.. Changes(job, shop)],
            [.. opening.StaysChanged.Select(c => $"{c.Key.Replace('-', ' ').Replace(":", ", ")}: {c.Value}")],
            job.Book.Model.Taught is null
                ? 0
                : OpeningSeen.Of(TakenBack.Without(loaded.Entries), graph, shop.Numbers.Of<OwnNumbers>()).Count
        );
    }

    /// <summary>A guide on paper: every step, with the way in as it is on a closed machine.</summary>
    public static GuidePageView Paper(Guide guide, BenchBooks books, Core.Machines.MachineModel model, AccessGraph graph)
    {
        var (shop, rules) = (books.Shop, LocalRules.In(books.ShopLines));
        var steps = guide.StepsFor(new Facts { Model = model, Context = new Dictionary<string, string>() });
        var handling = shop.Numbers.Of<Handling>();
        var tools = new List<string>(guide.Tools);
        var needs = new List<string>(guide.Needs);
        var leave = new List<string>();
        var acts = steps
            .SelectMany(
                (step, i) =>
                {
                    var act = ActViews.Step(step, model, null, OpeningState.New, [], rules) with
                    {
                        Section = guide.Name,
                        Number = $"{i + 1}",
                    };
                    if (step.Kind != StepKind.Open)
                        return [act];
                    var way = WayIn.To(graph, GuideTargets.Of(step, graph, 0), handling);
                    tools.AddRange(way.Tools);
                    needs.AddRange(way.Needs);
                    leave.AddRange(way.LeaveAlone);
                    return ActViews
                        .Within(i + 1, way.Steps.Select(r => ActViews.Off(r, graph.Part(r.Part)!, OpeningState.New, step.Title, "")))
                        .Prepend(act);
                }
            )
            .ToList();
        return new GuidePageView(
            guide.Id,
            guide.Name,
            guide.Version,
            guide.Purpose,
            model.Id,
            model.FullName,
            [.. shop.MachinesFor(guide).OrderBy(m => m.FullName, StringComparer.Ordinal).Select(m => new GuideModel(m.Id, m.FullName))],
            [.. tools.Distinct()],
            [.. needs.Distinct()],
            [.. StepWindow.Of(guide.Windows, steps, model).Select(w => Window(w, null))],
            acts,
            [.. leave.Distinct()]
        );
    }

    // What the machine has, and what its model can have.
    private static IEnumerable<ChangeView> Changes(JobCase job, Shop shop) =>
        shop
            .Changes.Select(change => (change, made: job.State.Machine.Modifications.GetValueOrDefault((LastingChange.Key, change.Id))))
            .Where(c => c.made is not null || c.change.CanBeOn(job.Book.Model))
            .Select(c => new ChangeView(
                c.change.Id,
                c.change.Name,
                c.change.Says,
                c.made is not null,
                c.change.ForEver,
                c.change.Undo,
                c.made?.Since
            ));

    // The side before the hand: that of what was done last.
    private static string ViewNow(OpeningState opening, AccessGraph graph) =>
        opening.Off.Count > 0 && Removals.Find(graph, opening.Off[^1].Removal) is { View: not "top" } last ? last.View : "front";

    // What came off, in its order, then what is still to come off.
    private static IEnumerable<ActView> Opened(JobCase job, AccessGraph graph, OpeningWay way, IReadOnlyList<string> targets)
    {
        foreach (var act in OffSoFar(job, graph))
            yield return act;
        if (targets.Count == 0)
            yield break;
        foreach (var step in way.Steps)
            yield return Act(step, job, graph);
    }

    private static IEnumerable<ActView> OffSoFar(JobCase job, AccessGraph graph)
    {
        var (opening, tray) = (job.State.Opening, job.State.Tray);
        return tray.Where(i => i.Removal is null)
            .Select(i => Removals.For(graph, i)?.Id)
            .OfType<string>()
            .Concat(opening.Off.Select(o => o.Removal))
            .Distinct()
            .Where(opening.DoneOn(graph, tray).Contains)
            .Select(id => Removals.Find(graph, id))
            .OfType<Removal>()
            .Select(r => Act(r, job, graph) with { Done = true });
    }

    private static ActView Act(Removal step, JobCase job, AccessGraph graph)
    {
        var part = graph.Part(step.Part)!;
        return ActViews.Off(step, part, job.State.Opening, WayInSection, OpeningWork.WordFor(job, part) ?? "") with
        {
            Differs = SureOf(graph, part.Id, job.Book.Model),
        };
    }

    // How sure a step of a taught way in is; nothing of a graph that was written.
    private static string SureOf(AccessGraph graph, string part, MachineModel model) =>
        (graph.Openings.Count, graph.Seen(part)) switch
        {
            (0, _) => model.Taught is { Like.Length: > 0 } ? "As its family opens: nobody has taught how this one does." : "",
            (_, 0) => model.Taught is { Like.Length: > 0 } ? "As its family opens: nobody has seen it come off here." : "",
            (1, _) => "As it came off the one time that was taught.",
            var (all, seen) => $"Came off in {seen} of {all} openings that were taught.",
        };

    // A guide's steps; where it opens, the way in as it is now; where it closes, the way back from the tray.
    private static IEnumerable<ActView> Followed(JobCase job, AccessGraph graph, GuideRun run, OpeningWay way, BackWay back, string rules)
    {
        foreach (var (step, i) in run.Begun.Steps.Select((step, i) => (step, i)))
        {
            var act = ActViews.Step(step, job.Book.Model, run, job.State.Opening, job.State.Consents, rules) with { Number = $"{i + 1}" };
            IEnumerable<ActView> within =
                step != run.Next ? []
                : step.Kind == StepKind.Open
                    ? OffSoFar(job, graph)
                        .Concat(way.Steps.Select(s => Act(s, job, graph)))
                        .Select(off => off with { Section = step.Title })
                : step.Kind == StepKind.Back ? back.Steps.Select(undo => ActViews.Back(undo, step.Title))
                : [];
            foreach (var inner in ActViews.Within(i + 1, within))
                yield return inner;
            yield return act;
        }
    }

    private static string Current(IReadOnlyList<ActView> acts) => acts.FirstOrDefault(a => !a.Done)?.Key ?? "";

    private static List<string> LeaveAlone(AccessGraph graph, OpeningWay way, OpeningWay whole) =>
        [
            .. way
                .LeaveAlone.Concat(whole.LeaveAlone)
                .Concat(graph.LeaveAlone)
                .Where(line => line.Length > 0)
                .Select(line => $"{char.ToUpperInvariant(line[0])}{line[1..].TrimEnd('.')}.")
                .Distinct(),
        ];

    private static MachinePartView Part(MachinePart part, AccessGraph graph, JobCase job, IReadOnlySet<string> done)
    {
        var opening = job.State.Opening;
        return new MachinePartView(
            part.Id,
            part.Name,
            part.Way.ToString().ToLowerInvariant(),
            part.View,
            part.At.X,
            part.At.Y,
            part.At.Width,
            part.At.Height,
            part.Slot,
            job.Book.Model.Slots.FirstOrDefault(s => s.Panel == part.Slot)?.Colour ?? "",
            part.Number,
            done.Contains(part.Id),
            opening.StaysOff.GetValueOrDefault(part.Id, ""),
            graph.LayerOf(part),
            [.. part.Fasteners.Select(f => Fasteners(part, f, opening))],
            [.. part.Catches.SelectMany(c => c.At).Select(s => new SpotView(s.X, s.Y))]
        );
    }

    private static FastenersView Fasteners(MachinePart part, FastenerGroup group, OpeningState opening)
    {
        var removal = $"{part.Id}:{group.Id}";
        var count = opening.Counts.GetValueOrDefault(removal, new FastenerCount(group.Count));
        return new FastenersView(
            removal,
            group.Name,
            group.Count,
            group.Kind,
            group.Driver,
            group.LengthMm,
            group.Collared,
            group.LoosenOnly,
            group.MayStayEmpty,
            group.View,
            [.. group.At.Select(s => new SpotView(s.X, s.Y))],
            count.Out,
            count.Lost,
            count.In,
            count.OnTray,
            count.Empty
        );
    }

    private static TrayCardView Card(TrayItem item, JobState state, AccessGraph graph)
    {
        var part = item.Part is { } id ? graph.Part(id) : null;
        var group = part?.Fasteners.FirstOrDefault(f => $"{part.Id}:{f.Id}" == item.Removal);
        var line = state.Opening.Off.LastOrDefault(o => o.Removal == item.Removal);
        var lost = item.Removal is { } removal && state.Opening.Counts.TryGetValue(removal, out var count) ? count.Lost : 0;
        return new TrayCardView(
            item.Id,
            item.Removal ?? "",
            item.Part ?? "",
            item.Label,
            item.Change,
            item.Count,
            lost,
            item.Undo,
            line?.At,
            line?.Person ?? "",
            item.Forbids,
            group is null ? null : Fasteners(part!, group, state.Opening),
            [.. WayBack.Before(graph, state.Tray, item).Select(b => $"{b.Label} {b.Change}")]
        );
    }

    private static AskedForView? AskedFor(JobCase job, AccessGraph graph)
    {
        if (job.Advice.Chosen?.Step is not { } step || !step.Tags.Contains("opens"))
            return null;
        var parts = graph.For(step.Station, job.Thread.Slot);
        return parts.Count == 0
            ? null
            : new AskedForView(step.Name, [.. parts.Select(p => p.Id)], [.. parts.Select(p => p.Name.ToLowerInvariant())]);
    }

    private static IEnumerable<OfferView> Offers(
        JobCase job,
        Shop shop,
        AccessGraph graph,
        IReadOnlyList<string> targets,
        IReadOnlyList<DueForecast> due
    )
    {
        if (targets.Count == 0 && job.State.Opening.Off.Count == 0)
            return [];
        return WhileOpen
            .Of(
                graph,
                targets,
                job.State.Opening.DoneOn(graph, job.State.Tray),
                due,
                shop.Numbers.Of<Handling>(),
                new Money((decimal)shop.Book.House.BenchPerHour, shop.Book.House.Currency)
            )
            .Select(o => new OfferView(
                o.Due.Service.Id,
                o.Due.Service.Name,
                o.Says,
                o.Now.Value,
                o.OwnVisit.Value,
                o.Saved,
                o.ThrownAway,
                o.IsWorth,
                o.Due.In.TotalDays,
                o.Due.Service.Targets
            ));
    }

    private static GuideLineView GuideLine(Guide guide, JobCase job, AccessGraph graph)
    {
        var steps = guide.StepsFor(new Facts { Model = job.Book.Model, Context = new Dictionary<string, string>() });
        return new GuideLineView(
            guide.Id,
            guide.Name,
            guide.Purpose,
            GuideOrder.ChanceOf(guide, job) >= job.Book.Book.House.LeastToLead
                || job.Advice.Chosen?.Step is { } step && guide.Repairs.Contains(step.Id),
            steps.Any(s => GuideTargets.Of(s, graph, 0).Any(id => graph.Part(id)!.Slot > 0)),
            steps.Sum(s => s.Hands.Value),
            [.. StepWindow.Of(guide.Windows, steps, job.Book.Model).Where(w => !w.Fits).Select(w => w.Window.Name)]
        );
    }

    private static RunView Run(GuideRun run, JobCase job, Shop shop)
    {
        var now = shop.Guides.FirstOrDefault(g => g.Id == run.Begun.Guide);
        var windows = StepWindow.Of(run.Begun.Windows, run.Begun.Steps, job.Book.Model);
        return new RunView(
            run.Id,
            run.Begun.Guide,
            run.Begun.Name,
            now?.Purpose ?? "",
            run.Begun.Version,
            now is not null && now.Version != run.Begun.Version,
            now?.Version ?? 0,
            run.Ended is not null,
            run.Ticks.Count,
            run.Begun.Steps.Count,
            [
                .. windows.Select(w =>
                    Window(w, job.State.Clocks.LastOrDefault(c => c.Kind == "window" && c.Label == w.Window.Name)?.EndsAt)
                ),
            ],
            now?.Tools ?? [],
            now?.Needs ?? [],
            run.Begun.Slot
        );
    }

    private static WindowView Window(StepWindow w, DateTimeOffset? endsAt) =>
        new(w.Window.Id, w.Window.Name, w.Lasts?.Value, w.Hands.Value, w.Fits, w.Window.Ready, endsAt, w.Window.OpensAt);
}
