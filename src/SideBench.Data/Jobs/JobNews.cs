using Npgsql;
using SideBench.Data.People;

namespace SideBench.Data.Jobs;

/// <summary>News of writes to jobs, from whichever server on this database made them.</summary>
/// <param name="database">Connections that are not shared: a shared one would go on listening.</param>
public sealed class JobNews(NpgsqlDataSource database)
{
    private const string ListenSql = $"LISTEN {JobStore.Channel}";

    /// <summary>Listens until it is cancelled or the connection breaks.</summary>
    /// <param name="listening">Called once it listens: what was written before may have been missed.</param>
    /// <param name="heard">Called for each write, with the job's number and its version.</param>
    /// <param name="shop">Called when something changed that holds for the whole shop, with which part.</param>
    /// <param name="list">Called when a list over all machines shows something else, with the part of the shop whose list it is.</param>
    /// <param name="people">Called when somebody signed out.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task Listen(
        Action listening,
        Action<long, int> heard,
        Action<string> shop,
        Action<string> list,
        Action people,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        connection.Notification += (_, news) =>
        {
            if (news.Payload.StartsWith(JobStore.ShopNews, StringComparison.Ordinal))
                shop(news.Payload[JobStore.ShopNews.Length..]);
            else if (news.Payload.StartsWith(JobStore.ListNews, StringComparison.Ordinal))
                list(news.Payload[JobStore.ListNews.Length..]);
            else if (news.Payload == SignInStore.News)
                people();
            else if (news.Payload.Split(':') is [var job, var version])
                heard(long.Parse(job), int.Parse(version));
        };
        await using (var command = new NpgsqlCommand(ListenSql, connection))
            await command.ExecuteNonQueryAsync(cancel);
        listening();
        while (true)
            await connection.WaitAsync(cancel);
    }
}
