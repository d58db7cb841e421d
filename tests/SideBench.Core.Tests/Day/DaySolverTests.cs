using Google.OrTools.Sat;
using SideBench.Core.Day;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>Middling days beside an exact solver: how far the plan's lateness is above the least there is.</summary>
public class DaySolverTests
{
    private const int Horizon = 700;

    // The plan may be so far above the least lateness: in all over the days, and for each machine on any one of them.
    private const double MostInAll = 1.08;
    private const double MostMinAMachine = 5;

    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with
    {
        MinutesSd = 0,
        SlackMin = 0,
        LongSd = 0,
        CrowdWeight = 0,
        OthersShare = 0,
    };

    [Fact]
    public void MiddlingDays_AreWithinAStatedBoundOfTheLeastLateness()
    {
        var (plans, least) = (0.0, 0.0);
        for (var seed = 1; seed <= 10; seed++)
        {
            var jobs = Drawn(new Random(seed), 6);
            DayHand[] hands = [new(1, "Ines", [(0, Horizon)]), new(2, "Tam", [(0, Horizon)])];
            var plan = DayPlan.Of(jobs, hands, House);
            var best = Least(jobs, hands.Length);
            Assert.Equal(0, plan.Cost.Overrun);
            // The solver can only be better: else one of the two counts wrong.
            Assert.True(plan.Cost.Late >= best - 1e-6, $"day {seed}: {plan.Cost.Late} below {best}");
            Assert.True(plan.Cost.Late <= best + (MostMinAMachine * jobs.Count), $"day {seed}: {plan.Cost.Late} against {best}");
            (plans, least) = (plans + plan.Cost.Late, least + best);
        }

        Assert.True(least > 0);
        Assert.True(plans <= least * MostInAll, $"{plans} against {least}");
    }

    // Looks, work, rests and soaks that must be ended in time; promises that not all can be kept.
    private static List<DayJob> Drawn(Random chance, int many) =>
        [
            .. Enumerable
                .Range(0, many)
                .Select(i =>
                {
                    DayPiece[] way = chance.Next(3) switch
                    {
                        0 => [new("look", 10 + chance.Next(20)), new("mend", 30 + chance.Next(60))],
                        1 => [new("clean", 10 + chance.Next(20), 30 + chance.Next(60)), new("sheet", 10 + chance.Next(10))],
                        _ => [new("soak", 10 + chance.Next(15), 40, 90), new("flush", 15 + chance.Next(20)), new("sheet", 10)],
                    };
                    return new DayJob(i, $"{i}", chance.Next(60), null, 60 + chance.Next(200), [new DayWay(1, way)]);
                }),
        ];

    private static double Least(List<DayJob> jobs, int hands)
    {
        var model = new CpModel();
        var all = new List<(int Job, IntVar Start, IntVar End, List<BoolVar> Whose)>();
        var late = new List<IntVar>();
        foreach (var job in jobs)
        {
            IntVar? before = null;
            var (wait, most) = (0.0, (double?)null);
            foreach (var piece in job.Ways[0].Pieces)
            {
                var start = model.NewIntVar((int)job.Ready, Horizon, "");
                var end = model.NewIntVar(0, Horizon, "");
                model.Add(end == start + (int)piece.Hands);
                var whose = Enumerable.Range(0, hands).Select(_ => model.NewBoolVar("")).ToList();
                model.AddExactlyOne(whose);
                all.Add(((int)job.Id, start, end, whose));
                if (before is { } last)
                    model.Add(start >= last + (int)wait);
                if (before is { } from && most is { } latest)
                    model.Add(start <= from + (int)latest);
                (before, wait, most) = (end, piece.Wait, piece.MostWait);
            }

            var past = model.NewIntVar(0, Horizon, "");
            model.Add(past >= before! + (int)wait - (int)job.Promise!.Value);
            late.Add(past);
        }

        // Of two pieces on the same hands one is before the other, with the way between two machines.
        foreach (var (a, i) in all.Select((a, i) => (a, i)))
        foreach (var b in all.Take(i))
        {
            var (first, walk) = (model.NewBoolVar(""), a.Job == b.Job ? 0 : (int)House.WalkMin);
            for (var h = 0; h < hands; h++)
            {
                model.Add(b.Start >= a.End + walk).OnlyEnforceIf([first, a.Whose[h], b.Whose[h]]);
                model.Add(a.Start >= b.End + walk).OnlyEnforceIf([first.Not(), a.Whose[h], b.Whose[h]]);
            }
        }

        model.Minimize(LinearExpr.Sum(late));
        var solver = new CpSolver { StringParameters = "num_workers:1 random_seed:1" };
        Assert.Equal(CpSolverStatus.Optimal, solver.Solve(model));
        return solver.ObjectiveValue;
    }
}
