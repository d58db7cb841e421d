using System.Security.Cryptography;
using SideBench.Core.Accounts;
using SideBench.Core.Outcomes;

namespace SideBench.Web.Features.Accounts;

/// <summary>What a secret must be, and how a one-time code is made.</summary>
public static class Secrets
{
    /// <summary>Shortest password, characters.</summary>
    public const int ShortestPassword = 10;

    /// <summary>Longest password, characters.</summary>
    public const int LongestPassword = 200;

    /// <summary>A one-time code holds so long.</summary>
    public static readonly TimeSpan CodeHolds = TimeSpan.FromDays(3);

    private const int ShortestPin = 4;
    private const int LongestPin = 12;
    private const int CodeSigns = 8;

    // Guessed sooner than this by a list of the commonest, of names and of words, with their usual disguises.
    private const double FewBits = 20;

    // No sign that is taken for another.
    private const string Signs = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

    /// <summary>A new code, as it is read out.</summary>
    public static string NewCode()
    {
        var code = RandomNumberGenerator.GetString(Signs, CodeSigns);
        return $"{code[..4]}-{code[4..]}";
    }

    /// <summary>A code as it was typed, whatever its case and dashes.</summary>
    public static string CodeOf(string? typed) =>
        new string([.. (typed ?? "").Take(4 * CodeSigns).Where(char.IsLetterOrDigit)]).ToUpperInvariant();

    /// <summary>Adds what is wrong with a new password.</summary>
    /// <param name="problems">Problems so far.</param>
    /// <param name="password">The password.</param>
    /// <param name="name">Whose: their own name is guessed first.</param>
    public static void Password(List<Problem> problems, string? password, string? name)
    {
        var length = password?.Length ?? 0;
        if (length < ShortestPassword)
            problems.Add(new Problem(ProblemCode.PasswordTooShort, "/password", length, ShortestPassword));
        else if (length > LongestPassword)
            problems.Add(new Problem(AccountsProblem.LongSecret, "/password", length, LongestPassword));
        else if (new Zxcvbn.Zxcvbn().EvaluatePassword(password!, [name ?? "", "side bench"]).Entropy < FewBits)
            problems.Add(new Problem(AccountsProblem.CommonPassword, "/password"));
    }

    /// <summary>Adds what is wrong with a new PIN; none is fine.</summary>
    public static void Pin(List<Problem> problems, string? pin)
    {
        if (
            !string.IsNullOrEmpty(pin)
            && (pin.Length is < ShortestPin or > LongestPin || !pin.All(char.IsAsciiDigit) || pin.Distinct().Count() == 1)
        )
            problems.Add(new Problem(AccountsProblem.NoPin, "/pin"));
    }
}
