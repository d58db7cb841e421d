using Npgsql;
using SideBench.Core.Identity;
using SideBench.Data.Jobs;

namespace SideBench.Data.People;

/// <summary>A place where somebody is signed in.</summary>
/// <param name="Id">Its number; what the browser holds of it is sealed.</param>
/// <param name="Person">Who.</param>
/// <param name="Place">A bench, a phone, as the browser told.</param>
/// <param name="Address">From where.</param>
/// <param name="BeganAt">Since when.</param>
/// <param name="SeenAt">When it was last used, to a few minutes.</param>
public sealed record SignInRow(Guid Id, PersonId Person, string Place, string Address, DateTimeOffset BeganAt, DateTimeOffset SeenAt);

/// <summary>Where people are signed in. A cookie counts for as long as its row is here.</summary>
public sealed class SignInStore(NpgsqlDataSource database)
{
    /// <summary>What the database announces when somebody signed out.</summary>
    public const string News = "sign-ins";

    private const string BeginSql = """
        INSERT INTO sign_ins (sign_in_id, person_id, place, address, began_at, seen_at)
        VALUES ($1, $2, $3, $4, $5, $5)
        """;

    private const string FindSql = """
        SELECT sign_in_id, person_id, place, address, began_at, seen_at
        FROM sign_ins
        WHERE sign_in_id = $1 AND seen_at > $2
        """;

    private const string AllSql = """
        SELECT sign_in_id, person_id, place, address, began_at, seen_at
        FROM sign_ins
        WHERE seen_at > $1
        ORDER BY seen_at DESC
        """;

    private const string SeenSql = """
        UPDATE sign_ins
        SET seen_at = $2
        WHERE sign_in_id = $1 AND seen_at < $2
        """;

    private const string EndSql = """
        DELETE FROM sign_ins
        WHERE sign_in_id = $1
        """;

    private const string EndOthersSql = """
        DELETE FROM sign_ins
        WHERE person_id = $1 AND sign_in_id <> $2
        """;

    private const string EndOldSql = """
        DELETE FROM sign_ins
        WHERE seen_at <= $1
        """;

    /// <summary>Somebody signed in. Those that nobody uses any more are forgotten.</summary>
    /// <param name="begun">Where.</param>
    /// <param name="oldest">Not used since then is over.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task Begin(SignInRow begun, DateTimeOffset oldest, CancellationToken cancel)
    {
        await using var old = database.CreateCommand(EndOldSql);
        old.Parameters.With(oldest.Stored());
        await old.ExecuteNonQueryAsync(cancel);
        await using var command = database.CreateCommand(BeginSql);
        command.Parameters.With(begun.Id).With(begun.Person.Value).With(begun.Place).With(begun.Address).With(begun.BeganAt.Stored());
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>The sign-in, or null when it is over.</summary>
    public async Task<SignInRow?> Find(Guid id, DateTimeOffset oldest, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(FindSql);
        command.Parameters.With(id).With(oldest.Stored());
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? ReadRow(rows) : null;
    }

    /// <summary>All that are not over, the last used first.</summary>
    public async Task<IReadOnlyList<SignInRow>> All(DateTimeOffset oldest, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AllSql);
        command.Parameters.With(oldest.Stored());
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var all = new List<SignInRow>();
        while (await rows.ReadAsync(cancel))
            all.Add(ReadRow(rows));
        return all;
    }

    /// <summary>It was used.</summary>
    public async Task Seen(Guid id, DateTimeOffset at, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(SeenSql);
        command.Parameters.With(id).With(at.Stored());
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Ends it, and tells every server.</summary>
    public async Task End(Guid id, CancellationToken cancel)
    {
        await using var unit = await Unit.Begin(database, cancel);
        await End(unit, id);
        await using var news = unit.Command(JobStore.NotifySql);
        news.Parameters.With(JobStore.Channel).With(News);
        await news.ExecuteNonQueryAsync(cancel);
        await unit.Commit(cancel);
    }

    /// <summary>Ends it with the unit.</summary>
    public static async Task End(Unit unit, Guid id)
    {
        await using var command = unit.Command(EndSql);
        command.Parameters.With(id);
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>Ends all of a person's but one, with the unit.</summary>
    public static async Task EndOthers(Unit unit, PersonId of, Guid but)
    {
        await using var command = unit.Command(EndOthersSql);
        command.Parameters.With(of.Value).With(but);
        await command.ExecuteNonQueryAsync();
    }

    private static SignInRow ReadRow(NpgsqlDataReader row) =>
        new(
            row.GetGuid(0),
            new PersonId(row.GetInt64(1)),
            row.GetString(2),
            row.GetString(3),
            new DateTimeOffset(row.GetDateTime(4), TimeSpan.Zero),
            new DateTimeOffset(row.GetDateTime(5), TimeSpan.Zero)
        );
}
