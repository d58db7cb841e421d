using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.People;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Accounts;

/// <summary>Signing in, switching people at one bench, and the people of the shop.</summary>
public static class AccountsEndpoints
{
    /// <summary>Name of the rate limit on secrets.</summary>
    public const string Limit = "secrets";

    /// <summary>Maps them.</summary>
    public static void MapAccounts(this IEndpointRouteBuilder routes)
    {
        var session = routes.MapGroup("/session").WithTags("Accounts");
        session.MapGet("/", Show).Produces<SessionView>().Described("getSession", "Who is signed in, and what a page needs to begin.");
        session.MapPost("/", In).Produces<SessionView>().Described("signIn", "Signs in by name and password.").RequireRateLimiting(Limit);
        session
            .MapPost("/switch", Switch)
            .Produces<SessionView>()
            .Described("switchPerson", "Switches to another person at the bench by PIN.")
            .RequireRateLimiting(Limit)
            .For(Act.Read);
        session
            .MapPost("/first-owner", FirstOwner)
            .Produces<SessionView>()
            .Described("addFirstOwner", "Makes the owner's account of an empty shop, by the code the server printed.")
            .RequireRateLimiting(Limit);
        session.MapDelete("/", Out).Produces<SessionView>().Described("signOut", "Signs out.");

        var people = routes.MapGroup("/people").WithTags("Accounts");
        people
            .MapGet("/", async (PeopleStore store, CancellationToken cancel) => Results.Ok((await store.All(cancel)).Select(View).ToList()))
            .Produces<List<PersonView>>()
            .Described("listPeople", "The people of the shop.")
            .For(Act.Read);
        people.MapPost("/", Add).Produces<PersonView>().Described("addPerson", "Adds a person.").For(Act.KeepAccounts);
    }

    private static async Task<IResult> Show(
        HttpContext http,
        PeopleStore people,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        var person = PersonAtBench.Of(http.User) is { } at ? await people.Find(at.Id, cancel) : null;
        return Results.Ok(Session(http, person, person is null && !await people.Any(cancel), books, guard));
    }

    private static async Task<IResult> In(
        SignInRequest request,
        HttpContext http,
        SignIn signIn,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        var person = await signIn.ByPassword(request.Name?.Trim() ?? "", request.Password ?? "", From(http), cancel);
        return person.IsGood ? await Enter(http, person.Value, books, guard) : ProblemResults.Of(person.Problems);
    }

    private static async Task<IResult> Switch(
        SwitchRequest request,
        HttpContext http,
        SignIn signIn,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        var person = await signIn.ByPin(new PersonId(request.PersonId), request.Pin ?? "", From(http), cancel);
        return person.IsGood ? await Enter(http, person.Value, books, guard) : ProblemResults.Of(person.Problems);
    }

    private static string From(HttpContext http) => http.Connection.RemoteIpAddress?.ToString() ?? "here";

    private static async Task<IResult> FirstOwner(
        FirstOwnerRequest request,
        HttpContext http,
        PeopleStore people,
        FirstOwnerCode code,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        if (!code.Fits(request.Code ?? ""))
            return ProblemResults.Of(ProblemCode.WrongSetupCode, "/code");
        var problems = Problems(request.Name, request.Password, null);
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var id = await people.AddFirstOwner(request.Name!.Trim(), SignIn.Hash(request.Password!), books.Now, cancel);
        if (id is null)
            return ProblemResults.Of(ProblemCode.WrongSetupCode, "/code");
        return await Enter(http, (await people.Find(id.Value, cancel))!, books, guard);
    }

    private static async Task<IResult> Out(HttpContext http, BenchBooks books, IAntiforgery guard)
    {
        await http.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        http.User = new System.Security.Claims.ClaimsPrincipal();
        return Results.Ok(Session(http, null, false, books, guard));
    }

    private static async Task<IResult> Add(AddPersonRequest request, PeopleStore people, BenchBooks books, CancellationToken cancel)
    {
        var problems = Problems(request.Name, request.Password, request.Pin);
        // By its name alone: neither a number nor several at once.
        Guard.Word(problems, request.Role, "/role", Enum.GetNames<Role>());
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var pin = string.IsNullOrEmpty(request.Pin) ? null : SignIn.Hash(request.Pin);
        var id = await people.Add(
            request.Name!.Trim(),
            Enum.Parse<Role>(request.Role!),
            SignIn.Hash(request.Password!),
            pin,
            books.Now,
            cancel
        );
        return Results.Ok(View((await people.Find(id, cancel))!));
    }

    private static async Task<IResult> Enter(HttpContext http, PersonRow person, BenchBooks books, IAntiforgery guard)
    {
        http.User = new PersonAtBench(person.Id, person.Name, person.Role).ToPrincipal();
        await http.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, http.User);
        return Results.Ok(Session(http, person, false, books, guard));
    }

    private static SessionView Session(HttpContext http, PersonRow? person, bool needsOwner, BenchBooks books, IAntiforgery guard)
    {
        var house = books.Shop.Book.House;
        var token = guard.GetAndStoreTokens(http).RequestToken!;
        return new SessionView(person is null ? null : View(person), needsOwner, token, house.Currency, house.Places, books.Now);
    }

    private static List<Problem> Problems(string? name, string? password, string? pin)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, name, "/name", Guard.LongestName, needed: true);
        if ((password?.Length ?? 0) < SignIn.ShortestPassword)
            problems.Add(new Problem(ProblemCode.PasswordTooShort, "/password", password?.Length ?? 0, SignIn.ShortestPassword));
        if (!string.IsNullOrEmpty(pin) && pin.Length < SignIn.ShortestPin)
            problems.Add(new Problem(ProblemCode.PasswordTooShort, "/pin", pin.Length, SignIn.ShortestPin));
        return problems;
    }

    private static PersonView View(PersonRow person) =>
        new(person.Id.Value, person.Name, person.Role.ToString(), person.PinHash is not null);
}
