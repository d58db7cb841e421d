using DbUp;
using DbUp.Engine.Output;

namespace SideBench.Data;

/// <summary>The records were brought to a shape that this version does not know: it neither reads nor writes them.</summary>
/// <param name="script">The last of what it does not know.</param>
public sealed class LaterRecordsException(string script)
    : Exception(
        $"A later version of Side Bench has worked with these records ({script}). This one was not started, and nothing was changed: "
            + "start that version again, or restore a backup from before it beside."
    );

/// <summary>Brings a database to the shape this version needs. Migrations only go forward.</summary>
public static class Migrator
{
    /// <summary>Runs what has not run yet.</summary>
    /// <param name="connectionString">Where, with the right to change tables.</param>
    /// <exception cref="LaterRecordsException">A later version was here.</exception>
    public static void Run(string connectionString)
    {
        var engine = DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly)
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build();
        if (engine.GetExecutedButNotDiscoveredScripts() is { Count: > 0 } later)
            throw new LaterRecordsException(later[^1]);
        var result = engine.PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"migration {result.ErrorScript?.Name} failed", result.Error);
    }
}
