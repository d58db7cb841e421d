using Npgsql;
using NpgsqlTypes;

namespace SideBench.Data;

/// <summary>Typed parameters and readings of rows, so that every store writes them alike.</summary>
internal static class SqlValues
{
    /// <summary>Adds a value.</summary>
    public static NpgsqlParameterCollection With<T>(this NpgsqlParameterCollection parameters, T value)
    {
        parameters.Add(new NpgsqlParameter<T> { TypedValue = value });
        return parameters;
    }

    /// <summary>Adds a value that may be not known.</summary>
    public static NpgsqlParameterCollection WithNull<T>(this NpgsqlParameterCollection parameters, T? value, NpgsqlDbType type)
        where T : struct
    {
        parameters.Add(new NpgsqlParameter { NpgsqlDbType = type, Value = value.HasValue ? value.Value : DBNull.Value });
        return parameters;
    }

    /// <summary>Adds a text that may be not known.</summary>
    public static NpgsqlParameterCollection WithNull(this NpgsqlParameterCollection parameters, string? value)
    {
        parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Text, Value = (object?)value ?? DBNull.Value });
        return parameters;
    }

    /// <summary>Adds a JSON text.</summary>
    public static NpgsqlParameterCollection WithJson(this NpgsqlParameterCollection parameters, string json)
    {
        parameters.Add(new NpgsqlParameter<string> { TypedValue = json, NpgsqlDbType = NpgsqlDbType.Jsonb });
        return parameters;
    }

    /// <summary>A time that may be not known.</summary>
    public static DateTimeOffset? TimeOrNull(this NpgsqlDataReader row, int column) =>
        row.IsDBNull(column) ? null : row.GetFieldValue<DateTimeOffset>(column);

    /// <summary>A text that may be not known.</summary>
    public static string? TextOrNull(this NpgsqlDataReader row, int column) => row.IsDBNull(column) ? null : row.GetString(column);

    /// <summary>A time as PostgreSQL keeps it: UTC, whole microseconds.</summary>
    public static DateTimeOffset Stored(this DateTimeOffset time) => new(time.UtcTicks / 10 * 10, TimeSpan.Zero);
}
