using SideBench.Core.Machines;

namespace SideBench.Core.Diagnosis;

/// <summary>What a panel code may really be on a model.</summary>
public static class CodeOdds
{
    /// <summary>The finding by which the book speaks of codes.</summary>
    public const string Finding = "panel-code";

    /// <summary>Its answer that the panel shows none.</summary>
    public const string NoCode = "none";

    /// <summary>Causes that can be on the model, by rate and by how likely they show such a code.</summary>
    /// <param name="book">The fault book.</param>
    /// <param name="model">The model.</param>
    /// <param name="code">The code, as its model words it.</param>
    /// <returns>Shares that add up to 1, the largest first; none when the book says nothing of such a code.</returns>
    public static IReadOnlyList<(Cause Cause, double Share)> Of(FaultBook book, MachineModel model, PanelCode code)
    {
        var told = book.Findings.FirstOrDefault(f => f.Id == Finding);
        var at = told?.IndexOf(code.Reads) ?? -1;
        if (told is null || at < 0)
            return [];
        var likely = book
            .Causes.Where(c => CanBe(model, c))
            .Select(c =>
                (Cause: c, Weight: c.Rate * (told.Rows.LastOrDefault(r => r.Causes.Contains(c.Id))?.Probabilities ?? told.Otherwise)[at])
            )
            .Where(p => p.Weight > 0)
            .ToList();
        var total = likely.Sum(p => p.Weight);
        return [.. likely.Select(p => (p.Cause, p.Weight / total)).OrderByDescending(p => p.Item2)];
    }

    /// <summary>Whether a cause can be on a model at all.</summary>
    /// <param name="model">The model.</param>
    /// <param name="cause">The cause.</param>
    public static bool CanBe(MachineModel model, Cause cause) =>
        model.Stations.Any(s => s.Id == cause.Station)
        && !cause.When.For(new Facts { Model = model, Context = new Dictionary<string, string>() }).IsNever;
}
