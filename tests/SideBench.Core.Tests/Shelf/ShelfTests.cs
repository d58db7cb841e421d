using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using Xunit;

namespace SideBench.Core.Tests.Shelf;

/// <summary>What is on the shelf and left, and how lots have done.</summary>
public class ShelfTests
{
    private static readonly ShelfNumbers House = TestShop.Shop.Numbers.Of<ShelfNumbers>();

    [Fact]
    public void AKey_IsSpentOnce_AndTwoOfThreeLeaveOne()
    {
        List<Entry> lines = [TestShop.Line(1, Came("key", 1)), TestShop.Line(2, Came("key", 3))];
        lines.Add(TestShop.Line(3, Keeping(lines).Go(new StockWent(1, 1, "used", "PM-1", "")).Value.Single()));
        lines.Add(TestShop.Line(4, Keeping(lines).Go(new StockWent(2, 2, "scrapped", "", "wet")).Value.Single()));
        Assert.Equal([0, 1], StockItem.Of(lines).Select(i => i.Left));
        Assert.Equal([false, true], StockItem.Of(lines).Select(i => i.IsLeft));
        Assert.Equal("more-than-left /amount", Told(Keeping(lines).Go(new StockWent(1, 1, "used", "PM-2", ""))));
        Assert.Equal("unknown-item /item", Told(Keeping(lines).Go(new StockWent(3, 1, "used", "", ""))));
        Assert.Equal("out-of-range /amount", Told(Keeping(lines).Go(new StockWent(2, -1, "used", "", ""))));
        Assert.Equal("unknown-word /where", Told(Keeping(lines).Go(new StockWent(2, 1, "lost", "", ""))));
    }

    [Fact]
    public void WhatCannotCome_IsRefusedInItsPlace()
    {
        Assert.Equal("uses", ((StockCame)Keeping([]).Come(Came("key", 2)).Value.Single()).Unit);
        Assert.Equal("unknown-word /kind", Told(Keeping([]).Come(Came("boat", 2))));
        Assert.Equal("out-of-range /amount", Told(Keeping([]).Come(Came("key", double.NaN))));
        Assert.Equal("out-of-range /price", Told(Keeping([]).Come(Came("key", 1) with { Price = -1 })));
        Assert.Equal("missing /name", Told(Keeping([]).Come(Came("key", 1) with { Name = " " })));
    }

    [Fact]
    public void Fills_TakeFromTheOldestBottleOfTheirInk_AndFromNoneThatCameLater()
    {
        List<Entry> lines =
        [
            TestShop.Line(1, Came("ink", 100, "Cyan dye")),
            TestShop.Line(2, Came("ink", 500, "cyan dye ")),
            TestShop.Line(3, Came("ink", 500, "Black dye")),
        ];
        var at = TestShop.Now;
        (DateTimeOffset, string, double)[] poured =
        [
            (at, "Cyan dye", 7),
            (at.AddHours(1), "Cyan dye", 130),
            (at.AddHours(2), "White white", 9),
        ];
        Assert.Equal([0, 470, 500], StockItem.Poured(StockItem.Of(lines), "ink", poured).Select(i => i.Left));
    }

    // None of 3: the rate under which that happens once in twenty is 1 − 0.05^(1/3). One of 2: 1 − √0.95 to √0.95.
    [Fact]
    public void Band_IsExactForCounts()
    {
        Assert.Equal((0, 0, Math.Round(1 - Math.Cbrt(0.05), 9)), Round(LotRecord.Band(0, 3)));
        Assert.Equal((0.5, Math.Round(1 - Math.Sqrt(0.95), 9), Math.Round(Math.Sqrt(0.95), 9)), Round(LotRecord.Band(1, 2)));
        Assert.Equal((1, Math.Round(Math.Cbrt(0.05), 9), 1), Round(LotRecord.Band(3, 3)));
        // The band of more of the same counts is narrower, and holds the rate.
        Assert.True(
            LotRecord.Band(10, 30) is var few && LotRecord.Band(100, 300) is var many && many.Low > few.Low && many.High < few.High
        );
    }

    [Fact]
    public void Lots_AreRankedByTheLowEnd_AndFewOfFewAreNoVerdict()
    {
        var pieces = Pieces("A7", 30, 10)
            .Concat(Pieces("b2", 1, 1))
            .Concat(Pieces("C9", 60, 1))
            .Concat(Pieces("D1", 4, 0))
            .Concat(Pieces("", 5, 5));
        var lots = LotRecord.Of(pieces, House);
        Assert.Equal(["A7", "b2", "C9", "D1"], lots.Select(l => l.Lot));
        Assert.Equal([LotVerdict.Bad, LotVerdict.Watched, LotVerdict.Good, LotVerdict.Open], lots.Select(l => l.Verdict));
        Assert.Equal((30, 30, 10), (lots[0].Fitted, lots[0].Ended, lots[0].Failed));
    }

    [Fact]
    public void APieceOfALot_FailedWhenTheNextOneInItsSlotSaysSo()
    {
        ShopLine Fitted(int id, int machine, int slot, string lot, string became, DateOnly? back = null) =>
            new(
                TestShop.Line(id, new SlotFitted(slot, "maker", "Maker’s", 10, 100, "", lot, "Kite Loft", back, became, 0)),
                machine,
                "tolling-folio-3",
                "TF"
            );
        ShopLine[] lines =
        [
            Fitted(1, 1, 1, "L1", ""),
            Fitted(2, 2, 1, "L1", ""),
            Fitted(3, 1, 1, "L1", "exchanged", new DateOnly(2026, 12, 1)),
            Fitted(4, 2, 2, "L1", "scrapped"),
        ];
        Assert.Equal(["exchanged", "", "", ""], FittedPieces.OfLot("l1", lines).Select(p => p.Fate).OrderDescending());
        Assert.Equal(3, FittedPieces.MayGoBack(lines).Single().Line.Entry.Id.Value);
        var filled = new ShopLine(TestShop.Line(5, new SlotsFilled([new(2, 5), new(3, null, 9.5)], 2, 1)), 1, "tolling-folio-3", "TF");
        Assert.Equal(
            [("Cyan dye", 5), ("Magenta dye", 9.5)],
            FittedPieces.Poured([filled], TestShop.Shop.Models).Select(p => (p.For, p.Ml))
        );
    }

    private static IEnumerable<LotPiece> Pieces(string lot, int of, int failed) =>
        Enumerable.Range(0, of).Select(i => new LotPiece(lot, "Kite Loft", "Maker’s", i < failed ? "exchanged" : "kept"));

    private static (double, double, double) Round((double Best, double Low, double High) b) =>
        (b.Best, Math.Round(b.Low, 9), Math.Round(b.High, 9));

    private static StockCame Came(string kind, double amount, string of = "Tolling Folio 3") =>
        new(kind, "Key", of, amount, "", 4, "Kite Loft", "", null);

    private static StockKeeping Keeping(IEnumerable<Entry> lines) => new(StockItem.Of(lines), House);

    private static string Told(Outcome<IReadOnlyList<EntryBody>> refused) =>
        string.Join(", ", refused.Problems.Select(p => $"{p.Code.Id} {p.Path}"));
}
