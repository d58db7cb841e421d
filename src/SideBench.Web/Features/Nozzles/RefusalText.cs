using SideBench.Core.Nozzles;

namespace SideBench.Web.Features.Nozzles;

/// <summary>What a person is told when a picture cannot be read, and what to do.</summary>
public static class RefusalText
{
    /// <summary>The sentences.</summary>
    public static (string Title, string What, string Do) Of(SheetRefusal refusal)
    {
        var units = refusal.Units.Count == 0 ? "part of the pattern" : string.Join(", ", refusal.Units);
        return refusal.Reason switch
        {
            RefusalReason.BlankPage => (
                "The page is blank",
                "There is paper, but nothing printed on it that could be a nozzle sheet.",
                "Check that ink reached the paper at all; if no channel prints, tell it by taps: every channel missing."
            ),
            RefusalReason.NoSheet => (
                "No nozzle sheet in the picture",
                "Nothing in it looks like rows of dashes.",
                "Take the sheet alone on a plain table, straight from above."
            ),
            RefusalReason.CutOff => (
                "Part of the sheet is cut off",
                $"Outside the picture: {units}.",
                "Take it again with all of the pattern inside, and some paper around it."
            ),
            RefusalReason.Blurred => (
                "Too blurred",
                "Neighbouring dashes run into each other; a faint dash and a missing one look the same.",
                "Hold still, let the camera focus on the paper, or use the flatbed."
            ),
            RefusalReason.LowResolution => (
                "Too small",
                "There are fewer than about 100 dots to an inch of the sheet.",
                "Go nearer so that the pattern fills the picture, or scan at 200 dpi or more."
            ),
            RefusalReason.WrongLayout => (
                "Not this machine's sheet",
                "It is a sheet, but its dashes do not stand where this layout has them.",
                "Choose the layout that was printed, or check whose sheet it is."
            ),
            RefusalReason.Covered => (
                "Something lies on the sheet",
                $"Hidden in part: {units}.",
                "Take hand, pen or paper off the pattern and take it again."
            ),
            RefusalReason.TwoSheets => ("More than one sheet", "The same pattern is there twice.", "Take one sheet at a time."),
            _ => ("It cannot be read", "", "Take it again."),
        };
    }

    /// <summary>All of it in one line.</summary>
    public static string Line(SheetRefusal refusal)
    {
        var (title, what, then) = Of(refusal);
        return $"{title}. {what} {then}";
    }
}
