using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Own;

/// <summary>What anybody can see of a machine that stands on the bench, in a dozen answers.</summary>
/// <param name="Maker">Who made it.</param>
/// <param name="Name">Its name.</param>
/// <param name="SerialPrefix">How serials of this model begin; empty when not told.</param>
/// <param name="Axes">Answers by axis: head, headPlace, delivery, cartridge, chips, panel, waste, drainOut, spares.</param>
/// <param name="Inks">Its inks in the order of the panel.</param>
/// <param name="Worth">What it is worth in good order; null when not told.</param>
/// <param name="Like">A model that it is like, which then stands for its family; empty when not told.</param>
public sealed record KindAnswers(
    string Maker,
    string Name,
    string SerialPrefix,
    IReadOnlyDictionary<string, string> Axes,
    IReadOnlyList<string> Inks,
    decimal? Worth,
    string Like
)
{
    private const int LongestName = 60;

    /// <summary>What is asked, in the order in which one looks.</summary>
    public static readonly IReadOnlyList<KindAsk> Questions =
    [
        new(
            "delivery",
            "Where does its ink come from?",
            [
                new("carriage", "cartridges on the carriage"),
                new("lines", "cartridges that stand still, lines to the head"),
                new("tank", "tanks filled from bottles")
                {
                    Follows = new Dictionary<string, string> { ["cartridge"] = "none", ["chips"] = "count" },
                },
                new("addon", "tanks added later"),
            ]
        ),
        new(
            "headPlace",
            "Where is its head?",
            [
                new("carriage", "it stays on the carriage"),
                new("cartridge", "it goes with the cartridge")
                {
                    Follows = new Dictionary<string, string>
                    {
                        ["head"] = "thermal",
                        ["delivery"] = "carriage",
                        ["spares"] = "no",
                    },
                },
            ]
        ),
        new("head", "How does the head fire?", [new("piezo", "piezo"), new("thermal", "thermal")]),
        new(
            "cartridge",
            "What is in a cartridge?",
            [
                new("sponge", "a sponge"),
                new("bag", "a bag"),
                new("baffled", "walls and free ink"),
                new("outlet-sponge", "a sponge at its outlet"),
                new("none", "no cartridge: tanks"),
            ]
        ),
        new(
            "chips",
            "What counts its ink?",
            [
                new("one-time", "chips that end"),
                new("resettable", "chips a hand tool sets back"),
                new("auto", "chips that set themselves back"),
                new("board", "a board for all"),
                new("carrier", "chips moved over to refillables"),
                new("count", "a count without chips"),
                new("none", "nothing"),
            ]
        ),
        new("panel", "What does it tell you by?", [new("screen", "a screen"), new("lights", "lights only")]),
        new(
            "waste",
            "Where does waste ink end?",
            [
                new("pads", "pads inside"),
                new("box", "a box that comes out") { Follows = new Dictionary<string, string> { ["drainOut"] = "no" } },
                new("tank", "a waste tank") { Follows = new Dictionary<string, string> { ["drainOut"] = "no" } },
                new("cartridge", "a waste cartridge") { Follows = new Dictionary<string, string> { ["drainOut"] = "no" } },
            ]
        ),
        new(
            "drainOut",
            "Can its drain be led out?",
            [new("no", "no, or not known"), new("pulled", "yes, the tube pulls off"), new("cut", "only by cutting")]
        ),
        new("spares", "Has its head spare nozzles?", [new("no", "no, or not known"), new("yes", "yes")]),
    ];

    /// <summary>What can be answered, by axis.</summary>
    public static readonly IReadOnlyDictionary<string, IReadOnlyList<string>> Asked = Questions.ToDictionary(
        q => q.Axis,
        q => (IReadOnlyList<string>)[.. q.Options.Select(o => o.Id)]
    );

    /// <summary>The model's id.</summary>
    public string Id => string.Join('-', $"{Maker} {Name}".ToLowerInvariant().Split(NotPlain(), StringSplitOptions.RemoveEmptyEntries));

    /// <summary>Everything that stands in the way of making a model of it.</summary>
    /// <param name="known">Models there are.</param>
    /// <param name="numbers">House numbers.</param>
    public List<Problem> Check(IReadOnlyCollection<MachineModel> known, OwnNumbers numbers)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, Maker, "/maker", LongestName, needed: true);
        Guard.Text(problems, Name, "/name", LongestName, needed: true);
        Guard.Text(problems, SerialPrefix, "/serialPrefix", LongestName, needed: false);
        if (Id.Any(c => c is not ((>= 'a' and <= 'z') or (>= '0' and <= '9') or '-')))
            problems.Add(new Problem(OwnProblem.Contradiction, "/name", "Maker and name need letters of the Latin alphabet or digits."));
        foreach (var (axis, words) in Asked)
            if (!Axes.TryGetValue(axis, out var said) || !words.Contains(said))
                problems.Add(new Problem(ProblemCode.UnknownWord, $"/axes/{axis}", said ?? "", string.Join(", ", words)));
        if (Inks.Count == 0)
            problems.Add(new Problem(ProblemCode.Missing, "/inks"));
        if (Inks.Count > numbers.MostInks)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/inks", Inks.Count, 1, numbers.MostInks));
        for (var i = 0; i < Inks.Count; i++)
            Guard.Text(problems, Inks[i], $"/inks/{i}", LongestName, needed: true);
        if (Worth is < 0)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/worth", Worth, 0, "more"));
        if (known.FirstOrDefault(m => m.Id == Id) is { } there)
            problems.Add(new Problem(OwnProblem.ModelThere, "/name", there.FullName));
        if (Like.Length > 0 && known.All(m => m.Id != Like))
            problems.Add(new Problem(ProblemCode.UnknownModel, "/like", Like));
        if (PrefixOf(known, SerialPrefix) is { } other)
            problems.Add(new Problem(OwnProblem.PrefixTaken, "/serialPrefix", SerialPrefix, other.FullName));
        if (problems.Count == 0)
            problems.AddRange(Contradictions(Axes));
        return problems;
    }

    /// <summary>The model that has just this beginning of serials.</summary>
    public static MachineModel? PrefixOf(IEnumerable<MachineModel> known, string prefix) =>
        prefix.Length == 0 ? null : known.FirstOrDefault(m => m.SerialPrefix.Equals(prefix, StringComparison.OrdinalIgnoreCase));

    /// <summary>Every two answers that no machine gives together.</summary>
    /// <param name="axes">Answers to all that is asked, each of them one of its options.</param>
    public static IEnumerable<Problem> Contradictions(IReadOnlyDictionary<string, string> axes)
    {
        var (delivery, cartridge, chips, place) = (axes["delivery"], axes["cartridge"], axes["chips"], axes["headPlace"]);
        if (delivery == "tank" && cartridge != "none")
            yield return Not("/axes/cartridge", "Tanks are filled from bottles: there is no cartridge in a slot.");
        if (delivery != "tank" && delivery != "addon" && cartridge == "none")
            yield return Not("/axes/cartridge", "Without tanks the ink comes from a cartridge of some make.");
        if (delivery == "tank" && chips is not ("none" or "count"))
            yield return Not("/axes/chips", "A tank has no chip; at most the machine keeps a count that people set back.");
        if (delivery != "tank" && chips == "count")
            yield return Not("/axes/chips", "A count without a chip belongs to tanks.");
        if (place == "cartridge" && axes["head"] == "piezo")
            yield return Not("/axes/head", "Heads that go with their cartridge are thermal.");
        if (place == "cartridge" && delivery != "carriage")
            yield return Not("/axes/delivery", "A head in the cartridge is fed from that cartridge, on the carriage.");
        if (axes["spares"] == "yes" && place == "cartridge")
            yield return Not("/axes/spares", "Spare nozzles belong to large heads that stay.");
        if (axes["waste"] != "pads" && axes["drainOut"] != "no")
            yield return Not("/axes/drainOut", "A drain led out belongs to machines with pads.");
    }

    private static Problem Not(string path, string why) => new(OwnProblem.Contradiction, path, why);

    private static char[] NotPlain() => [' ', '-', '_', '/', '.', ',', '\'', '’', '&', '+', '(', ')', '"', '<', '>', ':', ';', '\\'];
}

/// <summary>One question about a kind.</summary>
/// <param name="Axis">What it settles.</param>
/// <param name="Asks">The question.</param>
/// <param name="Options">What can be answered.</param>
public sealed record KindAsk(string Axis, string Asks, IReadOnlyList<KindOption> Options);

/// <summary>One answer.</summary>
/// <param name="Id">As the axis has it.</param>
/// <param name="Says">In words.</param>
public sealed record KindOption(string Id, string Says)
{
    /// <summary>What follows from it on other axes, by what goes together at all; it can be answered otherwise.</summary>
    public IReadOnlyDictionary<string, string> Follows { get; init; } = new Dictionary<string, string>();
}
