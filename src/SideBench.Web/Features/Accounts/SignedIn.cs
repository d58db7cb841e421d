using System.Collections.Concurrent;
using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using SideBench.Core.Accounts;
using SideBench.Data.People;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Accounts;

/// <summary>
/// Where people are signed in. A cookie alone is nobody: its sign-in must be on record, and its person be allowed in. What is written asks
/// the record each time; what is read may take the word of a few seconds ago, until the database tells that something changed.
/// </summary>
public sealed class SignedIn(SignInStore store, PeopleStore people, TimeProvider clock) : CookieAuthenticationEvents
{
    /// <summary>Not used for so long, a sign-in is over.</summary>
    public static readonly TimeSpan Idle = TimeSpan.FromHours(12);

    private static readonly TimeSpan Fresh = TimeSpan.FromSeconds(20);
    private static readonly TimeSpan SeenEvery = TimeSpan.FromMinutes(5);
    private const int MostKept = 2000;
    private const int LongestAddress = 60;
    private readonly ConcurrentDictionary<Guid, (PersonAtBench Person, DateTimeOffset ReadAt, DateTimeOffset SeenAt)> known = new();

    /// <summary>Not used since then is over.</summary>
    public DateTimeOffset Oldest => clock.GetUtcNow() - Idle;

    /// <summary>Something changed: everybody is looked up anew.</summary>
    public void Forget() => known.Clear();

    /// <summary>Signs a person in, here.</summary>
    public async Task<Guid> Begin(HttpContext http, PersonRow person)
    {
        var id = Guid.NewGuid();
        var now = clock.GetUtcNow();
        var address = http.Connection.RemoteIpAddress?.ToString() ?? "";
        // Whoever was signed in here is not any more.
        if (PersonAtBench.SignInOf(http.User) is { } before)
            await store.End(before, http.RequestAborted);
        await store.Begin(
            new SignInRow(id, person.Id, PlaceOf(http), address[..Math.Min(address.Length, LongestAddress)], now, now),
            Oldest,
            http.RequestAborted
        );
        http.User = new PersonAtBench(person.Id, person.Name, person.Role).ToPrincipal(id);
        await http.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, http.User);
        return id;
    }

    /// <summary>Signs out, here.</summary>
    public async Task End(HttpContext http)
    {
        if (PersonAtBench.SignInOf(http.User) is { } id)
        {
            known.TryRemove(id, out _);
            await store.End(id, http.RequestAborted);
        }

        await http.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        http.User = new ClaimsPrincipal();
    }

    /// <inheritdoc/>
    public override async Task ValidatePrincipal(CookieValidatePrincipalContext context)
    {
        if (
            PersonAtBench.SignInOf(context.Principal) is { } id
            && await PersonOf(id, HttpMethods.IsGet(context.Request.Method), context.HttpContext.RequestAborted) is { } person
        )
            context.ReplacePrincipal(person.ToPrincipal(id));
        else
            context.RejectPrincipal();
    }

    private async Task<PersonAtBench?> PersonOf(Guid id, bool mayBeKnown, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        if (mayBeKnown && known.TryGetValue(id, out var kept) && now - kept.ReadAt < Fresh && kept.SeenAt > Oldest)
            return kept.Person;
        if (await store.Find(id, Oldest, cancel) is not { } row || await people.Find(row.Person, cancel) is not { } person)
            return null;
        if (person.Standing != AccountStanding.Active)
            return null;
        if (now - row.SeenAt > SeenEvery)
            await store.Seen(id, now, cancel);
        if (known.Count > MostKept)
            known.Clear();
        var at = new PersonAtBench(person.Id, person.Name, person.Role);
        known[id] = (at, now, now);
        return at;
    }

    // The kind of browser alone, in a word that tells one from the other.
    private static string PlaceOf(HttpContext http)
    {
        var told = http.Request.Headers.UserAgent.ToString();
        bool Tells(string word) => told.Contains(word, StringComparison.OrdinalIgnoreCase);
        return Tells("mobile") ? "phone"
            : Tells("tablet") ? "tablet"
            : "bench";
    }
}
