using MathNet.Numerics.Distributions;
using SideBench.Core.Day;

namespace SideBench.Core.Simulation;

/// <summary>What comes in made-up weeks of a shop, and its hours: drawn, and the same whoever works it.</summary>
internal static class DayWeeks
{
    /// <summary>Minutes of a day.</summary>
    public const double Day = 24 * 60;

    /// <summary>Days with hours.</summary>
    public const double MostDays = 40;

    /// <summary>When the shop opens, min of the day.</summary>
    public const double Opens = 8.5 * 60;

    /// <summary>Care of a promise at the door: nothing is asked but that it is done the same day.</summary>
    public const double AtTheDoor = 0;

    /// <summary>The boldest promise holds with this chance in an empty shop.</summary>
    public const double Least = 0.6;

    private const double Most = 0.97;
    private const double ComingDays = 5;
    private const double Breaks = 12.5 * 60;
    private const double Resumes = 13 * 60;
    private const double Closes = 17.5 * 60;

    /// <summary>A machine of the week: when it comes, the ways it may go, the one it does go, and how carefully is promised.</summary>
    public sealed record Coming(double At, IReadOnlyList<DayWay> Ways, IReadOnlyList<DayPiece> True, double Care)
    {
        /// <summary>What was asked for it before, by when it was asked: the same every time.</summary>
        public Dictionary<double, double> Asked { get; } = [];
    }

    /// <summary>The shop's hours.</summary>
    public static List<(double From, double To)> Spans() =>
        [
            .. Enumerable
                .Range(0, (int)MostDays)
                .Where(d => d % 7 < 5)
                .SelectMany(d => new[] { ((d * Day) + Opens, (d * Day) + Breaks), ((d * Day) + Resumes, (d * Day) + Closes) }),
        ];

    /// <summary>The machines of a week.</summary>
    public static List<Coming> Week(DayNumbers numbers, Random chance, int people, int each)
    {
        var coming = new List<Coming>();
        var many = each * people;
        for (var i = 0; i < many; i++)
        {
            var day = chance.Next((int)ComingDays);
            var at = (day * Day) + Opens + (chance.NextDouble() * (Closes - Opens));
            var ways = Ways(chance);
            var which = Picked(ways, chance);
            coming.Add(
                new Coming(
                    at,
                    ways,
                    [
                        .. ways[which]
                            .Pieces.Select(p =>
                                p with
                                {
                                    Hands = p.Hands * Math.Exp(numbers.MinutesSd * Normal.Sample(chance, 0, 1)),
                                    Wait = p.IsOthers ? p.Wait * Math.Exp(numbers.WaitSd * Normal.Sample(chance, 0, 1)) : p.Wait,
                                }
                            ),
                    ],
                    Least + (chance.NextDouble() * (Most - Least))
                )
            );
        }

        // People at the door: short, at once, promised for the same day.
        for (var i = 0; i < many / 4; i++)
        {
            var at = (chance.Next((int)ComingDays) * Day) + Opens + (chance.NextDouble() * (Closes - Opens - 120));
            IReadOnlyList<DayPiece> way = [new DayPiece("walk-in", 15 + chance.Next(30))];
            coming.Add(new Coming(at, [new DayWay(1, way)], way, AtTheDoor));
        }

        return [.. coming.OrderBy(c => c.At)];
    }

    /// <summary>Ways such as the book gives: looks, work, its wait, the proof; some with a soak, some with a part.</summary>
    public static IReadOnlyList<DayWay> Ways(Random chance)
    {
        DayPiece Look() => new("look", 5 + chance.Next(25));
        DayPiece Proof() => new("proof", 5 + chance.Next(15));
        var clean = new DayWay(0.4, [Look(), new("clean", 10 + chance.Next(20), 60 + chance.Next(120)), Proof()]);
        var soak = new DayWay(0.25, [Look(), new("soak", 10 + chance.Next(15), 60, 150), new("flush", 15 + chance.Next(25)), Proof()]);
        var mend = new DayWay(0.2, [Look(), new("mend", 30 + chance.Next(70), 15), Proof()]);
        var part = new DayWay(
            0.1,
            [Look(), new("order", 8, (1 + chance.Next(2)) * Day) { IsOthers = true }, new("fit", 40 + chance.Next(50)), Proof()]
        );
        var pads = new DayWay(0.05, [Look(), new("wash", 50, 22 * 60), new("back in", 25), Proof()]);
        return [clean, soak, mend, part, pads];
    }

    private static int Picked(IReadOnlyList<DayWay> ways, Random chance)
    {
        var (which, sum, at) = (chance.NextDouble(), 0.0, 0);
        while (at < ways.Count - 1 && (sum += ways[at].Chance) < which)
            at++;
        return at;
    }
}
