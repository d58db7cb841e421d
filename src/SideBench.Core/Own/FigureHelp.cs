using SideBench.Core.Machines;

namespace SideBench.Core.Own;

/// <summary>A figure whose lack costs much.</summary>
/// <param name="Figure">Which.</param>
/// <param name="Jobs">How many of the shop's jobs turned on such a figure.</param>
public sealed record FigureHelp(ModelFigure Figure, int Jobs)
{
    /// <summary>What to measure first: how wide a figure's band is, times how many of this shop's jobs go by it.</summary>
    /// <param name="model">The model; one whose figures are all known needs none.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="jobs">Proved jobs of the shop, by complaint.</param>
    /// <param name="most">So many at most; one figure of a sort stands for its like.</param>
    public static IReadOnlyList<FigureHelp> Of(MachineModel model, OwnNumbers numbers, IReadOnlyDictionary<string, int> jobs, int most)
    {
        if (model.Taught is not { } taught)
            return [];
        return
        [
            .. ModelFigures
                .Of(model)
                .Where(f => taught.IsDefault(f.Pointer))
                .Select(f => (Figure: f, Complaints: ComplaintsOf(f, numbers)))
                .Where(f => f.Complaints.Count > 0)
                .Select(f => (f.Figure, Jobs: f.Complaints.Sum(c => jobs.GetValueOrDefault(c))))
                .OrderByDescending(f => Math.Log(taught.Figures[f.Figure.Pointer].Factor) * (1 + f.Jobs))
                .ThenBy(f => f.Figure.Pointer, StringComparer.Ordinal)
                .DistinctBy(f => SortOf(f.Figure.Pointer))
                .Take(most)
                .Select(f => new FigureHelp(f.Figure, f.Jobs)),
        ];
    }

    private static HashSet<string> ComplaintsOf(ModelFigure figure, OwnNumbers numbers) =>
        [.. numbers.Helps.Where(h => figure.Pointer.StartsWith(h.Key, StringComparison.Ordinal)).SelectMany(h => h.Value)];

    // The ink of three cleans is one thing to weigh.
    private static string SortOf(string pointer) => pointer.Split('/') is [var list, _, var last] ? $"{list}/{last}" : pointer;
}
