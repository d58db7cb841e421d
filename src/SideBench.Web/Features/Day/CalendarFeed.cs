using SideBench.Core.Day;
using SideBench.Data.Jobs;
using SideBench.Web.Features.Shelf;
using SideBench.Web.Features.Waste;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Day;

/// <summary>What a calendar is told: promises, clocks longer than an hour, return days, bottles and stores that fill.</summary>
public sealed class CalendarFeed(JobStore jobs, ShelfDesk shelf, WasteDesk waste, BenchBooks books)
{
    private const string Returns = "return";

    /// <summary>The calendar as it stands.</summary>
    public async Task<string> Of(CancellationToken cancel)
    {
        var entries = new List<CalendarEntry>();
        var longFrom = books.Shop.Numbers.Of<DayNumbers>().CalendarFromMin;
        foreach (var loaded in await jobs.Load(await jobs.Open(cancel), cancel))
        {
            var row = loaded.Row;
            var machine = books.Shop.Models.GetValueOrDefault(row.ModelId)?.FullName ?? row.ModelId;
            if (row.PromiseAt is { } promise)
                entries.Add(new CalendarEntry($"promise-{row.Id.Value}", $"{row.Tag}: promised", machine, promise, false));
            if (books.Case(loaded) is not { IsGood: true } job)
                continue;
            foreach (var clock in job.Value.State.Clocks.Where(c => c.MinMinutes >= longFrom && c.Kind != Returns))
                entries.Add(
                    new CalendarEntry($"clock-{row.Id.Value}-{clock.Id}", $"{row.Tag}: {clock.Label}", machine, clock.EndsAt, false)
                );
        }

        foreach (var back in (await shelf.Show(cancel)).Returns)
            entries.Add(
                new CalendarEntry(
                    Uri.EscapeDataString($"return-{back.Until:yyyyMMdd}-{back.What}-{back.Where}"),
                    $"Goes back: {back.What}",
                    back.Where,
                    new DateTimeOffset(back.Until, TimeOnly.MinValue, TimeSpan.Zero),
                    true
                )
            );
        foreach (var row in (await waste.Show(cancel)).Rows)
        {
            var name = $"{row.Model}, {row.Serial}";
            if (row.Next is { } next)
                entries.Add(new CalendarEntry($"waste-{row.Machine}", $"Waste {row.First}: {name}", row.Customer, next, true));
            if (row.BottleOn is { } bottle)
                entries.Add(new CalendarEntry($"bottle-{row.Machine}", $"Empty the bottle: {name}", row.Customer, bottle, true));
        }

        return CalendarFile.Of(entries.OrderBy(e => e.At), books.Now);
    }
}
