using System.Text.Json;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>Reads stored fields from JSON.</summary>
internal sealed class JsonFieldReader(JsonElement json) : FieldReader
{
    public override bool Has(string name) => json.TryGetProperty(name, out var field) && field.ValueKind != JsonValueKind.Null;

    public override string Text(string name) => Field(name).GetString()!;

    public override double Number(string name) => Field(name).GetDouble();

    public override long Whole(string name) => Field(name).GetInt64();

    public override decimal Amount(string name) => Field(name).GetDecimal();

    public override bool Flag(string name) => Field(name).GetBoolean();

    public override DateOnly? Day(string name) => Has(name) ? DateOnly.ParseExact(Text(name), "yyyy-MM-dd") : null;

    public override DateTimeOffset? Time(string name) => Has(name) ? Field(name).GetDateTimeOffset() : null;

    public override IReadOnlyList<string> Texts(string name) =>
        Has(name) ? [.. Field(name).EnumerateArray().Select(e => e.GetString()!)] : [];

    public override IReadOnlyList<double> Numbers(string name) =>
        Has(name) ? [.. Field(name).EnumerateArray().Select(e => e.GetDouble())] : [];

    public override IReadOnlyDictionary<string, double>? Named(string name) =>
        Has(name) ? Field(name).EnumerateObject().ToDictionary(p => p.Name, p => p.Value.GetDouble()) : null;

    public override IReadOnlyList<T> Parts<T>(string name, Func<FieldReader, T> read) =>
        Has(name) ? [.. Field(name).EnumerateArray().Select(e => read(new JsonFieldReader(e)))] : [];

    public override FieldReader? Part(string name) => Has(name) ? new JsonFieldReader(Field(name)) : null;

    private JsonElement Field(string name) =>
        Has(name) ? json.GetProperty(name) : throw new FormatException($"the field “{name}” is not there");
}
