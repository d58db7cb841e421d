using System.Globalization;
using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;

namespace SideBench.Web.Features.Ink;

/// <summary>Lays out whether the ink lasts a run.</summary>
internal static class InkRuns
{
    /// <summary>Coverage by slot, written as <c>1:4.5,2:12</c>; null when none was told.</summary>
    public static Dictionary<int, double>? Covers(List<Problem> problems, string? covers)
    {
        if (string.IsNullOrWhiteSpace(covers))
            return null;
        var read = new Dictionary<int, double>();
        foreach (var part in covers.Split(','))
        {
            var pair = part.Split(':');
            if (
                pair.Length != 2
                || !int.TryParse(pair[0], NumberStyles.None, CultureInfo.InvariantCulture, out var slot)
                || !double.TryParse(pair[1], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var pct)
                || pct > 100
                || !read.TryAdd(slot, pct)
            )
            {
                problems.Add(new Problem(ProblemCode.UnknownWord, "/covers", part, "slot:percent, each slot once, such as 1:4.5,2:12"));
                break;
            }
        }

        return read;
    }

    /// <summary>The answer.</summary>
    public static Outcome<InkRunView> Of(
        JobCase job,
        InkNumbers numbers,
        DateTimeOffset now,
        int pages,
        Func<int, double> cover,
        double size
    )
    {
        var model = job.Book.Model;
        var run = InkRun.Of(model, SlotOnMachine.All(model, job.State, numbers, now), numbers, pages, cover, size);
        var first = run.Slots.Count > 0 ? run.Slots[0] : null;
        var brief = run.Slots.Where(s => s.Pages.Low < pages).ToList();
        var unknown = model
            .Slots.Where(s => cover(s.Panel) > 0 && run.Slots.All(r => r.Slot.Slot.Panel != s.Panel))
            .Select(s => s.Ink)
            .ToList();
        var but = unknown.Count == 0 || first is null ? "" : $" Not known: {string.Join(", ", unknown)}.";
        var yes = unknown.Count == 0 ? "Yes" : "Yes, as far as is known";
        return new InkRunView(
            run.Lasts && unknown.Count == 0,
            (
                first is null ? "Nothing is known of what is in the slots: read the chips or weigh."
                : run.Lasts ? $"{yes}. {first.Slot.Slot.Ink} is the nearest: good for {first.Pages.Low:0} pages at least."
                : first.Pages.Best < pages
                    ? $"No. {first.Slot.Slot.Ink} stops it after page {first.Pages.Best:0} ({first.Pages.Low:0} to {first.Pages.High:0})."
                : $"Not surely. {first.Slot.Slot.Ink} may stop it after page {first.Pages.Low:0}."
            ) + but,
            After(brief),
            run.PageMl,
            [.. run.Slots.Select(s => new SlotRunView(s.Slot.Slot.Panel, s.Slot.Slot.Ink, InkViews.Figure(s.Pages), s.AddMl, s.Fits))]
        );
    }

    // What is not filled is replaced, whatever it lacks.
    private static string After(IReadOnlyList<SlotRun> brief)
    {
        var bought = brief.Where(s => !s.Slot.Type!.IsFilled).Select(s => s.Slot.Slot.Ink).ToList();
        var filled = brief.Where(s => s.Slot.Type!.IsFilled).ToList();
        var small = filled.Where(s => !s.Fits).Select(s => s.Slot.Slot.Ink).ToList();
        List<string> parts =
        [
            .. filled.Any(s => s.Fits)
                ? ["To add: " + string.Join(", ", filled.Where(s => s.Fits).Select(s => $"{s.Slot.Slot.Ink} {s.AddMl:0.#} ml")) + "."]
                : Array.Empty<string>(),
            .. small.Count > 0 ? [$"No fill is enough for {string.Join(", ", small)}: top up on the way."] : Array.Empty<string>(),
            .. bought.Count > 0 ? [$"New ones at hand: {string.Join(", ", bought)}."] : Array.Empty<string>(),
        ];
        return string.Join(" ", parts);
    }
}
