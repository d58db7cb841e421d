using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;

namespace SideBench.Data.People;

/// <summary>A person who signs in.</summary>
public sealed record PersonRow(PersonId Id, string Name, Role Role, string PasswordHash, string? PinHash);

/// <summary>The people of the shop.</summary>
public sealed class PeopleStore(NpgsqlDataSource database)
{
    private const string AllSql = """
        SELECT person_id, name, role, password_hash, pin_hash
        FROM people
        ORDER BY name COLLATE "und-x-icu"
        """;

    private const string ByNameSql = """
        SELECT person_id, name, role, password_hash, pin_hash
        FROM people
        WHERE lower(name) = lower($1)
        """;

    private const string ByIdSql = """
        SELECT person_id, name, role, password_hash, pin_hash
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

    /// <summary>Adds the owner of an empty shop, or null when somebody was first.</summary>
    public async Task<PersonId?> AddFirstOwner(string name, string passwordHash, DateTimeOffset at, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AddFirstOwnerSql);
        command.Parameters.With(name).With(passwordHash).With(at.Stored());
        return await command.ExecuteScalarAsync(cancel) is long id ? new PersonId(id) : null;
    }

    private static async Task<PersonRow?> One(NpgsqlCommand command, CancellationToken cancel)
    {
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? ReadRow(rows) : null;
    }

    private static PersonRow ReadRow(NpgsqlDataReader row) =>
        new(new PersonId(row.GetInt64(0)), row.GetString(1), Enum.Parse<Role>(row.GetString(2)), row.GetString(3), row.TextOrNull(4));
}
