using SideBench.Core.Machines;
using SideBench.Core.Shelf;

namespace SideBench.Core.Ink;

/// <summary>What a number on a cartridge says of it.</summary>
public enum NumberFit
{
    /// <summary>It belongs there.</summary>
    Right,

    /// <summary>It is of another region.</summary>
    WrongRegion,

    /// <summary>It belongs in another slot.</summary>
    WrongSlot,

    /// <summary>It is of another model.</summary>
    OtherModel,

    /// <summary>It belongs there, and its lot fails.</summary>
    BadLot,

    /// <summary>The packs do not know it.</summary>
    Unknown,
}

/// <summary>The answer to a number that was read or scanned.</summary>
/// <param name="Fit">Whether it belongs.</param>
/// <param name="Slot">The slot it belongs in, by panel number; 0 when not known.</param>
/// <param name="Says">What it is, and what would be right, one sentence.</param>
public sealed record CartridgeAnswer(NumberFit Fit, int Slot, string Says)
{
    /// <summary>Answers for a number.</summary>
    /// <param name="models">All models of the shop.</param>
    /// <param name="model">The machine's.</param>
    /// <param name="region">The shop's region.</param>
    /// <param name="slot">The slot it is meant for, by panel number; 0 for any.</param>
    /// <param name="number">The number, as read: blanks and the case of letters do not count.</param>
    public static CartridgeAnswer Of(IEnumerable<MachineModel> models, MachineModel model, string region, int slot, string number)
    {
        var read = Plain(number);
        var own = Find(model, read).ToList();
        if (own.Count == 0)
        {
            var other = models.FirstOrDefault(m => m.Id != model.Id && Find(m, read).Any());
            return other is null
                ? new CartridgeAnswer(
                    NumberFit.Unknown,
                    0,
                    $"{number.Trim()} is not known. Compare the shape and the chip, and write down who sold it."
                )
                : new CartridgeAnswer(NumberFit.OtherModel, 0, $"That is for the {other.FullName}, not for this machine.");
        }

        var (type, at, where) = own.OrderByDescending(o => o.Slot == slot).ThenByDescending(o => o.Region == region).First();
        var ink = model.Slots.First(s => s.Panel == at).Ink;
        if (where != region)
            return new CartridgeAnswer(
                NumberFit.WrongRegion,
                at,
                $"{ink} for slot {at}, but of region {where}: its chip is refused here."
                    + (type.NumberFor(at, region) is { } right ? $" Right is {right}." : "")
            );
        return slot != 0 && at != slot
            ? new CartridgeAnswer(
                NumberFit.WrongSlot,
                at,
                $"That is {ink}, for slot {at}." + (type.NumberFor(slot, region) is { } here ? $" Here belongs {here}." : "")
            )
            : new CartridgeAnswer(NumberFit.Right, at, $"Right: {ink}, slot {at}, {type.Name}.");
    }

    /// <summary>The same, with what the shop knows of its lot.</summary>
    /// <param name="lot">The lot, as read; empty when not.</param>
    /// <param name="lots">How lots have done.</param>
    public CartridgeAnswer OfLot(string lot, IReadOnlyList<LotRecord> lots)
    {
        if (
            Fit != NumberFit.Right
            || lots.FirstOrDefault(l => l.Lot.Equals(lot.Trim(), StringComparison.OrdinalIgnoreCase)) is not { } known
        )
            return this;
        var says = $"{known.Failed} of {known.Fitted} of lot {known.Lot} failed here, so {known.Rate.Low:P0} to {known.Rate.High:P0} do.";
        return known.Verdict == LotVerdict.Bad
            ? this with
            {
                Fit = NumberFit.BadLot,
                Says = $"{Says} But its lot is bad: {says} Do not fit it; back to its seller.",
            }
            : this with
            {
                Says = $"{Says} {says}",
            };
    }

    private static IEnumerable<(CartridgeType Type, int Slot, string Region)> Find(MachineModel model, string read) =>
        from type in model.Cartridges
        from region in type.Numbers
        from at in Enumerable.Range(0, region.Value.Count)
        where Plain(region.Value[at]) == read
        select (type, type.Slots[at], region.Key);

    private static string Plain(string number) => string.Concat(number.Where(char.IsLetterOrDigit)).ToUpperInvariant();
}
