using System.Text.Json.Nodes;
using SideBench.Core.Bench;
using SideBench.Data;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Cli;

/// <summary>Writes the whole record of the shop to a file: CSV or JSON by its ending.</summary>
public static class ExportCommand
{
    /// <summary>Writes it.</summary>
    /// <returns>0 when written, 2 when the ending is neither.</returns>
    public static async Task<int> Run(string file)
    {
        if (Path.GetExtension(file) is not (".csv" or ".json"))
        {
            Console.Error.WriteLine($"The file's ending says how it is written: .csv or .json, not “{Path.GetExtension(file)}”.");
            return 2;
        }

        await using var database = Database.Open(Settings.Needed(Settings.Database));
        var entries = new EntryStore(database, new EntryCodec(HouseCrafts.All)).All(CancellationToken.None);
        await using var to = new StreamWriter(file);
        var count = Path.GetExtension(file) == ".csv" ? await Csv(entries, to) : await Json(entries, to);
        Console.WriteLine($"{count} lines of the record written to {file}");
        return 0;
    }

    private static async Task<int> Csv(IAsyncEnumerable<Core.Record.Entry> entries, StreamWriter to)
    {
        var count = 0;
        await to.WriteAsync(RecordFiles.Header + "\r\n");
        await foreach (var entry in entries)
        {
            await to.WriteAsync(RecordFiles.CsvLine(entry) + "\r\n");
            count++;
        }

        return count;
    }

    private static async Task<int> Json(IAsyncEnumerable<Core.Record.Entry> entries, StreamWriter to)
    {
        var count = 0;
        await to.WriteAsync("{\"format\":\"side-bench-record\",\"version\":1,\"entries\":[");
        await foreach (var entry in entries)
        {
            var node = JsonNode.Parse(RecordFiles.Json([entry]))!["entries"]![0]!;
            await to.WriteAsync((count++ == 0 ? "\n" : ",\n") + node.ToJsonString());
        }

        await to.WriteAsync("\n]}\n");
        return count;
    }
}
