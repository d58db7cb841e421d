using SideBench.Core.Machines;

namespace SideBench.Core.Own;

/// <summary>A figure as a family has it.</summary>
/// <param name="Value">The middle, in the figure's unit.</param>
/// <param name="Factor">In 8 of 10 machines of the family it lies within this factor, up and down.</param>
public readonly record struct FamilyFigure(double Value, double Factor);

/// <summary>What is taken for a machine of which only its kind is known: the nearest known model, and its family's figures.</summary>
public static class FamilyDefaults
{
    /// <summary>How far two kinds are apart, in the weights of the house numbers; 0 when every answer is the same.</summary>
    public static double Apart(IReadOnlyDictionary<string, string> answers, MachineModel model, OwnNumbers numbers) =>
        numbers.AxisWeights.Sum(w =>
            answers.TryGetValue(w.Key, out var said) && said != model.Axes.GetValueOrDefault(w.Key, "no") ? w.Value : 0
        );

    /// <summary>
    /// The model that stands for the family: the one that was named, or the nearest. One that is partly made of family defaults itself
    /// stands for none unless it is named.
    /// </summary>
    public static MachineModel Nearest(KindAnswers answers, IReadOnlyCollection<MachineModel> known, OwnNumbers numbers) =>
        known.FirstOrDefault(m => m.Id == answers.Like)
        ?? known
            .Where(m => m.Taught?.Figures.Values.Any(f => f.Seen == 0) != true)
            .OrderBy(m => Apart(answers.Axes, m, numbers))
            .ThenBy(m => Math.Abs(m.Slots.Count - answers.Inks.Count))
            .ThenBy(m => m.Id, StringComparer.Ordinal)
            .First();

    /// <summary>
    /// Every figure of the nearest model as the family has it: geometric mean and spread over the family. A default is no witness of its
    /// family: it was taken from it, and would only make the band look narrower.
    /// </summary>
    /// <param name="nearest">The model that stands for the family.</param>
    /// <param name="known">Models there are; those of the same delivery and place of the head are the family.</param>
    /// <param name="numbers">House numbers.</param>
    public static IReadOnlyDictionary<string, FamilyFigure> Figures(
        MachineModel nearest,
        IReadOnlyCollection<MachineModel> known,
        OwnNumbers numbers
    )
    {
        string[] same = ["delivery", "headPlace"];
        var family = known.Where(m => same.All(a => m.Axes.GetValueOrDefault(a) == nearest.Axes.GetValueOrDefault(a))).ToList();
        return ModelFigures
            .Of(nearest)
            .Where(f => f.Value > 0)
            .ToDictionary(
                f => f.Pointer,
                f =>
                {
                    var logs = family
                        .Where(m => m.Taught?.IsDefault(f.Pointer) != true)
                        .SelectMany(m => ModelFigures.Of(m))
                        .Where(o => o.Pointer == f.Pointer && o.Value > 0)
                        .Select(o => Math.Log(o.Value))
                        .ToList();
                    // Nobody of the family told it: as the named model has it, as widely as that is known.
                    if (logs.Count == 0)
                        return new FamilyFigure(
                            f.Value,
                            Math.Max(numbers.LeastFactor, nearest.Taught?.Figures.GetValueOrDefault(f.Pointer)?.Factor ?? 1)
                        );
                    var mean = logs.Average();
                    var spread = Math.Sqrt(logs.Sum(l => (l - mean) * (l - mean)) / Math.Max(1, logs.Count - 1));
                    return new FamilyFigure(Math.Exp(mean), Math.Max(numbers.LeastFactor, Math.Exp(FigureBelief.Spreads * spread)));
                }
            );
    }
}
