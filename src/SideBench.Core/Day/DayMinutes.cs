using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>What a step took, beside what the book says.</summary>
/// <param name="Step">The step of the book.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Model">The machine's model.</param>
/// <param name="Person">Who did it.</param>
/// <param name="PersonName">Their name.</param>
/// <param name="Book">Minutes of the book.</param>
/// <param name="Taken">Minutes from the person's line before it, on the same job, to its own.</param>
public sealed record MinutesTaken(string Step, string Name, string Model, long Person, string PersonName, double Book, double Taken);

/// <summary>How minutes have done for one step, model or person.</summary>
/// <param name="What">step, model or person.</param>
/// <param name="Id">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Count">Told so often.</param>
/// <param name="Book">Minutes of the book, mean.</param>
/// <param name="Taken">Minutes taken, the middle one.</param>
/// <param name="Factor">Minutes are planned with so many times the book's by this alone.</param>
/// <param name="Low">Nine of ten take at least so many times as planned.</param>
/// <param name="High">And at most so many.</param>
public sealed record MinutesRow(
    string What,
    string Id,
    string Name,
    int Count,
    double Book,
    double Taken,
    double Factor,
    double Low,
    double High
);

/// <summary>
/// Minutes as they were really taken, by step, model and person: what the plan takes in place of the book's. Few of them move it little.
/// </summary>
/// <remarks>
/// In the logarithm of taken to book, the shop's own mean, then what is left of it by step, by model and by person, each drawn towards the
/// one before as if a house number of lines had said so. House default.
/// </remarks>
public sealed class DayMinutes
{
    private const double BandSd = 1.645;
    private readonly DayNumbers numbers;
    private readonly IReadOnlyList<MinutesTaken> all;
    private readonly double mean;
    private readonly Dictionary<string, (double Mean, double Sd)> steps = [];
    private readonly Dictionary<string, (double Mean, double Sd)> models = [];
    private readonly Dictionary<string, (double Mean, double Sd)> people = [];

    private DayMinutes(IReadOnlyList<MinutesTaken> all, DayNumbers numbers)
    {
        (this.all, this.numbers) = (all, numbers);
        var left = all.Select(m => Math.Log(m.Taken / m.Book)).ToArray();
        mean = left.Sum() / (left.Length + numbers.LearnWorth);
        for (var i = 0; i < left.Length; i++)
            left[i] -= mean;
        Learn(steps, m => m.Step, left);
        Learn(models, m => m.Model, left);
        Learn(people, m => $"{m.Person}", left);
    }

    /// <summary>Of what was taken.</summary>
    /// <param name="all">What was taken.</param>
    /// <param name="numbers">House numbers.</param>
    public static DayMinutes Of(IReadOnlyList<MinutesTaken> all, DayNumbers numbers) => new(all, numbers);

    /// <summary>What lines tell of minutes: where a person wrote the line before too, on the same job, and no break lies between.</summary>
    /// <param name="lines">Lines of jobs, oldest first.</param>
    /// <param name="numbers">House numbers: what is far from the book is a break, or told later.</param>
    public static IReadOnlyList<MinutesTaken> Told(IEnumerable<ShopLine> lines, DayNumbers numbers)
    {
        var told = new List<MinutesTaken>();
        var last = new Dictionary<long, Entry>();
        foreach (var line in lines)
        {
            var entry = line.Entry;
            var (step, name, book) = entry.Body switch
            {
                Answered a => (a.Finding, a.Name, a.Minutes),
                Mended m => (m.Repair, m.Name, m.Minutes),
                _ => ("", "", 0),
            };
            // What begins a wait is followed by it, and not by work.
            if (book > 0 && last.GetValueOrDefault(entry.Person.Value) is { Body: not ClockStarted } before && before.Job == entry.Job)
            {
                var taken = (entry.At - before.At).TotalMinutes;
                if (taken >= book * numbers.LearnLeast && taken <= book * numbers.LearnMost)
                    told.Add(new MinutesTaken(step, name, line.Model, entry.Person.Value, entry.PersonName, book, taken));
            }

            last[entry.Person.Value] = entry;
        }

        return told;
    }

    /// <summary>A step takes so many times the minutes of the book here.</summary>
    /// <param name="step">The step; empty for what is no step of the book.</param>
    /// <param name="model">The machine's model.</param>
    public double Factor(string step, string model) =>
        Math.Exp(mean + steps.GetValueOrDefault(step).Mean + models.GetValueOrDefault(model).Mean);

    /// <summary>A person takes so many times the minutes of the others.</summary>
    public double Pace(long person) => Math.Exp(people.GetValueOrDefault($"{person}").Mean);

    /// <summary>How far a step's minutes differ, in their logarithm, one standard deviation.</summary>
    public double Sd(string step) => steps.TryGetValue(step, out var of) ? of.Sd : numbers.MinutesSd;

    /// <summary>How minutes have done: by step, model and person, the most told first.</summary>
    public IReadOnlyList<MinutesRow> Rows() =>
        [
            .. RowsOf("step", m => m.Step, m => m.Name, steps, mean),
            .. RowsOf("model", m => m.Model, m => m.Model, models, 0),
            .. RowsOf("person", m => $"{m.Person}", m => m.PersonName, people, 0),
        ];

    private void Learn(Dictionary<string, (double Mean, double Sd)> into, Func<MinutesTaken, string> by, double[] left)
    {
        foreach (var group in all.Select((m, i) => (Key: by(m), i)).GroupBy(m => m.Key))
        {
            var own = group.Sum(m => left[m.i]) / (group.Count() + numbers.LearnWorth);
            foreach (var (_, i) in group)
                left[i] -= own;
            var squares = (numbers.MinutesSd * numbers.MinutesSd * numbers.LearnWorth) + group.Sum(m => left[m.i] * left[m.i]);
            into[group.Key] = (own, Math.Sqrt(squares / (group.Count() + numbers.LearnWorth)));
        }
    }

    private IEnumerable<MinutesRow> RowsOf(
        string what,
        Func<MinutesTaken, string> by,
        Func<MinutesTaken, string> name,
        Dictionary<string, (double Mean, double Sd)> learnt,
        double with
    ) =>
        all.GroupBy(by)
            .OrderByDescending(g => g.Count())
            .ThenBy(g => g.Key, StringComparer.Ordinal)
            .Select(g =>
            {
                var taken = g.Select(m => m.Taken).Order().ToList();
                var (own, sd) = learnt[g.Key];
                return new MinutesRow(
                    what,
                    g.Key,
                    name(g.Last()),
                    taken.Count,
                    g.Average(m => m.Book),
                    taken[taken.Count / 2],
                    Math.Exp(with + own),
                    Math.Exp(-BandSd * sd),
                    Math.Exp(BandSd * sd)
                );
            });
}
