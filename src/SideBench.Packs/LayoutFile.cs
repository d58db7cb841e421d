using System.Globalization;
using System.Text.Json;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>Reads a sheet layout, from a pack or from anywhere: its shape by the schema, its sense by the core's rules.</summary>
public static class LayoutFile
{
    /// <summary>The layout, or everything wrong with the file.</summary>
    /// <param name="path">Where it is, for the problems.</param>
    /// <param name="text">Its JSON.</param>
    public static Outcome<SheetLayout> Read(string path, string text) => Read(new PackFile(path, PackFileKind.SheetLayout, text));

    /// <summary>The layout of a pack, or everything wrong with the file.</summary>
    internal static Outcome<SheetLayout> Read(PackFile from)
    {
        var path = from.Path;
        var node = Schemas.Check(from);
        if (!node.IsGood)
            return node.Problems.ToList();
        var file = node.Value.Deserialize<Shape>(PackReader.Json)!;
        var problems = new List<Problem>();
        var units = new List<SheetUnit>();
        foreach (var channel in file.Channels)
        {
            if (channel.Sections is null)
            {
                units.Add(Unit(channel, channel.Id, 0));
                continue;
            }

            var next = 0;
            foreach (var section in channel.Sections)
            {
                if (section.First != next)
                    problems.Add(
                        new Problem(
                            NozzlesProblem.LayoutImpossible,
                            $"{path}#/channels/{section.Id}",
                            $"it begins at nozzle {section.First}, but the one before ends at {next}"
                        )
                    );
                next += section.Nozzles;
                units.Add(Unit(section, channel.Id, section.First));
            }

            if (next != channel.Nozzles)
                problems.Add(
                    new Problem(
                        NozzlesProblem.LayoutImpossible,
                        $"{path}#/channels/{channel.Id}",
                        $"its sections have {next} nozzles, not {channel.Nozzles}"
                    )
                );
        }

        var layout = new SheetLayout(file.Id, file.Name, file.Page.Width, file.Page.Height, units, [.. (file.Marks ?? []).Select(Mark)]);
        problems.AddRange(LayoutRules.Check(layout, $"{path}#"));
        return problems.Count > 0 ? problems : layout;
    }

    private static SheetUnit Unit(Part part, string channel, int first)
    {
        var b = part.Block!;
        var colour = int.Parse(part.Color.AsSpan(1), NumberStyles.HexNumber, CultureInfo.InvariantCulture);
        return new SheetUnit(
            part.Id,
            channel,
            part.Ink,
            new Rgb((byte)(colour >> 16), (byte)(colour >> 8), (byte)colour),
            part.Faint,
            part.Nozzles,
            first,
            new StairBlock(b.X, b.Y, b.Columns, b.ColumnPitch, b.RowPitch, b.StairStep, b.DashLength, b.DashThickness)
        );
    }

    private static SheetMark Mark(MarkPart mark) =>
        mark.Type == "line"
            ? new SheetMark(mark.Ink, mark.X1, mark.Y1, mark.X2, mark.Y2, mark.Thickness, null)
            : new SheetMark(mark.Ink, mark.X, mark.Y, mark.X, mark.Y, mark.Height, mark.Text);

    private sealed record Shape(string Id, string Name, Size Page, IReadOnlyList<Part> Channels, IReadOnlyList<MarkPart>? Marks);

    private sealed record Size(double Width, double Height);

    private sealed record Part(
        string Id,
        string Ink,
        string Color,
        bool Faint,
        int Nozzles,
        int First,
        BlockPart? Block,
        IReadOnlyList<Part>? Sections
    );

    private sealed record BlockPart(
        double X,
        double Y,
        int Columns,
        double ColumnPitch,
        double RowPitch,
        double StairStep,
        double DashLength,
        double DashThickness
    );

    private sealed record MarkPart(
        string Type,
        string Ink,
        double X,
        double Y,
        double Height,
        string? Text,
        double X1,
        double Y1,
        double X2,
        double Y2,
        double Thickness
    );
}
