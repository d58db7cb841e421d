using SideBench.Core.Outcomes;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Features.Board;
using SideBench.Web.Features.BookPages;
using SideBench.Web.Features.Events;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Machines;
using SideBench.Web.Features.Practice;
using SideBench.Web.Features.Search;
using SideBench.Web.Features.TakeIn;
using SideBench.Web.Features.Upkeep;
using SideBench.Web.Plugs;
using SideBench.Web.Problems;

namespace SideBench.Web.Hosting;

/// <summary>Every address of the server.</summary>
public static class Routes
{
    /// <summary>Maps them: the API by feature, and the single page for all else.</summary>
    public static void MapSideBench(this WebApplication app)
    {
        var api = app.MapGroup("/api");
        api.MapAccounts();
        api.MapPeople();
        api.MapUpkeep();
        api.MapBoard();
        api.MapTakeIn();
        api.MapJobs();
        api.MapMachines();
        api.MapSearch();
        api.MapBook();
        api.MapPractice();
        foreach (var craft in app.Services.GetServices<WebCraft>())
            craft.Map(api);
        api.MapEvents();
        api.MapFallback(
            "/{**rest}",
            () =>
                Results.Json(
                    ProblemResults.Body([new Problem(ProblemCode.NotUnderstood, "", "There is nothing at this address.")]),
                    statusCode: 404,
                    contentType: "application/problem+json"
                )
        );
        app.MapFallbackToFile("index.html");
    }
}
