using System.Reflection;
using System.Text.RegularExpressions;
using Npgsql;
using SideBench.Data.Record;
using Xunit;

namespace SideBench.Data.Tests;

/// <summary>No read looks at the whole record to find its few lines: what grows with the shop is found by an index.</summary>
public partial class PlansTests(ScratchDatabase database) : IClassFixture<ScratchDatabase>
{
    // What is asked for the whole record, to give it away as a file; and the latest lines, which end by themselves.
    private static readonly HashSet<string> Whole = ["EntryStore.AllSql", "EntryStore.LatestSql", "EntryStore.OfModelSql"];

    [Fact]
    public async Task NoRead_LooksAtTheWholeRecord()
    {
        await using var connection = await database.Source.OpenConnectionAsync();
        // Small tables are scanned whatever indexes there are; so scanning is what is left when nothing else can be done.
        await Run(connection, "SET enable_seqscan = off; SET plan_cache_mode = force_generic_plan");
        var reads = typeof(EntryStore)
            .Assembly.GetTypes()
            .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.NonPublic | BindingFlags.Public), (t, f) => (t, f))
            .Where(of => of.f.IsLiteral && of.f.FieldType == typeof(string) && of.f.Name.EndsWith("Sql", StringComparison.Ordinal))
            .Select(of => (Name: $"{of.t.Name}.{of.f.Name}", Sql: (string)of.f.GetRawConstantValue()!))
            .Where(r => OfRecord().IsMatch(r.Sql) && r.Sql.TrimStart().StartsWith("SELECT", StringComparison.Ordinal))
            .ToList();
        var scans = new List<string>();
        foreach (var (name, sql) in reads.Where(r => !Whole.Contains(r.Name) && !IsPart(r.Sql)))
            if (WholeScan(await Plan(connection, sql)) is { } scan)
                scans.Add($"{name}: {scan}");
        Assert.True(reads.Count > 12, $"only {reads.Count} reads of the record found");
        Assert.True(scans.Count == 0, string.Join("\n", scans));
    }

    // By an index too one can look at everything: what finds few lines says by what.
    private static string? WholeScan(List<string> plan)
    {
        for (var i = 0; i < plan.Count; i++)
            if (ScanOfRecord().IsMatch(plan[i]))
            {
                var of = plan.Skip(i + 1).TakeWhile(l => !l.Contains("->  ", StringComparison.Ordinal));
                if (
                    !of.Any(l => l.Contains("Index Cond", StringComparison.Ordinal) || l.Contains("Recheck Cond", StringComparison.Ordinal))
                )
                    return plan[i].Trim();
            }

        return null;
    }

    // A beginning that others go on with: no statement by itself, since it says of which lines nowhere.
    private static bool IsPart(string sql) => !sql.Contains("WHERE", StringComparison.Ordinal);

    private static async Task<List<string>> Plan(NpgsqlConnection connection, string sql)
    {
        var values = Value().Matches(sql).Select(m => int.Parse(m.Groups[1].Value)).DefaultIfEmpty().Max();
        await Run(connection, $"PREPARE looked AS {sql}");
        var given = values == 0 ? "" : $"({string.Join(", ", Enumerable.Repeat("NULL", values))})";
        var plan = new List<string>();
        await using (var explain = new NpgsqlCommand($"EXPLAIN EXECUTE looked{given}", connection))
        await using (var rows = await explain.ExecuteReaderAsync())
            while (await rows.ReadAsync())
                plan.Add(rows.GetString(0));
        await Run(connection, "DEALLOCATE looked");
        return plan;
    }

    private static async Task Run(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }

    [GeneratedRegex(@"\b(standing_)?entries\b")]
    private static partial Regex OfRecord();

    [GeneratedRegex(@"Scan.* on entries\b")]
    private static partial Regex ScanOfRecord();

    [GeneratedRegex(@"\$(\d+)")]
    private static partial Regex Value();
}
