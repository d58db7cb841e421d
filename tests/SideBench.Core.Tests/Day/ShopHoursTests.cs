using System.Globalization;
using SideBench.Core.Day;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>Hours of the shop and of its people, over nights on which the clocks change.</summary>
public class ShopHoursTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>();
    private static readonly TimeZoneInfo Zone = TimeZoneInfo.CreateCustomTimeZone(
        "made-up",
        TimeSpan.FromHours(1),
        "made-up",
        "made-up",
        "made-up summer",
        [
            TimeZoneInfo.AdjustmentRule.CreateAdjustmentRule(
                DateTime.MinValue.Date,
                DateTime.MaxValue.Date,
                TimeSpan.FromHours(1),
                TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 2, 0, 0), 3, 5, DayOfWeek.Sunday),
                TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 3, 0, 0), 10, 5, DayOfWeek.Sunday)
            ),
        ]
    );

    [Fact]
    public void Spans_AreReadOrRefused()
    {
        Assert.Equal(2, HourSpan.Read("09:00-12:30 13:00-17:00")!.Count);
        // One that begins as the other ends is a change of hands, no overlap.
        Assert.Equal(2, HourSpan.Read("09:00-12:00 12:00-17:00")!.Count);
        Assert.Empty(HourSpan.Read("")!);
        Assert.All(
            ["9-12", "12:00-09:00", "09:00-12:00 11:59-13:00", "09:00-09:00", "25:00-26:00", "x"],
            t => Assert.Null(HourSpan.Read(t))
        );
    }

    [Fact]
    public void APerson_IsThereWithinTheShopsHours_AndOnTheirOwnDays()
    {
        // A Monday.
        var from = new DateTimeOffset(2026, 3, 2, 8, 0, 0, TimeSpan.FromHours(1));
        var hours = Hours(
            new HoursSet(2, "Tam", DayOfWeek.Monday, null, "07:00-11:00", ""),
            new HoursSet(2, "Tam", default, new DateOnly(2026, 3, 3), "", "dentist"),
            new HoursSet(0, "", default, new DateOnly(2026, 3, 4), "", "fair"),
            new HoursSet(0, "", DayOfWeek.Thursday, null, "10:00-12:00", "")
        );
        Assert.Equal(["08:30-11:00"], On(hours, 2, 2));
        Assert.Empty(On(hours, 2, 3));
        Assert.Equal(["08:30-12:30", "13:00-17:30"], On(hours, 1, 3));
        Assert.Empty(On(hours, 1, 4));
        Assert.Equal(["10:00-12:00"], On(hours, 0, 5));
        Assert.Empty(On(hours, 1, 7));
        var ahead = hours.Ahead(2, from.AddHours(2), 2, Zone);
        // At ten what is left of the first span.
        Assert.Equal([(from.AddHours(2), from.AddHours(3))], ahead);
        Assert.Empty(hours.Ahead(2, from.AddHours(9), 1, Zone));
    }

    [Fact]
    public void AnHourThatDoesNotExist_BeginsAfterTheChange()
    {
        // On the last Sunday of March two o'clock is three.
        var night = new DateOnly(2026, 3, 29);
        var hours = Hours(new HoursSet(0, "", DayOfWeek.Sunday, null, "02:30-05:00", ""));
        var span = hours.Ahead(0, new DateTimeOffset(2026, 3, 28, 23, 0, 0, TimeSpan.FromHours(1)), 3, Zone).First(s => s.From.Day == 29);
        Assert.Equal((TimeSpan.FromHours(2), TimeSpan.FromHours(2)), (span.From.Offset, span.To - span.From));
        Assert.Equal(new DateTimeOffset(2026, 3, 29, 3, 0, 0, TimeSpan.FromHours(2)), span.From);
        Assert.Equal(night, DateOnly.FromDateTime(span.To.DateTime));
    }

    [Theory]
    // A Tuesday at ten has room; late in the evening the open house goes on over midnight, beside the next day’s own hours.
    [InlineData("2026-03-03 10:00", "")]
    [InlineData("2026-03-03 22:30", "2026-03-03 08:30-12:30 13:00-17:30 21:30-23:59|2026-03-04 00:00-05:30 08:30-12:30 13:00-17:30")]
    [InlineData("2026-03-03 16:00", "2026-03-03 08:30-12:30 13:00-23:00")]
    [InlineData("2026-03-08 11:15", "2026-03-08 10:15-18:15")]
    [InlineData("2026-03-02 00:20", "2026-03-01 23:20-23:59|2026-03-02 00:00-07:20 08:30-12:30 13:00-17:30")]
    public void TheDemo_IsOpen_WhenItIsBegun(string at, string expected)
    {
        var now = DateTimeOffset.Parse($"{at} +01:00", CultureInfo.InvariantCulture);
        var usual = Hours();
        var set = DemoHours.Of(now, usual);
        Assert.Equal(expected, string.Join('|', set.Select(s => $"{s.Day:yyyy-MM-dd} {s.Hours}")));
        var (day, time) = (DateOnly.FromDateTime(now.DateTime), TimeOnly.FromDateTime(now.DateTime));
        Assert.Contains(Hours([.. set]).On(0, day), s => s.From <= time && time < s.To);
    }

    private static ShopHours Hours(params IReadOnlyList<HoursSet> set) =>
        ShopHours.Of(set.Select((s, i) => (Entry)TestShop.Line(i + 1, s)), House);

    private static List<string> On(ShopHours hours, long person, int day) =>
        [.. hours.On(person, new DateOnly(2026, 3, day)).Select(s => $"{s.From:HH:mm}-{s.To:HH:mm}")];
}
