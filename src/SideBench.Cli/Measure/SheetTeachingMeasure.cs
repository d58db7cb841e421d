using System.Globalization;
using System.Text;
using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;

namespace SideBench.Cli.Measure;

/// <summary>How well layouts are taught by pictures of made sheets, and how well sheets are then read with them.</summary>
public static class SheetTeachingMeasure
{
    private const int Usual = 40;
    private const int Seed = 52_000;
    private static readonly int[] Dpis = [150, 200, 300, 400, 600];

    /// <summary>Measures.</summary>
    /// <param name="options">--layouts N, --first N, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        var many = MeasureCommand.Option(options, "--layouts") is { } n ? int.Parse(n, CultureInfo.InvariantCulture) : Usual;
        var first = MeasureCommand.Option(options, "--first") is { } f ? int.Parse(f, CultureInfo.InvariantCulture) : 0;
        var numbers = HousePattern.ReadAll();
        var said = new StringBuilder();
        var (taught, refused, wrongSilent) = (0, 0, 0);
        var (own, real) = (new SheetScore(), new SheetScore());
        for (var i = first; i < first + many; i++)
        {
            var layout = MadeLayouts.Of(Seed + i);
            var photo = i % 3 == 2;
            var chance = new Random(Seed + i);
            var truth = MadeLayouts.GoodSheet(layout, 0.004, chance);
            var dpi = Dpis[i % Dpis.Length];
            var image = photo
                ? SheetScenes.Seen(layout, truth, true, SceneLevel.Easy, Seed + i)
                : SheetScenes.Scanned(layout, truth, dpi, Seed + i);
            var kept = PictureCodec.Read(PictureCodec.Jpeg(image, 90)).Value;
            var result = LayoutTeacher.Teach(
                kept,
                new TeachWith("taught", "Taught", [], photo ? null : dpi, null),
                numbers.Teach,
                numbers.Pattern
            );
            var what = $"{i}: {layout.Units.Count} × {layout.Units[0].Nozzles}, {(photo ? "phone" : $"{dpi} dpi")}";
            if (!result.IsGood)
            {
                refused++;
                Console.Error.WriteLine(
                    $"{what}: refused, {string.Join("; ", result.Problems.Select(p => $"{p.Code} {string.Join(", ", p.Args)}"))}"
                );
                continue;
            }

            var l = result.Value.Layout;
            var right =
                l.Units.Count == layout.Units.Count
                && l.Units.Zip(layout.Units)
                    .All(p => p.First.Nozzles == p.Second.Nozzles && p.First.Block.Columns == p.Second.Block.Columns);
            if (!right)
            {
                if (result.Value.Doubts.Count == 0)
                    wrongSilent++;
                Console.Error.WriteLine(
                    $"{what}: wrong, {l.Units.Count} of {string.Join(",", l.Units.Select(u => $"{u.Nozzles}/{u.Block.Columns}"))} for "
                        + $"{layout.Units[0].Nozzles}/{layout.Units[0].Block.Columns}; {string.Join(" ", result.Value.Doubts)}"
                );
                continue;
            }

            taught++;
            if (result.Value.Doubts.Count > 0)
                Console.Error.WriteLine($"{what}: right, but {string.Join(" ", result.Value.Doubts)}");
            for (var k = 0; k < 2; k++)
            {
                var faulty = SheetScenes.Truth(layout, new Random(Seed + (7 * i) + k));
                var scene = PictureCodec
                    .Read(PictureCodec.Jpeg(SheetScenes.Seen(layout, faulty, k == 1, SceneLevel.Easy, Seed + (7 * i) + k), 90))
                    .Value;
                var (a, b) = (SheetReader.Read(scene, l, numbers.Pattern), SheetReader.Read(scene, layout, numbers.Pattern));
                for (var u = 0; u < layout.Units.Count; u++)
                {
                    own.Add(faulty.Units[u], a.Refusal is null ? a.Units[u] : null);
                    real.Add(faulty.Units[u], b.Refusal is null ? b.Units[u] : null);
                }

                if ((a.Refusal is null) != (b.Refusal is null))
                    Console.Error.WriteLine(
                        $"{what}: taught {a.Refusal?.Reason.ToString() ?? "read"}, true {b.Refusal?.Reason.ToString() ?? "read"}"
                    );
            }
        }

        Say($"{many} good sheets: taught {taught}, refused {refused}, wrong without a doubt {wrongSilent}.");
        Say($"Missing F1 {own.Missing.F1:0.0000} with the taught layout, {real.Missing.F1:0.0000} with the true one.");
        Say($"Weak F1 {own.Weak.F1:0.000} and {real.Weak.F1:0.000}; displaced {own.Deflected.F1:0.000} and {real.Deflected.F1:0.000}.");
        Say($"Patterns right {own.PatternsRight} and {real.PatternsRight} of {real.Patterns}.");
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;

        void Say(FormattableString line) => said.AppendLine(line.ToString(CultureInfo.InvariantCulture));
    }
}
