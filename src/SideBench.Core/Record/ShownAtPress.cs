using SideBench.Core.Outcomes;

namespace SideBench.Core.Record;

/// <summary>What a card showed at the moment it was pressed, as its words stood on the screen.</summary>
/// <param name="Step">The step; empty when none was shown.</param>
/// <param name="Answer">The answer pressed; empty for a step that is only done.</param>
/// <param name="Version">The version of the job that it was shown for; 0 when not told.</param>
public sealed record ShownAtPress(string? Step, string? Answer, int Version)
{
    /// <summary>What stands in the way of a press that would write something else than was shown; null when nothing does.</summary>
    /// <param name="shown">What was shown; null when that is not known.</param>
    /// <param name="step">The step that would be written.</param>
    /// <param name="answer">The answer that would be written; empty when there is none.</param>
    public static Problem? Differs(ShownAtPress? shown, string step, string answer)
    {
        if (shown is null)
            return null;
        if (!Same(shown.Step, step))
            return new Problem(ProblemCode.ShownOther, "/shown/step", shown.Step, step);
        return Same(shown.Answer, answer) ? null : new Problem(ProblemCode.ShownOther, "/shown/answer", shown.Answer, answer);
    }

    // What is not said is not compared; spaces are the screen's.
    private static bool Same(string? shown, string meant) =>
        string.IsNullOrWhiteSpace(shown) || meant.Length == 0 || Plain(shown) == Plain(meant);

    private static string Plain(string words) => string.Join(' ', words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
