using DbUp;
using DbUp.Engine.Output;

namespace SideBench.Data;

/// <summary>Brings a database to the shape this version needs. Migrations only go forward.</summary>
public static class Migrator
{
    /// <summary>Runs what has not run yet.</summary>
    /// <param name="connectionString">Where, with the right to change tables.</param>
    public static void Run(string connectionString)
    {
        var result = DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly)
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"migration {result.ErrorScript?.Name} failed", result.Error);
    }
}
