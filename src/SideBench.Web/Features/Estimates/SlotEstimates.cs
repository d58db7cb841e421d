using System.Text.Json.Nodes;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Sums;

namespace SideBench.Web.Features.Estimates;

/// <summary>What is in a slot, from a history.</summary>
internal static class SlotEstimates
{
    /// <summary>Its name in the open format.</summary>
    public const string Name = "slot-ledger";

    private const double Most = 1e6;
    private const double AllOfIt = 100;
    private static readonly string[] Insides = ["sponge", "bag", "baffled", "outlet-sponge", "tank", "head-cartridge"];
    private static readonly string[] Chips = ["none", "one-time", "hand-tool", "auto", "board", "carrier"];

    /// <summary>The estimate, or every problem with its place.</summary>
    /// <param name="asked">What was sent.</param>
    /// <param name="numbers">House numbers.</param>
    public static Outcome<JsonObject> Of(JsonObject asked, InkNumbers numbers)
    {
        var problems = new List<Problem>();
        var all = new HistoryReader(asked, "", problems);
        all.Word("estimate", Name);
        var at = all.Moment("at");
        if (all.Object("noise", isNeeded: false) is { } noise)
            numbers = numbers with { Noise = Noise(noise, numbers.Noise) };
        var slot = all.Object("slot") is { } told ? Slot(told, problems) : null;
        var events = all.Objects("events").Select(e => Event(e, problems)).OfType<SlotEvent>().ToList();
        all.Done();
        if (problems.Count > 0 || slot is null)
            return problems;
        var said = SlotLedger.Of(slot with { Events = events }, numbers, at);
        return said.IsGood ? Result(said.Value) : said.Problems.ToList();
    }

    private static SlotNoise Noise(HistoryReader told, SlotNoise house)
    {
        var noise = new SlotNoise(
            told.Number("fullSd", 0, 1, house.FullSd),
            told.Number("pouredSd", 0, 1, house.PouredSd),
            told.Number("countSd", 0, 1, house.CountSd),
            told.Number("scaleSd", 0, Most, house.ScaleSd),
            told.Number("tareSd", 0, Most, house.TareSd),
            told.Number("spentSd", 0, 1, house.SpentSd)
        );
        told.Done();
        return noise;
    }

    private static SlotHistory Slot(HistoryReader told, List<Problem> problems)
    {
        told.Word("inside", Insides);
        var hasChip = told.Word("chipKind", Chips) != "none";
        told.Flag("sealed");
        var slot = new SlotHistory(
            hasChip ? told.Above("chipMl", Most) : told.Number("chipMl", 0, Most, without: 0),
            told.Above("fillMl", Most),
            told.Number("reserveMl", 0, Most, without: 0),
            told.Number("tareG", 0, Most),
            told.Number("densityGPerMl", 0.8, 1.4, without: 1.06),
            []
        );
        if (slot.ReserveMl > slot.FillMl)
            problems.Add(new Problem(ProblemCode.OutOfRange, told.Place("reserveMl"), slot.ReserveMl, 0, slot.FillMl));
        told.Done();
        return slot;
    }

    private static SlotEvent? Event(HistoryReader told, List<Problem> problems)
    {
        var at = told.Moment("at");
        SlotEvent? what = told.Kind("kind", "filled", "chip", "weighed", "reset", "swapped", "spent") switch
        {
            "filled" => Filled(told, at, problems),
            "chip" => new SlotEvent.ChipRead(at, told.Number("pct", 0, AllOfIt)),
            "weighed" => new SlotEvent.Weighed(at, told.Number("g", 0, Most)),
            "reset" => new SlotEvent.Reset(at, told.Number("toPct", 0, AllOfIt, without: AllOfIt)),
            "swapped" => new SlotEvent.Swapped(at, told.Number("ml", 0, Most), told.Number("chipPct", 0, AllOfIt, without: AllOfIt)),
            "spent" => new SlotEvent.Spent(at, told.Number("ml", 0, Most)),
            _ => null,
        };
        told.Done();
        return what;
    }

    private static SlotEvent.Filled Filled(HistoryReader told, DateTimeOffset at, List<Problem> problems)
    {
        var toFull = told.Flag("toFull");
        var ml = toFull ? told.Maybe("ml", 0, Most) : told.Number("ml", 0, Most);
        if (toFull && ml is not null)
            problems.Add(new Problem(SumProblem.TwoWays, told.Place("ml"), "toFull", "ml"));
        return new SlotEvent.Filled(at, toFull ? null : ml);
    }

    private static JsonObject Result(SlotEstimate said) =>
        new()
        {
            ["inkMl"] = EstimateAnswers.Figure(said.Ink),
            ["chipPct"] = said.ChipPct,
            ["dryAtChipPct"] = EstimateAnswers.Figure(said.DryAt),
            ["addMl"] = EstimateAnswers.Figure(said.AddMl),
            ["latestTopUpPct"] = said.LatestTopUpPct,
            ["airSince"] = said.AirSince?.ToString("yyyy-MM-dd'T'HH:mm:sszzz", System.Globalization.CultureInfo.InvariantCulture),
            ["countFactor"] = EstimateAnswers.Figure(said.CountFactor),
            ["doubts"] = new JsonArray([.. said.Doubts.Select(d => EstimateAnswers.Doubt($"/events/{d.Event}", d.Says))]),
        };
}
