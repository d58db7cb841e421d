using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>Minutes as they were taken: what lines tell of them, and how far few and many of them move the plan.</summary>
public class DayMinutesTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with
    {
        LearnWorth = 6,
        LearnLeast = 0.2,
        LearnMost = 5,
    };
    private static readonly DateTimeOffset Nine = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    [Fact]
    public void Told_IsFromALineOfAPersonToTheirNext_OnTheSameJob()
    {
        List<ShopLine> lines =
        [
            Line(0, job: 1, person: 1, "look", 4),
            // Eight minutes for a step of four.
            Line(8, job: 1, person: 1, "contacts", 4),
            // Tam's own first line tells nothing; nor does a job that another lay between.
            Line(9, job: 1, person: 2, "contacts", 4),
            Line(12, job: 2, person: 1, "look", 4),
            Line(20, job: 1, person: 1, "sheet", 4),
            // Lunch lay between; and this was told later, in one go.
            Line(60, job: 1, person: 1, "sheet", 4),
            Line(60.5, job: 1, person: 1, "contacts", 4),
            // Twelve minutes of drying were no work.
            Line(61, job: 1, person: 1, new ClockStarted("c", "dry", "dry", 12, null)),
            Line(75, job: 1, person: 1, "sheet", 4),
        ];
        var told = DayMinutes.Told(lines, House).Single();
        Assert.Equal(("contacts", 4.0, 8.0, 1L), (told.Step, told.Book, told.Taken, told.Person));
    }

    [Fact]
    public void Few_MoveItLittle_AndManyAllTheWay()
    {
        Assert.Equal(1, DayMinutes.Of([], House).Factor("contacts", "duo"));
        Assert.Equal(House.MinutesSd, DayMinutes.Of([], House).Sd("contacts"));
        // One line of twice the book: a seventh of ln 2 for the shop, a seventh of the rest for the step, of that for the model.
        var one = DayMinutes.Of([Took("contacts", 8)], House);
        var left = Math.Log(2) * 6 / 7;
        Assert.Equal(Math.Exp((Math.Log(2) / 7) + (left / 7) + (left * 6 / 49)), one.Factor("contacts", "duo"), 1e-9);
        var many = DayMinutes.Of([.. Enumerable.Repeat(Took("contacts", 8), 200), .. Enumerable.Repeat(Took("sheet", 4), 200)], House);
        Assert.Equal(2, many.Factor("contacts", "duo"), 0.05);
        Assert.Equal(1, many.Factor("sheet", "duo"), 0.05);
        // All alike: the spread falls.
        Assert.InRange(many.Sd("sheet"), 0.01, 0.1);
    }

    [Fact]
    public void ASlowerPerson_IsPlannedSlower_AndTheStepIsNotBlamed()
    {
        List<MinutesTaken> all =
        [
            .. Enumerable.Range(0, 300).SelectMany(i => new[] { Took($"s{i % 10}", 4, 1), Took($"s{i % 10}", 6, 2) }),
        ];
        var minutes = DayMinutes.Of(all, House);
        Assert.Equal(1.5, minutes.Pace(2) / minutes.Pace(1), 0.05);
        var rows = minutes.Rows();
        Assert.Equal(10, rows.Count(r => r.What == "step"));
        Assert.All(rows.Where(r => r.What == "step"), r => Assert.InRange(r.Factor, 1.1, 1.35));
        // The slower one's piece is longer in the plan.
        DayHand[] hands = [new(1, "Ines", [(0, 1000)]) { Pace = 1 }, new(2, "Tam", [(0, 1000)]) { Pace = 1.5 }];
        var job = new DayJob(1, "A", 0, null, null, [new DayWay(1, [new DayPiece("a", 40)])]) { Hand = 1 };
        Assert.Equal(60, DayPlan.Of([job], hands, House).Pieces.Single().To);
        Assert.Equal((0, 40.0), (DayPlan.Of([job with { Hand = null }], hands, House).Pieces.Single() is var p ? (p.Hand, p.To) : default));
    }

    private static MinutesTaken Took(string step, double taken, long person = 1) => new(step, step, "duo", person, $"{person}", 4, taken);

    private static ShopLine Line(double minute, long job, long person, string step, double book) =>
        Line(minute, job, person, new Answered(step, "ok", step, "ok", "ok", null, "", book, []));

    private static ShopLine Line(double minute, long job, long person, EntryBody body) =>
        new(
            new Entry(
                new EntryId((long)(minute * 10) + 1),
                new JobId(job),
                1,
                new PersonId(person),
                $"{person}",
                Nine.AddMinutes(minute),
                body
            ),
            1,
            "duo",
            "X"
        );
}
