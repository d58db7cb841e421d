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

    /// <summary>What is asked, with what can be answered.</summary>
    public static readonly IReadOnlyDictionary<string, IReadOnlyList<string>> Asked = new Dictionary<string, IReadOnlyList<string>>
    {
        ["head"] = ["piezo", "thermal"],
        ["headPlace"] = ["carriage", "cartridge"],
        ["delivery"] = ["carriage", "lines", "tank", "addon"],
        ["cartridge"] = ["none", "sponge", "bag", "baffled", "outlet-sponge"],
        ["chips"] = ["none", "one-time", "resettable", "auto", "board", "carrier", "count"],
        ["panel"] = ["screen", "lights"],
        ["waste"] = ["pads", "box", "tank", "cartridge"],
        ["drainOut"] = ["no", "pulled", "cut"],
        ["spares"] = ["no", "yes"],
    };

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
            problems.AddRange(Contradictions());
        return problems;
    }

    /// <summary>The model that has just this beginning of serials.</summary>
    public static MachineModel? PrefixOf(IEnumerable<MachineModel> known, string prefix) =>
        prefix.Length == 0 ? null : known.FirstOrDefault(m => m.SerialPrefix.Equals(prefix, StringComparison.OrdinalIgnoreCase));

    private IEnumerable<Problem> Contradictions()
    {
        var (delivery, cartridge, chips, place) = (Axes["delivery"], Axes["cartridge"], Axes["chips"], Axes["headPlace"]);
        if (delivery == "tank" && cartridge != "none")
            yield return Not("/axes/cartridge", "Tanks are filled from bottles: there is no cartridge in a slot.");
        if (delivery != "tank" && delivery != "addon" && cartridge == "none")
            yield return Not("/axes/cartridge", "Without tanks the ink comes from a cartridge of some make.");
        if (delivery == "tank" && chips is not ("none" or "count"))
            yield return Not("/axes/chips", "A tank has no chip; at most the machine keeps a count that people set back.");
        if (delivery != "tank" && chips == "count")
            yield return Not("/axes/chips", "A count without a chip belongs to tanks.");
        if (place == "cartridge" && Axes["head"] == "piezo")
            yield return Not("/axes/head", "Heads that go with their cartridge are thermal.");
        if (place == "cartridge" && delivery != "carriage")
            yield return Not("/axes/delivery", "A head in the cartridge is fed from that cartridge, on the carriage.");
        if (Axes["spares"] == "yes" && place == "cartridge")
            yield return Not("/axes/spares", "Spare nozzles belong to large heads that stay.");
        if (Axes["waste"] != "pads" && Axes["drainOut"] != "no")
            yield return Not("/axes/drainOut", "A drain led out belongs to machines with pads.");
    }

    private static Problem Not(string path, string why) => new(OwnProblem.Contradiction, path, why);

    private static char[] NotPlain() => [' ', '-', '_', '/', '.', ',', '\'', '’', '&', '+', '(', ')', '"', '<', '>', ':', ';', '\\'];
}
