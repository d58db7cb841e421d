using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

/// <summary>What lies on a sheet must never pass for missing nozzles, and missing nozzles never for something that lies there.</summary>
[Trait("Pace", "slow")]
public class CoverCheckTests
{
    private static readonly SheetLayout Layout = TinySheet.Layout;

    [Theory]
    [InlineData(205, 160, 135)]
    [InlineData(60, 60, 66)]
    [InlineData(250, 232, 120)]
    [InlineData(255, 255, 255)]
    public void HandPhoneOrNote_OnTheBlack_IsSeen(byte r, byte g, byte b)
    {
        var refusal = Read(NozzleTruth.Good(Layout), (13, 18, 14, 12), new Rgb(r, g, b)).Refusal;
        Assert.Equal(RefusalReason.Covered, refusal?.Reason);
        Assert.Contains("K", refusal!.Units);
    }

    [Fact]
    public void NoteOverWholeRowsOfTwoChannels_IsSeen() =>
        Assert.Equal(RefusalReason.Covered, Read(NozzleTruth.Good(Layout), (4, 21.3, 62, 7), new Rgb(255, 255, 255)).Refusal?.Reason);

    [Theory]
    [InlineData(PatternClass.Run)]
    [InlineData(PatternClass.Starvation)]
    [InlineData(PatternClass.EveryKth)]
    [InlineData(PatternClass.NearBlank)]
    [InlineData(PatternClass.Scattered)]
    public void FaultsOfEveryKind_InTwoChannelsAtOnce_AreRead(PatternClass pattern)
    {
        for (var seed = 1; seed < 3; seed++)
        {
            var truth = NozzleTruth
                .Good(Layout)
                .With(0, HeadFaults.Of(pattern, 60, new Random(seed)))
                .With(1, HeadFaults.Of(pattern, 60, new Random(seed + 50)));
            var reading = Read(truth, null, default);
            Assert.Null(reading.Refusal);
            Assert.Equal(pattern, reading.Units[0].Pattern);
        }
    }

    [Fact]
    public void NoteBesideThePattern_DoesNotMatter() =>
        Assert.Null(Read(NozzleTruth.Good(Layout), (5, 55, 60, 20), new Rgb(250, 232, 120)).Refusal);

    private static SheetReading Read(NozzleTruth truth, (double X, double Y, double Width, double Height)? cover, Rgb colour)
    {
        const double Scale = 8;
        var page = SheetPress.Print(Layout, truth, 12, 0.9, new Random(3));
        var view = new SheetLens(
            (int)(115 * Scale),
            (int)(90 * Scale),
            new Homography(Scale, 0, 5 * Scale, 0, Scale, 5 * Scale, 0, 0),
            0.6,
            0,
            1.2,
            0.04,
            0,
            (1, 0.985, 0.96),
            0,
            new Rgb(120, 120, 122),
            2,
            0,
            false,
            cover,
            colour
        );
        return SheetReader.Read(view.Take(page, 12, 9), Layout, TestShop.Sheets.Pattern);
    }
}
