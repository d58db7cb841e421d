using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.StripDown;

/// <summary>Opening up: the way in, the tray by the access graph, the way back, guides.</summary>
public static class StripDownCraft
{
    /// <summary>Parts and pieces that stay off, by their removal: a lasting change of the machine.</summary>
    public const string StaysOffKey = "stays-off";

    /// <summary>Removals that stay changed, such as a drain tube that is joined to an outside bottle.</summary>
    public const string StaysChangedKey = "stays-changed";

    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new(
        "StripDown",
        [
            Aimed.Form,
            TakenOff.Form,
            WouldNot.Form,
            PutBack.Form,
            PieceLost.Form,
            PieceReplaced.Form,
            LeftOff.Form,
            PartRenewed.Form,
            PhotoTaken.Form,
            GuideBegun.Form,
            GuideTicked.Form,
            GuideRenewed.Form,
            GuideEnded.Form,
        ]
    )
    {
        FactKinds = [new FactKind(StaysOffKey, ["yes", "no"], "", "Whether parts or pieces of the machine stay off")],
        Facts = Known,
        Begin = OpeningState.Begin,
        Numbers = typeof(Handling),
        HandOver = job => new HandOverLines(
            [.. Renewed(job.Opening), .. job.Opening.Changes.Select(c => $"{(c.Made ? "Fitted" : "Undone")}: {c.Name}")],
            [.. LeftAsItIs(job.Opening), .. job.Opening.Changes.Where(c => c.Made && c.Watch.Length > 0).Select(c => c.Watch)]
        ),
    };

    private static IEnumerable<Fact> Known(JobState job)
    {
        var off = job.Machine.Modifications.Values.Where(m => m.What.Key == StaysOffKey).ToList();
        yield return new Fact(
            StaysOffKey,
            off.Count > 0 ? "yes" : "no",
            null,
            off.Count > 0 ? string.Join("; ", off.Select(m => m.What.Says)) : "Nothing stays off",
            off.Count > 0 ? off.Min(m => m.Since) : null
        );
    }

    private static IEnumerable<string> Renewed(OpeningState opening) =>
        opening.Renewed.Select(part =>
            part.Name
            + (part.Number.Length > 0 ? $" {part.Number}" : "")
            + (part.Lot.Length > 0 ? $", lot {part.Lot}" : "")
            + (part.WarrantyEnd is { } end ? $", warranty to {end:yyyy-MM-dd}" : "")
        );

    private static IEnumerable<string> LeftAsItIs(OpeningState opening)
    {
        // What held a part that stays off needs no line of its own.
        foreach (var (what, reason) in opening.StaysOff)
            if (!what.Contains(':') || !opening.StaysOff.ContainsKey(what.Split(':')[0]))
                yield return $"Stays off: {what.Replace('-', ' ').Replace(":", ", ")}. {reason}";
        foreach (var (group, count) in opening.Counts.Where(c => c.Value.Empty > 0))
            yield return $"{count.Empty} of {count.Total} pieces missing: {group.Split(':')[0].Replace('-', ' ')}.";
    }
}
