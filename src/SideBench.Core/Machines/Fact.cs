namespace SideBench.Core.Machines;

/// <summary>A kind of fact that a craft declares, so that written conditions can ask for it by its key.</summary>
/// <param name="Key">Its key, such as <c>counter-last</c>.</param>
/// <param name="Words">The words it can have; none when it is a number.</param>
/// <param name="Unit">Its unit when it is a number; empty otherwise.</param>
/// <param name="Says">What it tells, for those who write conditions.</param>
public sealed record FactKind(string Key, IReadOnlyList<string> Words, string Unit, string Says)
{
    /// <summary>Whether it is a number.</summary>
    public bool IsNumber => Words.Count == 0;
}

/// <summary>Something that is known of a machine or its job.</summary>
/// <param name="Key">The key of its kind.</param>
/// <param name="Word">Its word; null when it is a number.</param>
/// <param name="Number">Its number, in the unit of its kind; null when it is a word.</param>
/// <param name="Says">In words, for people.</param>
/// <param name="Since">Since when it is so; null when that is not known.</param>
public sealed record Fact(string Key, string? Word, double? Number, string Says, DateTimeOffset? Since);
