using SideBench.Core.Identity;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Upkeep;

/// <summary>How the record is looked after.</summary>
public static class UpkeepEndpoints
{
    /// <summary>Maps it.</summary>
    public static void MapUpkeep(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet("/backups", (BackupWatch watch) => Results.Ok(watch.Look()))
            .WithTags("Upkeep")
            .Produces<BackupsView>()
            .Described("getBackups", "How the backups stand: the last one that was proved, and the last that was tried.")
            .For(Act.KeepAccounts);
}
