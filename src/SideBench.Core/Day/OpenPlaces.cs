namespace SideBench.Core.Day;

/// <summary>
/// The places for open machines, where they are few: a machine keeps its place from the first screw to the last. For a part or a person
/// it is shut and set aside.
/// </summary>
/// <param name="jobs">The jobs.</param>
/// <param name="numbers">House numbers, with how many places there are.</param>
internal sealed class OpenPlaces(IReadOnlyList<DayJob> jobs, DayNumbers numbers)
{
    private const double Tiny = 1e-9;
    private readonly List<(double From, double To)> taken = [];

    /// <summary>Whether a machine stands open between two pieces of its way.</summary>
    /// <param name="way">The way.</param>
    /// <param name="at">The second of the two.</param>
    /// <param name="numbers">House numbers.</param>
    public static bool Between(IReadOnlyList<DayPiece> way, int at, DayNumbers numbers)
    {
        if (numbers.Corners == 0)
            return false;
        var before = Enumerable.Range(1, at).Select(back => way[at - back]).TakeWhile(p => !p.IsOthers);
        var after = way.Skip(at).TakeWhile((_, i) => i == 0 || !way[at + i - 1].IsOthers);
        return before.Any(Opens) && after.Any(Opens);
        bool Opens(DayPiece p) => p.Tags.Contains(numbers.OpenTag);
    }

    /// <summary>Frees all places.</summary>
    public void Clear() => taken.Clear();

    /// <summary>Whether a machine holds a place from now on.</summary>
    /// <param name="job">The job.</param>
    public bool IsHeld(DayJob job) => numbers.Corners > 0 && job.IsOpen && !(job.IsOthers && job.Ready > 0);

    /// <summary>Takes the place that pieces need.</summary>
    /// <param name="pieces">Pieces of one job, laid out.</param>
    public void Take(IReadOnlyList<DayPlaced> pieces)
    {
        if (Span(pieces) is { } span)
            taken.Add(span);
    }

    /// <summary>By how much pieces must come later for a machine to have its place, min; 0 when it has.</summary>
    /// <param name="pieces">Pieces of one job, laid out.</param>
    public double Wait(IReadOnlyList<DayPlaced> pieces)
    {
        if (Span(pieces) is not { } span || (pieces[0].Number == 0 && IsHeld(jobs[pieces[0].Job])))
            return 0;
        var until = span.From;
        foreach (var begin in taken.Select(o => o.From).Append(span.From).Where(t => t >= span.From && t < span.To - Tiny))
        {
            var ends = taken.Where(o => o.From <= begin + Tiny && o.To > begin + Tiny).Select(o => o.To).Order().ToList();
            if (ends.Count >= numbers.Corners)
                until = Math.Max(until, ends[ends.Count - numbers.Corners]);
        }

        return until - span.From;
    }

    // From when to when these pieces hold a place; null when they do not, or places are not counted.
    private (double From, double To)? Span(IReadOnlyList<DayPlaced> pieces)
    {
        if (numbers.Corners == 0 || pieces.Count == 0)
            return null;
        var holds = pieces[0].Number == 0 && IsHeld(jobs[pieces[0].Job]);
        var open = pieces.Where(p => p.Piece.Tags.Contains(numbers.OpenTag)).ToList();
        if (open.Count == 0)
            return holds ? (0, pieces[0].To) : null;
        return (holds ? 0 : open[0].From, open[^1].To + (open[^1].Piece.IsOthers ? 0 : open[^1].Piece.Wait));
    }
}
