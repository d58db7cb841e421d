using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.StripDown;

/// <summary>Whether hands are done before the machine or a fluid takes over.</summary>
/// <param name="Window">The window.</param>
/// <param name="Lasts">How long it is on this model; null when nothing ends it here.</param>
/// <param name="Hands">Hands-on time of its steps.</param>
public sealed record StepWindow(GuideWindow Window, Minutes? Lasts, Minutes Hands)
{
    /// <summary>Whether its steps fit.</summary>
    public bool Fits => Lasts is not { } limit || Hands <= limit;

    /// <summary>The windows of a guide on one model.</summary>
    /// <param name="windows">As written.</param>
    /// <param name="steps">The guide's steps on this model.</param>
    /// <param name="model">The model; its carriage parks itself after its own time.</param>
    public static IReadOnlyList<StepWindow> Of(IReadOnlyList<GuideWindow> windows, IReadOnlyList<GuideStep> steps, MachineModel model) =>
        [
            .. windows
                .Select(w => new StepWindow(
                    w,
                    w.Lasts.Value > 0 ? w.Lasts
                        : model.CarriageOutMin is { } stays ? Minutes.Of(stays)
                        : null,
                    Minutes.Sum(steps.Where(s => s.Window == w.Id).Select(s => s.Hands))
                ))
                .Where(w => steps.Any(s => s.Window == w.Window.Id)),
        ];
}
