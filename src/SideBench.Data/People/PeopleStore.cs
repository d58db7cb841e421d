using Npgsql;
using SideBench.Core.Accounts;
using SideBench.Core.Identity;

namespace SideBench.Data.People;

/// <summary>A person who signs in, or did.</summary>
/// <param name="Id">The person.</param>
/// <param name="Name">Their name.</param>
/// <param name="Role">Their role.</param>
/// <param name="PasswordHash">Their password as it is kept; null when they have none yet, or no more.</param>
/// <param name="PinHash">Their PIN as it is kept; null when they have none.</param>
/// <param name="Standing">How their account stands.</param>
/// <param name="CodeHash">Their one-time code as it is kept; null when there is none.</param>
/// <param name="CodeUntil">Until when that code holds.</param>
public sealed record PersonRow(
    PersonId Id,
    string Name,
    Role Role,
    string? PasswordHash,
    string? PinHash,
    AccountStanding Standing = AccountStanding.Active,
    string? CodeHash = null,
    DateTimeOffset? CodeUntil = null
)
{
    /// <summary>The account as the rules see it.</summary>
    public Account Account => new(Id, Name, Role, Standing);
}

/// <summary>The people of the shop.</summary>
public sealed class PeopleStore(NpgsqlDataSource database)
{
    private const string AllSql = """
        SELECT person_id, name, role, password_hash, pin_hash, account_standing, code_hash, code_until
        FROM people
        ORDER BY name COLLATE "und-x-icu"
        """;

    private const string ByNameSql = """
        SELECT person_id, name, role, password_hash, pin_hash, account_standing, code_hash, code_until
        FROM people
        WHERE lower(name) = lower($1) AND account_standing <> 'Gone'
        """;

    private const string ByIdSql = """
        SELECT person_id, name, role, password_hash, pin_hash, account_standing, code_hash, code_until
        FROM people
        WHERE person_id = $1
        """;

    private const string AddSql = """
        INSERT INTO people (name, role, password_hash, pin_hash, created_at)
        VALUES ($1, $2, $3, $4, $5)
        RETURNING person_id
        """;

    private const string AddFirstOwnerSql = """
        INSERT INTO people (name, role, password_hash, pin_hash, created_at)
        SELECT $1, 'Owner', $2, NULL, $3
        WHERE NOT EXISTS (SELECT FROM people)
        RETURNING person_id
        """;

    private const string NewIdSql = "SELECT nextval(pg_get_serial_sequence('people', 'person_id'))";

    private const string InviteSql = """
        INSERT INTO people (person_id, name, role, account_standing, code_hash, code_until, created_at)
        OVERRIDING SYSTEM VALUE
        VALUES ($1, $2, $3, 'Invited', $4, $5, $6)
        """;

    private const string CodeSql = """
        UPDATE people
        SET code_hash = $2, code_until = $3
        WHERE person_id = $1
        """;

    // A code is used once: of two at the same time the second finds none.
    private const string JoinSql = """
        UPDATE people
        SET password_hash = $3, pin_hash = $4, code_hash = NULL, code_until = NULL, account_standing = 'Active'
        WHERE person_id = $1 AND code_hash = $2 AND account_standing IN ('Invited', 'Active')
        """;

    private const string RoleSql = """
        UPDATE people
        SET role = $2
        WHERE person_id = $1
        """;

    private const string StandSql = """
        UPDATE people
        SET account_standing = $2, code_hash = NULL, code_until = NULL
        WHERE person_id = $1
        """;

    // Who left keeps a name on what they wrote, and no secret.
    private const string GoSql = """
        UPDATE people
        SET account_standing = 'Gone', password_hash = NULL, pin_hash = NULL, code_hash = NULL, code_until = NULL
        WHERE person_id = $1
        """;

    private const string PasswordSql = """
        UPDATE people
        SET password_hash = $2
        WHERE person_id = $1
        """;

    private const string PinSql = """
        UPDATE people
        SET pin_hash = $2
        WHERE person_id = $1
        """;

    private const string AnySql = """
        SELECT EXISTS (SELECT FROM people)
        """;

    /// <summary>Everyone, by name.</summary>
    public async Task<IReadOnlyList<PersonRow>> All(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AllSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var people = new List<PersonRow>();
        while (await rows.ReadAsync(cancel))
            people.Add(ReadRow(rows));
        return people;
    }

    /// <summary>The person of that name, or null.</summary>
    public async Task<PersonRow?> FindByName(string name, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(ByNameSql);
        command.Parameters.With(name);
        return await One(command, cancel);
    }

    /// <summary>The person, or null.</summary>
    public async Task<PersonRow?> Find(PersonId person, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(ByIdSql);
        command.Parameters.With(person.Value);
        return await One(command, cancel);
    }

    /// <summary>Whether anybody has an account yet.</summary>
    public async Task<bool> Any(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AnySql);
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }

    /// <summary>Adds a person.</summary>
    public async Task<PersonId> Add(
        string name,
        Role role,
        string passwordHash,
        string? pinHash,
        DateTimeOffset at,
        CancellationToken cancel
    )
    {
        await using var command = database.CreateCommand(AddSql);
        command.Parameters.With(name).With(role.ToString()).With(passwordHash).WithNull(pinHash).With(at.Stored());
        return new PersonId((long)(await command.ExecuteScalarAsync(cancel))!);
    }

    /// <summary>A number for a new person.</summary>
    public static async Task<PersonId> NewId(Unit unit, CancellationToken cancel)
    {
        await using var command = unit.Command(NewIdSql);
        return new PersonId((long)(await command.ExecuteScalarAsync(cancel))!);
    }

    /// <summary>Adds somebody who is asked to join.</summary>
    public static Task Invite(Unit unit, Account account, string codeHash, DateTimeOffset until, DateTimeOffset at) =>
        Do(
            unit,
            InviteSql,
            p => p.With(account.Id.Value).With(account.Name).With($"{account.Role}").With(codeHash).With(until.Stored()).With(at.Stored())
        );

    /// <summary>Gives a new one-time code; the one before holds no more.</summary>
    public static Task GiveCode(Unit unit, PersonId of, string codeHash, DateTimeOffset until) =>
        Do(unit, CodeSql, p => p.With(of.Value).With(codeHash).With(until.Stored()));

    /// <summary>Uses a code: from then on these secrets hold.</summary>
    /// <returns>Whether the code was still there.</returns>
    public static async Task<bool> Join(Unit unit, PersonId of, string codeHash, string passwordHash, string? pinHash) =>
        await Do(unit, JoinSql, p => p.With(of.Value).With(codeHash).With(passwordHash).WithNull(pinHash)) == 1;

    /// <summary>Gives another role.</summary>
    public static Task GiveRole(Unit unit, PersonId of, Role role) => Do(unit, RoleSql, p => p.With(of.Value).With($"{role}"));

    /// <summary>Lets an account stand otherwise; who has gone has no secrets any more.</summary>
    public static Task Stand(Unit unit, PersonId of, AccountStanding standing) =>
        standing == AccountStanding.Gone
            ? Do(unit, GoSql, p => p.With(of.Value))
            : Do(unit, StandSql, p => p.With(of.Value).With($"{standing}"));

    /// <summary>Keeps another password.</summary>
    public static Task KeepPassword(Unit unit, PersonId of, string passwordHash) =>
        Do(unit, PasswordSql, p => p.With(of.Value).With(passwordHash));

    /// <summary>Keeps another PIN, or none.</summary>
    public static Task KeepPin(Unit unit, PersonId of, string? pinHash) => Do(unit, PinSql, p => p.With(of.Value).WithNull(pinHash));

    /// <summary>Adds the owner of an empty shop, or null when somebody was first.</summary>
    public async Task<PersonId?> AddFirstOwner(string name, string passwordHash, DateTimeOffset at, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AddFirstOwnerSql);
        command.Parameters.With(name).With(passwordHash).With(at.Stored());
        return await command.ExecuteScalarAsync(cancel) is long id ? new PersonId(id) : null;
    }

    private static async Task<int> Do(Unit unit, string sql, Action<NpgsqlParameterCollection> fill)
    {
        await using var command = unit.Command(sql);
        fill(command.Parameters);
        return await command.ExecuteNonQueryAsync();
    }

    private static async Task<PersonRow?> One(NpgsqlCommand command, CancellationToken cancel)
    {
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? ReadRow(rows) : null;
    }

    private static PersonRow ReadRow(NpgsqlDataReader row) =>
        new(
            new PersonId(row.GetInt64(0)),
            row.GetString(1),
            Enum.Parse<Role>(row.GetString(2)),
            row.TextOrNull(3),
            row.TextOrNull(4),
            Enum.Parse<AccountStanding>(row.GetString(5)),
            row.TextOrNull(6),
            row.IsDBNull(7) ? null : new DateTimeOffset(row.GetDateTime(7), TimeSpan.Zero)
        );
}
