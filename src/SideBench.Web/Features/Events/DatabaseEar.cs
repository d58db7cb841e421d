using Npgsql;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Events;

/// <summary>Listens to the database for writes of any server on it.</summary>
public sealed class DatabaseEar(
    JobNews news,
    EventHub hub,
    BenchBooks books,
    EntryStore entries,
    VerdictStore verdicts,
    SignedIn signedIn,
    TimeProvider clock,
    ILogger<DatabaseEar> log
) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await news.Listen(
                    () => _ = Reload(hub.Begin, stoppingToken),
                    (job, version) => hub.Tell($"{{\"job\":{job},\"version\":{version}}}"),
                    part => _ = Reload(() => hub.Tell($"{{\"shop\":\"{part}\"}}"), stoppingToken),
                    part => hub.Tell($"{{\"list\":\"{part}\"}}"),
                    signedIn.Forget,
                    stoppingToken
                );
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

    // What holds for the whole shop is read anew before the pages are told of it.
    private async Task Reload(Action then, CancellationToken cancel)
    {
        signedIn.Forget();
        try
        {
            await books.Load(entries, verdicts, cancel);
        }
        catch (Exception e) when (e is NpgsqlException or OperationCanceledException)
        {
            log.LogWarning("could not read the shop's own lines: {Reason}", e.Message);
        }

        then();
    }
}
