using System.Globalization;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Data.Jobs;
using SideBench.Packs;

namespace SideBench.Web.Features.Nozzles;

/// <summary>Nozzle sheets as pages show them.</summary>
public static class SheetViews
{
    /// <summary>All sheets of a job's machine, one of them in full.</summary>
    public static SheetsView Of(JobRow row, JobCase job, SheetPage page, Func<int, JobCase> caseOf)
    {
        var (life, sheet) = (page.Life, page.Shown);
        var model = job.Book.Model;
        var shown = sheet is null ? life.LastOrDefault(s => s.Job == row.Id) ?? life.LastOrDefault() : life.First(s => s.Sheet.Id == sheet);
        return new SheetsView(
            row.Id.Value,
            row.Version,
            model.FullName,
            job.Book.Complaint.Name,
            job.State.Closing is null,
            model.Sheet is { } plan ? Layout(plan.Layout, plan) : null,
            [.. life.Select(Line)],
            shown is null || model.Sheet is null ? null : Sheet(shown, page, model.Sheet, job.State),
            Next(job, caseOf),
            page.Devices
        );
    }

    /// <summary>A layout, for drawing.</summary>
    public static LayoutView Layout(SheetLayout layout, SheetPlan? plan) =>
        new(
            layout.Id,
            layout.Name,
            layout.PageWidthMm,
            layout.PageHeightMm,
            [
                .. layout.Units.Select(u => new UnitShape(
                    u.Id,
                    u.Ink,
                    $"#{u.Color.R:x2}{u.Color.G:x2}{u.Color.B:x2}",
                    u.Faint,
                    u.Nozzles,
                    plan?.Slots.GetValueOrDefault(u.Id) ?? 0,
                    u.Block.XMm,
                    u.Block.YMm,
                    u.Block.Columns,
                    u.Block.ColumnPitchMm,
                    u.Block.RowPitchMm,
                    u.Block.StairStepMm,
                    u.Block.DashLengthMm,
                    u.Block.DashThicknessMm
                )),
            ],
            [.. layout.Marks.Select(m => new MarkShape(m.Ink, m.X1, m.Y1, m.X2, m.Y2, m.SizeMm, m.Text))]
        );

    private static SheetLineView Line(SheetLife life)
    {
        int[] missing = [.. life.Sheet.Units.Select(u => u.MissingCount)];
        return new SheetLineView(
            life.Sheet.Id,
            life.Job.Value,
            life.Sheet.At,
            life.Sheet.Read.Way,
            life.Sheet.CleansBefore,
            missing.Sum(),
            missing,
            life.Sheet.Read.MadeUp
        );
    }

    private static SheetView Sheet(SheetLife life, SheetPage page, SheetPlan plan, JobState state)
    {
        var (all, against) = (page.Life, page.Against);
        var (sheet, at) = (life.Sheet, all.IndexOf(life));
        // Without a wish it is compared with the first sheet of its job: what all the work since has brought.
        var other = against is null
            ? all.FirstOrDefault(s => s.Job == life.Job && s.Sheet.Entry < sheet.Entry)
                ?? all.LastOrDefault(s => s.Sheet.Entry < sheet.Entry)
            : all.FirstOrDefault(s => s.Sheet.Id == against);
        var changes = other is null
            ? []
            : sheet
                .Units.Select(u =>
                    other.Sheet.Units.FirstOrDefault(o => o.Id == u.Id) is { } before ? SheetComparison.Of(before, u, page.House) : null
                )
                .OfType<SheetComparison>()
                .ToList();
        var (title, says) = SheetWords.Reading(sheet.Units, changes);
        var units = sheet
            .Units.Select(u =>
                Unit(
                    u,
                    sheet.Read.Units.FirstOrDefault(r => r.Id == u.Id),
                    other?.Sheet.Units.FirstOrDefault(o => o.Id == u.Id),
                    changes.FirstOrDefault(c => c.Unit == u.Id),
                    page.House.WorthSaying
                )
            )
            .ToList();
        var picture = sheet.Read.Picture;
        return new SheetView(
            sheet.Id,
            life.Job.Value,
            at + 1,
            sheet.At,
            life.By,
            sheet.Read.Way,
            picture,
            After(sheet, state),
            other?.Sheet.Id,
            other is null ? null : all.IndexOf(other) + 1,
            units,
            title,
            says,
            Handling(sheet.Read, page.House),
            sheet.Units.Where(u => !u.IsTooFaint).Sum(u => u.Unsure.Count),
            sheet.PutRight,
            picture is null || sheet.Read.Map is null ? [] : Dashes(sheet.Read.Map, plan.Layout),
            sheet.Read.MadeUp
        );
    }

    private static string After(SheetOnJob sheet, JobState state)
    {
        if (state.Sheets.All(s => s.Id != sheet.Id))
            return "an earlier visit";
        if (sheet.CleansBefore > 0)
            return $"after clean {sheet.CleansBefore}";
        return "before any clean";
    }

    private static UnitView Unit(UnitLine unit, UnitLine? read, UnitLine? before, SheetComparison? change, double worthSaying) =>
        new(
            unit.Id,
            unit.Nozzles,
            read is not null && read.Nozzles != unit.Nozzles ? read.Nozzles : null,
            unit.Unsure,
            ResultFile.Name(unit.Pattern),
            unit.Odds.GetValueOrDefault(unit.Pattern),
            [
                .. unit
                    .Odds.Where(o => o.Value >= worthSaying)
                    .OrderByDescending(o => o.Value)
                    .Select(o => new OddsOfPattern(ResultFile.Name(o.Key), o.Value)),
            ],
            SheetWords.Of(unit, change),
            SheetWords.Tone(unit, change),
            unit.MissingCount,
            before?.MissingCount,
            change?.CameBack ?? [],
            change?.NewlyMissing ?? [],
            change is { StillMissing.Count: > 0 } or { NewlyMissing.Count: > 0 } ? change.OverlapShare : null,
            change is { StillMissing.Count: > 0 } or { NewlyMissing.Count: > 0 } ? change.ChanceShare : null
        );

    private static List<string> Handling(SheetTaken taken, SheetNumbers house)
    {
        var said = new List<string> { taken.Way };
        if (taken.MadeUp)
            said.Add("made up: a stand-in took it");
        if (taken.Handling is not { } done)
            return said;
        string N(double value, string format) => value.ToString(format, CultureInfo.InvariantCulture);
        said.Add($"{N(done.PxPerMm * 25.4, "0")} dpi on the sheet");
        said.Add(Math.Abs(done.RotationDeg) > 150 ? "stood upside down" : $"turned {N(Math.Abs(done.RotationDeg), "0.0")}°");
        if (done.TiltPct >= house.TiltWorthSayingPct)
            said.Add($"tilt taken out, {N(done.TiltPct, "0")} %");
        if (done.LightPct >= house.LightWorthSayingPct)
            said.Add($"uneven light, {N(done.LightPct, "0")} %");
        if (done.BendMm >= house.CurlWorthSayingMm)
            said.Add($"curl taken out, {N(done.BendMm, "0.0")} mm");
        return said;
    }

    private static List<int> Dashes(PageMap map, SheetLayout layout)
    {
        var ends = new List<int>(layout.Nozzles * 4);
        foreach (var place in DashPlace.Of(layout))
        {
            var half = place.Unit.Block.DashLengthMm / 2;
            var ((x1, y1), (x2, y2)) = (map.At(place.MiddleX - half, place.Y), map.At(place.MiddleX + half, place.Y));
            ends.AddRange([(int)Math.Round(x1), (int)Math.Round(y1), (int)Math.Round(x2), (int)Math.Round(y2)]);
        }

        return ends;
    }

    private static List<SheetActionView> Next(JobCase job, Func<int, JobCase> caseOf) =>
        [
            .. job
                .State.Threads.Where(t => t.IsOpen)
                .Select(t => (Thread: t, Case: t.Id == job.Thread.Id ? job : caseOf(t.Id)))
                .Select(t => new SheetActionView(
                    t.Thread.Id,
                    t.Case.Book.Complaint.Name,
                    t.Thread.Slot > 0 ? t.Case.Book.Model.Slots.First(s => s.Panel == t.Thread.Slot).Ink : "",
                    t.Case.Advice.Chosen?.Step.Name ?? "Look at the thread"
                )),
        ];
}
