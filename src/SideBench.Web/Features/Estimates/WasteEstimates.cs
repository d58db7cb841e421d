using System.Globalization;
using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;
using SideBench.Core.Waste;

namespace SideBench.Web.Features.Estimates;

/// <summary>What a waste store holds, from a history.</summary>
internal static class WasteEstimates
{
    /// <summary>Its name in the open format.</summary>
    public const string Name = "waste-store";

    private const double Most = 1e6;
    private const double MostPct = 1000;
    private const double AllOfIt = 100;
    private const double LeastShare = 0.01;

    /// <summary>The estimate, or every problem with its place.</summary>
    /// <param name="asked">What was sent.</param>
    /// <param name="numbers">House numbers.</param>
    public static Outcome<JsonObject> Of(JsonObject asked, WasteNumbers numbers)
    {
        var problems = new List<Problem>();
        var all = new HistoryReader(asked, "", problems);
        all.Word("estimate", Name);
        var at = all.Moment("at");
        if (all.Object("noise", isNeeded: false) is { } noise)
            numbers = numbers with { Noise = Noise(noise, numbers.Noise) };
        WasteHistory? store = null;
        if (all.Object("store") is { } told)
            (store, numbers) = Store(told, numbers);
        var events = all.Objects("events").Select(Event).OfType<WasteEvent>().ToList();
        all.Done();
        if (problems.Count > 0 || store is null)
            return problems;
        var said = WasteLedger.Of(store with { Events = events }, numbers, at);
        return said.IsGood ? Result(said.Value) : said.Problems.ToList();
    }

    private static WasteNoise Noise(HistoryReader told, WasteNoise house)
    {
        var noise = new WasteNoise(
            told.Number("inflowSd", 0, 2, house.InflowSd),
            told.Number("shareSd", 0, 0.3, house.ShareSd),
            told.Number("daysSd", 0, 2, house.DaysSd),
            told.Above("scaleSd", Most, house.ScaleSd)
        );
        told.Done();
        return noise;
    }

    private static (WasteHistory, WasteNumbers) Store(HistoryReader told, WasteNumbers numbers)
    {
        var store = new WasteHistory(
            told.Number("tareG", 0, Most),
            told.Above("absorbentLimitG", Most),
            told.Number("margin", 0, 1, without: 0.8),
            told.Above("gPerCounterPct", Most),
            told.Above("counterLimitPct", MostPct, AllOfIt),
            []
        );
        numbers = numbers with
        {
            VolatileShare = told.Number("volatileShare", LeastShare, 1 - LeastShare, numbers.VolatileShare),
            DryDays = told.Above("dryDays", Most, numbers.DryDays),
        };
        told.Done();
        return (store, numbers);
    }

    private static WasteEvent? Event(HistoryReader told)
    {
        var at = told.Moment("at");
        WasteEvent? what = told.Kind("kind", "counter", "weighed", "reset", "renewed", "washed", "emptied") switch
        {
            "counter" => new WasteEvent.CounterRead(at, told.Number("pct", 0, MostPct)),
            "weighed" => new WasteEvent.Weighed(at, told.Number("g", 0, Most)),
            "reset" => new WasteEvent.Reset(at, told.Number("toPct", 0, MostPct, without: 0)),
            "renewed" => new WasteEvent.Renewed(at),
            "washed" => new WasteEvent.Washed(at, told.Number("g", 0, Most)),
            "emptied" => new WasteEvent.Emptied(at, told.Number("leftMl", 0, Most, without: 0)),
            _ => null,
        };
        told.Done();
        return what;
    }

    private static JsonObject Result(WasteEstimate said) =>
        new()
        {
            ["massG"] = EstimateAnswers.Figure(said.Mass),
            ["roomG"] = EstimateAnswers.Figure(said.Room),
            ["cyclesLeft"] = EstimateAnswers.Figure(said.CyclesLeft),
            ["counterFullOn"] = Dates(said.CounterFullOn),
            ["storeFullOn"] = Dates(said.StoreFullOn),
            ["first"] = said.First,
            ["mayReset"] = said.MayReset,
            ["needs"] = new JsonArray([.. said.Needs.Select(n => JsonValue.Create(n))]),
            ["doubts"] = new JsonArray([.. said.Doubts.Select(d => EstimateAnswers.Doubt($"/events/{d.Event}", d.Says))]),
        };

    private static JsonObject Dates(DateBand dates) =>
        new()
        {
            ["early"] = Text(dates.Early),
            ["median"] = Text(dates.Median),
            ["late"] = Text(dates.Late),
        };

    private static string? Text(DateTimeOffset? at) => at?.ToString("yyyy-MM-dd'T'HH:mm:sszzz", CultureInfo.InvariantCulture);
}
