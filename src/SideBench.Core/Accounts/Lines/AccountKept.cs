using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Accounts;

/// <summary>What was done to an account.</summary>
public enum AccountAct
{
    /// <summary>Somebody was asked to join, with a one-time code.</summary>
    Invited,

    /// <summary>A new one-time code was made.</summary>
    CodeMade,

    /// <summary>They used their code and chose their own secrets.</summary>
    Joined,

    /// <summary>They were given another role.</summary>
    RoleGiven,

    /// <summary>They chose another password.</summary>
    PasswordChanged,

    /// <summary>They chose another PIN, or none.</summary>
    PinChanged,

    /// <summary>They may not sign in until they are let back.</summary>
    Suspended,

    /// <summary>They may sign in again.</summary>
    LetBack,

    /// <summary>They left for good.</summary>
    Gone,

    /// <summary>A place where they were signed in was signed out.</summary>
    SignedOut,
}

/// <summary>Something was done to the account of a person. No secret is in it.</summary>
/// <param name="Of">The person.</param>
/// <param name="Name">Their name.</param>
/// <param name="Act">What was done.</param>
/// <param name="Role">Their role from then on; null when it is no part of it.</param>
/// <param name="Why">Why, or where; empty when not told.</param>
public sealed record AccountKept(long Of, string Name, AccountAct Act, Role? Role, string Why) : EntryBody
{
    public static readonly EntryKind Form = new(
        "account-kept",
        from => new AccountKept(
            from.Whole("of"),
            from.Text("name"),
            StoredWord.Read<AccountAct>(from.Text("act")),
            from.Text("role") is { Length: > 0 } role ? StoredWord.Read<Role>(role) : null,
            from.Text("why")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.People)];

    public override bool ChangesTheCase => false;

    public override string Says => $"{Name}: {Done}" + (Why.Length > 0 ? $", {Why}" : "");

    /// <inheritdoc/>
    public override bool Stands => true;

    private string Done =>
        Act switch
        {
            AccountAct.Invited => $"invited as {RoleWord}",
            AccountAct.CodeMade => "a new one-time code",
            AccountAct.Joined => "joined with the code",
            AccountAct.RoleGiven => $"is {RoleWord} now",
            AccountAct.PasswordChanged => "new password",
            AccountAct.PinChanged => "new PIN, or none",
            AccountAct.Suspended => "suspended",
            AccountAct.LetBack => "may sign in again",
            AccountAct.Gone => "has left",
            AccountAct.SignedOut => "signed out by hand",
            _ => throw new InvalidOperationException($"no words for {Act}"),
        };

    private string RoleWord => $"{Role}".ToLowerInvariant();

    public override void Store(FieldWriter to)
    {
        to.Whole("of", Of);
        to.Text("name", Name);
        to.Text("act", StoredWord.Of(Act));
        to.Text("role", Role is { } role ? StoredWord.Of(role) : "");
        to.Text("why", Why);
    }
}
