namespace SideBench.Core.Diagnosis;

/// <summary>The running sum of <see cref="Posterior"/>: log weights that every fact adds to, and what each fact moved.</summary>
internal sealed class PosteriorRun(CaseBook book)
{
    private const double Impossible = -1e9;
    private readonly double[] still = new double[book.Causes.Count];
    private readonly double[] mended = Enumerable.Repeat(Impossible, book.Causes.Count).ToArray();
    private readonly SecondFaults second = new(book);
    private readonly List<(Evidence Evidence, double[] Factor, double[] Before, double[] After)> trail = [];
    private double unknown;
    private CodeCounts codes = CodeCounts.None;

    /// <summary>The arithmetic so far, fact by fact.</summary>
    public IReadOnlyList<CausePath> Paths => [.. trail.Select(t => new CausePath(t.Evidence, t.Factor, t.Before, t.After))];

    /// <summary>Sets the rates of the book, and drops causes that cannot be in this case.</summary>
    public void Start(Facts facts)
    {
        double total = 0;
        for (var c = 0; c < still.Length; c++)
        {
            var weight = book.Causes[c].When.Holds(facts) ? book.BaseWeights[c] : 0;
            total += weight;
            still[c] = weight > 0 ? Math.Log(weight) : Impossible;
        }

        var share = book.Book.House.NotInBook;
        unknown = Math.Log((total > 0 ? total : 1) * share / (1 - share));
    }

    /// <summary>Adds a context rule.</summary>
    public void Apply(ContextRule rule)
    {
        var factor = new double[still.Length];
        for (var c = 0; c < factor.Length; c++)
            factor[c] = rule.Causes.Contains(book.Causes[c].Id) ? rule.Factor : 1;
        Multiply(new Evidence("context", rule.Id, rule.Name, rule.Why, null, [], 0), factor);
    }

    /// <summary>Adds what the shop's own closed jobs say. Comes after the context and before any answer.</summary>
    public void Apply(ShopCounts counts)
    {
        codes = counts.Codes;
        if (counts.Jobs > 0)
        {
            var shares = Normalised().Still;
            var known = shares.Sum();
            if (known <= 0)
                return;
            var factor = counts.Factors(book.Causes, [.. shares.Select(s => s / known)], book.Book.House);
            var says = counts.Jobs == 1 ? "One closed job of this shop" : $"{counts.Jobs} closed jobs of this shop";
            Multiply(
                new Evidence(
                    "context",
                    "own-jobs",
                    says,
                    $"The book counts as {book.Book.House.BookWorthJobs:0} jobs beside them.",
                    null,
                    [],
                    0
                ),
                factor
            );
        }

        second.Start(still);
    }

    /// <summary>Adds an answer or a repair.</summary>
    public void Apply(CaseEvent happened)
    {
        if (happened is CaseEvent.Told told)
            Tell(told);
        else if (happened is CaseEvent.Worked worked)
            Work(worked);
        else if (happened is CaseEvent.Before before)
            Stayed(before);
    }

    /// <summary>The odds now, adding up to 1.</summary>
    public (double[] Still, double[] Mended, double Unknown) Normalised()
    {
        var s = (double[])still.Clone();
        second.AddTo(s);
        var m = (double[])mended.Clone();
        var max = unknown;
        for (var c = 0; c < s.Length; c++)
            max = Math.Max(max, Math.Max(s[c], m[c]));
        var u = Math.Exp(unknown - max);
        var total = u;
        for (var c = 0; c < s.Length; c++)
        {
            total += s[c] = Math.Exp(s[c] - max);
            total += m[c] = Math.Exp(m[c] - max);
        }

        for (var c = 0; c < s.Length; c++)
        {
            s[c] /= total;
            m[c] /= total;
        }

        return (s, m, u / total);
    }

    /// <summary>What moved the odds, oldest first, weighed for the station that leads now.</summary>
    public IReadOnlyList<Evidence> Evidence(double[] now)
    {
        var leading = Leading(now);
        return [.. trail.Select(t => t.Evidence with { Weight = Weight(leading, t.Before, t.After) })];
    }

    private void Multiply(Evidence evidence, double[] factor)
    {
        var before = Normalised();
        var touched = false;
        for (var c = 0; c < still.Length; c++)
        {
            if (factor[c] == 1 || still[c] <= Impossible / 2)
                continue;
            still[c] += Math.Log(factor[c]);
            touched = true;
        }

        if (touched)
            Note(evidence, factor, before.Still);
    }

    private void Tell(CaseEvent.Told told)
    {
        var f = book.IndexOfFinding(told.Finding);
        var o = f < 0 ? -1 : book.Findings[f].IndexOf(told.Outcome);
        if (o < 0)
            return;
        var before = Normalised();
        var outcome = book.Findings[f].Outcomes[o];
        var factor = new double[still.Length];
        double Of(IReadOnlyList<double> row) => Mixed(book.Findings[f], told.Shares, o, row);
        for (var c = 0; c < factor.Length; c++)
            factor[c] =
                Of(book.Likelihood[f][c])
                * BandOf(outcome, told.Quantity, book.Causes[c].Id)
                * codes.Factor(told.Code, book.Causes[c].Id, book.Likelihood[f][c][o], book.Book.House.BookWorthJobs);
        var sound = Math.Log(Of(book.Findings[f].Sound));
        for (var c = 0; c < still.Length; c++)
        {
            still[c] += Math.Log(factor[c]);
            mended[c] += sound;
        }

        second.Tell(f, o, factor);
        unknown += Math.Log(Of(book.Unknown[f]));
        Note(new Evidence("finding", told.Finding, outcome.Says + Proved(told.Code), "", told.Entry, [], 0), factor, before.Still);
        var (evidence, _, _, after) = trail[^1];
        trail[^1] = trail[^1] with { Evidence = evidence with { Why = Why(f, before.Still, after) } };
    }

    private string Proved(string code) =>
        codes.Jobs(code) switch
        {
            0 => "",
            1 => $" ({code}, weighed with one proved job that showed it)",
            var jobs => $" ({code}, weighed with {jobs} proved jobs that showed it)",
        };

    // An answer read by a machine comes with odds of its own: its likelihood is the mixture.
    private static double Mixed(Finding finding, IReadOnlyDictionary<string, double>? shares, int outcome, IReadOnlyList<double> row)
    {
        if (shares is null || shares.Count == 0)
            return row[outcome];
        var (sum, weight) = (0.0, 0.0);
        foreach (var (id, share) in shares)
        {
            if (finding.IndexOf(id) is not (>= 0 and var at))
                continue;
            sum += share * row[at];
            weight += share;
        }

        return weight > 0 ? sum / weight : row[outcome];
    }

    private void Work(CaseEvent.Worked worked)
    {
        var r = book.IndexOfRepair(worked.Repair);
        if (r < 0)
            return;
        var before = Normalised();
        second.Work(r, before.Still, mended);
        var factor = new double[still.Length];
        for (var c = 0; c < still.Length; c++)
        {
            var chance = book.FixChance[r][c];
            factor[c] = 1 - chance;
            if (chance <= 0)
                continue;
            mended[c] = LogSum(mended[c], still[c] + Math.Log(chance));
            still[c] += Math.Log(1 - chance);
        }

        Note(new Evidence("repair", worked.Repair, book.Repairs[r].Name + ": done", "", worked.Entry, [], 0), factor, before.Still);
    }

    // Work that was done while the trouble was there did not end it.
    private void Stayed(CaseEvent.Before told)
    {
        var r = book.IndexOfRepair(told.Repair);
        if (r < 0)
            return;
        double[] factor = [.. book.FixChance[r].Select(chance => 1 - chance)];
        Multiply(new Evidence("repair", told.Repair, book.Repairs[r].Name + ": done before, it stayed", "", told.Entry, [], 0), factor);
    }

    private static double BandOf(FindingOutcome outcome, double? quantity, string cause)
    {
        if (quantity is not { } value || outcome.Quantity is null)
            return 1;
        double factor = 1;
        foreach (var band in outcome.Quantity.Bands)
            if (band.Holds(value) && band.Causes.Contains(cause))
                factor *= band.Factor;
        return factor;
    }

    // The reason shown is the one the book gives for the cause whose odds the answer moved most.
    private string Why(int f, double[] before, double[] after)
    {
        var best = -1;
        for (var c = 0; c < before.Length; c++)
            if (best < 0 || Math.Abs(after[c] - before[c]) > Math.Abs(after[best] - before[best]))
                best = c;
        return best < 0
            ? ""
            : book.Findings[f].Rows.LastOrDefault(row => row.Causes.Contains(book.Causes[best].Id))?.Why ?? book.Findings[f].OtherwiseWhy;
    }

    private void Note(Evidence evidence, double[] factor, double[] before)
    {
        var after = Normalised().Still;
        var moves = book
            .StationsOfCauses.Select(station => new Move(station, Sum(before, station), Sum(after, station)))
            .Where(m => Math.Abs(m.After - m.Before) >= 0.01)
            .OrderByDescending(m => Math.Abs(m.After - m.Before))
            .Take(4);
        trail.Add((evidence with { Moves = [.. moves] }, factor, before, after));
    }

    private string? Leading(double[] now) => book.StationsOfCauses.OrderByDescending(station => Sum(now, station)).FirstOrDefault();

    private double Weight(string? station, double[] before, double[] after)
    {
        if (station is null)
            return 0;
        var a = Math.Clamp(Sum(before, station), 1e-6, 1 - 1e-6);
        var b = Math.Clamp(Sum(after, station), 1e-6, 1 - 1e-6);
        return Math.Log(b / (1 - b)) - Math.Log(a / (1 - a));
    }

    private double Sum(double[] odds, string station)
    {
        double sum = 0;
        for (var c = 0; c < odds.Length; c++)
            if (book.Causes[c].Station == station)
                sum += odds[c];
        return sum;
    }

    /// <summary>log(exp(a) + exp(b)) without overflow.</summary>
    internal static double LogSum(double a, double b)
    {
        var max = Math.Max(a, b);
        return max <= Impossible / 2 ? Impossible : max + Math.Log(Math.Exp(a - max) + Math.Exp(b - max));
    }
}
