using MathNet.Numerics.Distributions;
using SideBench.Core.Ink;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>
/// The slow and obvious twin of the slot ledger: many slots are drawn by the house's noise, live through the history that was told, and
/// those that fit what the scale said are kept by how well they fit it.
/// </summary>
public class SlotLedgerTwinTests
{
    private const int Slots = 60_000;
    private const double Fill = 175;
    private const double Tare = 214;
    private const double Density = 1.06;
    private const double ChipMl = 220;
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly InkNumbers Numbers = TestShop.Shop.Numbers.Of<InkNumbers>();

    public static TheoryData<string> Lives =>
        [
            "swap 175; read 62; weigh 310",
            "swap 160; read 80; pour 40; read 55; weigh 330",
            "full; reset; read 40; weigh 281; read 25",
            "swap 175; read 71; weigh 328; read 33; weigh 248",
            "swap 120; read 60; full; reset; read 70; spend 9",
            "swap 60; read 74",
            "weigh 300; reset; read 80",
        ];

    [Theory]
    [MemberData(nameof(Lives))]
    public void Ledger_SaysWhatTheDrawnSlotsSay(string life)
    {
        // What is weighed is weighed at once: use before and after it is told apart by the reading.
        var day = 0;
        var told = life.Split("; ").Select(what => Event(what, Start.AddDays(what.StartsWith('w') ? day : day += 3))).ToList();
        var said = SlotLedger.Of(new SlotHistory(ChipMl, Fill, 12, Tare, Density, told), Numbers, Start.AddDays(100)).Value;
        var drawn = Drawn(told);
        var band = said.Ink.High - said.Ink.Low;
        Assert.Equal(Quantile(drawn, 0.5), said.Ink.Best, (0.05 * band) + 0.2);
        Assert.Equal(Quantile(drawn, 0.05), said.Ink.Low, (0.08 * band) + 0.2);
        Assert.Equal(Quantile(drawn, 0.95), said.Ink.High, (0.08 * band) + 0.2);
        // Of those drawn nine in ten lie in the band, by weight; where it begins at nothing, none is below it.
        var within = drawn.Where(d => d.Ink >= said.Ink.Low && d.Ink <= said.Ink.High).Sum(d => d.Weight);
        Assert.InRange(within / drawn.Sum(d => d.Weight), 0.87, said.Ink.Low > 0 ? 0.94 : 0.97);
    }

    private static SlotEvent Event(string what, DateTimeOffset at)
    {
        var words = what.Split(' ');
        var number = words.Length > 1 ? double.Parse(words[1], System.Globalization.CultureInfo.InvariantCulture) : 0;
        return words[0] switch
        {
            "swap" => new SlotEvent.Swapped(at, number, 100),
            "full" => new SlotEvent.Filled(at, null),
            "pour" => new SlotEvent.Filled(at, number),
            "read" => new SlotEvent.ChipRead(at, number),
            "weigh" => new SlotEvent.Weighed(at, number),
            "reset" => new SlotEvent.Reset(at, 100),
            _ => new SlotEvent.Spent(at, number),
        };
    }

    private static List<(double Ink, double Weight)> Drawn(List<SlotEvent> told)
    {
        var (chance, noise, drawn) = (new Random(17), Numbers.Noise, new List<(double, double)>());
        for (var i = 0; i < Slots; i++)
        {
            var ink = Fill * chance.NextDouble();
            var (factor, tare) = (Normal.Sample(chance, 1, noise.CountSd), Normal.Sample(chance, 0, noise.TareSd));
            var (count, weight) = (double.NaN, 1.0);
            foreach (var what in told)
                switch (what)
                {
                    case SlotEvent.Swapped s:
                        (ink, count) = (s.Ml * Normal.Sample(chance, 1, noise.PouredSd), s.ChipPct);
                        break;
                    case SlotEvent.Filled { Ml: { } ml }:
                        ink = Math.Min(Fill * (1 + (2 * noise.FullSd)), ink + (ml * Normal.Sample(chance, 1, noise.PouredSd)));
                        break;
                    case SlotEvent.Filled:
                        ink = Math.Min(Fill * (1 + (2 * noise.FullSd)), Fill * Normal.Sample(chance, 1, noise.FullSd));
                        break;
                    case SlotEvent.ChipRead read:
                        // Rounded up: the count is anywhere in the point below the reading.
                        var now = read.Pct - chance.NextDouble();
                        if (!double.IsNaN(count))
                            ink = Math.Max(0, ink - (ChipMl * (count - now) / 100 * factor));
                        count = now;
                        break;
                    case SlotEvent.Reset reset:
                        count = reset.ToPct;
                        break;
                    case SlotEvent.Spent spent:
                        ink = Math.Max(0, ink - (spent.Ml * Normal.Sample(chance, 1, noise.SpentSd)));
                        break;
                    case SlotEvent.Weighed weighed:
                        weight *= Normal.PDF(Tare + tare + (Density * ink), noise.ScaleSd, weighed.G);
                        break;
                }
            drawn.Add((ink, weight));
        }

        return drawn;
    }

    private static double Quantile(List<(double Ink, double Weight)> drawn, double share)
    {
        var until = share * drawn.Sum(d => d.Weight);
        foreach (var (ink, weight) in drawn.OrderBy(d => d.Ink))
            if ((until -= weight) <= 0)
                return ink;
        return double.NaN;
    }
}
