using System.Text.Json;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Cases as a practitioner tells them (tests/cases/diagnosis): what is given, what was told and done, and what comes
/// then.</summary>
public class CaseFilesTests
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { UnmappedMemberHandling = Strict };
    private const System.Text.Json.Serialization.JsonUnmappedMemberHandling Strict = System
        .Text
        .Json
        .Serialization
        .JsonUnmappedMemberHandling
        .Disallow;

    private static readonly Lazy<IReadOnlyList<CaseFile>> Cases = new(() =>
        [
            .. Directory
                .EnumerateFiles(Path.Combine(TestShop.Root(), "tests/cases/diagnosis"), "*.json")
                .Order(StringComparer.Ordinal)
                .SelectMany(f => JsonSerializer.Deserialize<List<CaseFile>>(File.ReadAllText(f), Json)!),
        ]
    );

    public static TheoryData<string> Names() => [.. Cases.Value.Select(c => c.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Case_ComesOutAsAPractitionerWouldHaveIt(string name)
    {
        var file = Cases.Value.Single(c => c.Name == name);
        var job = Told(file);
        var advice = job.Advice;
        var first = advice.Chosen?.Step.Id ?? advice.Kind.ToString();
        var offered = advice.Others.Select(o => o.Step.Id).Prepend(first).ToList();
        var says =
            $"first {first}; then {string.Join(", ", offered.Skip(1))}; leads {job.Leading}; held "
            + string.Join(", ", advice.Held.Select(h => $"{h.Step.Id} by {h.Gate.Id}"));
        if (file.Then.First is { } wanted)
            Assert.True(wanted.Contains(first), says);
        foreach (var never in file.Then.Never ?? [])
            Assert.False(offered.Contains(never), says);
        foreach (var among in file.Then.Offers ?? [])
            Assert.True(offered.Contains(among), says);
        foreach (var held in file.Then.Held ?? [])
            Assert.True(advice.Held.Any(h => h.Step.Id == held), says);
        foreach (var free in file.Then.Free ?? [])
            Assert.False(advice.Held.Any(h => h.Step.Id == free), says);
        foreach (var (gate, step) in file.Then.HeldBy ?? [])
            Assert.True(advice.Held.Any(h => h.Gate.Id == gate && h.Step.Id == step), says);
        foreach (var gate in file.Then.FreeOf ?? [])
            Assert.False(advice.Held.Any(h => h.Gate.Id == gate), says);
        // Whatever holds, something is left to be done, or to be said: gates never hold each other.
        Assert.True(advice.Chosen is not null || advice.Because.Length > 0, says);
        Assert.True(job.Book.Findings.Cast<BookStep>().Concat(job.Book.Repairs).Any(s => advice.Held.All(h => h.Step.Id != s.Id)), says);
        if (file.Then.Leads is { } station)
            Assert.True(job.Leading == station, says);
        if (file.Then.Cause is { } cause)
            Assert.Equal(cause, job.Book.Causes[Array.IndexOf(job.Odds.Still, job.Odds.Still.Max())].Id);
    }

    [Fact]
    public void EveryComplaint_HasFourCases_AndEverySchoolThatMovesSomethingTwo()
    {
        foreach (var complaint in TestShop.Shop.Book.Faults)
            Assert.True(Cases.Value.Count(c => c.Complaint == complaint.Id) >= 4, complaint.Id);
        foreach (var school in TestShop.Shop.Book.Schools.Where(s => s.Options.Any(o => o.Prefers.Count > 0)))
            Assert.True(Cases.Value.Count(c => c.Given?.Schools?.ContainsKey(school.Id) == true) >= 2, school.Id);
        Assert.True(Cases.Value.Count >= 60);
    }

    [Fact]
    public void EveryGate_HasACaseThatItHolds_AndOneThatLiftsIt()
    {
        foreach (var gate in TestShop.Shop.Book.Gates)
        {
            Assert.True(Cases.Value.Any(c => c.Then.HeldBy?.ContainsKey(gate.Id) == true), $"{gate.Id} is held nowhere");
            Assert.True(Cases.Value.Any(c => c.Then.FreeOf?.Contains(gate.Id) == true), $"{gate.Id} is lifted nowhere");
        }
    }

    private static JobCase Told(CaseFile file)
    {
        var given = file.Given ?? new Given();
        var intake = TestShop.Intake(
            file.Model,
            file.Complaint,
            given.Ink,
            given.IdleWeeks,
            given.Moved,
            given.Warranty ? new DateOnly(2027, 1, 1) : null
        ) with
        {
            Paper = given.Paper,
            AgeYears = given.AgeYears,
            CleansTried = given.Cleans,
            LastWork = given.LastWork,
            Limit = given.Limit,
        };
        var entries = TestShop.Opened(intake);
        foreach (var change in given.Changes ?? [])
            TestShop.Add(
                entries,
                ChangeWork.Tell(TestShop.Case(entries).State, TestShop.Shop.Models[file.Model], TestShop.Shop.Changes, change, "told")
            );
        var known = new Dictionary<string, Fact>();
        foreach (var word in file.When ?? [])
        {
            if (word.StartsWith("did ", StringComparison.Ordinal))
                Did(entries, word[4..]);
            else if (word == "clear")
                TestShop.ClearTray(entries);
            else if (word.StartsWith("fact ", StringComparison.Ordinal))
                known[word[5..].Split('=')[0]] = new Fact(word[5..].Split('=')[0], word.Split('=')[1], null, word, null);
            else if (word.StartsWith("word ", StringComparison.Ordinal))
                TestShop.Add(entries, BenchKeeping.Consent(TestShop.Case(entries).State, word[5..], "Sal Marsh"));
            else if (word.StartsWith("tray ", StringComparison.Ordinal))
                entries.Add(
                    TestShop.Line(entries.Count + 1, new TrayPutBy(new TrayItem("t", "a thing", "inside", 1, "Out.", [word[5..]])))
                );
            else
                TestShop.Answer(
                    entries,
                    word.Split('=')[0],
                    word.Split('=', '@')[1],
                    word.Contains('@') ? double.Parse(word.Split('@')[1]) : null
                );
            if (!word.StartsWith("tray ", StringComparison.Ordinal))
                TestShop.ClearTray(entries);
        }

        return TestShop.Case(entries, ShopState.New with { Schools = given.Schools ?? [] }, known.Values);
    }

    // What was done was done, whatever holds it: a case may begin with work that a gate would hold today.
    private static void Did(List<Entry> entries, string repair)
    {
        var step = (Repair)TestShop.Shop.Book.Step(repair)!;
        entries.Add(TestShop.Line(entries.Count + 1, new Mended(step.Id, step.Name, step.Tags, 1, 0, "", "", 0, 0, [])));
    }

    private sealed record CaseFile(
        string Name,
        string Model,
        string Complaint,
        Given? Given,
        IReadOnlyList<string>? When,
        Then Then,
        string Why
    );

    private sealed record Given(
        string Ink = "maker",
        int IdleWeeks = 0,
        bool Moved = false,
        bool Warranty = false,
        string Paper = "plain",
        int? AgeYears = null,
        int Cleans = 0,
        string? LastWork = null,
        decimal? Limit = null,
        Dictionary<string, string>? Schools = null,
        IReadOnlyList<string>? Changes = null
    );

    private sealed record Then(
        IReadOnlyList<string>? First = null,
        IReadOnlyList<string>? Never = null,
        IReadOnlyList<string>? Offers = null,
        IReadOnlyList<string>? Held = null,
        IReadOnlyList<string>? Free = null,
        string? Leads = null,
        string? Cause = null,
        Dictionary<string, string>? HeldBy = null,
        IReadOnlyList<string>? FreeOf = null
    );
}
