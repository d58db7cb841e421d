using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>The record as files that other programs read: CSV (RFC 4180, UTF-8) and JSON.</summary>
public static class RecordFiles
{
    private static readonly JsonSerializerOptions Indented = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    /// <summary>Column names of the CSV.</summary>
    public const string Header = "entry_id,job_id,version,written_at_utc,person,kind,says,body_json,how_told";

    /// <summary>The record as CSV.</summary>
    public static string Csv(IEnumerable<Entry> entries)
    {
        var text = new StringBuilder(Header).Append("\r\n");
        foreach (var entry in entries)
            text.Append(CsvLine(entry)).Append("\r\n");
        return text.ToString();
    }

    /// <summary>One line of the CSV.</summary>
    public static string CsvLine(Entry entry) =>
        string.Join(
            ',',
            entry.Id.Value,
            entry.Job?.Value,
            entry.Version,
            entry.At.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.ffffff'Z'"),
            Field(entry.PersonName),
            entry.Body.Kind.Name,
            Field(entry.Body.Says),
            Field(EntryCodec.Write(entry.Body)),
            How(entry)
        );

    /// <summary>The record as JSON.</summary>
    public static string Json(IEnumerable<Entry> entries) =>
        new JsonObject
        {
            ["format"] = "side-bench-record",
            ["version"] = 1,
            ["entries"] = new JsonArray([.. entries.Select(Node)]),
        }.ToJsonString(Indented);

    private static JsonObject Node(Entry entry) =>
        new()
        {
            ["entryId"] = entry.Id.Value,
            ["jobId"] = entry.Job?.Value,
            ["version"] = entry.Version,
            ["writtenAt"] = entry.At.UtcDateTime,
            ["person"] = entry.PersonName,
            ["kind"] = entry.Body.Kind.Name,
            ["says"] = entry.Body.Says,
            ["body"] = JsonNode.Parse(EntryCodec.Write(entry.Body)),
            ["howTold"] = How(entry),
        };

    private static string? How(Entry entry) => entry.How is { } how ? StoredWord.Of(how) : null;

    /// <summary>
    /// A field of a table: quoted where it must be, for programs that part fields by semicolons too. One that begins like a sum would be
    /// taken for a formula, past signs that part and past space too.
    /// </summary>
    public static string Field(string text)
    {
        var safe = text.TrimStart(' ', ';', ',', '"') is [var first, ..] && "=+-@\t\r".Contains(first) ? "'" + text : text;
        return safe.AsSpan().IndexOfAny(",;\"\r\n") >= 0 ? $"\"{safe.Replace("\"", "\"\"")}\"" : safe;
    }
}
