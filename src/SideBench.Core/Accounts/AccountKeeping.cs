using SideBench.Core.Identity;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Accounts;

/// <summary>How an account stands.</summary>
public enum AccountStanding
{
    /// <summary>Asked to join: has a code, no password yet.</summary>
    Invited,

    /// <summary>May sign in.</summary>
    Active,

    /// <summary>May not sign in until let back.</summary>
    Suspended,

    /// <summary>Left for good; the name stays on what they wrote.</summary>
    Gone,
}

/// <summary>An account as the rules see it.</summary>
/// <param name="Id">The person.</param>
/// <param name="Name">Their name.</param>
/// <param name="Role">Their role.</param>
/// <param name="Standing">How it stands.</param>
public sealed record Account(PersonId Id, string Name, Role Role, AccountStanding Standing);

/// <summary>
/// What may be done to the accounts of a shop, as lines of its record. Whoever acts is an owner, but for what people do to their own. A
/// shop always keeps an owner who can sign in.
/// </summary>
public static class AccountKeeping
{
    /// <summary>Somebody is asked to join.</summary>
    /// <param name="all">The accounts there are.</param>
    /// <param name="id">The number the new one will have.</param>
    /// <param name="name">Their name.</param>
    /// <param name="role">A role by its name.</param>
    public static Outcome<AccountKept> Invite(IReadOnlyList<Account> all, PersonId id, string? name, string? role)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, name, "/name", Guard.LongestName, needed: true);
        // By its name alone: neither a number nor several at once.
        Guard.Word(problems, role, "/role", Enum.GetNames<Role>());
        if (problems.Count > 0)
            return problems;
        var asked = name!.Trim();
        return all.Any(a => a.Standing != AccountStanding.Gone && string.Equals(a.Name, asked, StringComparison.OrdinalIgnoreCase))
            ? new Problem(ProblemCode.NameTaken, "/name", asked)
            : new AccountKept(id.Value, asked, AccountAct.Invited, Enum.Parse<Role>(role!), "");
    }

    /// <summary>A new code, for who lost theirs or forgot a secret: with it they choose their secrets anew.</summary>
    /// <param name="all">The accounts there are.</param>
    /// <param name="of">Whose.</param>
    public static Outcome<AccountKept> NewCode(IReadOnlyList<Account> all, PersonId of) =>
        Here(all, of) is not { } account ? Unknown(of)
        : account.Standing == AccountStanding.Suspended ? new Problem(AccountsProblem.IsSuspended, "", account.Name)
        : Of(account, AccountAct.CodeMade);

    /// <summary>Another role.</summary>
    /// <param name="all">The accounts there are.</param>
    /// <param name="of">Whose.</param>
    /// <param name="role">A role by its name.</param>
    public static Outcome<AccountKept> GiveRole(IReadOnlyList<Account> all, PersonId of, string? role)
    {
        var problems = new List<Problem>();
        Guard.Word(problems, role, "/role", Enum.GetNames<Role>());
        if (problems.Count > 0)
            return problems;
        if (Here(all, of) is not { } account)
            return Unknown(of);
        var next = Enum.Parse<Role>(role!);
        if (next == account.Role)
            return new Problem(AccountsProblem.SameAlready, "/role", account.Name, $"{next}".ToLowerInvariant());
        return next != Role.Owner && IsLastOwner(all, account)
            ? new Problem(AccountsProblem.LastOwner, "/role", account.Name)
            : Of(account, AccountAct.RoleGiven) with
            {
                Role = next,
            };
    }

    /// <summary>Suspended, let back, or gone.</summary>
    /// <param name="all">The accounts there are.</param>
    /// <param name="of">Whose.</param>
    /// <param name="act">Which of the three, by its name.</param>
    /// <param name="why">Why.</param>
    public static Outcome<AccountKept> Stand(IReadOnlyList<Account> all, PersonId of, string? act, string? why)
    {
        var problems = new List<Problem>();
        Guard.Word(problems, act, "/act", [nameof(AccountAct.Suspended), nameof(AccountAct.LetBack), nameof(AccountAct.Gone)]);
        Guard.Text(problems, why, "/why", Guard.LongestName, needed: false);
        if (problems.Count > 0)
            return problems;
        if (Here(all, of) is not { } account)
            return Unknown(of);
        var said = Enum.Parse<AccountAct>(act!);
        var isSo = said switch
        {
            AccountAct.Suspended => account.Standing != AccountStanding.Active,
            AccountAct.LetBack => account.Standing != AccountStanding.Suspended,
            _ => false,
        };
        if (isSo)
            return new Problem(AccountsProblem.SameAlready, "/act", account.Name, $"{account.Standing}".ToLowerInvariant());
        return said != AccountAct.LetBack && IsLastOwner(all, account)
            ? new Problem(AccountsProblem.LastOwner, "/act", account.Name)
            : Of(account, said) with
            {
                Why = why?.Trim() ?? "",
            };
    }

    /// <summary>Something that people do to their own account, or that ends where they are signed in.</summary>
    /// <param name="account">The account.</param>
    /// <param name="act">What.</param>
    /// <param name="why">Where, or why; empty when not told.</param>
    public static AccountKept Of(Account account, AccountAct act, string why = "") =>
        new(account.Id.Value, account.Name, act, act == AccountAct.Joined ? account.Role : null, why);

    private static bool IsLastOwner(IReadOnlyList<Account> all, Account account) =>
        account is { Role: Role.Owner, Standing: AccountStanding.Active }
        && !all.Any(a => a.Id != account.Id && a is { Role: Role.Owner, Standing: AccountStanding.Active });

    private static Account? Here(IReadOnlyList<Account> all, PersonId of) =>
        all.FirstOrDefault(a => a.Id == of && a.Standing != AccountStanding.Gone);

    private static Problem Unknown(PersonId of) => new(AccountsProblem.NoAccount, "", of.Value);
}
