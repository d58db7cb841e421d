using System.Security.Claims;
using Microsoft.AspNetCore.Authentication.Cookies;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Web.Problems;

namespace SideBench.Web.Hosting;

/// <summary>Who is signed in.</summary>
public sealed record PersonAtBench(PersonId Id, string Name, Role Role)
{
    /// <summary>The person as claims for the cookie.</summary>
    /// <param name="signIn">Where they are signed in.</param>
    public ClaimsPrincipal ToPrincipal(Guid signIn) =>
        new(
            new ClaimsIdentity(
                [
                    new Claim(ClaimTypes.NameIdentifier, Id.Value.ToString()),
                    new Claim(ClaimTypes.Name, Name),
                    new Claim(ClaimTypes.Role, Role.ToString()),
                    new Claim(ClaimTypes.Sid, signIn.ToString()),
                ],
                CookieAuthenticationDefaults.AuthenticationScheme
            )
        );

    /// <summary>The person of a request, or null.</summary>
    public static PersonAtBench? Of(ClaimsPrincipal user) =>
        user.Identity?.IsAuthenticated == true
            ? new PersonAtBench(
                new PersonId(long.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!)),
                user.FindFirstValue(ClaimTypes.Name)!,
                Enum.Parse<Role>(user.FindFirstValue(ClaimTypes.Role)!)
            )
            : null;

    /// <summary>The sign-in of a request, or null.</summary>
    public static Guid? SignInOf(ClaimsPrincipal? user) => Guid.TryParse(user?.FindFirstValue(ClaimTypes.Sid), out var id) ? id : null;
}

/// <summary>What one must be allowed to do to be answered; part of the API's description.</summary>
public sealed record ActNeeded(Act Act);

/// <summary>Guards endpoints by what a role may do.</summary>
public static class ActGuard
{
    /// <summary>Lets only roles through that may do the act.</summary>
    public static TBuilder For<TBuilder>(this TBuilder builder, Act act)
        where TBuilder : IEndpointConventionBuilder
    {
        builder.WithMetadata(new ActNeeded(act));
        builder.AddEndpointFilter(
            async (context, next) =>
            {
                var person = PersonAtBench.Of(context.HttpContext.User);
                if (person is null)
                    return ProblemResults.Of(ProblemCode.SignInNeeded);
                return Permissions.May(person.Role, act)
                    ? await next(context)
                    : ProblemResults.Of(ProblemCode.NotAllowed, "", person.Role.ToString());
            }
        );
        return builder;
    }
}
