using SideBench.Core.Logbook;

namespace SideBench.Core.Diagnosis;

/// <summary>The running sum of <see cref="Posterior"/>: log weights that every fact adds to, and what each fact moved.</summary>
internal sealed class PosteriorRun(CaseBook book)
{
    private const double Impossible = -1e9;

    private readonly double[] still = new double[book.Causes.Count];
    private readonly double[] mended = Enumerable.Repeat(Impossible, book.Causes.Count).ToArray();
    private readonly List<(Evidence Evidence, double[] Before, double[] After)> trail = [];
    private double unknown;

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
        var log = Math.Log(rule.Factor);
        var touched = false;
        var before = Normalised();
        for (var c = 0; c < still.Length; c++)
        {
            if (!rule.Causes.Contains(book.Causes[c].Id) || still[c] <= Impossible / 2) continue;
            still[c] += log;
            touched = true;
        }

        if (touched) Note(new Evidence("context", rule.Id, rule.Name, rule.Why, null, [], 0), before.Still);
    }

    /// <summary>Adds an answer or a repair.</summary>
    public void Apply(CaseEvent happened)
    {
        if (happened is CaseEvent.Told told) Tell(told);
        else if (happened is CaseEvent.Worked worked) Work(worked);
    }

    /// <summary>The odds now, adding up to 1.</summary>
    public (double[] Still, double[] Mended, double Unknown) Normalised()
    {
        var max = unknown;
        for (var c = 0; c < still.Length; c++) max = Math.Max(max, Math.Max(still[c], mended[c]));
        var s = new double[still.Length];
        var m = new double[still.Length];
        var total = Math.Exp(unknown - max);
        var u = total;
        for (var c = 0; c < still.Length; c++)
        {
            total += s[c] = Math.Exp(still[c] - max);
            total += m[c] = Math.Exp(mended[c] - max);
        }

        for (var c = 0; c < still.Length; c++)
        {
            s[c] /= total;
            m[c] /= total;
        }

        return (s, m, u / total);
    }

    /// <summary>All facts, each weighed on the station that leads now.</summary>
    public IReadOnlyList<Evidence> Evidence(double[] now)
    {
        var lead = Leading(now);
        return [.. trail.Select(t => t.Evidence with { Weight = Weight(lead, t.Before, t.After) })];
    }

    private void Tell(CaseEvent.Told told)
    {
        var f = book.IndexOfFinding(told.Finding);
        var o = f < 0 ? -1 : book.Findings[f].IndexOf(told.Outcome);
        if (o < 0) return;
        var before = Normalised();
        var sound = Math.Log(book.Findings[f].Sound[o]);
        for (var c = 0; c < still.Length; c++)
        {
            still[c] += Math.Log(book.Likelihood[f][c][o]);
            mended[c] += sound;
        }

        unknown += Math.Log(book.Unknown[f][o]);
        var outcome = book.Findings[f].Outcomes[o];
        Note(new Evidence("finding", told.Finding, outcome.Says, Why(f, before.Still), told.Entry, [], 0), before.Still);
    }

    private void Work(CaseEvent.Worked worked)
    {
        var r = book.IndexOfRepair(worked.Repair);
        if (r < 0) return;
        var before = Normalised();
        for (var c = 0; c < still.Length; c++)
        {
            var chance = book.FixChance[r][c];
            if (chance <= 0) continue;
            mended[c] = LogSum(mended[c], still[c] + Math.Log(chance));
            still[c] += Math.Log(1 - chance);
        }

        Note(new Evidence("repair", worked.Repair, book.Repairs[r].Name + ": done", "", worked.Entry, [], 0), before.Still);
    }

    // The reason shown is the one the book gives for the cause whose odds the answer moved most.
    private string Why(int f, double[] before)
    {
        var after = Normalised().Still;
        var best = -1;
        for (var c = 0; c < before.Length; c++)
            if (best < 0 || Math.Abs(after[c] - before[c]) > Math.Abs(after[best] - before[best])) best = c;
        return best < 0 ? "" : book.Findings[f].Rows.FirstOrDefault(row => row.Causes.Contains(book.Causes[best].Id))?.Why ?? "";
    }

    private void Note(Evidence evidence, double[] before)
    {
        var after = Normalised().Still;
        var moves = book.Causes.Select(c => c.Station).Distinct()
            .Select(station => new Move(station, Sum(before, station), Sum(after, station)))
            .Where(m => Math.Abs(m.After - m.Before) >= 0.01)
            .OrderByDescending(m => Math.Abs(m.After - m.Before))
            .Take(4);
        trail.Add((evidence with { Moves = [.. moves] }, before, after));
    }

    private string? Leading(double[] now) =>
        book.Causes.Select(c => c.Station).Distinct().OrderByDescending(station => Sum(now, station)).FirstOrDefault();

    private double Weight(string? station, double[] before, double[] after)
    {
        if (station is null) return 0;
        var a = Math.Clamp(Sum(before, station), 1e-6, 1 - 1e-6);
        var b = Math.Clamp(Sum(after, station), 1e-6, 1 - 1e-6);
        return Math.Log(b / (1 - b)) - Math.Log(a / (1 - a));
    }

    private double Sum(double[] odds, string station)
    {
        double sum = 0;
        for (var c = 0; c < odds.Length; c++)
            if (book.Causes[c].Station == station) sum += odds[c];
        return sum;
    }

    private static double LogSum(double a, double b)
    {
        var max = Math.Max(a, b);
        return max <= Impossible / 2 ? Impossible : max + Math.Log(Math.Exp(a - max) + Math.Exp(b - max));
    }
}
