using Microsoft.AspNetCore.Antiforgery;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.People;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Accounts;

/// <summary>Signing in and out, joining, and switching people at one bench.</summary>
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
        session
            .MapPost("/join", Join)
            .Produces<SessionView>()
            .Described("join", "Joins with a one-time code, and signs in.")
            .RequireRateLimiting(Limit);
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
        SignedIn signedIn,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        var person = await signIn.ByPassword(request.Name?.Trim() ?? "", request.Password ?? "", From(http), cancel);
        return person.IsGood ? await Enter(http, person.Value, signedIn, books, guard) : ProblemResults.Of(person.Problems);
    }

    private static async Task<IResult> Switch(
        SwitchRequest request,
        HttpContext http,
        SignIn signIn,
        SignedIn signedIn,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        var person = await signIn.ByPin(new PersonId(request.PersonId), request.Pin ?? "", From(http), cancel);
        return person.IsGood ? await Enter(http, person.Value, signedIn, books, guard) : ProblemResults.Of(person.Problems);
    }

    private static string From(HttpContext http) => http.Connection.RemoteIpAddress?.ToString() ?? "here";

    private static async Task<IResult> FirstOwner(
        FirstOwnerRequest request,
        HttpContext http,
        PeopleStore people,
        FirstOwnerCode code,
        SignedIn signedIn,
        BenchBooks books,
        IAntiforgery guard,
        CancellationToken cancel
    )
    {
        if (!code.Fits(request.Code ?? ""))
            return ProblemResults.Of(ProblemCode.WrongSetupCode, "/code");
        var problems = new List<Problem>();
        Guard.Text(problems, request.Name, "/name", Guard.LongestName, needed: true);
        Secrets.Password(problems, request.Password, request.Name);
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var id = await people.AddFirstOwner(request.Name!.Trim(), SignIn.Hash(request.Password!), books.Now, cancel);
        if (id is null)
            return ProblemResults.Of(ProblemCode.WrongSetupCode, "/code");
        return await Enter(http, (await people.Find(id.Value, cancel))!, signedIn, books, guard);
    }

    private static async Task<IResult> Join(
        JoinRequest request,
        HttpContext http,
        AccountDesk desk,
        SignedIn signedIn,
        BenchBooks books,
        IAntiforgery guard
    )
    {
        var person = await desk.Join(http, request, From(http));
        return person.IsGood ? await Enter(http, person.Value, signedIn, books, guard) : ProblemResults.Of(person.Problems);
    }

    private static async Task<IResult> Out(HttpContext http, SignedIn signedIn, BenchBooks books, IAntiforgery guard)
    {
        await signedIn.End(http);
        return Results.Ok(Session(http, null, false, books, guard));
    }

    private static async Task<IResult> Enter(HttpContext http, PersonRow person, SignedIn signedIn, BenchBooks books, IAntiforgery guard)
    {
        await signedIn.Begin(http, person);
        return Results.Ok(Session(http, person, false, books, guard));
    }

    private static SessionView Session(HttpContext http, PersonRow? person, bool needsOwner, BenchBooks books, IAntiforgery guard)
    {
        var house = books.Shop.Book.House;
        var token = guard.GetAndStoreTokens(http).RequestToken!;
        return new SessionView(
            person is null ? null : AccountsViews.Person(person),
            needsOwner,
            token,
            house.Currency,
            house.Places,
            books.Now
        );
    }
}
