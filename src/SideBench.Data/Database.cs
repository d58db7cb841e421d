using Npgsql;

namespace SideBench.Data;

/// <summary>
/// Where the records are. Statements that come again are prepared by themselves, and a connection is not reset between uses.
/// </summary>
public static class Database
{
    private const int MostPrepared = 96;

    /// <summary>Opens the records.</summary>
    /// <param name="connectionString">Where they are.</param>
    public static NpgsqlDataSource Open(string connectionString) => NpgsqlDataSource.Create(Prepared(connectionString));

    /// <summary>
    /// A source of connections that are not shared: for what changes a connection's own state, such as listening, since shared ones are not
    /// reset.
    /// </summary>
    /// <param name="connectionString">Where they are.</param>
    public static NpgsqlDataSource Alone(string connectionString) =>
        NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connectionString) { Pooling = false });

    private static string Prepared(string connectionString) =>
        new NpgsqlConnectionStringBuilder(connectionString)
        {
            MaxAutoPrepare = MostPrepared,
            AutoPrepareMinUsages = 2,
            NoResetOnClose = true,
        }.ConnectionString;
}
