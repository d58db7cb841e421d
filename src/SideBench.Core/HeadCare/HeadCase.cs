using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>
/// A head with all its channels, what can be done to it, and what each way of going on comes to. Channels are taken as independent. What is
/// done is done to every channel that is not clear yet.
/// </summary>
public sealed class HeadCase
{
    private readonly Dictionary<long, double[]> left = [];
    private readonly int supply;

    /// <summary>A head.</summary>
    /// <param name="channels">Channels with something missing.</param>
    /// <param name="methods">What can be done.</param>
    /// <param name="rates">What it costs.</param>
    /// <param name="limits">What bounds it.</param>
    public HeadCase(IReadOnlyList<ChannelCare> channels, IReadOnlyList<HeadMethod> methods, HeadRates rates, HeadLimits limits)
    {
        (Channels, Rates, Limits) = (channels, rates, limits);
        Methods = methods;
        supply = Methods.ToList().FindIndex(m => m.Id == HeadMethod.Supply);
    }

    /// <summary>Channels with something missing.</summary>
    public IReadOnlyList<ChannelCare> Channels { get; }

    /// <summary>What can be done.</summary>
    public IReadOnlyList<HeadMethod> Methods { get; }

    /// <summary>What it costs.</summary>
    public HeadRates Rates { get; }

    /// <summary>What bounds it.</summary>
    public HeadLimits Limits { get; }

    /// <summary>The head after one more application, and a sheet.</summary>
    /// <param name="method">Index of the method.</param>
    /// <param name="row">Cleans in a row then.</param>
    /// <param name="rank">Channel by channel: how well it went, from 0 to 1 of all that can be.</param>
    internal HeadCase After(int method, int row, Func<int, double> rank)
    {
        var id = Methods[method].Id;
        return new HeadCase(
            [
                .. Channels.Select(
                    (c, i) =>
                        c.Outlook.Missing <= Limits.MostLeft
                            ? c
                            : c with
                            {
                                Outlook = c.Outlook.After(id, c.Outlook.Next(id)!.Quantile(rank(i))),
                            }
                ),
            ],
            Methods,
            Rates,
            Limits with
            {
                RowSoFar = row,
                CleanedBefore = Limits.CleanedBefore || Methods[method].IsClean,
            }
        );
    }

    /// <summary>Chance that air or starvation is behind any channel, 0 to 1.</summary>
    public double NotClog => 1 - Channels.Aggregate(1.0, (sure, c) => sure * c.Outlook.Explanation.Clog);

    /// <summary>Chance, channel by channel, that it is not clear.</summary>
    /// <param name="times">How often each method was applied.</param>
    internal double[] Left(int[] times)
    {
        var key = Key(times);
        if (left.TryGetValue(key, out var known))
            return known;
        List<(string, int)> done = [.. Methods.Zip(times, (m, n) => (m.Id, n)).Where(d => d.Item1 != HeadMethod.Supply)];
        var looked = supply >= 0 && times[supply] > 0;
        return left[key] = [
            .. Channels.Select(c =>
                c.Outlook.Missing <= Limits.MostLeft
                    ? 0
                    : 1
                        - (times.Sum() == 0 ? 0 : Cleared(c.Outlook, done))
                        - (looked ? (1 - c.Outlook.Explanation.Clog) * Limits.SupplyMends : 0)
            ),
        ];
    }

    private double Cleared(CleanOutlook outlook, IReadOnlyList<(string, int)> done) =>
        Limits.LuckCounts ? outlook.CompleteAfter(done) : outlook.ClearedAfter(done, Limits.MostLeft);

    /// <summary>Chance that something is not clear, of some channels or of all.</summary>
    internal static double Any(double[] left, IReadOnlyList<int>? of = null)
    {
        var clear = 1.0;
        for (var i = 0; i < (of?.Count ?? left.Length); i++)
            clear *= 1 - left[of is null ? i : of[i]];
        return 1 - clear;
    }

    /// <summary>Expected money of one more application.</summary>
    /// <param name="method">Index of the method.</param>
    /// <param name="left">What is not clear when it is done.</param>
    /// <param name="looked">Whether the supply was looked at before.</param>
    internal double Price(int method, double[] left, bool looked)
    {
        var of = Methods[method];
        var sum = Any(left) * Rates.Of(of.Wait);
        foreach (var part in of.Parts)
            sum += Any(left, part.Channels) * Rates.Of(part);
        // What starves stays missing, so this is paid whatever the cleans brought.
        if (of.IsClean && !looked)
            sum += Channels.Sum(c => c.Outlook.Explanation.Starved) * Limits.StarvedClean;
        return method == supply ? sum + (NotClog * Limits.SupplyWork) : sum;
    }

    /// <summary>Whether a clean may be run at all: a thermal head that may be starving is not.</summary>
    internal bool MayClean(bool looked) => looked || Channels.All(c => c.Outlook.Explanation.Starved <= Limits.MostStarved);

    /// <summary>Whether the supply was looked at.</summary>
    internal bool Looked(int[] times) => Limits.SupplyProved || (supply >= 0 && times[supply] > 0);

    /// <summary>Waste capacity that some applications take at most.</summary>
    internal double CounterOf(int[] times)
    {
        var sum = 0.0;
        for (var m = 0; m < times.Length; m++)
            sum += times[m] * Methods[m].Counter.Pct;
        return sum;
    }

    internal static long Key(int[] times)
    {
        var key = 0L;
        foreach (var n in times)
            key = (key << 5) | (long)(uint)n;
        return key;
    }
}

/// <summary>What bounds a plan, and what its ends cost, money.</summary>
/// <param name="GiveUp">A new head with its work, or handing back.</param>
/// <param name="MostLeft">Nozzles that may stay missing in a channel, as agreed with the customer.</param>
/// <param name="CleansInRow">Cleans in a row at most, before a rest.</param>
/// <param name="RowSoFar">Cleans since the last rest.</param>
/// <param name="CleanedBefore">Whether it was cleaned before at all: else there is nothing to rest from.</param>
/// <param name="CounterRoom">What counter or store has left, the lesser, percent points; null when not known.</param>
/// <param name="SupplyProved">Whether ink is proved to come.</param>
/// <param name="LookFirst">Whether looking at the supply may be the very first step: elsewhere the first clean tells more.</param>
/// <param name="SupplyMends">Chance that work on the supply ends what no clean does, 0 to 1.</param>
/// <param name="SupplyWork">That work.</param>
/// <param name="StarvedClean">What a clean of a starving head costs in ruin.</param>
/// <param name="MostStarved">No clean while a channel starves with more than this chance.</param>
public sealed record HeadLimits(
    double GiveUp,
    int MostLeft,
    int CleansInRow,
    int RowSoFar,
    bool CleanedBefore,
    CounterShare? CounterRoom,
    bool SupplyProved,
    bool LookFirst,
    double SupplyMends,
    double SupplyWork,
    double StarvedClean,
    double MostStarved
)
{
    /// <summary>Whether the room is the store's, which has less of it than the counter.</summary>
    public bool StoreIsFirst { get; init; }

    /// <summary>Whether a complete sheet ends it, though air may have left it so by luck: on the bench it does not.</summary>
    public bool LuckCounts { get; init; }
}
