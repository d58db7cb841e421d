using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Own;

/// <summary>What the record of a model's machines measured by the way, and is not in its figures yet.</summary>
internal sealed class OwnMeasured(EntryStore entries, BenchBooks books)
{
    private const int MostLines = 5_000;

    /// <summary>A measurement with the machine it was made on.</summary>
    internal sealed record Found(BenchMeasure Measure, long Machine, string Serial);

    /// <summary>Of one job's lines, oldest first: how many there are.</summary>
    public static int On(MachineModel model, IReadOnlyList<Entry> lines, BenchBooks books) =>
        model.Taught is { } taught ? Of(model, TakenBack.Without(lines), books).Count(m => !taught.HasTaken(m.Key)) : 0;

    /// <summary>Those that are not taken yet, the latest first; none of a model of the house.</summary>
    public async Task<IReadOnlyList<Found>> Open(MachineModel model, CancellationToken cancel)
    {
        if (model.Taught is not { } taught)
            return [];
        return
        [
            .. (await entries.OfModel(model.Id, MostLines, cancel))
                .GroupBy(l => (l.Machine, l.Serial))
                .SelectMany(g => Of(model, g.Select(l => l.Entry), books).Select(m => new Found(m, g.Key.Machine, g.Key.Serial)))
                .Where(f => !taught.HasTaken(f.Measure.Key))
                .OrderByDescending(f => f.Measure.Line.At),
        ];
    }

    private static IReadOnlyList<BenchMeasure> Of(MachineModel model, IEnumerable<Entry> lines, BenchBooks books)
    {
        var (ink, waste) = (books.Shop.Numbers.Of<InkNumbers>(), books.Shop.Numbers.Of<WasteNumbers>());
        var noise = new BenchNoise(ink.Density, ink.Noise.ScaleSd, waste.Noise.ScaleSd, waste.CounterStep);
        return BenchMeasures.Of(model, books.Shop.Book, lines, noise, books.Shop.Numbers.Of<OwnNumbers>());
    }
}
