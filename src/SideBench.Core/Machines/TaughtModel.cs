namespace SideBench.Core.Machines;

/// <summary>How well the figures of a model of the shop's own are known.</summary>
/// <param name="Like">The model that stood for its family.</param>
/// <param name="Figures">By where each stands in the model's file; what is not here was told.</param>
public sealed record TaughtModel(string Like, IReadOnlyDictionary<string, TaughtFigure> Figures)
{
    /// <summary>Whether a figure is still what its family has.</summary>
    public bool IsDefault(string pointer) => Figures.TryGetValue(pointer, out var figure) && figure.Seen == 0;
}

/// <summary>How well one figure is known.</summary>
/// <param name="Factor">8 of 10 lie within this factor of the model's value, up and down.</param>
/// <param name="Seen">How often it was measured; 0 for a family default.</param>
public sealed record TaughtFigure(double Factor, int Seen);
