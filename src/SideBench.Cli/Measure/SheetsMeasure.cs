using System.Diagnostics;
using System.Globalization;
using System.Text;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>
/// The sheet reader on simulated pictures of every house layout: how right it is, by distortion and by ink, and how quick.
/// </summary>
public static class SheetsMeasure
{
    private const int Scenes = 108;
    private const int Seed = 71_000;
    private const int Runs = 5;
    private const string SpeedLayout = "pellow-six-tank-sheet";

    /// <summary>Measures.</summary>
    /// <param name="options">--scenes N, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var scenes = MeasureCommand.Option(options, "--scenes") is { } n ? int.Parse(n, CultureInfo.InvariantCulture) : Scenes;
        if (scenes is < 1 or > 20_000)
        {
            Console.Error.WriteLine("--scenes takes 1 to 20000.");
            return 2;
        }

        Console.Error.WriteLine($"Drawing and reading {scenes} pictures; a hundred take some minutes ...");
        var said = new StringBuilder();
        Score([.. shop.Layouts.Values.OrderBy(l => l.Id, StringComparer.Ordinal)], scenes, said);
        if (shop.Layouts.GetValueOrDefault(SpeedLayout) is { } layout)
            Speed(layout, said);
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }

    private static void Score(SheetLayout[] layouts, int scenes, StringBuilder said)
    {
        var scores = new SortedDictionary<string, SheetScore>(StringComparer.Ordinal);
        var (refused, accepted, bad) = (0, 0, 0);
        RefusalReason[] reasons =
        [
            RefusalReason.BlankPage,
            RefusalReason.NoSheet,
            RefusalReason.CutOff,
            RefusalReason.Blurred,
            RefusalReason.LowResolution,
            RefusalReason.WrongLayout,
            RefusalReason.Covered,
        ];
        for (var i = 0; i < scenes; i++)
        {
            var (layout, photo, level) = (
                layouts[i % layouts.Length],
                (i / layouts.Length) % 2 == 1,
                (SceneLevel)((i / layouts.Length / 2) % 3)
            );
            var scene = SheetScenes.Good(layout, photo, level, Seed + i);
            var reading = Reading(scene);
            if (reading.Refusal is not null)
                refused++;
            for (var u = 0; u < layout.Units.Count; u++)
            {
                var key =
                    $"{(photo ? "phone" : "flatbed")}, {level.ToString().ToLowerInvariant()} "
                    + $"| {(layout.Units[u].Faint ? "faint" : "strong")}";
                if (!scores.TryGetValue(key, out var score))
                    scores[key] = score = new SheetScore();
                score.Add(scene.Truth.Units[u], reading.Refusal is null ? reading.Units[u] : null);
            }

            if (i % 3 != 0)
                continue;
            bad++;
            if (
                Reading(SheetScenes.Bad(layout, layouts[(i + 4) % layouts.Length], reasons[bad % reasons.Length], photo, Seed + i)).Refusal
                is null
            )
                accepted++;
        }

        said.AppendLine(
                CultureInfo.InvariantCulture,
                $"{scenes} pictures to be read, {bad} to be refused, seed {Seed}, over {layouts.Length} layouts."
            )
            .AppendLine();
        said.AppendLine("| picture | ink | missing F1 | weak F1 | displaced F1 | patterns right | unsure |")
            .AppendLine("|---|---|---|---|---|---|---|");
        foreach (var (key, s) in scores)
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {key} | {s.Missing.F1:0.0000} | {s.Weak.F1:0.000} | {s.Deflected.F1:0.000} "
                    + $"| {s.PatternsRight} of {s.Patterns} | {100.0 * s.Unsure / s.Nozzles:0.00} % |"
            );
        said.AppendLine()
            .AppendLine(CultureInfo.InvariantCulture, $"Wrongly refused {refused} of {scenes}; wrongly accepted {accepted} of {bad}.");
    }

    private static PatternModel Pattern { get; } = HousePattern.Read();

    private static SheetReading Reading(SheetScene scene) =>
        SheetReader.Read(PictureCodec.Read(PictureCodec.Jpeg(scene.Image, scene.JpegQuality)).Value, scene.Layout, Pattern);

    private static void Speed(SheetLayout layout, StringBuilder said)
    {
        var truth = SheetScenes.Truth(layout, new Random(Seed));
        var (low, lowMb) = Timed("flatbed, 300 dpi", SheetScenes.Scanned(layout, truth, 300, Seed), layout, said);
        var (high, _) = Timed("flatbed, 600 dpi", SheetScenes.Scanned(layout, truth, 600, Seed), layout, said);
        var (photo, _) = Timed("phone, 12 megapixels", SheetScenes.Photographed(layout, truth, 12, Seed), layout, said);
        Line("reading / decoding, 300 dpi A4", low.Read / low.Decode, "×", 3);
        Line("600 dpi / 300 dpi, decoding and reading", (high.Read + high.Decode) / (low.Read + low.Decode), "×", 4);
        Line("12-megapixel photo, decoding and reading", (photo.Read + photo.Decode) / 1000, "s", 2.5);
        Line("memory asked for by a 300 dpi A4, in all", lowMb, "MB", 400);

        void Line(string what, double value, string unit, double most) =>
            said.AppendLine(
                CultureInfo.InvariantCulture,
                $"{(value <= most ? "ok  " : "OVER")} {what, -44} {value, 8:0.00} {unit, -2} at most {most}"
            );
    }

    private static ((double Decode, double Read) Times, double Megabytes) Timed(
        string name,
        PixelImage image,
        SheetLayout layout,
        StringBuilder said
    )
    {
        var file = PictureCodec.Jpeg(image, 90);
        var (decode, read) = (new List<double>(), new List<double>());
        for (var run = 0; run <= Runs; run++)
        {
            var clock = Stopwatch.StartNew();
            var decoded = PictureCodec.Read(file).Value;
            decode.Add(clock.Elapsed.TotalMilliseconds);
            clock.Restart();
            SheetReader.Read(decoded, layout, Pattern);
            read.Add(clock.Elapsed.TotalMilliseconds);
        }

        // The first run also pays for compiling; it is left out.
        (double Decode, double Read) times = (decode.Skip(1).Order().ElementAt(Runs / 2), read.Skip(1).Order().ElementAt(Runs / 2));
        GC.Collect();
        var before = GC.GetTotalMemory(true);
        var held = GC.GetTotalAllocatedBytes(true);
        SheetReader.Read(PictureCodec.Read(file).Value, layout, Pattern);
        var megabytes = (GC.GetTotalAllocatedBytes(true) - held + before) / 1048576.0;
        said.AppendLine(
            CultureInfo.InvariantCulture,
            $"{name}, {image.Width} × {image.Height}: decoded in {times.Decode:0} ms, read in {times.Read:0} ms (median of {Runs})"
        );
        return (times, megabytes);
    }
}
