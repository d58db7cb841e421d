using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Whether two units have got each other's ink: both must lean towards the other, so that a picture's own colour cast is not taken for it.
/// </summary>
public static class InkMixing
{
    // Inks whose colours are nearer than this cannot be told apart in a mixture, radians.
    private const double LeastApart = 0.35;
    private const double LeastOwn = 0.04;

    // However much one ink leans towards another, it counts for no more than so many times what the other returns.
    private const double MostForReturned = 3;

    /// <summary>
    /// For every unit: the greatest share of ink exchanged with another, the lesser of the two counting twice, 0 to 1; and which unit that
    /// is, −1 for none. A strong ink leans little towards a faint one that it colours much.
    /// </summary>
    public static (double Share, int With)[] Of(IReadOnlyList<SheetUnit> units, IReadOnlyList<UnitInk> inks)
    {
        var mixed = Enumerable.Repeat((Returned: 0.0, Share: 0.0, With: -1), units.Count).ToArray();
        var nominal = units.Select(unit => new[] { unit.Color.Taken.R, unit.Color.Taken.G, unit.Color.Taken.B }).ToArray();
        for (var a = 0; a < units.Count; a++)
        {
            for (var b = 0; b < a; b++)
            {
                if (
                    !inks[a].Known
                    || !inks[b].Known
                    || inks[a].Seen < LeastOwn
                    || inks[b].Seen < LeastOwn
                    || UnitInk.Angle(nominal[a], nominal[b]) < LeastApart
                )
                    continue;
                var one = ShareOf(inks[a].Direction, nominal[a], nominal[b]);
                var other = ShareOf(inks[b].Direction, nominal[b], nominal[a]);
                var returned = Math.Min(one, other);
                if (returned > mixed[a].Returned)
                    mixed[a] = (returned, Both(one, other), b);
                if (returned > mixed[b].Returned)
                    mixed[b] = (returned, Both(one, other), a);
            }
        }

        // Whoever leans towards a third that leans elsewhere is no pair.
        return [.. mixed.Select((m, a) => m.With >= 0 && mixed[m.With].With == a ? (m.Share, m.With) : (0, -1))];
    }

    private static double Both(double one, double other)
    {
        var (least, most) = (Math.Min(one, other), Math.Max(one, other));
        return ((2 * least) + Math.Min(most, MostForReturned * least)) / 3;
    }

    // How much of the other ink makes this colour best, as a share of both, a full dash of each being one.
    private static double ShareOf(double[] seen, double[] own, double[] other)
    {
        double oo = UnitInk.Dot(own, own),
            tt = UnitInk.Dot(other, other),
            ot = UnitInk.Dot(own, other);
        double so = UnitInk.Dot(seen, own),
            st = UnitInk.Dot(seen, other);
        var det = (oo * tt) - (ot * ot);
        if (det < 1e-6)
            return 0;
        var (a, b) = (((so * tt) - (st * ot)) / det, ((st * oo) - (so * ot)) / det);
        return b <= 0 ? 0
            : a <= 0 ? 1
            : b / (a + b);
    }
}
