using Npgsql;

namespace SideBench.Data.People;

/// <summary>Tries to sign in, counted before a secret is looked at: no two of them are one.</summary>
public sealed class SignInTries(NpgsqlDataSource database)
{
    private const string ClaimSql = """
        INSERT INTO sign_in_tries AS t (tried, failed_count, tried_at, locked_until)
        VALUES ($1, 1, $2, CASE WHEN $3 <= 1 THEN $4 END)
        ON CONFLICT (tried) DO UPDATE
        SET failed_count = CASE WHEN t.locked_until IS NULL AND t.tried_at > $5 THEN t.failed_count + 1 ELSE 1 END,
            tried_at = $2,
            locked_until = CASE WHEN t.locked_until IS NULL AND t.tried_at > $5 AND t.failed_count + 1 >= $3 THEN $4 END
        WHERE t.locked_until IS NULL OR t.locked_until <= $2
        RETURNING failed_count
        """;

    private const string LockedSql = """
        SELECT locked_until
        FROM sign_in_tries
        WHERE tried = $1
        """;

    private const string ForgetSql = """
        DELETE FROM sign_in_tries
        WHERE tried = $1
        """;

    /// <summary>Claims one try.</summary>
    /// <param name="tried">What is tried.</param>
    /// <param name="most">With the last of so many it is locked.</param>
    /// <param name="now">The time.</param>
    /// <param name="locks">So long.</param>
    /// <param name="within">Tries further apart than this are not counted together.</param>
    /// <param name="cancel">Stops it.</param>
    /// <returns>Until when it is locked; null when the try may be made.</returns>
    public async Task<DateTimeOffset?> Claim(
        string tried,
        int most,
        DateTimeOffset now,
        TimeSpan locks,
        TimeSpan within,
        CancellationToken cancel
    )
    {
        await using var command = database.CreateCommand(ClaimSql);
        command.Parameters.With(tried).With(now.Stored()).With(most).With((now + locks).Stored()).With((now - within).Stored());
        if (await command.ExecuteScalarAsync(cancel) is not null)
            return null;
        return await LockedUntil(tried, now, cancel) ?? now;
    }

    /// <summary>Until when it is locked; null when it is not.</summary>
    public async Task<DateTimeOffset?> LockedUntil(string tried, DateTimeOffset now, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LockedSql);
        command.Parameters.With(tried);
        return await command.ExecuteScalarAsync(cancel) is DateTime until && until > now.UtcDateTime
            ? new DateTimeOffset(until, TimeSpan.Zero)
            : null;
    }

    /// <summary>The secret was right: what was tried before does not count.</summary>
    public async Task Forget(string tried, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(ForgetSql);
        command.Parameters.With(tried);
        await command.ExecuteNonQueryAsync(cancel);
    }
}
