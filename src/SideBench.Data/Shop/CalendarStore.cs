using Npgsql;

namespace SideBench.Data.Shop;

/// <summary>The secret address from which calendars fetch the day.</summary>
public sealed class CalendarStore(NpgsqlDataSource database)
{
    private const string NowSql = """
        SELECT secret, made_at
        FROM calendar_address
        """;

    private const string RenewSql = """
        INSERT INTO calendar_address (secret, made_at)
        VALUES ($1, $2)
        ON CONFLICT ON CONSTRAINT calendar_address_pkey DO UPDATE
        SET secret = excluded.secret,
            made_at = excluded.made_at
        """;

    /// <summary>The secret and when it was made; null while there is none.</summary>
    public async Task<(string Secret, DateTimeOffset At)?> Now(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(NowSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? (rows.GetString(0), rows.GetFieldValue<DateTimeOffset>(1)) : null;
    }

    /// <summary>Puts another in its place.</summary>
    public async Task Renew(string secret, DateTimeOffset at, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(RenewSql);
        command.Parameters.With(secret).With(at);
        await command.ExecuteNonQueryAsync(cancel);
    }
}
