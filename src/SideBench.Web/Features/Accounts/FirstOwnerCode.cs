using System.Security.Cryptography;
using System.Text;

namespace SideBench.Web.Features.Accounts;

/// <summary>The one-time code that an empty shop prints on its console.</summary>
public sealed class FirstOwnerCode
{
    private readonly string code = RandomNumberGenerator.GetString("ABCDEFGHJKMNPQRSTUVWXYZ23456789", 8);

    /// <summary>The code as printed.</summary>
    public string Shown => $"{code[..4]}-{code[4..]}";

    /// <summary>Whether a typed code is it, whatever its case and dashes.</summary>
    public bool Fits(string typed) =>
        CryptographicOperations.FixedTimeEquals(
            Encoding.UTF8.GetBytes(code),
            Encoding.UTF8.GetBytes(new string([.. typed.Where(char.IsLetterOrDigit)]).ToUpperInvariant())
        );
}
