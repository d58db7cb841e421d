using SideBench.Core.Nozzles;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Data.Pictures;
using SideBench.Devices.Pictures;
using SideBench.Devices.Scanner;
using SideBench.Packs;

namespace SideBench.Web.Demo;

/// <summary>Takes the pictures of the demo's nozzle sheets, and lets the reader read them.</summary>
internal sealed class DemoPictures(Shop shop, PictureStore pictures)
{
    /// <summary>The job with its sheets scanned and read.</summary>
    public async Task<DemoJob> Taken(DemoJob job, CancellationToken cancel)
    {
        var entries = new List<Entry>();
        foreach (var entry in job.Entries)
            entries.Add(entry.Body is SheetTaken sheet ? entry with { Body = await Read(sheet, entry, cancel) } : entry);
        return job with { Entries = entries };
    }

    private async Task<SheetTaken> Read(SheetTaken sheet, Entry entry, CancellationToken cancel)
    {
        var layout = shop.Layouts[sheet.Layout];
        var bytes = new ScannerStandIn(photo: false).Take(new PrintedSheet(layout, NozzleTruth.Of(sheet.Units), entry.Version)).Value;
        var image = PictureCodec.Read(bytes).Value;
        var reading = SheetReader.Read(image, layout, shop.Numbers.Of<SheetNumbers>().Pattern);
        if (reading.Refusal is not null)
            return sheet;
        var print = await pictures.Keep(bytes, image.Width, image.Height, entry.At, cancel);
        return sheet with
        {
            Picture = print,
            Units = [.. reading.Units.Select(UnitLine.Of)],
            Handling = reading.Handling,
            Map = reading.Map,
        };
    }
}
