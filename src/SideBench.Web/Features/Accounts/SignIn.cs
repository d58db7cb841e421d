using Microsoft.AspNetCore.Identity;
using SideBench.Core.Accounts;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.People;

namespace SideBench.Web.Features.Accounts;

/// <summary>Checks secrets, and locks out after too many wrong ones in a row.</summary>
public sealed class SignIn(PeopleStore people, SignInTries tries, TimeProvider clock)
{
    /// <summary>Wrong tries in a row before the lock.</summary>
    public const int MostTries = 5;

    /// <summary>Wrong tries from one address, whoever they were for, before it is locked.</summary>
    public const int MostFromOneAddress = 20;

    private static readonly TimeSpan Locked = TimeSpan.FromMinutes(10);
    private static readonly TimeSpan InARow = TimeSpan.FromDays(1);
    private static readonly PasswordHasher<string> Hasher = new();
    private static readonly string NobodysHash = Hasher.HashPassword("", "nobody has this password");

    /// <summary>The secret as it is kept.</summary>
    public static string Hash(string secret) => Hasher.HashPassword("", secret);

    /// <summary>The person, when name and password fit.</summary>
    /// <param name="name">The name.</param>
    /// <param name="password">The password.</param>
    /// <param name="from">The address that asks.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<Outcome<PersonRow>> ByPassword(string name, string password, string from, CancellationToken cancel)
    {
        if (await tries.LockedUntil($"address {from}", clock.GetUtcNow(), cancel) is { } until)
            return LockedOut(until);
        var person = Guard.IsKeepable(name) ? await people.FindByName(name, cancel) : null;
        if (person is { PasswordHash: { } hash, Standing: AccountStanding.Active })
            return await Check(person, "password", hash, password, from, cancel);
        Hasher.VerifyHashedPassword("", NobodysHash, password);
        await Wrong(from, cancel);
        return new Problem(ProblemCode.WrongSignIn, "");
    }

    /// <summary>The person, when the PIN fits. Wrong PINs lock the PIN, and not the password.</summary>
    /// <param name="id">The person.</param>
    /// <param name="pin">The PIN.</param>
    /// <param name="from">The address that asks.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<Outcome<PersonRow>> ByPin(PersonId id, string pin, string from, CancellationToken cancel)
    {
        if (await tries.LockedUntil($"address {from}", clock.GetUtcNow(), cancel) is { } until)
            return LockedOut(until);
        if (await people.Find(id, cancel) is { PinHash: { } hash, Standing: AccountStanding.Active } person)
            return await Check(person, "pin", hash, pin, from, cancel);
        await Wrong(from, cancel);
        return new Problem(ProblemCode.WrongSignIn, "/pin");
    }

    /// <summary>The person, when name and one-time code fit and its time is not over.</summary>
    /// <param name="name">The name.</param>
    /// <param name="code">The code.</param>
    /// <param name="from">The address that asks.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<Outcome<PersonRow>> ByCode(string name, string code, string from, CancellationToken cancel)
    {
        if (await tries.LockedUntil($"address {from}", clock.GetUtcNow(), cancel) is { } until)
            return LockedOut(until);
        var person = Guard.IsKeepable(name) ? await people.FindByName(name, cancel) : null;
        if (person is { CodeHash: { } hash, CodeUntil: { } holds } && holds > clock.GetUtcNow())
        {
            var fits = await Check(person, "code", hash, code, from, cancel);
            return fits.IsGood || fits.Problems[0].Code == ProblemCode.LockedOut ? fits : new Problem(AccountsProblem.WrongCode, "/code");
        }

        Hasher.VerifyHashedPassword("", NobodysHash, code);
        await Wrong(from, cancel);
        return new Problem(AccountsProblem.WrongCode, "/code");
    }

    // A try is counted before the secret is looked at: twenty at once are twenty.
    private async Task<Outcome<PersonRow>> Check(
        PersonRow person,
        string what,
        string hash,
        string secret,
        string from,
        CancellationToken cancel
    )
    {
        var tried = $"{what} {person.Id.Value}";
        if (await tries.Claim(tried, MostTries, clock.GetUtcNow(), Locked, InARow, cancel) is { } until)
            return LockedOut(until);
        if (Hasher.VerifyHashedPassword("", hash, secret) == PasswordVerificationResult.Failed)
        {
            await Wrong(from, cancel);
            return new Problem(ProblemCode.WrongSignIn, "");
        }

        await tries.Forget(tried, cancel);
        return person;
    }

    // Of an address only what was wrong counts: a whole shop may sign in from one in the morning.
    private Task Wrong(string from, CancellationToken cancel) =>
        tries.Claim($"address {from}", MostFromOneAddress, clock.GetUtcNow(), Locked, Locked, cancel);

    private static Problem LockedOut(DateTimeOffset until) => new(ProblemCode.LockedOut, "", until.ToLocalTime().ToString("HH:mm"));
}
