using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>What a run of the fuzzer saw.</summary>
/// <param name="Asked">Requests that were judged.</param>
/// <param name="Reached">Operations that answered with success at least once.</param>
/// <param name="NotReached">Operations that never did, with the last refusal of each.</param>
/// <param name="Wrong">What must not be: a line each.</param>
/// <param name="Refused">How many were refused.</param>
public sealed record FuzzSaw(
    int Asked,
    IReadOnlyList<string> Reached,
    IReadOnlyDictionary<string, string> NotReached,
    IReadOnlyList<string> Wrong,
    int Refused
);

/// <summary>
/// Asks every operation of the API, from its description, again and again: as it should be, with something spoilt, with anything at all; as
/// an owner, in other roles, as nobody; the same request twice. The same seed asks the same as long as the shop answers the same.
/// </summary>
/// <param name="database">The server's database, to see what was written.</param>
/// <param name="shop">What is known of the shop.</param>
/// <param name="seed">The seed.</param>
public sealed class Fuzzer(NpgsqlDataSource database, Func<Random, FuzzShop> shop, int seed)
{
    // The owner's account of an empty shop: this shop has one.
    private static readonly string[] NotHere = ["addFirstOwner"];
    private const int LookAgainEvery = 25;
    private const int MostWrong = 20;

    // Everything that a refused request must leave as it is. Tries to sign in are counted though they are refused.
    private const string StandSql = """
        SELECT (SELECT count(*) FROM entries), (SELECT count(*) FROM writes), (SELECT count(*) FROM jobs), (SELECT count(*) FROM machines),
               (SELECT count(*) FROM customers), (SELECT coalesce(sum(version), 0) FROM subjects),
               (SELECT coalesce(sum(hashtextextended(p::text, 0)), 0) FROM people p), (SELECT count(*) FROM pictures)
        """;

    private readonly Random chance = new(seed);
    private readonly List<string> wrong = [];
    private const int AddressTooLong = 414;
    private readonly HashSet<string> reached = [];
    private readonly Dictionary<string, string> last = [];
    private int refused;

    /// <summary>Asks so many times.</summary>
    public async Task<FuzzSaw> Run(int requests)
    {
        using var here = shop(chance);
        await here.Open();
        var document = (await here.At("Owner").Ask("GET", "/openapi/v1.json")).Json!;
        var calls = FuzzCall.All(document).Where(c => !NotHere.Contains(c.Id)).ToList();
        var good = JsonNode.Parse(GoodRequests())!.AsObject();
        await here.MeasureOne(good);
        var values = new FuzzValues(chance);
        var asked = 0;
        while (asked < requests && wrong.Count < MostWrong)
        {
            if (asked % LookAgainEvery == 0)
                await here.FindJobs();
            var missing = calls.Where(c => !reached.Contains(c.Id)).ToList();
            var call = missing.Count > 0 && chance.Next(2) == 0 ? values.Of(missing) : values.Of(calls);
            asked += await One(here, call, good, calls, values);
        }

        var never = calls.Where(c => !reached.Contains(c.Id)).ToDictionary(c => c.Id, c => last.GetValueOrDefault(c.Id, "not asked"));
        return new FuzzSaw(asked, [.. reached.Order()], never, wrong, refused);
    }

    private static string GoodRequests()
    {
        using var stream = typeof(Fuzzer).Assembly.GetManifestResourceStream("good-requests.json")!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    private async Task<int> One(FuzzShop here, FuzzCall call, JsonObject good, List<FuzzCall> calls, FuzzValues values)
    {
        var template = good[call.Id];
        var job = chance.Next(12) == 0 ? chance.NextInt64(-2, 2000) : here.Job;
        var isGood = !reached.Contains(call.Id) || chance.Next(3) == 0;
        var who = (string?)template?["as"] ?? "Owner";
        // What one does to oneself is done by who is there for it.
        if (who == FuzzShop.Victim && (call.Id == "join" || !await here.IsThere()))
            await here.Renew(joins: call.Id != "join");
        else if (who == FuzzShop.Victim)
            isGood = isGood || chance.Next(2) == 0;
        else if (chance.Next(5) == 0)
            (who, isGood) = (values.Of(["Technician", "Counter", FuzzShop.Nobody, FuzzShop.Victim]), isGood || chance.Next(2) == 0);
        // What needs something before it on the same job is not left to chance.
        if (!reached.Contains(call.Id) && calls.FirstOrDefault(c => c.Id == (string?)template?["first"]) is { } first)
            await here.At("Owner")
                .Ask(
                    first.Method,
                    await Address(here, first, good[first.Id], job, true, values),
                    (await Body(here, first, good[first.Id], job, true, values))()
                );
        var address = await Address(here, call, template, job, isGood, values);
        var makes = await Body(here, call, template, job, isGood, values);
        var before = call.Reads ? null : await Stand();
        var answer = await here.At(who).Ask(call.Method, address, makes());
        if (call.Id.Contains("ignIn", StringComparison.Ordinal) || call.Path.StartsWith("/api/session", StringComparison.Ordinal))
            here.At(who).Take(answer);
        await Judge(call, who, address, answer, before);
        if (answer.Status != 200 || call.Reads || chance.Next(4) != 0 || call.Path.StartsWith("/api/session", StringComparison.Ordinal))
            return 1;
        // The same once more is the same.
        var then = await Stand();
        var again = await here.At(who).Ask(call.Method, address, makes());
        var after = await Stand();
        if (IsKeyed(call) && !Enumerable.SequenceEqual(after, then))
            Tell(call, who, address, again, "the same request once more wrote again");
        await Judge(call, who, address, again, null);
        return 2;
    }

    private static bool IsKeyed(FuzzCall call) => call.Query.Contains("key") || call.Body?["properties"]?["key"] is not null;

    private async Task Judge(FuzzCall call, string who, string address, FuzzAnswer answer, object[]? before)
    {
        if (answer.Status is >= 200 and < 300)
        {
            reached.Add(call.Id);
            if (!May(call, who))
                Tell(call, who, address, answer, "answered though one may not");
            return;
        }

        refused++;
        last[call.Id] = $"{answer.Status} {answer.Text[..Math.Min(answer.Text.Length, 260)]}";
        if (answer.Status >= 500)
            Tell(call, who, address, answer, "broke");
        // An address too long to read at all is answered by the web server itself, before anything of ours.
        else if (answer.Type != "application/problem+json" && answer.Status != AddressTooLong)
            Tell(call, who, address, answer, $"refused as {answer.Type}");
        if (before is not null && !Enumerable.SequenceEqual(await Stand(), before))
            Tell(call, who, address, answer, "refused, and wrote");
    }

    // Whoever was invited here is a technician or at the counter.
    private static bool May(FuzzCall call, string who)
    {
        if (call.Act is null || !Enum.TryParse<Act>(call.Act, out var act))
            return call.Act is null;
        if (who == FuzzShop.Nobody)
            return false;
        return who == FuzzShop.Victim ? act is not (Act.KeepAccounts or Act.KeepBook) : Permissions.May(Enum.Parse<Role>(who), act);
    }

    private async Task<string> Address(FuzzShop here, FuzzCall call, JsonNode? template, long job, bool isGood, FuzzValues values)
    {
        var path = call.Path;
        foreach (var (name, value) in template?["path"]?.AsObject() ?? [])
            path = path.Replace($"{{{name}}}", Uri.EscapeDataString($"{await here.Filled(value, job)}"));
        path = path.Replace("{id}", job.ToString(CultureInfo.InvariantCulture));
        while (path.IndexOf('{', StringComparison.Ordinal) is >= 0 and var from)
            path = path[..from] + values.Word() + path[(path.IndexOf('}', StringComparison.Ordinal) + 1)..];
        if (!isGood && chance.Next(6) == 0)
            path = string.Join('/', path.Split('/').Select((p, i) => i > 2 && chance.Next(2) == 0 ? values.Word() : p));
        // Who is here for the whole run is not sent away by chance.
        if (path.StartsWith("/api/people/", StringComparison.Ordinal) && !isGood)
            path = path.Replace("/people/1/", "/people/0/").Replace("/people/2/", "/people/0/").Replace("/people/3/", "/people/0/");
        var query = new List<string>();
        foreach (var name in call.Query)
        {
            var value =
                name == "key" ? $"{Guid.NewGuid()}"
                : name == "seenVersion" ? $"{await here.Version("job", job)}"
                : template?["query"]?[name] is { } known ? $"{await here.Filled(known, job)}"
                : isGood ? null
                : values.Word();
            if (value is not null && (isGood || chance.Next(4) > 0))
                query.Add(
                    $"{name}={(isGood ? Uri.EscapeDataString(value) : chance.Next(3) == 0 ? values.Word() : Uri.EscapeDataString(value))}"
                );
        }

        return query.Count > 0 ? $"{path}?{string.Join('&', query)}" : path;
    }

    private async Task<Func<HttpContent?>> Body(FuzzShop here, FuzzCall call, JsonNode? template, long job, bool isGood, FuzzValues values)
    {
        if ((string?)template?["bytes"] is { } kind)
        {
            var picture = kind == "sheet" && isGood ? GoodSheet.Value : Picture(isGood);
            return () => new ByteArrayContent(picture) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } };
        }

        if (call.Method != "POST")
            return () => null;
        var body = await here.Filled(template?["body"], job);
        if (!isGood && chance.Next(4) == 0 && call.Body?["properties"]?.AsObject() is { } properties)
            body = new JsonObject([.. properties.Select(p => new KeyValuePair<string, JsonNode?>(p.Key, values.Fitting(p.Value)))]);
        if (body is JsonObject fields && IsKeyed(call))
        {
            fields["key"] = $"{Guid.NewGuid()}";
            if (call.Body?["properties"]?["seenVersion"] is not null)
                fields["seenVersion"] = await here.Version((string?)template?["about"] ?? "job", job);
        }

        if (!isGood)
            body = values.Spoilt(body);
        var text = body?.ToJsonString() ?? (call.Body is null ? "" : "null");
        if (!isGood && chance.Next(15) == 0)
            text = text[..(text.Length / 2)];
        return () => new StringContent(text, Encoding.UTF8, "application/json");
    }

    // A sheet from which a layout can be learned; drawn once.
    private static readonly Lazy<byte[]> GoodSheet = new(() =>
    {
        var layout = MadeLayouts.Of(5, channels: 4);
        return PictureCodec.Jpeg(SheetScenes.Scanned(layout, NozzleTruth.Good(layout), 150, 9), 90);
    });

    private byte[] Picture(bool isGood)
    {
        const int Side = 40;
        var jpeg = PictureCodec.Jpeg(
            new PixelImage(Side, Side, [.. Enumerable.Range(0, Side * Side * 3).Select(_ => (byte)chance.Next(256))]),
            80
        );
        return isGood ? jpeg : jpeg[..chance.Next(jpeg.Length)];
    }

    private async Task<object[]> Stand()
    {
        await using var command = database.CreateCommand(StandSql);
        await using var row = await command.ExecuteReaderAsync();
        await row.ReadAsync();
        var values = new object[row.FieldCount];
        row.GetValues(values);
        return values;
    }

    private void Tell(FuzzCall call, string who, string address, FuzzAnswer answer, string what) =>
        wrong.Add(
            $"{call.Id} as {who}: {what}: {call.Method} {address} {answer.Status} {answer.Text[..Math.Min(answer.Text.Length, 300)]}"
        );
}
