using SideBench.Core.Machines;
using Xunit;

namespace SideBench.Packs.Tests;

public class LayoutWriterTests
{
    private static readonly Lazy<Shop> House = new(() =>
        PackReader.Read(PackFolder.Read(Path.Combine(PackReaderTests.Root(), "packs")).Value).Value
    );

    public static TheoryData<string> Layouts() => [.. House.Value.Layouts.Keys];

    [Theory]
    [MemberData(nameof(Layouts))]
    public void WrittenAndReadAgain_ALayoutIsTheSame_WithItsSectionsAndMarks(string id)
    {
        var layout = House.Value.Layouts[id];
        var again = LayoutFile.Read("again", LayoutWriter.Write(layout, "As it was.")).Value;
        Assert.Equal(
            (layout.Id, layout.Name, layout.PageWidthMm, layout.PageHeightMm),
            (again.Id, again.Name, again.PageWidthMm, again.PageHeightMm)
        );
        Assert.Equal(layout.Units.Select(u => u with { Block = u.Block }), again.Units);
        Assert.Equal(layout.Marks, again.Marks);
    }

    [Fact]
    public void LongFractions_AreWrittenToATenThousandth_AndSignsAsTheyAre()
    {
        var block = new StairBlock(10.123456, 20, 5, 6.000049, 2, -0.33333333, 5, 0.25);
        var unit = new SheetUnit("K", "K", "black “dye”", new Rgb(1, 2, 3), false, 12, 0, block);
        var text = LayoutWriter.Write(new SheetLayout("tiny", "Tiny", 100, 80, [unit], []), "");
        Assert.Contains("\"x\": 10.1235", text);
        Assert.Contains("\"stairStep\": -0.3333", text);
        Assert.Contains("\"columnPitch\": 6,", text);
        Assert.Contains("black “dye”", text);
        Assert.Contains("\"color\": \"#010203\"", text);
    }
}
