using SideBench.Core.Accounts;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Accounts;

/// <summary>
/// Upkeep of accounts. Every act is a line about the shop, written in one unit with what it does to the account and to where its person is
/// signed in. Acts wait for each other there: two owners cannot both leave.
/// </summary>
public sealed class AccountDesk(
    WriteDesk desk,
    EntryStore entries,
    PeopleStore people,
    SignInStore signIns,
    SignIn secrets,
    SignedIn signedIn,
    BenchBooks books
)
{
    /// <summary>All accounts, as an owner sees them.</summary>
    /// <param name="code">A code that was just made, with whose it is; null for none.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<AccountsView> Show((PersonId Of, string Code)? code, CancellationToken cancel)
    {
        var all = await people.All(cancel);
        return new AccountsView(
            Version(books.ShopLines),
            [.. all.Select(p => AccountsViews.Account(p, books.Now))],
            code is { } made
                ? new OneTimeCodeView(made.Of.Value, all.First(p => p.Id == made.Of).Name, made.Code, books.Now + Secrets.CodeHolds)
                : null
        );
    }

    /// <summary>Asks somebody to join.</summary>
    public async Task<Outcome<AccountsView>> Invite(HttpContext http, InviteRequest r)
    {
        var (code, id) = (Secrets.NewCode(), default(PersonId));
        var written = await Write(
            http,
            r,
            async (unit, all) =>
            {
                var line = AccountKeeping.Invite(all, await PeopleStore.NewId(unit, http.RequestAborted), r.Name, r.Role);
                if (!line.IsGood)
                    return line;
                id = new PersonId(line.Value.Of);
                var account = new Account(id, line.Value.Name, line.Value.Role!.Value, AccountStanding.Invited);
                await PeopleStore.Invite(unit, account, SignIn.Hash(Secrets.CodeOf(code)), books.Now + Secrets.CodeHolds, books.Now);
                return line;
            },
            // Whether the name is free is looked at when it is written.
            isHarmless: true
        );
        return await Shown(written, id == default ? null : (id, code), http);
    }

    /// <summary>Makes a new code for a person; the one before holds no more.</summary>
    public async Task<Outcome<AccountsView>> NewCode(HttpContext http, PersonId of, AccountRequest r)
    {
        string? code = null;
        var written = await Write(
            http,
            r,
            async (unit, all) =>
            {
                var line = AccountKeeping.NewCode(all, of);
                if (!line.IsGood)
                    return line;
                code = Secrets.NewCode();
                await PeopleStore.GiveCode(unit, of, SignIn.Hash(Secrets.CodeOf(code)), books.Now + Secrets.CodeHolds);
                return line;
            }
        );
        return await Shown(written, code is null ? null : (of, code), http);
    }

    /// <summary>Gives another role. It holds from the next request on.</summary>
    public async Task<Outcome<AccountsView>> GiveRole(HttpContext http, PersonId of, RoleRequest r) =>
        await Shown(
            await Write(
                http,
                r,
                async (unit, all) =>
                {
                    var line = AccountKeeping.GiveRole(all, of, r.Role);
                    if (line.IsGood)
                        await PeopleStore.GiveRole(unit, of, line.Value.Role!.Value);
                    return line;
                }
            ),
            null,
            http
        );

    /// <summary>Suspends, lets back, or lets go: all places where they are signed in end with it.</summary>
    public async Task<Outcome<AccountsView>> Stand(HttpContext http, PersonId of, StandRequest r) =>
        await Shown(
            await Write(
                http,
                r,
                async (unit, all) =>
                {
                    var line = AccountKeeping.Stand(all, of, r.Act, r.Why);
                    if (!line.IsGood)
                        return line;
                    var standing = line.Value.Act switch
                    {
                        AccountAct.Gone => AccountStanding.Gone,
                        AccountAct.Suspended => AccountStanding.Suspended,
                        _ => AccountStanding.Active,
                    };
                    await PeopleStore.Stand(unit, of, standing);
                    await SignInStore.EndOthers(unit, of, Guid.Empty);
                    return line;
                }
            ),
            null,
            http
        );

    /// <summary>Ends a place where somebody is signed in: one's own, or by an owner anybody's.</summary>
    public async Task<Outcome<IReadOnlyList<SignInView>>> EndSignIn(HttpContext http, Guid id, AccountRequest r)
    {
        var me = PersonAtBench.Of(http.User)!;
        var written = await Write(
            http,
            r,
            async (unit, all) =>
            {
                var row = await signIns.Find(id, signedIn.Oldest, http.RequestAborted);
                if (row is null || (row.Person != me.Id && !Permissions.May(me.Role, Act.KeepAccounts)))
                    return new Problem(AccountsProblem.NoSignIn, "");
                await SignInStore.End(unit, id);
                return AccountKeeping.Of(all.First(a => a.Id == row.Person), AccountAct.SignedOut, $"{row.Place}, {row.Address}");
            },
            isHarmless: true
        );
        return written.IsGood ? (await SignIns(http)).ToList() : written.Problems.ToList();
    }

    /// <summary>Where people are signed in: one's own places, or for an owner all.</summary>
    public async Task<IReadOnlyList<SignInView>> SignIns(HttpContext http)
    {
        var me = PersonAtBench.Of(http.User)!;
        var all = await people.All(http.RequestAborted);
        return
        [
            .. (await signIns.All(signedIn.Oldest, http.RequestAborted))
                .Where(s => s.Person == me.Id || Permissions.May(me.Role, Act.KeepAccounts))
                .Select(s => AccountsViews.SignIn(s, all.First(p => p.Id == s.Person).Name, PersonAtBench.SignInOf(http.User))),
        ];
    }

    /// <summary>Changes one's own password; everywhere else one is signed out.</summary>
    public async Task<Outcome<IReadOnlyList<SignInView>>> Password(HttpContext http, OwnPasswordRequest r)
    {
        var problems = new List<Problem>();
        Secrets.Password(problems, r.Password, PersonAtBench.Of(http.User)!.Name);
        return problems.Count > 0
            ? problems
            : await Own(
                http,
                r.Key,
                r.Now,
                AccountAct.PasswordChanged,
                (unit, of) => PeopleStore.KeepPassword(unit, of, SignIn.Hash(r.Password!))
            );
    }

    /// <summary>Changes one's own PIN, or takes it away.</summary>
    public async Task<Outcome<IReadOnlyList<SignInView>>> Pin(HttpContext http, OwnPinRequest r)
    {
        var problems = new List<Problem>();
        Secrets.Pin(problems, r.Pin);
        var hash = string.IsNullOrEmpty(r.Pin) ? null : SignIn.Hash(r.Pin);
        return problems.Count > 0
            ? problems
            : await Own(http, r.Key, r.Now, AccountAct.PinChanged, (unit, of) => PeopleStore.KeepPin(unit, of, hash));
    }

    /// <summary>Joins with a one-time code: from then on the chosen secrets hold.</summary>
    public async Task<Outcome<PersonRow>> Join(HttpContext http, JoinRequest r, string from)
    {
        var problems = new List<Problem>();
        Secrets.Password(problems, r.Password, r.Name);
        Secrets.Pin(problems, r.Pin);
        if (problems.Count > 0)
            return problems;
        var cancel = http.RequestAborted;
        var fits = await secrets.ByCode(r.Name?.Trim() ?? "", Secrets.CodeOf(r.Code), from, cancel);
        if (!fits.IsGood)
            return fits;
        var (person, pin) = (fits.Value, string.IsNullOrEmpty(r.Pin) ? null : SignIn.Hash(r.Pin));
        var at = new PersonAtBench(person.Id, person.Name, person.Role);
        var written = await desk.OnShop(
            // What is kept of it holds no secret, not even as a fingerprint.
            new Asked(Asked.WriteOf(http, at, r.Key, new JoinRequest(r.Key, r.Name, null, null, null), books.Now), 0, IsHarmless: true),
            async (unit, _) =>
            {
                if (!await PeopleStore.Join(unit, person.Id, person.CodeHash!, SignIn.Hash(r.Password!), pin))
                    return new Problem(AccountsProblem.WrongCode, "/code");
                await SignInStore.EndOthers(unit, person.Id, Guid.Empty);
                return new List<EntryBody> { AccountKeeping.Of(person.Account, AccountAct.Joined) };
            },
            cancel
        );
        signedIn.Forget();
        return written.IsGood ? (await people.Find(person.Id, cancel))! : written.Problems.ToList();
    }

    // People know their own secret before they change it.
    private async Task<Outcome<IReadOnlyList<SignInView>>> Own(
        HttpContext http,
        Guid key,
        string? now,
        AccountAct act,
        Func<Unit, PersonId, Task> change
    )
    {
        var me = PersonAtBench.Of(http.User)!;
        // Sent again because its answer was lost: the password of now is the new one already.
        var isDone = await entries.FindWrite(key, http.RequestAborted) is not null;
        var knows = isDone
            ? null
            : await secrets.ByPassword(me.Name, now ?? "", http.Connection.RemoteIpAddress?.ToString() ?? "here", http.RequestAborted);
        if (knows is { IsGood: false })
            return knows.Problems[0].Code == ProblemCode.LockedOut
                ? knows.Problems.ToList()
                : new Problem(AccountsProblem.WrongNow, "/now");
        var written = await Write(
            http,
            new AccountRequest(key, 0),
            async (unit, all) =>
            {
                await change(unit, me.Id);
                await SignInStore.EndOthers(unit, me.Id, PersonAtBench.SignInOf(http.User)!.Value);
                return AccountKeeping.Of(all.First(a => a.Id == me.Id), act);
            },
            isHarmless: true
        );
        return written.IsGood ? (await SignIns(http)).ToList() : written.Problems.ToList();
    }

    private async Task<Outcome<IReadOnlyList<Entry>>> Write<T>(
        HttpContext http,
        T request,
        Func<Unit, IReadOnlyList<Account>, Task<Outcome<AccountKept>>> rule,
        bool isHarmless = false
    )
        where T : IAccountWrite
    {
        var written = await desk.OnShop(
            // Accounts have a version of their own: hours that somebody sets meanwhile stand in nobody's way.
            new Asked(Asked.WriteOf(http, request.Key, request, books.Now), 0, IsHarmless: true),
            async (unit, known) =>
            {
                if (!isHarmless && Version(known) != request.SeenVersion)
                    return new Problem(ProblemCode.ShopChanged, "/seenVersion");
                var line = await rule(unit, [.. (await people.All(http.RequestAborted)).Select(p => p.Account)]);
                return line.IsGood ? new List<EntryBody> { line.Value } : line.Problems.ToList();
            },
            http.RequestAborted
        );
        signedIn.Forget();
        return written;
    }

    private static int Version(IEnumerable<Entry> shop) => shop.Count(e => e.Body is AccountKept);

    private async Task<Outcome<AccountsView>> Shown(Outcome<IReadOnlyList<Entry>> written, (PersonId, string)? code, HttpContext http) =>
        written.IsGood ? await Show(code, http.RequestAborted) : written.Problems.ToList();
}
