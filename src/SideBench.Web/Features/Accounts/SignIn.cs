using Microsoft.AspNetCore.Identity;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.People;

namespace SideBench.Web.Features.Accounts;

/// <summary>Checks secrets, and locks out after too many wrong ones in a row.</summary>
public sealed class SignIn(PeopleStore people, TimeProvider clock)
{
    /// <summary>Wrong tries in a row before the lock.</summary>
    public const int MostTries = 5;

    /// <summary>Shortest password, characters.</summary>
    public const int ShortestPassword = 10;

    /// <summary>Shortest PIN for the quick switch, digits.</summary>
    public const int ShortestPin = 4;

    private static readonly TimeSpan Locked = TimeSpan.FromMinutes(10);
    private static readonly PasswordHasher<string> Hasher = new();
    private static readonly string NobodysHash = Hasher.HashPassword("", "nobody has this password");

    /// <summary>The secret as it is kept.</summary>
    public static string Hash(string secret) => Hasher.HashPassword("", secret);

    /// <summary>The person, when name and password fit.</summary>
    public async Task<Outcome<PersonRow>> ByPassword(string name, string password, CancellationToken cancel)
    {
        var person = Guard.IsKeepable(name) ? await people.FindByName(name, cancel) : null;
        if (person is not null)
            return await Check(person, person.PasswordHash, password, cancel);
        Hasher.VerifyHashedPassword("", NobodysHash, password);
        return new Problem(ProblemCode.WrongSignIn, "");
    }

    /// <summary>The person, when the PIN fits.</summary>
    public async Task<Outcome<PersonRow>> ByPin(PersonId id, string pin, CancellationToken cancel)
    {
        var person = await people.Find(id, cancel);
        return person?.PinHash is { } hash ? await Check(person, hash, pin, cancel) : new Problem(ProblemCode.WrongSignIn, "/pin");
    }

    private async Task<Outcome<PersonRow>> Check(PersonRow person, string hash, string secret, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        if (person.LockedUntil is { } until && until > now)
            return new Problem(ProblemCode.LockedOut, "", until.ToLocalTime().ToString("HH:mm"));
        if (Hasher.VerifyHashedPassword("", hash, secret) != PasswordVerificationResult.Failed)
        {
            if (person.FailedCount > 0)
                await people.Tried(person.Id, 0, null, cancel);
            return person;
        }

        var failed = person.FailedCount + 1;
        var locks = failed >= MostTries;
        await people.Tried(person.Id, locks ? 0 : failed, locks ? now + Locked : null, cancel);
        return new Problem(ProblemCode.WrongSignIn, "");
    }
}
