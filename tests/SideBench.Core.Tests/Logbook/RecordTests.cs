using System.Reflection;
using SideBench.Core.Logbook;
using Xunit;

namespace SideBench.Core.Tests.Logbook;

public class RecordTests
{
    [Fact]
    public void EveryKindOfLine_HasAName()
    {
        var kinds = typeof(EntryBody).GetNestedTypes().Where(t => t.IsSubclassOf(typeof(EntryBody))).ToList();
        var names = kinds
            .Select(k => EntrySentence.KindOf((EntryBody)System.Runtime.CompilerServices.RuntimeHelpers.GetUninitializedObject(k)))
            .ToList();
        Assert.Equal(kinds.Count, names.Distinct().Count());
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
    }

    [Fact]
    public void Fold_OfLinesInParts_KeepsTheVersionOfTheLast()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised"));
        TestShop.Answer(entries, "film-and-tabs", "none");
        Assert.Equal(2, JobFold.Of(entries).Version);
        Assert.Throws<InvalidOperationException>(() => JobFold.Of(entries.Skip(1).ToList()));
    }

    [Fact]
    public void Fold_CounterReadings_AndCleans_MoveTheCounter()
    {
        // Read 71 %, then a deep clean of 6 %: 77 %.
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "missing-after-idle", idleWeeks: 9));
        entries.Add(
            TestShop.Line(2, new EntryBody.Answered("counter-reading", "below", "Counter", "Below", "below", 71, "% of counter", 1, []))
        );
        TestShop.Mend(entries, "clean-deep");
        Assert.Equal(77, JobFold.Of(entries).CounterPct);
    }
}
