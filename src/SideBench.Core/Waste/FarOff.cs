namespace SideBench.Core.Waste;

/// <summary>
/// Weighings that cannot be by what came in: more than the counter can have brought, or less than can have dried. They are kept, said to
/// be doubtful, and taken for less than they say.
/// </summary>
internal static class FarOff
{
    /// <summary>Them, with the place of each in its history.</summary>
    /// <param name="way">The store's life.</param>
    /// <param name="store">The store.</param>
    /// <param name="numbers">House numbers.</param>
    /// <remarks>
    /// House default: what came in at the outermost machine that is thinkable, with nothing of it dried, is the most; with all that can
    /// dry gone is the least.
    /// </remarks>
    public static IEnumerable<(int Place, string Says)> In(IReadOnlyList<Stretch> way, WasteHistory store, WasteNumbers numbers)
    {
        // Nothing is known of it before it was first weighed or renewed.
        (double Least, double Most)? net = null;
        var off = numbers.OutlierSd * numbers.Noise.ScaleSd;
        var dries = Math.Min(1, numbers.VolatileShare + (numbers.OutlierSd * numbers.Noise.ShareSd));
        var far = Math.Exp(numbers.OutlierSd * numbers.Noise.InflowSd);
        foreach (var stretch in way)
        {
            // Between two readings the counter may have risen early or late.
            var points = stretch.Points + numbers.CounterStep + (numbers.OutlierSd * Math.Sqrt(stretch.Unsure));
            if (net is { } before)
                net = (before.Least * (1 - dries), before.Most + (points * store.GramsPerPoint * far));
            switch (stretch.End)
            {
                case WasteEvent.Weighed weighed:
                    var g = weighed.G - store.TareG;
                    var says =
                        g > net?.Most + off ? "more than can have come in"
                        : g < net?.Least - off ? "less than can have dried"
                        : "";
                    var (least, most) = (Math.Max(0, g - off), Math.Max(0, g + off));
                    // Which of two is wrong is not known: a doubtful one makes no other doubtful.
                    net = says.Length > 0 ? (Math.Min(least, net!.Value.Least), Math.Max(most, net.Value.Most)) : (least, most);
                    if (says.Length > 0)
                        yield return (stretch.Place, $"It weighs {weighed.G:0}\u2009g: {says}.");
                    break;
                case WasteEvent.Renewed:
                    net = (0, 0);
                    break;
                case WasteEvent.Washed washed:
                    net = (Math.Max(0, washed.G - store.TareG), Math.Max(0, washed.G - store.TareG));
                    break;
                case WasteEvent.Swapped swapped:
                    net = (Math.Max(0, swapped.G - store.TareG), Math.Max(0, swapped.G - store.TareG));
                    break;
                case WasteEvent.Emptied:
                    net = null;
                    break;
            }
        }
    }
}
