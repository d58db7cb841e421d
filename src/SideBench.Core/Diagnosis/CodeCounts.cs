namespace SideBench.Core.Diagnosis;

/// <summary>What proved jobs of one model turned out to be where its panel had been asked, and which code it had shown.</summary>
/// <param name="Asked">Jobs by cause whose panel had been asked and whose code, or that there was none, was told.</param>
/// <param name="Shown">Of these those that had shown a code, by code and cause.</param>
public sealed record CodeCounts(IReadOnlyDictionary<string, int> Asked, IReadOnlyDictionary<(string Code, string Cause), int> Shown)
{
    /// <summary>No jobs yet.</summary>
    public static CodeCounts None { get; } = new(new Dictionary<string, int>(), new Dictionary<(string, string), int>());

    /// <summary>
    /// How much likelier a code is under a cause than the book has such a code: (N·p + k) / (N + n) against p, with N the jobs the book is
    /// worth, n the jobs of the cause whose panel was asked, k those that showed the code. The conjugate rule for shares (Beta).
    /// </summary>
    /// <param name="code">The code.</param>
    /// <param name="cause">The cause.</param>
    /// <param name="likelihood">How likely such a code is under the cause by the book, 0 to 1; at 0 it stays there.</param>
    /// <param name="worth">The jobs the book is worth, above 0.</param>
    /// <returns>A factor above 0; 1 where nothing was proved yet.</returns>
    public double Factor(string code, string cause, double likelihood, double worth)
    {
        if (likelihood <= 0 || !Shown.Keys.Any(k => k.Code == code))
            return 1;
        var (asked, shown) = (Asked.GetValueOrDefault(cause), Shown.GetValueOrDefault((code, cause)));
        return ((worth * likelihood) + shown) / ((worth + asked) * likelihood);
    }

    /// <summary>Jobs that had shown a code.</summary>
    public int Jobs(string code) => Shown.Where(s => s.Key.Code == code).Sum(s => s.Value);
}
