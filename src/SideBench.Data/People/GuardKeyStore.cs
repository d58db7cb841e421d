using Npgsql;

namespace SideBench.Data.People;

/// <summary>Keys that guard cookies and forms. In the database, so that every server on it honours the same sign-ins.</summary>
public sealed class GuardKeyStore(NpgsqlDataSource database)
{
    private const string AllSql = """
        SELECT xml
        FROM guard_keys
        ORDER BY name
        """;

    private const string AddSql = """
        INSERT INTO guard_keys (name, xml)
        VALUES ($1, $2)
        ON CONFLICT ON CONSTRAINT guard_keys_pkey DO NOTHING
        """;

    /// <summary>All keys. Not async: the framework asks so.</summary>
    public IReadOnlyList<string> All()
    {
        using var command = database.CreateCommand(AllSql);
        using var rows = command.ExecuteReader();
        var keys = new List<string>();
        while (rows.Read())
            keys.Add(rows.GetString(0));
        return keys;
    }

    /// <summary>Adds a key. Not async: the framework asks so.</summary>
    public void Add(string name, string xml)
    {
        using var command = database.CreateCommand(AddSql);
        command.Parameters.With(name).With(xml);
        command.ExecuteNonQuery();
    }
}
