using SideBench.Core.Outcomes;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;

namespace SideBench.Devices.Scanner;

/// <summary>A simulated flatbed or phone: sees a simulated sheet with the defects such a picture has.</summary>
/// <param name="photo">A phone instead of a flatbed.</param>
public sealed class ScannerStandIn(bool photo) : IScanner
{
    private const int Quality = 88;

    /// <inheritdoc/>
    public string Name => photo ? "simulated phone" : "simulated flatbed";

    /// <inheritdoc/>
    public Outcome<byte[]> Take(PrintedSheet sheet) =>
        PictureCodec.Jpeg(SheetScenes.Seen(sheet.Layout, sheet.Truth, photo, SceneLevel.Medium, sheet.Seed), Quality);
}
