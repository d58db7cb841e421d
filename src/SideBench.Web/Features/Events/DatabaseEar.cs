using Npgsql;
using SideBench.Data.Jobs;

namespace SideBench.Web.Features.Events;

/// <summary>Listens to the database for writes of any server on it.</summary>
public sealed class DatabaseEar(NpgsqlDataSource database, EventHub hub, TimeProvider clock, ILogger<DatabaseEar> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await Listen(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e) when (e is NpgsqlException or System.Net.Sockets.SocketException or TimeoutException)
            {
                log.LogWarning("lost the database while listening for writes, trying again: {Reason}", e.Message);
                await Task.Delay(Pause, clock, stoppingToken);
            }
        }
    }

    private async Task Listen(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        connection.Notification += (_, heard) => hub.Tell(Message(heard.Payload));
        await using (var listen = new NpgsqlCommand($"LISTEN {JobStore.Channel}", connection)) await listen.ExecuteNonQueryAsync(cancel);
        hub.Tell("{\"all\":true}");
        while (true) await connection.WaitAsync(cancel);
    }

    private static string Message(string payload) =>
        payload.Split(':') is [var job, var version] ? $"{{\"job\":{job},\"version\":{version}}}" : "{\"all\":true}";
}
