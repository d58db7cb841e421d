namespace SideBench.Core.Diagnosis;

/// <summary>A written condition of a pack: when a cause, step, rule or gate applies.</summary>
public abstract record Condition
{
    /// <summary>Whether it holds now.</summary>
    /// <param name="facts">What is known of the case.</param>
    /// <param name="counterPct">For a step that lifts the waste counter: by how much, percent points; else 0.</param>
    public abstract bool Holds(Facts facts, double counterPct = 0);

    /// <summary>Always.</summary>
    public sealed record Always : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) => true;
    }

    /// <summary>All parts hold.</summary>
    public sealed record All(IReadOnlyList<Condition> Parts) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0)
        {
            foreach (var part in Parts)
                if (!part.Holds(facts, counterPct)) return false;
            return true;
        }
    }

    /// <summary>At least one part holds.</summary>
    public sealed record Any(IReadOnlyList<Condition> Parts) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0)
        {
            foreach (var part in Parts)
                if (part.Holds(facts, counterPct)) return true;
            return false;
        }
    }

    /// <summary>The part does not hold.</summary>
    public sealed record Not(Condition Part) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) => !Part.Holds(facts, counterPct);
    }

    /// <summary>The model's axis has one of the words.</summary>
    public sealed record ModelIs(string Axis, IReadOnlyList<string> Words) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) =>
            facts.Model.Axes.TryGetValue(Axis, out var word) && Words.Contains(word);
    }

    /// <summary>The model has a station of that name.</summary>
    public sealed record HasStation(string Station) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) => facts.Model.Stations.Any(s => s.Id == Station);
    }

    /// <summary>The context has one of the words.</summary>
    public sealed record ContextIs(string Key, IReadOnlyList<string> Words) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) =>
            facts.Context.TryGetValue(Key, out var word) && Words.Contains(word);
    }

    /// <summary>A finding was told, with one of the outcomes.</summary>
    public sealed record FindingIs(string Finding, IReadOnlyList<string> Outcomes) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) =>
            facts.Answers.TryGetValue(Finding, out var outcome) && Outcomes.Contains(outcome);
    }

    /// <summary>Work with a tag was done at least so often, counted since the last work with another tag.</summary>
    public sealed record DoneAtLeast(string Tag, int Times, string? SinceTag) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0)
        {
            var count = 0;
            foreach (var tags in facts.Done)
            {
                if (SinceTag is not null && tags.Contains(SinceTag)) count = 0;
                if (tags.Contains(Tag)) count++;
            }
            return count >= Times;
        }
    }

    /// <summary>Something of that kind lies on the tray.</summary>
    public sealed record TrayHas(string Mark) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) => facts.Tray.Any(item => item.Marks.Contains(Mark));
    }

    /// <summary>The step would carry the waste counter past its limit.</summary>
    public sealed record CounterPasses(double LimitPct) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) =>
            counterPct > 0 && facts.CounterPct is { } now && now + counterPct > LimitPct;
    }

    /// <summary>The customer agreed.</summary>
    public sealed record Agreed(string Word) : Condition
    {
        /// <inheritdoc/>
        public override bool Holds(Facts facts, double counterPct = 0) => facts.Consents.Contains(Word);
    }
}
