using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Machines;

namespace SideBench.Web.Features.Ink;

/// <summary>Lays out what lies ahead of the slots: the next session, the way to refillables, and what each way costs.</summary>
internal static class InkPlans
{
    private const string DonorSchool = "donor-floor";
    private const string Soft = "soft";
    private const string MakersOwn = "maker";

    /// <summary>When ink work next falls due.</summary>
    public static NextSessionView Next(NextSession next, DateTimeOffset now) =>
        new(
            next.First.Slot.Panel,
            next.First.Slot.Ink,
            now.AddDays(next.Days.Best),
            now.AddDays(next.Days.Low),
            now.AddDays(next.Days.High),
            [.. next.With.Select(s => s.Slot.Panel)]
        );

    /// <summary>The way to refillables; null where there is none.</summary>
    public static ConversionView? Conversion(JobCase job, IReadOnlyList<SlotOnMachine> slots, InkNumbers numbers, DateTimeOffset now)
    {
        var floor = job.Facts.Schools.GetValueOrDefault(DonorSchool) == Soft ? numbers.Rules.SoftDonorPct : numbers.Rules.DonorPct;
        return Core.Ink.Conversion.Of(job.Book.Model, slots, numbers, floor) is { } way
            ? new ConversionView(
                way.To.Name,
                floor,
                [
                    .. way.Steps.Select(s => new ConversionStepView(
                        s.On.Slot.Panel,
                        s.On.Slot.Ink,
                        s.DonorPct,
                        s.IsLost,
                        s.DaysLeft is { } days ? now.AddDays(days) : null,
                        s.Says
                    )),
                ],
                way.Cost,
                way.Hands.Value,
                way.WindowDays is { } window ? now.AddDays(window) : null
            )
            : null;
    }

    /// <summary>What each kind of cartridge costs in use.</summary>
    public static IEnumerable<InkMoneyView> Money(MachineModel model, InkNumbers numbers, HouseRates house)
    {
        var all = InkMoney.Of(model, numbers, house.BenchPerHour);
        foreach (var one in all)
        {
            var maker = all.FirstOrDefault(m => m.Type.Source == MakersOwn && m.Type.Slots.SequenceEqual(one.Type.Slots));
            yield return new InkMoneyView(
                one.Type.Id,
                one.Type.Name,
                one.Type.Slots.Count,
                one.UsableMl,
                one.PerMl,
                one.PerPage,
                one.InkPart,
                one.PiecePart,
                one.HandsPart,
                one.RiskPart,
                maker is null ? null : one.PaysAfter(maker)
            );
        }
    }
}
