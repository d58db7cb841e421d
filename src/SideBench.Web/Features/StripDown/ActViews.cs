using SideBench.Core.Machines;
using SideBench.Core.StripDown;

namespace SideBench.Web.Features.StripDown;

/// <summary>Lays things for the hand out, one by one.</summary>
internal static class ActViews
{
    public static ActView Off(Removal removal, MachinePart part, OpeningState opening, string section, string word)
    {
        var line = opening.Off.LastOrDefault(o => o.Removal == removal.Id);
        return new ActView(
            removal.Id,
            "off",
            "",
            section,
            removal.Title,
            removal.Detail,
            removal.Text,
            removal.View,
            removal.Tool,
            part.Id,
            removal.Id,
            "",
            removal.Count,
            part.Cautions,
            removal.IsPart ? part.Sign : "",
            [],
            removal.Out.Value,
            opening.Done.Contains(removal.Id),
            "",
            line?.Person ?? "",
            line?.At,
            null,
            null,
            false,
            Photos(opening, removal.Id),
            word,
            [],
            null,
            "",
            part.Spends == "cut",
            "",
            "",
            "",
            [],
            ""
        );
    }

    public static ActView Back(BackStep step, string section) =>
        new(
            $"back-{step.Item.Id}",
            "back",
            "",
            section,
            step.Title,
            step.Text,
            step.Text,
            step.View,
            step.Tool,
            step.Item.Part ?? "",
            step.Item.Removal ?? "",
            step.Item.Id,
            step.Item.Count,
            [],
            "",
            step.Checks,
            step.Back.Value,
            false,
            "",
            "",
            null,
            null,
            null,
            false,
            [],
            "",
            [],
            null,
            "",
            false,
            "",
            "",
            "",
            [],
            ""
        );

    public static ActView Step(
        GuideStep step,
        MachineModel model,
        GuideRun? run,
        OpeningState opening,
        IReadOnlyCollection<string> consents,
        string rules
    )
    {
        var tick = run?.Ticks.GetValueOrDefault(step.Id);
        var photos = run is null ? [] : Photos(opening, $"{run.Id}:{step.Id}");
        var word = step.Word.Length > 0 && !consents.Contains(step.Word) ? step.Word : "";
        return new ActView(
            $"step-{step.Id}",
            step.Kind.ToString().ToLowerInvariant(),
            "",
            "",
            step.Title,
            step.Text.Length > 0 ? step.Text : step.Sign,
            step.Text,
            step.View,
            "",
            "",
            "",
            "",
            0,
            step.Disposes && rules.Length > 0 ? [.. step.Cautions, rules] : step.Cautions,
            step.Sign,
            [],
            step.Hands.Value,
            tick is not null,
            tick?.Outcome ?? "",
            tick?.Person ?? "",
            tick?.At,
            step.Measure is { } m ? new MeasureView(m.Label, m.Unit, m.Min, m.Max) : null,
            tick?.Value,
            step.Photo && photos.Count == 0,
            photos,
            word,
            [.. step.Branches.Select(b => new BranchView(b.Id, b.Label, b.Text))],
            step.Wait is { } w ? new WaitView(w.Label, w.Least.Value, w.Most?.Value) : null,
            step.Differs,
            step.Irreversible,
            step.Window,
            run?.Id ?? "",
            step.Id,
            [.. step.Does.Select(d => new DoesView(d.Repair, d.Label))],
            step.Stays?.As ?? ""
        )
        {
            Drawing = Drawing(step, model),
        };
    }

    // Nothing is drawn of which the model tells nothing.
    private static DrawingView? Drawing(GuideStep step, MachineModel model) =>
        (step.Drawing, model.Waste) switch
        {
            ("stack", { Stack: { Count: > 0 } stack }) => new DrawingView("stack", model.Id, model.FullName, stack, null),
            ("hole", { Hole: { } hole }) => new DrawingView("hole", model.Id, model.FullName, [], hole),
            _ => null,
        };

    public static IReadOnlyList<ActView> Numbered(IEnumerable<ActView> acts) => [.. acts.Select((a, i) => a with { Number = $"{i + 1}" })];

    /// <summary>What opens or closes within a step, numbered below that step, so that a guide's own numbers stay.</summary>
    public static IEnumerable<ActView> Within(int number, IEnumerable<ActView> acts) =>
        acts.Select((a, i) => a with { Number = $"{number}.{i + 1}" });

    private static List<string> Photos(OpeningState opening, string of) =>
        [.. opening.Photos.Where(p => p.Of == of).Select(p => p.Picture)];
}
