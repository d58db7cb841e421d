using Npgsql;

namespace SideBench.Data;

/// <summary>One transaction: what is written in it is there whole or not at all.</summary>
public sealed class Unit : IAsyncDisposable
{
    private readonly NpgsqlConnection connection;
    private readonly NpgsqlTransaction transaction;

    private Unit(NpgsqlConnection connection, NpgsqlTransaction transaction)
    {
        this.connection = connection;
        this.transaction = transaction;
    }

    /// <summary>Begins.</summary>
    public static async Task<Unit> Begin(NpgsqlDataSource database, CancellationToken cancel)
    {
        var connection = await database.OpenConnectionAsync(cancel);
        return new Unit(connection, await connection.BeginTransactionAsync(cancel));
    }

    /// <summary>Keeps everything written.</summary>
    public Task Commit(CancellationToken cancel) => transaction.CommitAsync(cancel);

    /// <summary>Ends; without a commit nothing is kept.</summary>
    public async ValueTask DisposeAsync()
    {
        await transaction.DisposeAsync();
        await connection.DisposeAsync();
    }

    internal NpgsqlCommand Command(string sql) => new(sql, connection, transaction);

    internal NpgsqlBatch Batch() => new(connection, transaction);
}
