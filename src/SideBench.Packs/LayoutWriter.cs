using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;

namespace SideBench.Packs;

/// <summary>Writes a sheet layout in the open format (docs/formats/nozzle-sheet-layout.md).</summary>
public static class LayoutWriter
{
    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The layout as JSON, lengths to a ten-thousandth of a millimetre.</summary>
    /// <param name="layout">It.</param>
    /// <param name="description">Where it comes from, for people; may hold what is in doubt.</param>
    public static string Write(SheetLayout layout, string description)
    {
        var node = new JsonObject
        {
            ["format"] = "nozzle-sheet-layout",
            ["version"] = 1,
            ["id"] = layout.Id,
            ["name"] = layout.Name,
            ["description"] = description,
            ["units"] = "mm",
            ["page"] = new JsonObject { ["width"] = Mm(layout.PageWidthMm), ["height"] = Mm(layout.PageHeightMm) },
            ["channels"] = new JsonArray([
                .. layout.Units.GroupBy(u => u.Channel).Select(c => c.First().Id == c.Key ? Unit(c.First(), false) : Channel([.. c])),
            ]),
            ["marks"] = new JsonArray([.. layout.Marks.Select(Mark)]),
        };
        return node.ToJsonString(Written);
    }

    private static JsonObject Channel(List<SheetUnit> sections) =>
        new()
        {
            ["id"] = sections[0].Channel,
            ["ink"] = string.Join(", ", sections.Select(s => s.Ink)),
            ["nozzles"] = sections.Sum(s => s.Nozzles),
            ["sections"] = new JsonArray([.. sections.Select(s => Unit(s, true))]),
        };

    private static JsonObject Unit(SheetUnit unit, bool isSection)
    {
        var b = unit.Block;
        var node = new JsonObject
        {
            ["id"] = unit.Id,
            ["ink"] = unit.Ink,
            ["color"] = string.Create(CultureInfo.InvariantCulture, $"#{unit.Color.R:X2}{unit.Color.G:X2}{unit.Color.B:X2}"),
            ["faint"] = unit.Faint,
            ["nozzles"] = unit.Nozzles,
            ["block"] = new JsonObject
            {
                ["x"] = Mm(b.XMm),
                ["y"] = Mm(b.YMm),
                ["columns"] = b.Columns,
                ["columnPitch"] = Mm(b.ColumnPitchMm),
                ["rowPitch"] = Mm(b.RowPitchMm),
                ["stairStep"] = Mm(b.StairStepMm),
                ["dashLength"] = Mm(b.DashLengthMm),
                ["dashThickness"] = Mm(b.DashThicknessMm),
            },
        };
        if (isSection)
            node["first"] = unit.First;
        return node;
    }

    private static JsonObject Mark(SheetMark mark) =>
        mark.Text is { } text
            ? new JsonObject
            {
                ["type"] = "text",
                ["x"] = Mm(mark.X1),
                ["y"] = Mm(mark.Y1),
                ["height"] = Mm(mark.SizeMm),
                ["text"] = text,
                ["ink"] = mark.Ink,
            }
            : new JsonObject
            {
                ["type"] = "line",
                ["x1"] = Mm(mark.X1),
                ["y1"] = Mm(mark.Y1),
                ["x2"] = Mm(mark.X2),
                ["y2"] = Mm(mark.Y2),
                ["thickness"] = Mm(mark.SizeMm),
                ["ink"] = mark.Ink,
            };

    private static double Mm(double value) => Math.Round(value, 4);
}
