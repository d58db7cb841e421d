using System.Text.Json;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>Writes stored fields as JSON.</summary>
internal sealed class JsonFieldWriter(Utf8JsonWriter json) : FieldWriter
{
    public override void Text(string name, string? value) => json.WriteString(name, value);

    public override void Number(string name, double? value)
    {
        if (value is { } number)
            json.WriteNumber(name, number);
        else
            json.WriteNull(name);
    }

    public override void Whole(string name, long? value)
    {
        if (value is { } number)
            json.WriteNumber(name, number);
        else
            json.WriteNull(name);
    }

    public override void Amount(string name, decimal? value)
    {
        if (value is { } amount)
            json.WriteNumber(name, amount);
        else
            json.WriteNull(name);
    }

    public override void Flag(string name, bool value) => json.WriteBoolean(name, value);

    public override void Day(string name, DateOnly? value) => json.WriteString(name, value?.ToString("yyyy-MM-dd"));

    public override void Time(string name, DateTimeOffset? value)
    {
        if (value is { } time)
            json.WriteString(name, time);
        else
            json.WriteNull(name);
    }

    public override void Texts(string name, IEnumerable<string>? values)
    {
        if (values is null)
        {
            json.WriteNull(name);
            return;
        }

        json.WriteStartArray(name);
        foreach (var value in values)
            json.WriteStringValue(value);
        json.WriteEndArray();
    }

    public override void Numbers(string name, IEnumerable<double> values)
    {
        json.WriteStartArray(name);
        foreach (var value in values)
            json.WriteNumberValue(value);
        json.WriteEndArray();
    }

    public override void Named(string name, IEnumerable<KeyValuePair<string, double>>? values)
    {
        if (values is null)
        {
            json.WriteNull(name);
            return;
        }

        json.WriteStartObject(name);
        foreach (var (key, value) in values)
            json.WriteNumber(key, value);
        json.WriteEndObject();
    }

    public override void Part(string name, Action<FieldWriter>? write)
    {
        if (write is null)
        {
            json.WriteNull(name);
            return;
        }

        json.WriteStartObject(name);
        write(this);
        json.WriteEndObject();
    }

    public override void Parts<T>(string name, IEnumerable<T> items, Action<FieldWriter, T> write)
    {
        json.WriteStartArray(name);
        foreach (var item in items)
        {
            json.WriteStartObject();
            write(this, item);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }
}
