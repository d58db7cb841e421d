using Microsoft.Extensions.Diagnostics.HealthChecks;
using Npgsql;
using SideBench.Data.People;

namespace SideBench.Web.Hosting;

/// <summary>Healthy when the records can be read.</summary>
public sealed class DatabaseHealth(PeopleStore people) : IHealthCheck
{
    /// <inheritdoc/>
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        try
        {
            await people.Any(cancellationToken);
            return HealthCheckResult.Healthy();
        }
        catch (Exception e) when (e is NpgsqlException or TimeoutException)
        {
            return HealthCheckResult.Unhealthy("the records cannot be reached");
        }
    }
}
