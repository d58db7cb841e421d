using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
using SideBench.Devices.Scanner;
using SideBench.Packs;
using Xunit;

namespace SideBench.Devices.Tests;

public class ScannerStandInTests
{
    private static readonly SheetLayout Layout = LayoutFile
        .Read("dune-2", File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases", "layouts", "dune-2.json")))
        .Value;

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void SameSeed_MakesTheSameFile_AndWhatItShowsIsRead(bool photo)
    {
        var truth = NozzleTruth.Good(Layout).With(1, HeadFaults.Of(PatternClass.Run, Layout.Units[1].Nozzles, new Random(3)));
        var scanner = new ScannerStandIn(photo);
        var file = scanner.Take(new PrintedSheet(Layout, truth, 12)).Value;
        Assert.Equal(file, scanner.Take(new PrintedSheet(Layout, truth, 12)).Value);
        Assert.NotEqual(file, scanner.Take(new PrintedSheet(Layout, truth, 13)).Value);
        var reading = SheetReader.Read(PictureCodec.Read(file).Value, Layout, HouseSheets.Pattern);
        Assert.Equal(truth.Units[1].Missing, reading.Units[1].In(NozzleState.Missing));
        Assert.Equal([PatternClass.None, PatternClass.Run, PatternClass.None, PatternClass.None], reading.Units.Select(u => u.Pattern));
    }
}
