using MathNet.Numerics.Distributions;
using SideBench.Core.HeadCare;
using SideBench.Core.Machines;

namespace SideBench.Core.Simulation.Heads;

/// <summary>What is really behind a channel's missing nozzles.</summary>
public enum ChannelTruth
{
    /// <summary>Dried ink or debris.</summary>
    Clog,

    /// <summary>Air.</summary>
    Air,

    /// <summary>Ink does not follow.</summary>
    Starved,

    /// <summary>Something that no explanation of the house has room for: nothing brings them back.</summary>
    Other,
}

/// <summary>How far the world of the heads is from what the house expects.</summary>
/// <param name="Widen">Method chances are spread so many times wider than the house says.</param>
/// <param name="Other">Share of channels that no explanation of the house has room for, 0 to 1.</param>
public sealed record HeadWorld(double Widen, double Other)
{
    /// <summary>As the house says: each head draws its own parameters.</summary>
    public static readonly HeadWorld AsSaid = new(1, 0);

    /// <summary>Rougher than the house says.</summary>
    public static readonly HeadWorld Rough = new(1.5, 0.1);
}

/// <summary>One channel of a made-up head, with its hidden parameters.</summary>
public sealed class SimulatedChannel
{
    private readonly HashSet<int> stuck;
    private readonly Dictionary<string, double> clears;
    private readonly double airChance;
    private readonly double starvedShare;
    private readonly Random chance;

    /// <summary>A channel with hidden parameters of its own.</summary>
    /// <param name="head">How it was found.</param>
    /// <param name="slot">The slot that feeds it.</param>
    /// <param name="truth">What is behind it.</param>
    /// <param name="numbers">House numbers: what it is drawn around.</param>
    /// <param name="world">How far from them.</param>
    /// <param name="hidden">Where its parameters come from: the same chance gives the same channel.</param>
    /// <param name="chance">Where what then happens comes from.</param>
    internal SimulatedChannel(
        HeadHistory head,
        int slot,
        ChannelTruth truth,
        HeadCareNumbers numbers,
        HeadWorld world,
        Random hidden,
        Random chance
    )
    {
        (Start, Slot, Truth, this.chance) = (head, slot, truth, chance);
        Missing = head.Missing;
        var never = hidden.NextDouble() < numbers.NoneStuck ? 0 : Beta.Sample(hidden, numbers.StuckAlpha, numbers.StuckBeta);
        stuck = [.. Enumerable.Range(0, head.Nozzles).Where(_ => hidden.NextDouble() < never)];
        clears = numbers
            .Chances[head.Kind]
            .Keys.ToDictionary(m => m, m => Drawn(ClearingPrior.Of(head, m, numbers)!.Value, world.Widen, hidden));
        airChance = Between(numbers.AirChance, hidden);
        starvedShare = Between(numbers.StarvedShare, hidden);
    }

    /// <summary>How it was found.</summary>
    public HeadHistory Start { get; }

    /// <summary>The slot that feeds it.</summary>
    public int Slot { get; }

    /// <summary>What is behind it.</summary>
    public ChannelTruth Truth { get; private set; }

    /// <summary>Missing now.</summary>
    public IReadOnlySet<int> Missing { get; private set; }

    /// <summary>Something is done to it, and a sheet is printed.</summary>
    /// <param name="method">The method.</param>
    public void Apply(string method)
    {
        if (Missing.Count == 0 && Truth == ChannelTruth.Clog)
            return;
        Missing = Truth switch
        {
            ChannelTruth.Clog => Missing
                .Where(n => stuck.Contains(n) || chance.NextDouble() >= clears.GetValueOrDefault(method))
                .ToHashSet(),
            ChannelTruth.Air => Enumerable.Range(0, Start.Nozzles).Where(_ => chance.NextDouble() < airChance).ToHashSet(),
            ChannelTruth.Starved when HeadMethod.IsCleanOf(method) => Starve(),
            _ => Missing,
        };
    }

    /// <summary>It is found as a later sheet showed it.</summary>
    /// <param name="missing">Missing then.</param>
    internal void Found(IReadOnlySet<int> missing) => Missing = missing;

    /// <summary>Its supply is mended.</summary>
    public void Feed()
    {
        Missing = new HashSet<int>();
        Truth = ChannelTruth.Clog;
    }

    // From the far end.
    private HashSet<int> Starve()
    {
        var more = (int)Math.Ceiling(starvedShare * Start.Nozzles);
        var end = Start.Nozzles;
        while (end > 0 && Missing.Contains(end - 1))
            end--;
        return [.. Missing, .. Enumerable.Range(Math.Max(0, end - more), Math.Min(more, end))];
    }

    private static double Drawn(ClearingPrior prior, double widen, Random hidden)
    {
        var sd = widen * Math.Sqrt(prior.Mean * (1 - prior.Mean) / (prior.Alpha + prior.Beta + 1));
        var weight = Math.Max(0.3, (prior.Mean * (1 - prior.Mean) / (sd * sd)) - 1);
        return Beta.Sample(hidden, prior.Mean * weight, (1 - prior.Mean) * weight);
    }

    private static double Between(ShareRange range, Random hidden) => range.From + ((range.To - range.From) * hidden.NextDouble());
}

/// <summary>A made-up head of one of the house's models.</summary>
/// <param name="Model">Its model.</param>
/// <param name="Channels">Channels with something missing.</param>
public sealed record SimulatedHead(MachineModel Model, IReadOnlyList<SimulatedChannel> Channels)
{
    private const int RunFrom = 6;

    /// <summary>Draws one.</summary>
    /// <param name="models">The house's models.</param>
    /// <param name="numbers">House numbers: what heads are drawn around.</param>
    /// <param name="world">How far from them.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static SimulatedHead Drawn(IReadOnlyList<MachineModel> models, HeadCareNumbers numbers, HeadWorld world, Random chance)
    {
        var model = models[chance.Next(models.Count)];
        var isTank = model.Axes["delivery"] == "tank";
        var refilled = !isTank && chance.NextDouble() < 0.4;
        var transfer = isTank && chance.NextDouble() < 0.2;
        var weeks = -6 * Math.Log(1 - chance.NextDouble());
        var nozzles = model.Sheet!.Layout.Units[0].Nozzles;
        var channels = new List<SimulatedChannel>();
        var slots = model
            .Slots.OrderBy(_ => chance.NextDouble())
            .Take(
                chance.NextDouble() is var n && n < 0.6 ? 1
                : n < 0.85 ? 2
                : 3
            );
        foreach (var slot in slots)
        {
            var truth = Truth(refilled ? numbers.PriorRefilled : numbers.Prior, world, chance);
            var kind = $"{model.Axes["head"]} {(transfer ? "transfer" : slot.InkKind)}";
            var head = new HeadHistory(kind, weeks, nozzles, refilled, Gaps(truth, nozzles, chance), []);
            channels.Add(new SimulatedChannel(head, slot.Panel, truth, numbers, world, chance, chance));
        }

        return new SimulatedHead(model, channels);
    }

    private static ChannelTruth Truth(ExplanationOdds prior, HeadWorld world, Random chance)
    {
        if (chance.NextDouble() < world.Other)
            return ChannelTruth.Other;
        var at = chance.NextDouble() * (prior.Clog + prior.Air + prior.Starved);
        return at < prior.Clog ? ChannelTruth.Clog
            : at < prior.Clog + prior.Air ? ChannelTruth.Air
            : ChannelTruth.Starved;
    }

    private static HashSet<int> Gaps(ChannelTruth truth, int nozzles, Random chance)
    {
        var how = chance.NextDouble();
        var count =
            how < 0.6 ? 1 + chance.Next(12)
            : how < 0.85 ? (int)(nozzles * (0.1 + (0.3 * chance.NextDouble())))
            : RunFrom + chance.Next(14);
        count = Math.Clamp(count, 1, nozzles - 1);
        if (truth == ChannelTruth.Starved)
            return [.. Enumerable.Range(nozzles - count, count)];
        if (how < 0.85)
            return [.. Enumerable.Range(0, nozzles).OrderBy(_ => chance.NextDouble()).Take(count)];
        return [.. Enumerable.Range(chance.Next(nozzles - count), count)];
    }
}
