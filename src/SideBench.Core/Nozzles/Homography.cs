namespace SideBench.Core.Nozzles;

/// <summary>A flat sheet seen from anywhere: (x, y) goes to ((a x + b y + c) / w, (d x + e y + f) / w) with w = g x + h y + 1.</summary>
public readonly record struct Homography(double A, double B, double C, double D, double E, double F, double G, double H)
{
    /// <summary>Where a point of the page lies in the picture.</summary>
    public (double X, double Y) At(double x, double y)
    {
        var w = (G * x) + (H * y) + 1;
        return (((A * x) + (B * y) + C) / w, ((D * x) + (E * y) + F) / w);
    }

    /// <summary>From the picture to the page.</summary>
    public Homography Back()
    {
        // The inverse of a matrix is its adjugate, up to a factor that does not matter here.
        var (a, b, c) = (E - (F * H), (C * H) - B, (B * F) - (C * E));
        var (d, e, f) = ((F * G) - D, A - (C * G), (C * D) - (A * F));
        var (g, h, w) = ((D * H) - (E * G), (B * G) - (A * H), (A * E) - (B * D));
        return new Homography(a / w, b / w, c / w, d / w, e / w, f / w, g / w, h / w);
    }

    /// <summary>The sheet whose points lie nearest to where they were seen.</summary>
    /// <param name="pairs">Points of the page and of the picture, at least 4 of them not on a line.</param>
    /// <param name="flat">Only turns, scales and shears: for few points close together.</param>
    /// <returns>Null when the points do not settle it.</returns>
    public static Homography? Of(IReadOnlyList<PointPair> pairs, bool flat)
    {
        if (pairs.Count < (flat ? 3 : 6))
            return null;
        var page = Frame.Of(pairs, p => (p.X, p.Y));
        var picture = Frame.Of(pairs, p => (p.Px, p.Py));
        var unknowns = flat ? 6 : 8;
        var fit = new LeastSquares(unknowns);
        Span<double> row = stackalloc double[8];
        foreach (var pair in pairs)
        {
            var (x, y) = page.Into(pair.X, pair.Y);
            var (u, v) = picture.Into(pair.Px, pair.Py);
            row.Clear();
            (row[0], row[1], row[2]) = (x, y, 1);
            if (!flat)
                (row[6], row[7]) = (-u * x, -u * y);
            fit.Add(row[..unknowns], u, pair.Weight);
            row.Clear();
            (row[3], row[4], row[5]) = (x, y, 1);
            if (!flat)
                (row[6], row[7]) = (-v * x, -v * y);
            fit.Add(row[..unknowns], v, pair.Weight);
        }

        if (fit.Solve() is not { } s)
            return null;
        var core = new Homography(s[0], s[1], s[2], s[3], s[4], s[5], flat ? 0 : s[6], flat ? 0 : s[7]);
        return core.Between(page, picture);
    }

    // Undoes the two frames in which the fit was made: picture⁻¹ · this · page.
    private Homography? Between(Frame page, Frame picture)
    {
        // this · page
        var k = page.Scale;
        double a = A * k,
            b = B * k,
            c = C - (a * page.X) - (b * page.Y);
        double d = D * k,
            e = E * k,
            f = F - (d * page.X) - (e * page.Y);
        double g = G * k,
            h = H * k,
            w = 1 - (g * page.X) - (h * page.Y);
        var s = 1 / picture.Scale;
        (a, b, c) = ((a * s) + (picture.X * g), (b * s) + (picture.X * h), (c * s) + (picture.X * w));
        (d, e, f) = ((d * s) + (picture.Y * g), (e * s) + (picture.Y * h), (f * s) + (picture.Y * w));
        return Math.Abs(w) < 1e-9 ? null : new Homography(a / w, b / w, c / w, d / w, e / w, f / w, g / w, h / w);
    }

    // Points are centred and scaled before a fit, so that its equations are of one size.
    private readonly record struct Frame(double X, double Y, double Scale)
    {
        public (double X, double Y) Into(double x, double y) => ((x - X) * Scale, (y - Y) * Scale);

        public static Frame Of(IReadOnlyList<PointPair> pairs, Func<PointPair, (double X, double Y)> point)
        {
            double x = 0,
                y = 0,
                spread = 0;
            foreach (var pair in pairs)
            {
                var at = point(pair);
                x += at.X / pairs.Count;
                y += at.Y / pairs.Count;
            }

            foreach (var pair in pairs)
            {
                var at = point(pair);
                spread += (Math.Abs(at.X - x) + Math.Abs(at.Y - y)) / pairs.Count;
            }

            return new Frame(x, y, 1 / Math.Max(spread, 1e-9));
        }
    }
}

/// <summary>A point of the page and where it was seen.</summary>
/// <param name="X">On the page, mm.</param>
/// <param name="Y">On the page, mm.</param>
/// <param name="Px">In the picture, pixels.</param>
/// <param name="Py">In the picture, pixels.</param>
/// <param name="Weight">How much it counts.</param>
public readonly record struct PointPair(double X, double Y, double Px, double Py, double Weight = 1);
