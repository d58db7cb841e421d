using Npgsql;
using SideBench.Web.Hosting;

namespace SideBench.Cli;

/// <summary>Prints a connection string as the variables that PostgreSQL's own tools read, for a shell.</summary>
public static class PgEnv
{
    /// <summary>Prints export lines.</summary>
    public static int Print()
    {
        var to = new NpgsqlConnectionStringBuilder(Settings.Needed(Settings.Database));
        foreach (
            var (name, value) in new[]
            {
                ("PGHOST", to.Host),
                ("PGPORT", to.Port.ToString()),
                ("PGUSER", to.Username),
                ("PGPASSWORD", to.Password),
                ("PGDATABASE", to.Database),
            }
        )
            Console.WriteLine($"export {name}='{value?.Replace("'", "'\\''")}'");
        return 0;
    }
}
