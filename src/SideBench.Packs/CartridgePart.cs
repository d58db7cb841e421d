using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Packs;

/// <summary>What can be fitted in a model's slots, as its file says it.</summary>
internal sealed record CartridgePart(
    string Id,
    string Name,
    string Source,
    string Inside,
    string Chip,
    IReadOnlyList<int>? Slots,
    double ChipMl,
    double FillMl,
    double ReserveMl,
    double? TareG,
    double LowPct,
    decimal Price,
    string? Key,
    Dictionary<string, IReadOnlyList<string>>? Numbers,
    string? Align
)
{
    /// <summary>The type; its slots are there, its numbers as many as they, and its reserve no more than a fill.</summary>
    /// <param name="all">The model's slots.</param>
    /// <param name="path">Where it stands, for problems.</param>
    /// <param name="problems">Told what does not fit.</param>
    public CartridgeType ToType(IReadOnlyList<int> all, string path, List<Problem> problems)
    {
        var slots = Slots ?? all;
        foreach (var slot in slots.Except(all))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/slots", "slot", slot));
        if (ReserveMl > FillMl)
            problems.Add(new Problem(ProblemCode.OutOfRange, $"{path}/reserveMl", ReserveMl, 0, FillMl));
        foreach (var (region, numbers) in Numbers ?? [])
            if (numbers.Count != slots.Count)
                problems.Add(
                    new Problem(ProblemCode.PackNotAsMany, $"{path}/numbers/{region}", numbers.Count, "slot it fits", slots.Count)
                );
        return new CartridgeType(
            Id,
            Name,
            Source,
            Inside,
            Chip,
            slots,
            Millilitres.Of(ChipMl),
            Millilitres.Of(FillMl),
            Millilitres.Of(ReserveMl),
            TareG is { } tare ? Grams.Of(tare) : null,
            LowPct,
            Price,
            Key ?? "",
            Numbers ?? []
        )
        {
            Align = Align ?? "",
        };
    }
}
