using Npgsql;

namespace SideBench.Data.Shop;

/// <summary>What kind of world the records tell of: the demo's, or a real shop's.</summary>
public sealed class WorldStore(NpgsqlDataSource database)
{
    private const string IsDemoSql = """
        SELECT EXISTS (SELECT FROM worlds WHERE world = 'demo')
        """;

    /// <summary>Whether everything on record is made up, so that stand-ins may take part.</summary>
    public async Task<bool> IsMadeUp(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(IsDemoSql);
        return (bool)(await command.ExecuteScalarAsync(cancel))!;
    }
}
