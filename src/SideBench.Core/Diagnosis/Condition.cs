namespace SideBench.Core.Diagnosis;

/// <summary>What a step puts on the machine and on the bill, for conditions that look at limits.</summary>
/// <param name="CounterPct">How far it lifts the waste counter, percent points.</param>
/// <param name="Charge">What it adds to the bill: bench time and parts, money.</param>
public readonly record struct StepLoad(double CounterPct, double Charge);

/// <summary>A written condition of a pack: when a cause, step, rule or gate applies.</summary>
public abstract record Condition
{
    /// <summary>Whether it holds now.</summary>
    /// <param name="facts">What is known of the case.</param>
    /// <param name="load">For a step: what it puts on the counter and on the bill; else nothing.</param>
    public abstract bool Holds(Facts facts, StepLoad load = default);

    /// <summary>Whether it can never hold, whatever the case.</summary>
    public bool IsNever => this is Not { Part: Always };

    /// <summary>What is left of it once the model is known: parts that only look at the model are worked out for good.</summary>
    /// <param name="bare">The model without a case.</param>
    public Condition For(Facts bare) =>
        this switch
        {
            ModelIs or ModelNamed or HasStation => Holds(bare) ? new Always() : Never,
            All all => AllOf([.. all.Parts.Select(p => p.For(bare)).Where(p => p is not Always)]),
            Any any => AnyOf([.. any.Parts.Select(p => p.For(bare)).Where(p => !p.IsNever)]),
            Not not => not.Part.For(bare) is var part && part is Not inner ? inner.Part : new Not(part),
            _ => this,
        };

    private static Condition Never { get; } = new Not(new Always());

    private static Condition AllOf(IReadOnlyList<Condition> parts) =>
        parts switch
        {
            [] => new Always(),
            [var one] => one,
            _ => parts.Any(p => p.IsNever) ? Never : new All(parts),
        };

    private static Condition AnyOf(IReadOnlyList<Condition> parts) =>
        parts switch
        {
            [] => Never,
            [var one] => one,
            _ => parts.Any(p => p is Always) ? new Always() : new Any(parts),
        };

    /// <summary>Always.</summary>
    public sealed record Always : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => true;
    }

    /// <summary>All parts hold.</summary>
    public sealed record All(IReadOnlyList<Condition> Parts) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default)
        {
            foreach (var part in Parts)
                if (!part.Holds(facts, load))
                    return false;
            return true;
        }
    }

    /// <summary>At least one part holds.</summary>
    public sealed record Any(IReadOnlyList<Condition> Parts) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default)
        {
            foreach (var part in Parts)
                if (part.Holds(facts, load))
                    return true;
            return false;
        }
    }

    /// <summary>The part does not hold.</summary>
    public sealed record Not(Condition Part) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => !Part.Holds(facts, load);
    }

    /// <summary>The model's axis has one of the words.</summary>
    public sealed record ModelIs(string Axis, IReadOnlyList<string> Words) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Model.Axes.TryGetValue(Axis, out var word) && Words.Contains(word);
    }

    /// <summary>The model is one of those named.</summary>
    public sealed record ModelNamed(IReadOnlyList<string> Models) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => Models.Contains(facts.Model.Id);
    }

    /// <summary>The model has a station of that name.</summary>
    public sealed record HasStation(string Station) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => facts.Model.Stations.Any(s => s.Id == Station);
    }

    /// <summary>The context has one of the words.</summary>
    public sealed record ContextIs(string Key, IReadOnlyList<string> Words) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Context.TryGetValue(Key, out var word) && Words.Contains(word);
    }

    /// <summary>A fact of the machine or the job has one of the words.</summary>
    public sealed record FactIs(string Key, IReadOnlyList<string> Words) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Known.TryGetValue(Key, out var fact) && fact.Word is { } word && Words.Contains(word);
    }

    /// <summary>A fact of the machine or the job is a number within bounds, both included; one that is not known is in none.</summary>
    public sealed record FactWithin(string Key, double? AtLeast, double? AtMost) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Known.TryGetValue(Key, out var fact) && fact.Number is { } number && !(number < AtLeast) && !(number > AtMost);
    }

    /// <summary>A finding was told, with one of the outcomes.</summary>
    public sealed record FindingIs(string Finding, IReadOnlyList<string> Outcomes) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Answers.TryGetValue(Finding, out var outcome) && Outcomes.Contains(outcome);
    }

    /// <summary>Work with a tag was done at least so often, counted since the last work with another tag.</summary>
    public sealed record DoneAtLeast(string Tag, int Times, string? SinceTag) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default)
        {
            var count = 0;
            foreach (var tags in facts.Done)
            {
                if (SinceTag is not null && tags.Contains(SinceTag))
                    count = 0;
                if (tags.Contains(Tag))
                    count++;
            }
            return count >= Times;
        }
    }

    /// <summary>Something of that kind lies on the tray.</summary>
    public sealed record TrayHas(string Mark) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => facts.Tray.Any(item => item.Marks.Contains(Mark));
    }

    /// <summary>The step would carry the waste counter past its limit.</summary>
    public sealed record CounterPasses(double LimitPct) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            load.CounterPct > 0 && facts.CounterPct is { } now && now + load.CounterPct > LimitPct;
    }

    /// <summary>The customer agreed.</summary>
    public sealed record Agreed(string Word) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) => facts.Consents.Contains(Word);
    }

    /// <summary>The shop, or this job, follows one of the named practices.</summary>
    public sealed record SchoolIs(string School, IReadOnlyList<string> Options) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            facts.Schools.TryGetValue(School, out var option) && Options.Contains(option);
    }

    /// <summary>The step would carry the bill past the customer's limit.</summary>
    public sealed record PastLimit : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            load.Charge > 0 && facts.Limit is { } limit && facts.Spent + load.Charge > limit;
    }

    /// <summary>The step would carry the bill past a share of what the machine is worth.</summary>
    public sealed record PastWorth(double Share) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, StepLoad load = default) =>
            load.Charge > 0 && facts.Spent + load.Charge > Share * (double)facts.Model.Worth;
    }
}
