using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>What the shop's own council asks for when waste ink, pads or boxes are given away: a line on every caution about it.</summary>
/// <param name="Line">The line; empty to have none.</param>
public sealed record LocalRules(string Line) : EntryBody
{
    public static readonly EntryKind Form = new("local-rules", from => new LocalRules(from.Text("line")));

    /// <summary>The line as it was set last; empty when none is.</summary>
    /// <param name="shop">Lines about the shop that stand.</param>
    public static string In(IEnumerable<Entry> shop) => shop.Select(e => e.Body).OfType<LocalRules>().LastOrDefault()?.Line ?? "";

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Waste)];

    public override bool ChangesTheCase => false;

    public override string Says => Line.Length > 0 ? $"Waste by local rules: {Line}" : "Waste by local rules: no line of the shop’s own";

    public override void Store(FieldWriter to) => to.Text("line", Line);
}
