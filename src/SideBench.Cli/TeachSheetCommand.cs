using System.Globalization;
using System.Text.RegularExpressions;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Outcomes;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using SideBench.Web.Problems;

namespace SideBench.Cli;

/// <summary>Makes a layout from the picture of a good sheet, in the open format; doubts and questions go to standard error.</summary>
public static partial class TeachSheetCommand
{
    private const int Good = 0;
    private const int BadInput = 2;
    private const int Refused = 3;

    /// <summary>Teaches.</summary>
    /// <returns>0 when a layout was written, 3 when the picture was refused, 2 on bad input.</returns>
    public static int Run(string[] options)
    {
        string? Option(string name) => Array.IndexOf(options, name) is var at and >= 0 && at + 1 < options.Length ? options[at + 1] : null;
        if (Option("--image") is not { } first)
        {
            Console.Error.WriteLine(
                "Usage: ./sidebench teach-sheet --image A.jpg [--image B.jpg] [--names K,C,M,Y] [--id NAME] [--page 210x297] [--dpi N]"
            );
            return BadInput;
        }

        var id = Option("--id") ?? Unlike().Replace(Path.GetFileNameWithoutExtension(first).ToLowerInvariant(), "-").Trim('-');
        if (!Name().IsMatch(id))
            return Wrong("--id takes small letters, digits and hyphens.");
        string[] names = Option("--names")?.Split(',', StringSplitOptions.TrimEntries) ?? [];
        if (names.Any(n => !Channel().IsMatch(n)) || names.Distinct().Count() < names.Length)
            return Wrong("--names takes names of channels, each once, with commas between: K,C,M,Y.");
        if (PageOf(Option("--page")) is not { } page)
            return Wrong("--page takes width and height in millimetres: 210x297.");
        double? dpi = null;
        if (Option("--dpi") is { } said)
        {
            if (!double.TryParse(said, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) || number is < 50 or > 4800)
                return Wrong("--dpi takes a number from 50 to 4800.");
            dpi = number;
        }

        var numbers = HousePattern.ReadAll();
        Outcome<TaughtLayout>? taught = null;
        var files = Enumerable.Range(0, options.Length - 1).Where(i => options[i] == "--image").Select(i => options[i + 1]).ToList();
        foreach (var file in files)
        {
            byte[] bytes;
            try
            {
                bytes = File.ReadAllBytes(file);
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                return Wrong($"{file}: {e.Message}");
            }

            var image = PictureCodec.Read(bytes);
            if (!image.IsGood)
                return Told(file, image.Problems, BadInput);
            taught = taught is null
                ? LayoutTeacher.Teach(
                    image.Value,
                    new TeachWith(id, id, names, dpi ?? PictureResolution.Dpi(bytes), page.Width > 0 ? page : null),
                    numbers.Teach,
                    numbers.Pattern
                )
                : LayoutTeacher.Prove(image.Value, taught.Value, numbers.Teach, numbers.Pattern);
            if (!taught.IsGood)
                return Told(file, taught.Problems, Refused);
        }

        var layout = taught!.Value;
        foreach (var doubt in layout.Doubts)
            Console.Error.WriteLine($"Doubt: {doubt}");
        foreach (var ask in layout.Asks)
            Console.Error.WriteLine($"Not known: {ask}");
        var from = $"Taught from {(files.Count == 1 ? "a picture" : $"{files.Count} pictures")} of a good sheet.";
        Console.WriteLine(LayoutWriter.Write(layout.Layout, string.Join(" ", layout.Doubts.Select(d => $"Doubt: {d}").Prepend(from))));
        return Good;
    }

    // Nothing said is a page without size.
    private static (double Width, double Height)? PageOf(string? said)
    {
        if (said is null)
            return (0, 0);
        var parts = said.Split('x');
        return
            parts.Length == 2
            && double.TryParse(parts[0], NumberStyles.Float, CultureInfo.InvariantCulture, out var width)
            && double.TryParse(parts[1], NumberStyles.Float, CultureInfo.InvariantCulture, out var height)
            && width is >= 20 and <= 2000
            && height is >= 20 and <= 2000
            ? (width, height)
            : null;
    }

    private static int Wrong(string what)
    {
        Console.Error.WriteLine(what);
        return BadInput;
    }

    private static int Told(string file, IReadOnlyList<Problem> problems, int code)
    {
        foreach (var problem in problems)
            Console.Error.WriteLine(file + ProblemText.Line(problem));
        return code;
    }

    [GeneratedRegex("^[a-z0-9]+(-[a-z0-9]+)*$")]
    private static partial Regex Name();

    [GeneratedRegex("[^a-z0-9]+")]
    private static partial Regex Unlike();

    [GeneratedRegex("^[A-Za-z0-9.]{1,12}$")]
    private static partial Regex Channel();
}
