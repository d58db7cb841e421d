namespace SideBench.Core.Outcomes;

/// <summary>Something a person can cause or mend: what it is, where it is, and the facts for its sentence.</summary>
/// <param name="Code">What it is.</param>
/// <param name="Path">Where: a JSON pointer into what was sent or into a pack; empty for the whole.</param>
/// <param name="Args">The facts its sentence names, in order.</param>
public sealed record Problem(ProblemCode Code, string Path, params object?[] Args)
{
    /// <summary>What others changed meanwhile, as sentences, when that is what stands in the way.</summary>
    public IReadOnlyList<string> Changes { get; init; } = [];
}

/// <summary>Either a value, or every problem that stands in its way (gathered, not just the first).</summary>
public sealed class Outcome<T>
{
    private readonly T? value;

    private Outcome(T? value, IReadOnlyList<Problem> problems)
    {
        this.value = value;
        Problems = problems;
    }

    /// <summary>All problems; empty when there is a value.</summary>
    public IReadOnlyList<Problem> Problems { get; }

    /// <summary>Whether there is a value.</summary>
    public bool IsGood => Problems.Count == 0;

    /// <summary>The value; asking for it while there are problems is a mistake in our own code.</summary>
    public T Value =>
        IsGood
            ? value!
            : throw new InvalidOperationException(
                $"no value: {string.Join("; ", Problems.Select(p => $"{p.Code} at {p.Path} ({string.Join(", ", p.Args)})"))}"
            );

    /// <summary>A good outcome.</summary>
    public static implicit operator Outcome<T>(T good) => new(good, []);

    /// <summary>A single problem.</summary>
    public static implicit operator Outcome<T>(Problem problem) => new(default, [problem]);

    /// <summary>Several problems.</summary>
    public static implicit operator Outcome<T>(List<Problem> problems) =>
        problems.Count > 0 ? new(default, problems) : throw new ArgumentException("an outcome without value needs a problem");
}
