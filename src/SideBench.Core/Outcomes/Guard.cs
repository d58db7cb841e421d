namespace SideBench.Core.Outcomes;

/// <summary>Checks of what a person typed, gathered as problems.</summary>
public static class Guard
{
    /// <summary>Longest free text, characters.</summary>
    public const int LongestText = 2000;

    /// <summary>Longest name, characters.</summary>
    public const int LongestName = 120;

    /// <summary>Adds a problem when a text is missing, too long, or holds a sign that no record can keep.</summary>
    public static void Text(List<Problem> problems, string? text, string path, int longest, bool needed)
    {
        if (needed && string.IsNullOrWhiteSpace(text))
            problems.Add(new Problem(ProblemCode.Missing, path));
        else if (text?.Length > longest)
            problems.Add(new Problem(ProblemCode.TooLong, path, text.Length, longest));
        else if (text is not null && !IsKeepable(text))
            problems.Add(new Problem(ProblemCode.UnkeepableText, path));
    }

    /// <summary>Adds a problem when a word is none of those allowed.</summary>
    public static void Word(List<Problem> problems, string? word, string path, IReadOnlyList<string> allowed)
    {
        if (word is null || !allowed.Contains(word))
            problems.Add(new Problem(ProblemCode.UnknownWord, path, Shown(word), string.Join(", ", allowed)));
    }

    /// <summary>Adds a problem when a number is outside its range, or no number at all.</summary>
    public static void Range(List<Problem> problems, double value, string path, double min, double max)
    {
        if (!(value >= min && value <= max))
            problems.Add(new Problem(ProblemCode.OutOfRange, path, value, min, max));
    }

    /// <summary>Adds a problem when a time is before or after what can be meant.</summary>
    public static void Day(List<Problem> problems, DateTimeOffset at, string path, DateTimeOffset first, DateTimeOffset last)
    {
        if (at < first || at > last)
            problems.Add(new Problem(ProblemCode.OutOfRange, path, $"{at:yyyy-MM-dd}", $"{first:yyyy-MM-dd}", $"{last:yyyy-MM-dd}"));
    }

    /// <summary>Whether a text can be kept: a record holds no zero sign and no half of a pair.</summary>
    public static bool IsKeepable(string text) => !text.Contains('\0') && !HasLoneSurrogate(text);

    private static bool HasLoneSurrogate(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (char.IsHighSurrogate(text[i]) && i + 1 < text.Length && char.IsLowSurrogate(text[i + 1]))
                i++;
            else if (char.IsSurrogate(text[i]))
                return true;
        }

        return false;
    }

    private static string Shown(string? word) =>
        word is null ? ""
        : word.Length <= LongestName ? word
        : word[..LongestName];
}
