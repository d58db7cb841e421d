using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.StripDown;

/// <summary>Opening up: the way in, the tray by the access graph, the way back, guides.</summary>
public static class StripDownCraft
{
    /// <summary>Parts and pieces that stay off, by their removal: a lasting change of the machine.</summary>
    public const string StaysOffKey = "stays-off";

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
}
