namespace SideBench.Core.Day;

/// <summary>A piece of work of hands, with the wait that follows it.</summary>
/// <param name="Says">What is done.</param>
/// <param name="Hands">Hands, min.</param>
/// <param name="Wait">Then it works or rests by itself at least so long, min.</param>
/// <param name="MostWait">At most so long, min; null when it may stand.</param>
/// <param name="WaitSays">What it waits for; empty when it does not.</param>
/// <param name="Step">The step of the book; empty when it is none.</param>
public sealed record DayPiece(string Says, double Hands, double Wait = 0, double? MostWait = null, string WaitSays = "", string Step = "")
{
    /// <summary>Whether the wait that follows is for parts or people, whose time differs more.</summary>
    public bool IsOthers { get; init; }

    /// <summary>How far its minutes differ, in their logarithm; null for the house's own.</summary>
    public double? Sd { get; init; }

    /// <summary>Words of the book about the step: whether it opens the machine, smells, is left to some.</summary>
    public IReadOnlyList<string> Tags { get; init; } = [];
}

/// <summary>One way that a job may go to its end.</summary>
/// <param name="Chance">How likely, 0 to 1, among its ways.</param>
/// <param name="Pieces">Its pieces, in order.</param>
public sealed record DayWay(double Chance, IReadOnlyList<DayPiece> Pieces);

/// <summary>A job as the day sees it. Times are minutes from the moment of the plan.</summary>
/// <param name="Id">The job; 0 for one that is not here yet.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Ready">Its next piece may begin from then on.</param>
/// <param name="Latest">It must have begun by then; null when there is no limit.</param>
/// <param name="Promise">It was promised for then; null when it was not.</param>
/// <param name="Ways">Ways it may go, the likeliest first; their chances sum to 1.</param>
public sealed record DayJob(long Id, string Name, double Ready, double? Latest, double? Promise, IReadOnlyList<DayWay> Ways)
{
    /// <summary>What it waits for until it is ready; empty when it waits for nothing.</summary>
    public string WaitsFor { get; init; } = "";

    /// <summary>Whether that wait is for parts or people.</summary>
    public bool IsOthers { get; init; }

    /// <summary>The person its next piece is given to; null for whoever comes.</summary>
    public int? Hand { get; init; }

    /// <summary>Its next piece begins then; null when it is free.</summary>
    public double? At { get; init; }

    /// <summary>Whether the machine stands open now.</summary>
    public bool IsOpen { get; init; }

    /// <summary>Whether hands are on it now: its next piece is going on and is never moved.</summary>
    public bool IsOn { get; init; }

    /// <summary>Whether its way is not known, so that it counts as the house's usual job.</summary>
    public bool IsUnknown { get; init; }
}

/// <summary>A person with the spans in which they can work, minutes from the moment of the plan, in order.</summary>
/// <param name="Id">The person.</param>
/// <param name="Name">Their name.</param>
/// <param name="Spans">The spans.</param>
public sealed record DayHand(long Id, string Name, IReadOnlyList<(double From, double To)> Spans)
{
    /// <summary>They take so many times the minutes of the others.</summary>
    public double Pace { get; init; } = 1;

    /// <summary>Of these spans those in which loud and smelly work may be done; null for all of them.</summary>
    public IReadOnlyList<(double From, double To)>? Aired { get; init; }

    /// <summary>Tags of steps that they leave to others.</summary>
    public IReadOnlySet<string> Barred { get; init; } = new HashSet<string>();
}

/// <summary>A piece with its place in the plan.</summary>
/// <param name="Job">The job's place in the list of jobs.</param>
/// <param name="Number">Which piece of its way, from 0.</param>
/// <param name="Piece">The piece.</param>
/// <param name="Hand">Whose: a place in the list of hands; -1 when none has room within the days that are planned.</param>
/// <param name="From">When it begins, min.</param>
/// <param name="To">When hands are off it, min.</param>
/// <param name="Latest">It must begin by then, min; null when there is no limit.</param>
public sealed record DayPlaced(int Job, int Number, DayPiece Piece, int Hand, double From, double To, double? Latest)
{
    /// <summary>How far past its latest begin, min.</summary>
    public double Overrun => Latest is { } latest ? Math.Max(0, From - latest) : 0;
}

/// <summary>What a plan costs, compared in this order: latest ends, promises, money.</summary>
/// <param name="Overrun">Minutes past latest ends.</param>
/// <param name="Late">Minutes past promises.</param>
/// <param name="Money">Machines that stand, ways between them, money.</param>
public readonly record struct DayCost(double Overrun, double Late, double Money) : IComparable<DayCost>
{
    private const double Same = 1e-6;

    /// <inheritdoc/>
    public int CompareTo(DayCost other) =>
        Math.Abs(Overrun - other.Overrun) > Same ? Overrun.CompareTo(other.Overrun)
        : Math.Abs(Late - other.Late) > Same ? Late.CompareTo(other.Late)
        : Math.Abs(Money - other.Money) > Same ? Money.CompareTo(other.Money)
        : 0;
}
