using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;

namespace SideBench.Core.HeadCare;

/// <summary>What bounds a plan on a model, at the shop's rates.</summary>
public static class HeadBounds
{
    private const string Thermal = "thermal";

    /// <summary>Whether the supply may be looked at before anything else: on refilled ink, and once a pair of sheets has spoken.</summary>
    public static HeadLimits LookingAt(this HeadLimits limits, IReadOnlyList<ChannelCare> channels) =>
        limits with
        {
            LookFirst = limits.LookFirst || channels.Any(c => c.Head.Refilled || c.Head.Done.Count > 0),
        };

    /// <summary>The shop's rates for head care.</summary>
    /// <param name="house">Its rates.</param>
    /// <param name="numbers">House numbers of head care.</param>
    public static HeadRates Rates(HouseRates house, HeadCareNumbers numbers) =>
        new(house.InkPerMl, house.CounterPerPct, house.BenchPerHour, numbers.WaitPerHour);

    /// <summary>Its bounds before anything was done.</summary>
    /// <param name="model">The model as it stands.</param>
    /// <param name="house">The shop's rates.</param>
    /// <param name="numbers">House numbers of head care.</param>
    public static HeadLimits Of(MachineModel model, HouseRates house, HeadCareNumbers numbers)
    {
        var hour = house.BenchPerHour / 60;
        var thermal = model.Axes["head"] == Thermal;
        var work = model.Axes["headPlace"] == "cartridge" ? numbers.HeadPlateMin : numbers.HeadWorkMin;
        return new HeadLimits(
            model.Axes["headRenew"] == "yes"
                ? (double)model.HeadCare.HeadPrice + (work * hour) + house.PartsWait + (numbers.HeadWaitHours * numbers.WaitPerHour)
                : house.HandBack,
            0,
            Math.Min(model.HeadCare.CleansInRow, numbers.CleansInRow),
            0,
            false,
            null,
            false,
            thermal,
            numbers.SupplyMends,
            (numbers.SupplyWorkMin * hour) + numbers.SupplyParts,
            thermal ? numbers.StarvedRuin * (double)model.HeadCare.HeadPrice : 0,
            thermal ? numbers.MostStarved : 1
        );
    }
}
