using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Ink;

/// <summary>How much of each channel a page takes, measured from its picture.</summary>
/// <param name="Slot">The slot.</param>
/// <param name="Pct">Mean coverage of its channel, %.</param>
public sealed record PageCover(Slot Slot, double Pct)
{
    private const double AllOfIt = 100;

    /// <summary>Measures a page.</summary>
    /// <param name="page">Its picture.</param>
    /// <param name="model">The machine's model.</param>
    /// <param name="split">How a machine makes colours of its inks.</param>
    /// <returns>
    /// Every slot. Cyan, magenta and yellow are what red, green and blue lack; a share of what they have in common is black. Where a
    /// primary has lighter inks they take the light tones: each is fullest at its knot. What no picture tells (white below, a gloss) is 0.
    /// </returns>
    /// <remarks>House default: the split. Drivers differ; a measured run is better than this, and this is better than a guess.</remarks>
    public static IReadOnlyList<PageCover> Of(PixelImage page, MachineModel model, InkSplit split)
    {
        var tones = new Dictionary<string, double[]>();
        foreach (var primary in InkSplit.Primaries)
            tones[primary] = new double[split.Of(model, primary).Count];
        for (var at = 0; at < page.Rgb.Length; at += 3)
        {
            var (c, m, y) = (1 - (page.Rgb[at] / 255.0), 1 - (page.Rgb[at + 1] / 255.0), 1 - (page.Rgb[at + 2] / 255.0));
            var k = tones["black"].Length == 0 ? 0 : split.BlackShare * Math.Min(c, Math.Min(m, y));
            Add(tones["black"], k, split);
            Add(tones["cyan"], c - k, split);
            Add(tones["magenta"], m - k, split);
            Add(tones["yellow"], y - k, split);
            // One piece that holds three colours gives as much of itself as all of them.
            if (tones["colour"].Length > 0)
                tones["colour"][0] += (c + m + y - (3 * k)) / 3;
        }

        var pixels = page.Rgb.Length / 3.0;
        return [.. model.Slots.Select(s => new PageCover(s, AllOfIt * (Tone(s, model, split, tones) ?? 0) / pixels))];
    }

    private static double? Tone(Slot slot, MachineModel model, InkSplit split, Dictionary<string, double[]> tones)
    {
        foreach (var primary in InkSplit.Primaries)
        {
            var inks = split.Of(model, primary);
            if (inks.ToList().IndexOf(slot.Ink) is >= 0 and var at)
                return tones[primary][at];
        }

        return null;
    }

    // The lightest ink first. Each rises to its knot and falls to the next; the darkest stays.
    private static void Add(double[] sums, double tone, InkSplit split)
    {
        for (var i = 0; i < sums.Length; i++)
        {
            var (from, knot) = (i == 0 ? 0 : split.Knot(i - 1, sums.Length), split.Knot(i, sums.Length));
            sums[i] +=
                tone <= from ? 0
                : tone <= knot ? (tone - from) / (knot - from)
                : i == sums.Length - 1 ? 1
                : Math.Max(0, 1 - ((tone - knot) / (split.Knot(i + 1, sums.Length) - knot)));
        }
    }
}

/// <summary>How a machine makes colours of its inks: house default.</summary>
/// <param name="BlackShare">What of the common part of cyan, magenta and yellow is printed in black, 0 to 1.</param>
/// <param name="LightUpTo">The tone up to which a lighter ink stands for its primary, above 0 and below 1.</param>
/// <param name="Inks">By primary: names of its inks, the lightest first; a group in one place is one ink, the first there is of it.</param>
public sealed record InkSplit(double BlackShare, double LightUpTo, IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<string>>> Inks)
{
    /// <summary>Primaries, and the piece that holds three of them.</summary>
    public static readonly IReadOnlyList<string> Primaries = ["black", "cyan", "magenta", "yellow", "colour"];

    /// <summary>The inks of a primary that a model has, the lightest first.</summary>
    public IReadOnlyList<string> Of(MachineModel model, string primary) =>
        [
            .. Inks.GetValueOrDefault(primary, [])
                .Select(group => group.FirstOrDefault(name => model.Slots.Any(s => s.Ink == name)))
                .OfType<string>(),
        ];

    /// <summary>The tone at which an ink is fullest.</summary>
    /// <param name="ink">Its place, the lightest first.</param>
    /// <param name="of">How many there are.</param>
    public double Knot(int ink, int of) => ink == of - 1 ? 1 : LightUpTo * (ink + 1) / (of - 1);
}
