using SideBench.Core.Identity;
using SideBench.Data.People;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Accounts;

/// <summary>The people of the shop, their accounts, and where they are signed in.</summary>
public static class PeopleEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapPeople(this IEndpointRouteBuilder routes)
    {
        var people = routes.MapGroup("/people").WithTags("Accounts");
        people.MapGet("/", All).Produces<List<PersonView>>().Described("listPeople", "The people who may sign in.").For(Act.Read);
        people
            .MapGet("/accounts", async (AccountDesk desk, CancellationToken cancel) => Results.Ok(await desk.Show(null, cancel)))
            .Produces<AccountsView>()
            .Described("listAccounts", "All accounts, with how they stand.")
            .For(Act.KeepAccounts);
        people
            .MapPost("/invitations", async (InviteRequest r, AccountDesk desk, HttpContext http) => (await desk.Invite(http, r)).ToResult())
            .Produces<AccountsView>()
            .Described("invitePerson", "Asks somebody to join; the answer tells the one-time code, once.")
            .For(Act.KeepAccounts);
        people
            .MapPost(
                "/{id:long}/code",
                async (long id, AccountRequest r, AccountDesk desk, HttpContext http) =>
                    (await desk.NewCode(http, new PersonId(id), r)).ToResult()
            )
            .Produces<AccountsView>()
            .Described("newCode", "Makes a new one-time code for who lost theirs or forgot a secret.")
            .For(Act.KeepAccounts);
        people
            .MapPost(
                "/{id:long}/role",
                async (long id, RoleRequest r, AccountDesk desk, HttpContext http) =>
                    (await desk.GiveRole(http, new PersonId(id), r)).ToResult()
            )
            .Produces<AccountsView>()
            .Described("giveRole", "Gives a person another role.")
            .For(Act.KeepAccounts);
        people
            .MapPost(
                "/{id:long}/standing",
                async (long id, StandRequest r, AccountDesk desk, HttpContext http) =>
                    (await desk.Stand(http, new PersonId(id), r)).ToResult()
            )
            .Produces<AccountsView>()
            .Described("setStanding", "Suspends a person, lets them back, or lets them go.")
            .For(Act.KeepAccounts);

        var own = routes.MapGroup("/sign-ins").WithTags("Accounts");
        own.MapGet("/", async (AccountDesk desk, HttpContext http) => Results.Ok(await desk.SignIns(http)))
            .Produces<List<SignInView>>()
            .Described("listSignIns", "Where one is signed in; for an owner, where everybody is.")
            .For(Act.Read);
        own.MapPost(
                "/{signIn:guid}/end",
                async (Guid signIn, AccountRequest r, AccountDesk desk, HttpContext http) =>
                    (await desk.EndSignIn(http, signIn, r)).ToResult()
            )
            .Produces<List<SignInView>>()
            .Described("endSignIn", "Signs a place out.")
            .For(Act.Read);
        own.MapPost(
                "/password",
                async (OwnPasswordRequest r, AccountDesk desk, HttpContext http) => (await desk.Password(http, r)).ToResult()
            )
            .Produces<List<SignInView>>()
            .Described("changePassword", "Changes one’s own password; everywhere else one is signed out.")
            .RequireRateLimiting(AccountsEndpoints.Limit)
            .For(Act.Read);
        own.MapPost("/pin", async (OwnPinRequest r, AccountDesk desk, HttpContext http) => (await desk.Pin(http, r)).ToResult())
            .Produces<List<SignInView>>()
            .Described("changePin", "Changes one’s own PIN, or takes it away.")
            .RequireRateLimiting(AccountsEndpoints.Limit)
            .For(Act.Read);
    }

    private static async Task<IResult> All(PeopleStore store, CancellationToken cancel) =>
        Results.Ok((await store.All(cancel)).Where(AccountsViews.IsHere).Select(AccountsViews.Person).ToList());
}
