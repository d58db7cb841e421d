using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Record;

public class RecordTests
{
    [Fact]
    public void EveryKindOfLine_IsPluggedInUnderANameOfItsOwn()
    {
        var kinds = typeof(EntryBody).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(EntryBody)) && t != typeof(Unreadable)).ToList();
        var names = kinds.Select(k => ((EntryBody)System.Runtime.CompilerServices.RuntimeHelpers.GetUninitializedObject(k)).Kind.Name);
        Assert.Equal(HouseCrafts.All.Kinds.Order(), names.Order());
    }

    [Fact]
    public void Core_ReferencesNothingOfOurs_AndNoDatabaseOrWeb()
    {
        var names = typeof(EntryBody).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.DoesNotContain(
            names,
            n =>
                n.StartsWith("SideBench", StringComparison.Ordinal)
                || n.Contains("Npgsql")
                || n.Contains("AspNetCore")
                || n.Contains("Json")
        );
        // One package of pure mathematics, and what .NET itself brings.
        Assert.All(names, n => Assert.True(n == "MathNet.Numerics" || n.StartsWith("System.", StringComparison.Ordinal), n));
    }

    [Fact]
    public void Fold_OfLinesInParts_KeepsTheVersionOfTheLast()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised"));
        TestShop.Answer(entries, "film-and-tabs", "none");
        Assert.Equal(2, HouseCrafts.Fold(entries).Version);
        Assert.Throws<InvalidOperationException>(() => HouseCrafts.Fold(entries.Skip(1).ToList()));
    }

    [Fact]
    public void PiecesOfOneRemoval_ThatComeOutLater_LieWithTheOthers()
    {
        TrayItem Screws(string id, string of, int count) => new(id, "screws", "out", count, "Put them back.", []) { Removal = of };
        IReadOnlyList<TrayItem> tray = [];
        foreach (var put in new[] { Screws("a", "lid", 3), Screws("b", "base", 4), Screws("c", "lid", 2) })
            tray = Tray.After(tray, Effect.None with { Puts = [put] }, Assert.Fail);
        Assert.Equal([("a", 5), ("b", 4)], tray.Select(i => (i.Id, i.Count)));
        // As many go back as came out, and no more.
        Assert.Equal(1, Tray.After(tray, Effect.None with { Takes = [new TrayTake("a", 4)] }, Assert.Fail)[0].Count);
        var doubts = new List<string>();
        Assert.Equal(["b"], Tray.After(tray, Effect.None with { Takes = [new TrayTake("a", 6)] }, doubts.Add).Select(i => i.Id));
        Assert.Single(doubts);
    }

    [Fact]
    public void Fold_CounterReadings_AndCleans_MoveTheCounter()
    {
        // Read 71 %, then a deep clean of 4 × 2.25 ml at 1.06 g/ml and 1.45 g a point, 6.58 %: 77.58 %.
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "missing-after-idle", idleWeeks: 9));
        entries.Add(TestShop.Line(2, new Answered("counter-reading", "below", "Counter", "Below", "below", 71, "% of counter", 1, [])));
        TestShop.Answer(entries, "nozzle-sheet", "scattered");
        TestShop.Mend(entries, "clean-deep");
        Assert.Equal(77.58, HouseCrafts.Fold(entries).Counter!.Value.Pct, 9);
    }
}
