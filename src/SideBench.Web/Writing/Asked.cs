using System.Security.Cryptography;
using System.Text.Json;
using System.Text.Json.Serialization;
using SideBench.Core.Record;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Writing;

/// <summary>A write as it was asked for.</summary>
/// <param name="Write">Who, when, under which key, with what fingerprint.</param>
/// <param name="SeenVersion">The version that the person saw of what is written about.</param>
/// <param name="IsHarmless">
/// Whether it may be written though that has changed since: notes, and what refuses by itself what is done already.
/// </param>
/// <param name="ShownVersion">The version that stood on the screen when it was pressed; 0 when that is not said.</param>
/// <param name="ByTheWay">How the lines after the first were told that it makes by the way; null for as the first.</param>
public sealed record Asked(Write Write, int SeenVersion, bool IsHarmless = false, int ShownVersion = 0, HowTold? ByTheWay = null)
{
    // Numbers that cannot be are refused by the rules; the fingerprint holds whatever was sent.
    private static readonly JsonSerializerOptions AsSent = new(JsonSerializerDefaults.Web)
    {
        NumberHandling = JsonNumberHandling.AllowNamedFloatingPointLiterals,
    };

    /// <summary>Who asks, when, and a fingerprint of what is asked for, so that a key is never used for another thing.</summary>
    public static Write WriteOf<T>(HttpContext http, Guid key, T request, DateTimeOffset now) =>
        WriteOf(http, PersonAtBench.Of(http.User)!, key, request, now);

    /// <summary>The same of a person who is not signed in yet.</summary>
    public static Write WriteOf<T>(HttpContext http, PersonAtBench person, Guid key, T request, DateTimeOffset now)
    {
        var print = SHA256.HashData(
            JsonSerializer.SerializeToUtf8Bytes(
                new
                {
                    Kind = typeof(T).Name,
                    request,
                    http.Request.Path.Value,
                },
                AsSent
            )
        );
        return new Write(key, Convert.ToHexString(print), person.Id, person.Name, now, (request as IPressed)?.HowTold);
    }
}
