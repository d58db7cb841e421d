namespace SideBench.Core.Machines;

/// <summary>How well the figures of a model of the shop's own are known.</summary>
/// <param name="Like">The model that stood for its family.</param>
/// <param name="Figures">By where each stands in the model's file; what is not here was told.</param>
public sealed record TaughtModel(string Like, IReadOnlyDictionary<string, TaughtFigure> Figures)
{
    /// <summary>How far a figure may be off, in its logarithm, one standard deviation; 0 for one that was told.</summary>
    public double SpreadOf(string pointer) => Figures.TryGetValue(pointer, out var figure) ? figure.Spread : 0;

    /// <summary>Whether a measurement of the record went in already.</summary>
    public bool HasTaken(string key) => Figures.Values.Any(f => f.From.Contains(key));

    /// <summary>Whether a figure is still what its family has.</summary>
    public bool IsDefault(string pointer) => Figures.TryGetValue(pointer, out var figure) && figure.Seen == 0;
}

/// <summary>How well one figure is known.</summary>
/// <param name="Factor">8 of 10 lie within this factor of the model's value, up and down.</param>
/// <param name="Seen">How often it was measured; 0 for a family default.</param>
public sealed record TaughtFigure(double Factor, int Seen)
{
    /// <summary>The middle 8 of 10 of a bell curve lie within so many standard deviations.</summary>
    public const double Spreads = 1.2816;

    /// <summary>How far it may be from the model's value, in its logarithm, one standard deviation.</summary>
    public double Spread => Math.Log(Math.Max(1, Factor)) / Spreads;

    /// <summary>Measurements of the record that went in already.</summary>
    public IReadOnlyList<string> From { get; init; } = [];
}
