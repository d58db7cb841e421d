using Npgsql;
using SideBench.Data.Jobs;

namespace SideBench.Web.Features.Events;

/// <summary>Listens to the database for writes of any server on it.</summary>
public sealed class DatabaseEar(JobNews news, EventHub hub, TimeProvider clock, ILogger<DatabaseEar> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await news.Listen(hub.Begin, (job, version) => hub.Tell($"{{\"job\":{job},\"version\":{version}}}"), stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e) when (e is NpgsqlException or System.Net.Sockets.SocketException or TimeoutException)
            {
                hub.Lose();
                log.LogWarning("lost the database while listening for writes, trying again: {Reason}", e.Message);
                await Task.Delay(Pause, clock, stoppingToken);
            }
        }
    }
}
