using System.Security.Cryptography;
using System.Text;
using SideBench.Core.Day;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.Shop;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Day;

/// <summary>The day: who does what when, what can be promised, what a walk-in does, and the hours of the shop.</summary>
public static class DayEndpoints
{
    private const int SecretBytes = 24;
    private const double LeastWalkIn = 5;
    private const double MostWalkIn = 480;

    /// <summary>Maps them.</summary>
    public static void MapDay(this IEndpointRouteBuilder routes)
    {
        var day = routes.MapGroup("/day").WithTags("Day");
        day.MapGet(
                "",
                async (DayDesk desk, BenchBooks books, TimeProvider clock, CancellationToken cancel) =>
                    Results.Ok(DayViews.Of(await desk.Plan(cancel), books, clock.LocalTimeZone, desk.Numbers))
            )
            .Produces<DayView>()
            .Described("getDay", "Who does what when, today and on the days after, with the chance of every promise.")
            .For(Act.Read);
        day.MapGet("/walk-in", TryWalkIn)
            .Produces<WalkInView>()
            .Described("tryWalkIn", "What some minutes now do to what was promised, and when they would harm nothing.")
            .For(Act.Read);
        day.MapGet("/pin-price", PriceOfPin)
            .Produces<PinPriceView>()
            .Described("getPinPrice", "What it would do to what was promised to give a job's next piece to a person, or to set its time.")
            .For(Act.Read);
        day.MapGet("/promise", Promise)
            .Produces<PromiseView>()
            .Described("getPromise", "What can be promised for a machine, given what stands on the bench.")
            .For(Act.Read);
        day.MapGet(
                "/hours",
                async (DayDesk desk, BenchBooks books, CancellationToken cancel) =>
                    Results.Ok(DayViews.Hours(desk, await desk.Bench(cancel), books))
            )
            .Produces<HoursView>()
            .Described("getHours", "Hours of the shop and of its people.")
            .For(Act.Read);
        day.MapGet(
                "/minutes",
                async (DayDesk desk, BenchBooks books, CancellationToken cancel) =>
                    Results.Ok(DayViews.Minutes(await desk.Minutes(cancel), books.Shop))
            )
            .Produces<MinutesView>()
            .Described("getMinutes", "How minutes have done: what steps really took, by step, model and person.")
            .For(Act.Read);
        day.MapPost("/hours", SetHours)
            .Produces<ShopView>()
            .Described("setHours", "Hours of the shop or of a person, for a day of the week or a single day.")
            .For(Act.KeepBook);
        day.MapPost("/rules", SetRule)
            .Produces<ShopView>()
            .Described(
                "setDayRule",
                "What the day keeps to: places for open machines, hours for loud and smelly work, what somebody leaves."
            )
            .For(Act.KeepBook);
        day.MapPost("/reminders", Done)
            .Produces<ShopView>()
            .Described("doneReminder", "A reminder was seen to: it went back, the customer was called. It does not come again for a while.")
            .For(Act.Bench);
        day.MapGet("/calendar", Address)
            .Produces<CalendarAddressView>()
            .Described("getCalendarAddress", "The address that calendars fetch the day from.")
            .For(Act.KeepBook);
        day.MapPost("/calendar/renew", Renew)
            .Produces<CalendarAddressView>()
            .Described("renewCalendarAddress", "Makes a new address; the old one answers no more.")
            .For(Act.KeepBook);
        // A calendar signs in nowhere: the address is the secret.
        routes
            .MapGet("/calendar/{secret}.ics", Feed)
            .WithTags("Day")
            .Produces<string>(200, "text/calendar")
            .Described("getCalendar", "Promises, long clocks, return days, bottles and stores that fill, for a calendar.")
            .RequireRateLimiting(AccountsEndpoints.Limit);
        routes
            .MapGroup("/jobs/{id:long}")
            .WithTags("Day")
            .MapPost("/pin", Pin)
            .Produces<BenchView>()
            .Described("pinPiece", "The next piece of a job is given to a person or set to a time, or let go again.")
            .For(Act.Bench);
    }

    private static async Task<IResult> TryWalkIn(double? minutes, long? person, DayDesk desk, BenchBooks books, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        Guard.Range(problems, minutes ?? double.NaN, "/minutes", LeastWalkIn, MostWalkIn);
        var made = await desk.Plan(cancel);
        var hand = person is null ? -1 : made.Plan.Hands.ToList().FindIndex(h => h.Id == person);
        if (person is { } asked && hand < 0)
            problems.Add(new Problem(DayProblem.NoPerson, "/person", asked));
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var said = WalkIn.Of(made.Plan, hand < 0 ? null : hand, minutes!.Value, desk.Numbers);
        return Results.Ok(DayViews.WalkIn(made, said, minutes.Value, books));
    }

    private static async Task<IResult> PriceOfPin(
        long? job,
        long? of,
        DateTimeOffset? from,
        DayDesk desk,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        var made = await desk.Plan(cancel);
        var place = made.Rows.ToList().FindIndex(r => r.Id.Value == job);
        var hand = of is null or 0 ? -1 : made.Plan.Hands.ToList().FindIndex(h => h.Id == of);
        var problems = new List<Problem>();
        if (place < 0)
            problems.Add(new Problem(DayProblem.NotPlanned, "/job", job ?? 0));
        if (of is { } asked and not 0 && hand < 0)
            problems.Add(new Problem(DayProblem.NoPerson, "/of", asked));
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        double? at = from is { } time ? Math.Max(0, (time - made.At).TotalMinutes) : null;
        var said = PinPrice.Of(made.Plan, made.Ends, place, hand < 0 ? null : hand, at, desk.Numbers);
        return Results.Ok(DayViews.Price(made, said, books));
    }

    private static async Task<IResult> Promise(
        string? model,
        string? complaint,
        DayDesk desk,
        BenchBooks books,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var job = await desk.Asking(model, complaint, cancel);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var made = await desk.Plan(cancel);
        var numbers = desk.Numbers;
        var open = made.Open.Select(o => ((o.From - made.At).TotalMinutes, (o.To - made.At).TotalMinutes)).ToList();
        var said = DayPromise.Of(
            made.Plan,
            job.Value,
            open,
            numbers,
            made.Ends,
            Grid(TimeZoneInfo.ConvertTime(made.At, clock.LocalTimeZone), numbers.RoundMin)
        );
        return Results.Ok(DayViews.Promise(made, said, books));
    }

    // Whole steps of the clock on the wall.
    private static double Grid(DateTimeOffset at, int step) => step - (at.TimeOfDay.TotalMinutes % step);

    private static async Task<IResult> SetHours(HoursRequest r, DayDesk day, ShopDesk desk, BenchBooks books, HttpContext http)
    {
        var bench = await day.Bench(http.RequestAborted);
        var name = bench.FirstOrDefault(p => p.Id.Value == r.Of)?.Name;
        return (
            await desk.Write(http, r, _ => DayKeeping.Hours(r.Of, name, WeekdayOf(r.Weekday), r.Day, r.Hours, r.Why, books.Today))
        ).ToResult();
    }

    private static async Task<IResult> SetRule(DayRuleRequest r, DayDesk day, ShopDesk desk, HttpContext http)
    {
        var name = (await day.Bench(http.RequestAborted)).FirstOrDefault(p => p.Id.Value == r.Of)?.Name;
        var rule = Enum.TryParse<DayRule>(r.Rule, out var known) && $"{known}" == r.Rule ? known : (DayRule?)null;
        return (await desk.Write(http, r, _ => DayKeeping.Rule(rule, r.Of, name, r.Value, day.Numbers))).ToResult();
    }

    private static async Task<IResult> Done(ReminderDoneRequest r, DayReminders reminders, ShopDesk desk, HttpContext http)
    {
        var standing = await reminders.Standing(new HashSet<long>(), http.RequestAborted);
        return (await desk.Write(http, r, _ => DayKeeping.Done(standing, r.Of))).ToResult();
    }

    private static DayOfWeek? WeekdayOf(string? text) => Enum.TryParse<DayOfWeek>(text, out var day) && $"{day}" == text ? day : null;

    private static async Task<IResult> Address(CalendarStore store, CancellationToken cancel) => Results.Ok(View(await store.Now(cancel)));

    private static async Task<IResult> Renew(CalendarRenewRequest request, CalendarStore store, BenchBooks books, CancellationToken cancel)
    {
        if (request.Key == Guid.Empty || !request.OldStops)
            return ProblemResults.Of(ProblemCode.Missing, request.OldStops ? "/key" : "/oldStops");
        var secret = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(SecretBytes));
        await store.Renew(secret, books.Now, cancel);
        return Results.Ok(View((secret, books.Now)));
    }

    private static CalendarAddressView View((string Secret, DateTimeOffset At)? address) =>
        new(address is { } now ? $"/api/calendar/{now.Secret}.ics" : null, address?.At);

    private static async Task<IResult> Feed(string secret, CalendarStore store, CalendarFeed feed, CancellationToken cancel) =>
        await store.Now(cancel) is { } now
        && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(now.Secret), Encoding.UTF8.GetBytes(secret))
            ? Results.Text(await feed.Of(cancel), CalendarFile.ContentType)
            : ProblemResults.Of(DayProblem.NoCalendar, "");

    private static async Task<IResult> Pin(long id, PinRequest r, DayDesk day, JobDesk desk, BenchBooks books, HttpContext http)
    {
        var bench = await day.Bench(http.RequestAborted);
        var name = bench.FirstOrDefault(p => p.Id.Value == r.Of)?.Name;
        var made = await day.Plan(http.RequestAborted);
        var tags = made.Plan.Pieces.FirstOrDefault(p => p.Number == 0 && made.Plan.Jobs[p.Job].Id == id)?.Piece.Tags ?? [];
        var left = day.Rules.LeftTo(r.Of, tags, day.Numbers).FirstOrDefault();
        return (
            await desk.Write(http, id, r, on => DayKeeping.Pin(on.Job.State, r.Of, name, r.From, r.Free, left, books.Now), harmless: true)
        ).ToResult();
    }
}
