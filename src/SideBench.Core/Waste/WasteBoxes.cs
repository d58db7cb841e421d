using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Waste;

/// <summary>The waste boxes of the shop that have a tag, and turns what a person says of them into lines.</summary>
/// <param name="All">All of them.</param>
/// <param name="Here">The machine that is looked at; 0 when none is.</param>
public sealed record WasteBoxes(IReadOnlyList<WasteBox> All, long Here = 0)
{
    private const string Pads = "pads";
    private const double MostChanges = 100;
    private const double FarFromTare = 2;

    /// <summary>The box with a tag; null when there is none.</summary>
    public WasteBox? Named(string? tag) => string.IsNullOrWhiteSpace(tag) ? null : All.FirstOrDefault(b => StockItem.Same(b.Tag, tag));

    /// <summary>Whether a model's store is a thing that comes out: a box, tank or cartridge.</summary>
    public static bool Has(MachineModel model) =>
        model is { Waste: not null, StoreTareG: not null, PadCapacityG: not null } && model.Axes.GetValueOrDefault("waste") != Pads;

    /// <summary>A box got a tag.</summary>
    /// <param name="tag">Its tag.</param>
    /// <param name="model">The model it fits; null when unknown.</param>
    /// <param name="tareG">What it weighs dry, g; null for its model's figure.</param>
    /// <param name="grams">What it weighs now, g; null when not weighed.</param>
    /// <param name="note">What else was told.</param>
    /// <param name="numbers">House numbers.</param>
    public Outcome<IReadOnlyList<EntryBody>> Come(
        string? tag,
        MachineModel? model,
        double? tareG,
        double? grams,
        string? note,
        WasteNumbers numbers
    )
    {
        var problems = new List<Problem>();
        Guard.Text(problems, tag, "/tag", Guard.LongestName, needed: true);
        Guard.Text(problems, note, "/note", Guard.LongestText, needed: false);
        if (Named(tag) is { Stand: not BoxStand.Gone } taken)
            problems.Add(new Problem(WasteProblem.TagTaken, "/tag", taken.Tag));
        if (model is null || !Has(model))
        {
            problems.Add(new Problem(WasteProblem.NoBox, "/fits", model?.FullName ?? "That model"));
            return problems;
        }

        var tare = tareG ?? model.StoreTareG!.Value;
        Guard.Range(problems, tare, "/tareG", model.StoreTareG!.Value / FarFromTare, model.StoreTareG.Value * FarFromTare);
        if (grams is { } g)
            Guard.Range(problems, g, "/grams", tare, tare + (model.PadCapacityG!.Value * numbers.Overfull));
        if (problems.Count > 0)
            return problems;
        var lines = new List<EntryBody> { new BoxCame(tag!.Trim(), model.Id, tare, note?.Trim() ?? "") };
        if (grams is not null)
            lines.Add(new BoxTold(tag.Trim(), "weighed", grams, ""));
        return lines;
    }

    /// <summary>Something was done to a box out of its machine, or seen of it.</summary>
    /// <param name="tag">Its tag.</param>
    /// <param name="what">What, a word of <see cref="BoxTold.Ways"/>.</param>
    /// <param name="amount">How much of it.</param>
    /// <param name="note">What else was told.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="models">The models.</param>
    public Outcome<IReadOnlyList<EntryBody>> Tell(
        string? tag,
        string? what,
        double? amount,
        string? note,
        WasteNumbers numbers,
        IReadOnlyDictionary<string, MachineModel> models
    )
    {
        if (Named(tag) is not { } box || box.Stand == BoxStand.Gone)
            return new Problem(WasteProblem.UnknownBox, "/box", tag?.Trim() ?? "");
        if (box.Stand == BoxStand.In)
            return new Problem(WasteProblem.BoxInMachine, "/box", box.Tag, box.Serial);
        var problems = new List<Problem>();
        Guard.Word(problems, what, "/what", BoxTold.Ways);
        Guard.Text(problems, note, "/note", Guard.LongestText, needed: false);
        var holds = models.GetValueOrDefault(box.Fits)?.PadCapacityG ?? 0;
        var (least, most) = what switch
        {
            "weighed" => (box.TareG - (numbers.OutlierSd * numbers.Noise.ScaleSd), box.TareG + (holds * numbers.Overfull)),
            "washed" => (1, MostChanges),
            "trial" => (1, holds * numbers.Overfull),
            _ => (0, 0),
        };
        if (most > 0 && amount is null)
            problems.Add(new Problem(ProblemCode.Missing, "/amount"));
        else if (what == "weighed" && amount < least)
            problems.Add(new Problem(WasteProblem.LighterThanDry, "/amount", amount, box.TareG));
        else if (most > 0)
            Guard.Range(problems, amount!.Value, "/amount", least, most);
        return problems.Count > 0
            ? problems
            : new List<EntryBody> { new BoxTold(box.Tag, what!, most > 0 ? amount : null, note?.Trim() ?? "") };
    }
}
