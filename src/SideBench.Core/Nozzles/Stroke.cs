namespace SideBench.Core.Nozzles;

/// <summary>One connected bit of ink in a picture: where, how long, how thick, which way, of what colour.</summary>
/// <param name="X">Middle, pixels from the left.</param>
/// <param name="Y">Middle, pixels from the top.</param>
/// <param name="Length">Pixels along its longer side.</param>
/// <param name="Thickness">Pixels across.</param>
/// <param name="Angle">Radians of the longer side against the rows, over −π/2 up to π/2.</param>
/// <param name="Red">Share of its colour taken from red; the three shares have length 1.</param>
/// <param name="Green">Share taken from green.</param>
/// <param name="Blue">Share taken from blue.</param>
/// <param name="Pixels">How many pixels.</param>
public readonly record struct Stroke(
    double X,
    double Y,
    double Length,
    double Thickness,
    double Angle,
    double Red,
    double Green,
    double Blue,
    int Pixels
)
{
    /// <summary>Whether it could be a dash: long, thin and filled.</summary>
    public bool IsDash => Length >= 5 && Length >= 3 * Thickness && Pixels >= 0.35 * Length;

    /// <summary>How alike its colour and an ink's are, 1 when the same.</summary>
    public double Likeness((double R, double G, double B) taken)
    {
        var size = Math.Sqrt((taken.R * taken.R) + (taken.G * taken.G) + (taken.B * taken.B));
        return size <= 0 ? 0 : ((Red * taken.R) + (Green * taken.G) + (Blue * taken.B)) / size;
    }
}
