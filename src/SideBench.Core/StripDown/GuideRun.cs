using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A guide being followed, or followed to its end.</summary>
/// <param name="Id">Name of this following.</param>
/// <param name="Begun">As it was begun, or as it was taken over since.</param>
/// <param name="Ticks">What was done, by step.</param>
/// <param name="Ended">How it ended; null while it is followed.</param>
public sealed record GuideRun(string Id, GuideBegun Begun, IReadOnlyDictionary<string, StepTick> Ticks, GuideEnded? Ended)
{
    /// <summary>The step that is next; null when all are done.</summary>
    public GuideStep? Next => Begun.Steps.FirstOrDefault(s => !Ticks.ContainsKey(s.Id));

    /// <summary>The following after a step was ticked, skipped or went another way.</summary>
    internal GuideRun After(GuideTicked body, Entry entry)
    {
        var ticks = new Dictionary<string, StepTick>(Ticks);
        var passed = Begun.Steps.FirstOrDefault(s => s.Id == body.Step)?.Branches.FirstOrDefault(b => b.Id == body.Outcome)?.Passes == true;
        if (passed || body.Outcome is "done" or "skipped")
            ticks[body.Step] = new StepTick(body.Outcome, body.Value, entry.PersonName, entry.At, body.Words);
        else if (
            Begun.Steps.FirstOrDefault(s => s.Id == body.Step)?.Branches.FirstOrDefault(b => b.Id == body.Outcome)?.GoTo is
            { Length: > 0 } back
        )
            foreach (var step in Begun.Steps.SkipWhile(s => s.Id != back))
                ticks.Remove(step.Id);
        return this with { Ticks = ticks };
    }
}
