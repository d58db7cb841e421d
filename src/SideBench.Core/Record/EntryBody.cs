namespace SideBench.Core.Record;

/// <summary>
/// What a line of the record says. Every kind is declared once, in its craft: its name, what it says in words, its stored form and its
/// effect. Kinds are append only: old ones stay readable for ever.
/// </summary>
public abstract record EntryBody
{
    /// <summary>Its kind.</summary>
    public abstract EntryKind Kind { get; }

    /// <summary>The line as a sentence.</summary>
    public abstract string Says { get; }

    /// <summary>What it does, in terms that every craft shares.</summary>
    public virtual Effect Effect => Effect.None;

    /// <summary>
    /// What it is about beside the job and the machine it was written on, or beside the shop as a whole: waste boxes, what is fitted, lots,
    /// parts of the shop. It may name more than it changes, never less.
    /// </summary>
    /// <param name="at">What it finds where it is written.</param>
    public virtual IEnumerable<Subject> About(Surroundings at) => [];

    /// <summary>A picture that it names, by its fingerprint; null when none.</summary>
    public virtual string? NamedPicture => null;

    /// <summary>Numbers and words by which the job it was written on is found from then on, such as a part's lot; none for most.</summary>
    public virtual IEnumerable<string> FoundBy => [];

    /// <summary>Whether it stands for good: it cannot be taken back by hand.</summary>
    public virtual bool Stands => false;

    /// <summary>Whether it can change the odds, a gate, or what is to be done next; a note cannot.</summary>
    public virtual bool ChangesTheCase => true;

    /// <summary>
    /// Writes its fields as they are stored. Names are of the stored form alone: a field that is renamed here keeps its old one there.
    /// </summary>
    public abstract void Store(FieldWriter to);
}
