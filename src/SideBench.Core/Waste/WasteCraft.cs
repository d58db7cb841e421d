using SideBench.Core.Jobs;

namespace SideBench.Core.Waste;

/// <summary>Waste ink: what a store holds, and whether its counter may be reset.</summary>
public static class WasteCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new(
        "Waste",
        [StoreTold.Form, CounterReset.Form, WasteHandedIn.Form, BoxCame.Form, BoxTold.Form, LocalRules.Form]
    )
    {
        Numbers = typeof(WasteNumbers),
        FactKinds = WasteFacts.Kinds,
        Facts = WasteFacts.Of,
        FactsOnModel = (model, job, numbers, now) => WasteFacts.OnModel(model, job, (WasteNumbers)numbers, now),
        HandOverOnModel = (model, job, numbers, now) => WasteDue.OnPaper(model, job, (WasteNumbers)numbers, now),
        HandOver = job =>
            job.Machine.Modifications.TryGetValue((CounterReset.Unserviced, ""), out var mark)
                ? new HandOverLines([], [$"{mark.What.Says}; the store is to be seen to."])
                : HandOverLines.None,
    };
}
