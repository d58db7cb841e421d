using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>What the day keeps to was set: places for open machines, hours for loud and smelly work, what somebody leaves.</summary>
/// <param name="Rule">Which of the three.</param>
/// <param name="Of">The person; 0 for the shop.</param>
/// <param name="Value">The number of places, the spans, or the kinds of work.</param>
/// <param name="What">It in words.</param>
public sealed record DayRuleSet(DayRule Rule, long Of, string Value, string What) : EntryBody
{
    public static readonly EntryKind Form = new(
        "day-rule-set",
        from => new DayRuleSet(StoredWord.Read<DayRule>(from.Text("rule")), from.Whole("of"), from.Text("value"), from.Text("what"))
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Hours)];

    public override bool ChangesTheCase => false;

    public override string Says => What;

    public override void Store(FieldWriter to)
    {
        to.Text("rule", StoredWord.Of(Rule));
        to.Whole("of", Of);
        to.Text("value", Value);
        to.Text("what", What);
    }
}

/// <summary>What a shop's day can be told to keep to.</summary>
public enum DayRule
{
    /// <summary>Places for open machines.</summary>
    Corners,

    /// <summary>Hours for loud and smelly work.</summary>
    Aired,

    /// <summary>Kinds of work that a person leaves to others.</summary>
    Leaves,
}
