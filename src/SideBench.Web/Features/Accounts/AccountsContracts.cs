namespace SideBench.Web.Features.Accounts;

public sealed record PersonView(long Id, string Name, string Role, bool HasPin);

/// <summary>Who is signed in, and what the interface needs before it can draw anything.</summary>
public sealed record SessionView(PersonView? Person, bool NeedsFirstOwner, string Token, string Currency, int Places, DateTimeOffset Now);

public sealed record SignInRequest(string? Name, string? Password);

public sealed record SwitchRequest(long PersonId, string? Pin);

public sealed record FirstOwnerRequest(string? Code, string? Name, string? Password);

public sealed record AddPersonRequest(string? Name, string? Role, string? Password, string? Pin);
