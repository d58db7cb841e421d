using SideBench.Core.Day;

namespace SideBench.Core.Simulation;

/// <summary>
/// The least that was found for a week by somebody who knows all that will come, and how long it will take: lists of who goes first are
/// tried on the very week. Nobody can work so; it tells how much foresight alone is worth.
/// </summary>
public static class DaySeer
{
    // A soak that is overrun counts as so many hours late.
    private const double OverrunHours = 10;
    private const double Near = 6;
    private const double Far = 30;
    private const int FarEvery = 3;

    /// <summary>One week.</summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws it.</param>
    /// <param name="people">Pairs of hands.</param>
    /// <param name="tries">Lists that are tried.</param>
    /// <param name="each">Machines that come for each pair of hands.</param>
    public static DayWeek Of(DayNumbers numbers, int seed, int people, int tries, int each = DayTrial.UsualMachines)
    {
        var coming = DayWeeks.Week(numbers, new Random(seed), people, each);
        var chance = new Random(seed);
        double[] list = [.. Enumerable.Range(0, coming.Count)];
        var best = Worked(list);
        for (var k = 0; k < tries; k++)
        {
            var tried = (double[])list.Clone();
            tried[chance.Next(tried.Length)] += ((2 * chance.NextDouble()) - 1) * (k % FarEvery == 0 ? Far : Near);
            var week = Worked(tried);
            if (Cost(week) <= Cost(best))
                (best, list) = (week, tried);
        }

        return best;

        DayWeek Worked(double[] told) => DayTrial.Of(numbers, coming, people, people, DayPolicy.Told, told);
        static double Cost(DayWeek week) => week.LateHours + (OverrunHours * week.Overruns);
    }
}
