using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SideBench.Packs;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>What a fuzzer knows of the shop: its people at their browsers, its jobs, and how to make a request that fits.</summary>
/// <param name="server">The server.</param>
/// <param name="owner">An owner's name.</param>
/// <param name="password">The password of all who are here from the start.</param>
/// <param name="others">Name and role of the others, by role.</param>
/// <param name="chance">The chance.</param>
public sealed class FuzzShop(Uri server, string owner, string password, IReadOnlyDictionary<string, string> others, Random chance)
    : IDisposable
{
    /// <summary>Somebody who is invited, signed out, suspended and let back.</summary>
    public const string Victim = "victim";

    /// <summary>Nobody at all.</summary>
    public const string Nobody = "nobody";

    // Few, and those that stay, so that what one request did another finds: a guide begun, a piece that was lost.
    private const int MostJobs = 5;
    private const string Owner = "Owner";
    private static readonly Dictionary<string, string> Sources = new()
    {
        ["job"] = "/api/jobs/{job}",
        ["opening"] = "/api/jobs/{job}/opening",
        ["sheets"] = "/api/jobs/{job}/sheets",
        ["ink"] = "/api/jobs/{job}/ink",
        ["shop"] = "/api/shop",
        ["shelf"] = "/api/shelf",
        ["wasteList"] = "/api/waste",
        ["choices"] = "/api/take-in/choices",
        ["layouts"] = "/api/layouts",
        ["day"] = "/api/day",
        ["calendar"] = "/api/day/calendar",
        ["signIns"] = "/api/sign-ins",
        ["accounts"] = "/api/people/accounts",
        ["models"] = "/api/models",
    };

    private readonly Dictionary<string, FuzzBrowser> browsers = [];
    private readonly List<long> jobs = [];
    private JsonObject self = [];
    private string code = "";

    /// <summary>The browser of somebody: a role, the victim, nobody.</summary>
    public FuzzBrowser At(string who) => browsers[who];

    /// <summary>A job to do something with.</summary>
    public long Job => jobs[chance.Next(jobs.Count)];

    /// <summary>Opens all browsers.</summary>
    public async Task Open()
    {
        foreach (var (role, name) in others.Append(new(Owner, owner)))
        {
            browsers[role] = new FuzzBrowser(server);
            if (!await browsers[role].Enter(name, password))
                throw new InvalidOperationException($"{name} cannot sign in");
        }

        browsers[Nobody] = new FuzzBrowser(server);
        await browsers[Nobody].Enter();
        browsers[Victim] = new FuzzBrowser(server);
        await Renew();
        await FindJobs();
    }

    /// <summary>Which jobs are here now; machines are taken in when few are left.</summary>
    public async Task FindJobs()
    {
        var board = (await At(Owner).Ask("GET", "/api/board")).Json!;
        jobs.Clear();
        jobs.AddRange(board["jobs"]!.AsArray().Select(j => (long)j!["id"]!).Order().Take(MostJobs));
        if (jobs.Count == 0)
            jobs.Add(1);
    }

    /// <summary>Whether the victim is signed in still.</summary>
    public async Task<bool> IsThere() => (await At(Victim).Ask("GET", "/api/session")).Json?["person"] is not null;

    /// <summary>Somebody new is invited, and joins unless they are to do it themselves.</summary>
    public async Task Renew(bool joins = true)
    {
        self = new JsonObject
        {
            ["name"] = $"Fuzz {NewWord()}",
            ["password"] = "kettle lamp orchard",
            ["pin"] = "4711",
        };
        var body = new JsonObject
        {
            ["key"] = Guid.NewGuid(),
            ["seenVersion"] = 0,
            ["name"] = $"{self["name"]}",
            ["role"] = "Technician",
        };
        var made = (await At(Owner).Ask("POST", "/api/people/invitations", JsonContent.Create(body))).Json?["made"];
        (self["id"], code) = ((long?)made?["of"] ?? 0, (string?)made?["code"] ?? "");
        await At(Victim).Enter();
        if (joins)
            At(Victim)
                .Take(
                    await At(Victim)
                        .Ask(
                            "POST",
                            "/api/session/join",
                            JsonContent.Create(
                                new
                                {
                                    key = Guid.NewGuid(),
                                    name = $"{self["name"]}",
                                    code,
                                    password = $"{self["password"]}",
                                    pin = "4711",
                                }
                            )
                        )
                );
    }

    /// <summary>The version of a job or of the shop, as it stands.</summary>
    public async Task<int> Version(string about, long job) =>
        about switch
        {
            "accounts" => (int?)(await At(Owner).Ask("GET", Sources["accounts"])).Json?["version"] ?? 0,
            "shop" => (int?)(await At(Owner).Ask("GET", Sources["shop"])).Json?["version"] ?? 0,
            // The board tells it without a plan of the job.
            "job" => (int?)
                (await At(Owner).Ask("GET", "/api/board")).Json?["jobs"]?.AsArray().FirstOrDefault(j => (long)j!["id"]! == job)?["version"]
                ?? 0,
            _ => 0,
        };

    /// <summary>A model of the shop's own of which the record measured something, as where one has been in use.</summary>
    /// <param name="good">Requests that fit.</param>
    public async Task MeasureOne(JsonObject good)
    {
        await Said("/api/models", "makeModel", "shop", 0, ("name", "Fuzzed"));
        var taken = await Said("/api/take-in", "takeIn", "", 0, ("modelId", "heath-fuzzed"));
        var job = (long?)taken?["jobId"] ?? 0;
        await Said($"/api/jobs/{job}/waste/told", "tellStore", "job", job, ("what", "renewed"), ("amount", null));
        await Said($"/api/jobs/{job}/waste/told", "tellStore", "job", job, ("what", "weighed"), ("amount", 150));

        async Task<JsonNode?> Said(string path, string like, string about, long of, params (string Name, JsonNode? Value)[] other)
        {
            var body = (await Filled(good[like]!["body"], of))!.AsObject();
            (body["key"], body["seenVersion"]) = (Guid.NewGuid(), await Version(about, of));
            foreach (var (name, value) in other)
                body[name] = value;
            return (await At(Owner).Ask("POST", path, JsonContent.Create(body))).Json;
        }
    }

    /// <summary>A template with values of the shop in the place of its words.</summary>
    /// <param name="template">The template.</param>
    /// <param name="job">The job in hand.</param>
    public async Task<JsonNode?> Filled(JsonNode? template, long job)
    {
        switch (template)
        {
            case JsonObject fields:
                var made = new JsonObject();
                foreach (var (name, value) in fields)
                    made[name] = await Filled(value, job);
                return made;
            case JsonArray list:
                var all = new JsonArray();
                foreach (var value in list)
                    all.Add(await Filled(value, job));
                return all;
            case JsonValue value when value.TryGetValue<string>(out var word):
                // One of several words; after what is looked up, what is said where there is none.
                var either = word.Split('|');
                if (!word.StartsWith('$'))
                    return either[chance.Next(either.Length)];
                return await Value(either[0][1..], job) ?? (either.Length > 1 ? either[chance.Next(1, either.Length)] : null);
            default:
                return template?.DeepClone();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var browser in browsers.Values)
            browser.Dispose();
    }

    private async Task<JsonNode?> Value(string word, long job)
    {
        var (source, path) = (word.Split(':')[0], word.Split(':')[1]);
        switch (source)
        {
            case "self":
                return self[path]?.DeepClone();
            case "code":
                return code;
            case "new":
                return path == "serial" ? $"FZ-{NewWord()}" : $"Fuzz {NewWord()}";
            case "sheets" when path is "tapped" or "put-right":
                return Units((await At(Owner).Ask("GET", $"/api/jobs/{job}/sheets")).Json, path == "tapped");
            case "models" when path == "bundle":
                return Bundle((await At(Owner).Ask("GET", "/api/models/export")).Json);
            case "steps":
                return Step((await At(Owner).Ask("GET", $"/api/jobs/{job}")).Json?["diagnosis"], path);
            case "places":
                var board = (await At(Owner).Ask("GET", "/api/board")).Json;
                var used = board?["jobs"]?.AsArray().Select(j => (int)j!["place"]!).ToHashSet() ?? [];
                return Enumerable.Range(1, (int?)board?["places"] ?? 1).FirstOrDefault(p => !used.Contains(p));
            case "calendar":
                var address = (await At(Owner).Ask("GET", Sources[source])).Json?["path"];
                return ((string?)address ?? "/none.ics").Split('/')[^1].Replace(".ics", "", StringComparison.Ordinal);
            default:
                var who = source == "signIns" ? Victim : Owner;
                var answer = await At(who).Ask("GET", Sources[source].Replace("{job}", job.ToString(CultureInfo.InvariantCulture)));
                return At(answer.Json, path)?.DeepClone();
        }
    }

    // A path such as a.b[0].c or a[*].b, where the star is any that has the rest.
    private JsonNode? At(JsonNode? from, string path)
    {
        var at = from;
        foreach (var step in path.Split('.'))
        {
            var bracket = step.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? step : step[..bracket];
            if (name.Length > 0)
                at = (at as JsonObject)?[name];
            if (bracket < 0)
                continue;
            var list = at as JsonArray;
            var which = step[(bracket + 1)..^1];
            if (list is null or { Count: 0 })
                return null;
            at = which == "*" ? list[chance.Next(list.Count)] : list.ElementAtOrDefault(int.Parse(which, CultureInfo.InvariantCulture));
        }

        return at;
    }

    private JsonNode? Step(JsonNode? diagnosis, string kind)
    {
        IEnumerable<JsonNode?> all =
            kind == "held"
                ? (diagnosis?["held"]?.AsArray() ?? [])
                    .Where(h => (bool)h!["overridable"]!)
                    .SelectMany(h => h!["steps"]!.AsArray())
                    .Select(s => s!["stepId"])
                : (diagnosis?["advice"]?["others"]?.AsArray() ?? [])
                    .Append(diagnosis?["advice"]?["step"])
                    .Where(s => (string?)s?["kind"] == kind)
                    .Select(s => s!["id"]);
        var list = all.ToList();
        return list.Count == 0 ? null : list[chance.Next(list.Count)]?.DeepClone();
    }

    // Complete sheets as they are tapped, or what is on the last one as it was read.
    private static JsonArray Units(JsonNode? sheets, bool tapped) =>
        [
            .. ((tapped ? sheets?["layout"] : sheets?["shown"])?["units"]?.AsArray() ?? []).Select(u => new JsonObject
            {
                ["id"] = (string)u!["id"]!,
                ["nozzles"] = tapped ? new string('.', (int)u["nozzles"]!) : (string)u["nozzles"]!,
                ["mixedWith"] = null,
            }),
        ];

    // A file of models that brings one of another name, with the sum that belongs to it.
    private string Bundle(JsonNode? export)
    {
        var files = export?["files"]?.AsArray() ?? [];
        var pair = files.Where(f => (string?)f!["id"] == (string?)files[0]!["id"]).Select(f => f!.DeepClone()).ToList();
        var id = $"fuzz-{NewWord()}";
        foreach (var file in pair)
        {
            file["content"]![(string?)file["sort"] == "access" ? "model" : "id"] = id;
            (file["id"], file["sha256"]) = (id, OwnPackFiles.SumOf(file["content"]!));
        }

        return new JsonObject
        {
            ["format"] = "side-bench-models",
            ["version"] = 1,
            ["files"] = new JsonArray([.. pair]),
        }.ToJsonString();
    }

    private string NewWord() => new([.. Enumerable.Range(0, 7).Select(_ => (char)('a' + chance.Next(26)))]);
}
