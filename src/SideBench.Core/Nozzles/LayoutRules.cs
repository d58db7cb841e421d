using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Nozzles;

/// <summary>When a layout is one that can be printed and read: what its shape alone does not say.</summary>
public static class LayoutRules
{
    /// <summary>Most nozzles of a sheet that is read at the bench.</summary>
    public const int MostNozzles = 6000;

    /// <summary>Everything wrong with a layout; empty when it is good.</summary>
    /// <param name="layout">The layout.</param>
    /// <param name="path">Where it is, for the problems.</param>
    public static List<Problem> Check(SheetLayout layout, string path)
    {
        var problems = new List<Problem>();
        if (layout.Nozzles > MostNozzles)
        {
            Say("/channels", $"{layout.Nozzles} nozzles; at most {MostNozzles} can be read");
            return problems;
        }

        var ids = layout
            .Units.Select(unit => unit.Id)
            .Concat(layout.Units.Where(unit => unit.Channel != unit.Id).Select(unit => unit.Channel).Distinct());
        foreach (var twice in ids.GroupBy(id => id).Where(group => group.Count() > 1))
            Say("/channels", $"the id {twice.Key} is there twice");
        foreach (var unit in layout.Units)
            CheckUnit(layout, unit);
        for (var i = 0; i < layout.Units.Count; i++)
        {
            for (var j = 0; j < i; j++)
            {
                if (Overlap(layout.Units[i].Bounds, layout.Units[j].Bounds))
                    Say($"/channels/{layout.Units[i].Id}", $"its block overlaps that of {layout.Units[j].Id}");
            }
        }

        foreach (var mark in layout.Marks.Where(mark => layout.Units.All(unit => unit.Id != mark.Ink)))
            Say("/marks", $"no unit is called {mark.Ink}");
        return problems;

        void CheckUnit(SheetLayout sheet, SheetUnit unit)
        {
            var at = $"/channels/{unit.Id}";
            if (unit.Block.DashLengthMm > unit.Block.ColumnPitchMm)
                Say(at, "a dash is longer than the pitch of its columns");
            if (unit.Block.DashThicknessMm >= unit.Block.RowPitchMm / 2)
                Say(at, "a dash is thicker than half the pitch of its rows");
            var (left, top, right, bottom) = unit.Bounds;
            if (left < 0 || top < 0 || right > sheet.PageWidthMm || bottom > sheet.PageHeightMm)
                Say(at, "some of its dashes lie outside the page");
        }

        void Say(string at, string what) => problems.Add(new Problem(NozzlesProblem.LayoutImpossible, path + at, what));
    }

    private static bool Overlap(
        (double Left, double Top, double Right, double Bottom) a,
        (double Left, double Top, double Right, double Bottom) b
    ) => a.Left < b.Right && b.Left < a.Right && a.Top < b.Bottom && b.Top < a.Bottom;
}
