using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>What one kind of cartridge costs in use, over all slots it fits.</summary>
/// <param name="Type">The kind.</param>
/// <param name="UsableMl">Ink of a filling that is printed before it is due.</param>
/// <param name="PerMl">Money a usable ml, all in.</param>
/// <param name="PerPage">Money a page at the model's coverage, over the slots it fits, all in.</param>
/// <param name="InkPart">Of a filling: the ink, or the piece as bought.</param>
/// <param name="PiecePart">The piece, spread over its fillings.</param>
/// <param name="HandsPart">Bench time.</param>
/// <param name="RiskPart">The head it may cost, as a price.</param>
public sealed record InkMoney(
    CartridgeType Type,
    double UsableMl,
    double PerMl,
    double PerPage,
    double InkPart,
    double PiecePart,
    double HandsPart,
    double RiskPart
)
{
    /// <summary>Every kind of the model that has a price, the cheapest a page first.</summary>
    /// <param name="model">The model.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="benchPerHour">Bench time, money an hour.</param>
    /// <remarks>
    /// Formula: house default. A filling of what is bought is the piece; of what is refilled, its ink, its share of the piece, hands
    /// and, on thermal heads above all, the chance that the head pays for it.
    /// </remarks>
    public static IReadOnlyList<InkMoney> Of(MachineModel model, InkNumbers numbers, double benchPerHour) =>
        [
            .. model
                .Cartridges.Where(c => c.Price > 0 || c.IsFilled)
                .Select(c => One(model, c, numbers, benchPerHour))
                .OrderBy(m => m.PerPage / m.Type.Slots.Count),
        ];

    private static InkMoney One(MachineModel model, CartridgeType type, InkNumbers numbers, double benchPerHour)
    {
        var room = type.Fill.Value - type.Reserve.Value;
        var usable = type is { HasCount: true, IsFilled: false } ? Math.Min(type.ChipCounts.Value, room) : room;
        var kind = model.Slots.First(s => s.Panel == type.Slots[0]).InkKind;
        var (ink, piece, hands, risk) = ((double)type.Price, 0.0, 0.0, 0.0);
        if (type.IsFilled)
        {
            ink = usable * (double)numbers.BottleMl.GetValueOrDefault(kind);
            piece = (double)type.Price / numbers.Money.FillsPerPiece;
            hands = (numbers.Work.Fill + (ToolTime(type) * numbers.Work.Reset)) / 60 * benchPerHour;
            risk = numbers.Money.HeadRisk.GetValueOrDefault(model.Axes["head"]) * (double)model.HeadCare.HeadPrice;
        }

        var perMl = (ink + piece + hands + risk) / usable;
        return new InkMoney(type, usable, perMl, perMl * model.PageMl * type.Slots.Count, ink, piece, hands, risk);
    }

    private static int ToolTime(CartridgeType type) => InkKeeping.ToolFor(type.Chip).Length > 0 ? 1 : 0;

    /// <summary>Fillings after which this pays against another: its pieces, bought at once, over what each filling saves.</summary>
    /// <param name="other">What it is weighed against.</param>
    /// <returns>Null when it never pays.</returns>
    public double? PaysAfter(InkMoney other)
    {
        var saves = (other.PerMl * UsableMl) - (InkPart + HandsPart + RiskPart);
        return saves <= 0 || !Type.IsFilled ? null : (double)Type.Price / saves;
    }
}
