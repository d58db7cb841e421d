using SideBench.Core.Accounts;
using SideBench.Data.People;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Accounts;

public sealed record PersonView(long Id, string Name, string Role, bool HasPin);

/// <summary>Who is signed in, and what the interface needs before it can draw anything.</summary>
public sealed record SessionView(PersonView? Person, bool NeedsFirstOwner, string Token, string Currency, int Places, DateTimeOffset Now);

/// <param name="Standing">Invited, Active, Suspended or Gone.</param>
/// <param name="CodeUntil">Until when their one-time code holds; null when there is none that holds.</param>
public sealed record AccountView(long Id, string Name, string Role, bool HasPin, string Standing, DateTimeOffset? CodeUntil);

/// <summary>A one-time code that was just made: it is told this once.</summary>
public sealed record OneTimeCodeView(long Of, string Name, string Code, DateTimeOffset Until);

/// <param name="Made">A code that was just made; null when none was, or when the answer to its making was lost on the way.</param>
public sealed record AccountsView(int Version, IReadOnlyList<AccountView> Accounts, OneTimeCodeView? Made);

/// <param name="Place">bench, tablet or phone.</param>
/// <param name="IsHere">Whether it is this one.</param>
public sealed record SignInView(
    Guid Id,
    long Of,
    string Name,
    string Place,
    string Address,
    DateTimeOffset Since,
    DateTimeOffset SeenAt,
    bool IsHere
);

/// <summary>What every write about accounts carries.</summary>
public interface IAccountWrite : IPressed
{
    /// <summary>The write's key: the same key again is the same write.</summary>
    Guid Key { get; }

    /// <summary>The version of the accounts that the person saw.</summary>
    int SeenVersion { get; }
}

public sealed record AccountRequest(Guid Key, int SeenVersion) : Pressed, IAccountWrite;

public sealed record InviteRequest(Guid Key, int SeenVersion, string? Name, string? Role) : Pressed, IAccountWrite;

public sealed record RoleRequest(Guid Key, int SeenVersion, string? Role) : Pressed, IAccountWrite;

/// <param name="Act">Suspended, LetBack or Gone.</param>
public sealed record StandRequest(Guid Key, int SeenVersion, string? Act, string? Why) : Pressed, IAccountWrite;

/// <param name="Now">The password as it is now.</param>
public sealed record OwnPasswordRequest(Guid Key, string? Now, string? Password);

/// <param name="Now">The password as it is now.</param>
/// <param name="Pin">The new PIN; empty for none.</param>
public sealed record OwnPinRequest(Guid Key, string? Now, string? Pin);

public sealed record JoinRequest(Guid Key, string? Name, string? Code, string? Password, string? Pin);

public sealed record SignInRequest(string? Name, string? Password);

public sealed record SwitchRequest(long PersonId, string? Pin);

public sealed record FirstOwnerRequest(string? Code, string? Name, string? Password);

/// <summary>Lays accounts out for their pages.</summary>
internal static class AccountsViews
{
    /// <summary>A person for whoever picks one.</summary>
    public static PersonView Person(PersonRow p) => new(p.Id.Value, p.Name, $"{p.Role}", p.PinHash is not null);

    /// <summary>An account for an owner.</summary>
    public static AccountView Account(PersonRow p, DateTimeOffset now) =>
        new(p.Id.Value, p.Name, $"{p.Role}", p.PinHash is not null, $"{p.Standing}", p.CodeUntil > now ? p.CodeUntil : null);

    /// <summary>A place where somebody is signed in.</summary>
    public static SignInView SignIn(SignInRow s, string name, Guid? here) =>
        new(s.Id, s.Person.Value, name, s.Place, s.Address, s.BeganAt, s.SeenAt, s.Id == here);

    /// <summary>Whether somebody may be picked: to switch to, to give work to.</summary>
    public static bool IsHere(PersonRow p) => p.Standing == AccountStanding.Active;
}
