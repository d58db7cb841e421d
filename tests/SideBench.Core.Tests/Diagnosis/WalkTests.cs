using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class WalkTests
{
    [Fact]
    public void Show()
    {
        foreach (var complaint in TestShop.Shop.Book.Complaints)
        {
            var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", complaint.Id, ink: "refilled", moved: true));
            for (var i = 0; i < 9; i++)
            {
                var job = TestShop.Case(entries);
                var sw = System.Diagnostics.Stopwatch.StartNew();
                var a = job.Advice;
                sw.Stop();
                Console.WriteLine($"{complaint.Id} {i}: {a.Kind} {a.Chosen?.Step.Id} exp {a.ExpectedCost:0.0} [{sw.Elapsed.TotalMilliseconds:0.0} ms] others {string.Join(",", a.Others.Select(o => $"{o.Step.Id}:{o.Expected:0.0}"))}");
                Console.WriteLine("    " + string.Join(" ", job.Book.Causes.Select((c, k) => (c.Id, job.Odds.Still[k])).OrderByDescending(x => x.Item2).Take(6).Select(x => $"{x.Id} {x.Item2:0.00}")) + $" other {job.Odds.Unknown:0.00} fixed {job.Odds.Fixed:0.00}");
                Console.WriteLine("    " + a.Because);
                if (a.Kind is AdviceKind.Close or AdviceKind.HandBack) break;
                if (a.Kind == AdviceKind.Mend) { TestShop.Mend(entries, a.Chosen!.Step.Id); TestShop.ClearTray(entries); continue; }
                var f = (Finding)a.Chosen!.Step;
                var o = a.Outlooks.MaxBy(x => x.Chance)!.Outcome;
                if (f.Id == "draw-test") o = "hard";
                TestShop.Answer(entries, f.Id, o);
                TestShop.ClearTray(entries);
            }
        }
    }
}
