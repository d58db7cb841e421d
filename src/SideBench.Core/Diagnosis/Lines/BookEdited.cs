using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A word of the fault book was changed by the shop.</summary>
public sealed record BookEdited(string Sort, string Target, string Cause, string Outcome, string From, string To, string Reason) : EntryBody
{
    public static readonly EntryKind Form = new(
        "book-edited",
        from => new BookEdited(
            from.Text("kind"),
            from.Text("target"),
            from.Text("cause"),
            from.Text("outcome"),
            from.Text("from"),
            from.Text("to"),
            from.Text("reason")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Book)];

    public override string Says =>
        $"Book: {Target}{(Cause.Length > 0 ? $", {Cause}, {Outcome}" : "")} from “{From}” to “{To}”"
        + (Reason.Length > 0 ? $": {Reason}" : "");

    public override void Store(FieldWriter to)
    {
        to.Text("kind", Sort);
        to.Text("target", Target);
        to.Text("cause", Cause);
        to.Text("outcome", Outcome);
        to.Text("from", From);
        to.Text("to", To);
        to.Text("reason", Reason);
    }
}
