using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Own;

/// <summary>One part as it was taken off, in a few words.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="View">Side from which it is reached.</param>
/// <param name="Way">off, open, aside or unplugged.</param>
/// <param name="Screws">How many screws hold it; 0 for none.</param>
/// <param name="Driver">Their driver; empty when none or not told.</param>
/// <param name="LengthMm">Their length, mm; 0 when not told.</param>
/// <param name="IsCollared">Whether they are shouldered.</param>
/// <param name="IsLoosenOnly">Whether they are only loosened.</param>
/// <param name="Catches">How many catches hold it.</param>
/// <param name="Cables">Cables and tubes that are pulled, by what they are called.</param>
/// <param name="Caution">What to mind; empty for nothing.</param>
/// <param name="Minutes">How long it took, min.</param>
public sealed record TaughtPart(
    string Name,
    string View,
    string Way,
    int Screws,
    string Driver,
    double LengthMm,
    bool IsCollared,
    bool IsLoosenOnly,
    int Catches,
    IReadOnlyList<string> Cables,
    string Caution,
    double Minutes
)
{
    /// <summary>Its id.</summary>
    public string Id => IdOf(Name);

    /// <summary>The id of a part of that name; empty for one without letters or digits.</summary>
    public static string IdOf(string? name) =>
        string.Join(
            '-',
            new string([.. (name ?? "").ToLowerInvariant().Select(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') ? c : ' ')]).Split(
                ' ',
                StringSplitOptions.RemoveEmptyEntries
            )
        );

    /// <summary>A part as its model has it, in the same words.</summary>
    public static TaughtPart Of(MachinePart part)
    {
        var groups = part.Fasteners;
        var lengths = groups.Select(g => g.LengthMm).Distinct().ToList();
        return new TaughtPart(
            part.Name,
            part.View,
            part.Way.ToString().ToLowerInvariant(),
            groups.Sum(g => g.Count),
            groups.Count > 0 ? groups[0].Driver : "",
            lengths.Count == 1 ? lengths[0] : 0,
            groups.Any(g => g.Collared),
            groups.Count > 0 && groups.All(g => g.LoosenOnly),
            part.Catches.Sum(c => c.Count),
            [.. part.Cables.Select(c => c.Label), .. part.Tubes.Where(t => t.Pulled).Select(t => t.Name)],
            part.Cautions.Count > 0 ? part.Cautions[0] : "",
            part.OutMin
        );
    }

    /// <summary>Whether its screws are told as another tells them.</summary>
    public bool HasScrewsOf(TaughtPart other) =>
        (Screws, Driver.Trim(), LengthMm, IsCollared, IsLoosenOnly)
        == (other.Screws, other.Driver, other.LengthMm, other.IsCollared, other.IsLoosenOnly);

    private const int MostScrews = 60;
    private const double MostMinutes = 240;
    private const double MostLengthMm = 240;
    private const int LongestName = 80;
    private const int LongestCaution = 160;
    private const int MostCables = 12;

    /// <summary>What can become of a part.</summary>
    internal static readonly string[] Ways = ["off", "open", "aside", "unplugged"];

    /// <summary>Everything that is wrong with an opening as it was told.</summary>
    /// <param name="parts">What came off, in order.</param>
    public static List<Problem> Check(IReadOnlyList<TaughtPart> parts)
    {
        var problems = new List<Problem>();
        if (parts.Count == 0)
            problems.Add(new Problem(ProblemCode.Missing, "/parts"));
        for (var i = 0; i < parts.Count; i++)
            parts[i].Check($"/parts/{i}", problems);
        foreach (var twice in parts.Where(p => p.Id.Length > 0).GroupBy(p => p.Id).Where(g => g.Count() > 1))
            problems.Add(new Problem(OwnProblem.Contradiction, "/parts", $"{twice.First().Name} comes off twice."));
        return problems;
    }

    private void Check(string at, List<Problem> problems)
    {
        Guard.Text(problems, Name, $"{at}/name", LongestName, needed: true);
        if (Name.Trim().Length > 0 && Id.Length == 0)
            problems.Add(
                new Problem(OwnProblem.Contradiction, $"{at}/name", "A part needs letters of the Latin alphabet or digits in its name.")
            );
        Guard.Word(problems, View, $"{at}/view", AccessGraph.Views);
        Guard.Word(problems, Way, $"{at}/way", Ways);
        Guard.Text(problems, Driver, $"{at}/driver", LongestName, needed: false);
        Guard.Text(problems, Caution, $"{at}/caution", LongestCaution, needed: false);
        Guard.Range(problems, Screws, $"{at}/screws", 0, MostScrews);
        Guard.Range(problems, LengthMm, $"{at}/lengthMm", 0, MostLengthMm);
        Guard.Range(problems, Catches, $"{at}/catches", 0, MostScrews);
        Guard.Range(problems, Minutes, $"{at}/minutes", 0.1, MostMinutes);
        Guard.Range(problems, Cables.Count, $"{at}/cables", 0, MostCables);
        for (var i = 0; i < Cables.Count; i++)
            Guard.Text(problems, Cables[i], $"{at}/cables/{i}", LongestName, needed: true);
        if (Screws == 0 && (IsCollared || IsLoosenOnly || LengthMm > 0))
            problems.Add(new Problem(OwnProblem.Contradiction, $"{at}/screws", "Something is told of its screws, but it has none."));
    }
}
