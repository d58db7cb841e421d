using System.Buffers;
using System.Text;
using System.Text.Json;
using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>
/// Lines of the record as JSON: every kind reads and writes its own stored form. Forms only grow, so old lines stay readable.
/// </summary>
/// <param name="crafts">The crafts whose kinds are known.</param>
public sealed class EntryCodec(Crafts crafts)
{
    /// <summary>Every kind that can be read back.</summary>
    public IReadOnlyCollection<string> Kinds => crafts.Kinds;

    /// <summary>The line as JSON.</summary>
    public static string Write(EntryBody body)
    {
        if (body is Unreadable unreadable)
            return unreadable.Raw;
        var bytes = new ArrayBufferWriter<byte>(512);
        using (var json = new Utf8JsonWriter(bytes))
        {
            json.WriteStartObject();
            body.Store(new JsonFieldWriter(json));
            json.WriteEndObject();
        }

        return Encoding.UTF8.GetString(bytes.WrittenSpan);
    }

    /// <summary>The line from JSON. One that cannot be read is given as such, so that it hides nothing else.</summary>
    /// <param name="kind">Its kind, as stored.</param>
    /// <param name="json">Its body, as stored.</param>
    public EntryBody Read(string kind, string json)
    {
        if (crafts.Kind(kind) is not { } known)
            return new Unreadable(kind, json, "this version knows no such kind");
        try
        {
            using var document = JsonDocument.Parse(json);
            return known.Read(new JsonFieldReader(document.RootElement));
        }
        catch (Exception e)
            when (e is FormatException or JsonException or InvalidOperationException or OverflowException or ArgumentOutOfRangeException)
        {
            return new Unreadable(kind, json, e.Message);
        }
    }
}
