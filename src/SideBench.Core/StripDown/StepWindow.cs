using SideBench.Core.Machines;

namespace SideBench.Core.StripDown;

/// <summary>Whether hands are done before the machine or a fluid takes over.</summary>
/// <param name="Window">The window.</param>
/// <param name="Minutes">How long it is on this model, min; null when nothing ends it here.</param>
/// <param name="HandsMin">Hands-on time of its steps, min.</param>
public sealed record StepWindow(GuideWindow Window, double? Minutes, double HandsMin)
{
    /// <summary>Whether its steps fit.</summary>
    public bool Fits => Minutes is not { } limit || HandsMin <= limit;

    /// <summary>The windows of a guide on one model.</summary>
    /// <param name="windows">As written.</param>
    /// <param name="steps">The guide's steps on this model.</param>
    /// <param name="model">The model; its carriage parks itself after its own time.</param>
    public static IReadOnlyList<StepWindow> Of(IReadOnlyList<GuideWindow> windows, IReadOnlyList<GuideStep> steps, MachineModel model) =>
        [
            .. windows
                .Select(w => new StepWindow(
                    w,
                    w.Minutes > 0 ? w.Minutes : model.CarriageOutMin,
                    steps.Where(s => s.Window == w.Id).Sum(s => s.Minutes)
                ))
                .Where(w => steps.Any(s => s.Window == w.Window.Id)),
        ];
}
