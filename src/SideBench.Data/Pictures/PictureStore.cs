using System.Security.Cryptography;
using Npgsql;

namespace SideBench.Data.Pictures;

/// <summary>Pictures by their fingerprint: the same bytes are kept once.</summary>
public sealed class PictureStore(NpgsqlDataSource database)
{
    private const string KeepSql = """
        INSERT INTO pictures (fingerprint, width, height, kept_at, bytes)
        VALUES ($1, $2, $3, $4, $5)
        ON CONFLICT (fingerprint) DO NOTHING
        """;

    private const string FindSql = """
        SELECT bytes
        FROM pictures
        WHERE fingerprint = $1
        """;

    /// <summary>The fingerprint of a picture's bytes.</summary>
    public static string Fingerprint(byte[] bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    /// <summary>Keeps a picture, unless it is kept already.</summary>
    /// <returns>Its fingerprint.</returns>
    public async Task<string> Keep(byte[] bytes, int width, int height, DateTimeOffset at, CancellationToken cancel)
    {
        var print = Fingerprint(bytes);
        await using var command = database.CreateCommand(KeepSql);
        command.Parameters.With(print).With(width).With(height).With(at).With(bytes);
        await command.ExecuteNonQueryAsync(cancel);
        return print;
    }

    /// <summary>A picture's bytes, or null.</summary>
    public async Task<byte[]?> Find(string fingerprint, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(FindSql);
        command.Parameters.With(fingerprint);
        return await command.ExecuteScalarAsync(cancel) as byte[];
    }
}
