using SideBench.Core.Day;
using SideBench.Web.Features.Shelf;
using SideBench.Web.Features.Waste;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Day;

/// <summary>
/// What the plan is reminded of: returns, bottles and stores that fill. Looked up now and then beside the plan, which does not wait for it
/// but the first time; what was seen to is gone at once.
/// </summary>
public sealed class DayReminders(ShelfDesk shelf, WasteDesk waste, BenchBooks books, TimeProvider clock, ILogger<DayReminders> log)
{
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(5);
    private readonly Lock gate = new();
    private IReadOnlyList<DayReminder> known = [];
    private DateTimeOffset? at;
    private Task looking = Task.CompletedTask;

    /// <summary>Those that stand.</summary>
    /// <param name="here">Machines that are here.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<DayReminder>> Standing(IReadOnlySet<long> here, CancellationToken cancel)
    {
        Task look;
        lock (gate)
            look =
                looking.IsCompleted && (at is null || books.Now - at > Fresh) ? looking = Task.Run(Look, CancellationToken.None) : looking;
        // The first look is waited for; later ones go on by themselves.
        if (at is null)
            await look.WaitAsync(cancel);
        var now = TimeZoneInfo.ConvertTime(books.Now, clock.LocalTimeZone);
        return DayReminder.Standing(known, books.ShopLines, here, now, books.Shop.Numbers.Of<DayNumbers>());
    }

    private async Task Look()
    {
        try
        {
            var now = books.Now;
            known = await Known(CancellationToken.None);
            at = now;
        }
        catch (Npgsql.NpgsqlException broken)
        {
            // The plan stands without what it could not be reminded of; the next look tries again.
            log.LogWarning(broken, "What is due could not be looked up");
        }
    }

    private async Task<List<DayReminder>> Known(CancellationToken cancel)
    {
        var numbers = books.Shop.Numbers.Of<DayNumbers>();
        var all = new List<DayReminder>();
        foreach (var back in (await shelf.Show(cancel)).Returns)
            all.Add(
                new DayReminder(
                    $"return-{back.Until:yyyyMMdd}-{back.What}-{back.Where}",
                    $"Send back {back.What}",
                    back.Where,
                    back.Until,
                    numbers.ReturnMin
                )
            );
        foreach (var row in (await waste.Show(cancel)).Rows)
        {
            var about = $"{row.Model}, {row.Customer}";
            if (row.Next is { } next)
                all.Add(Call($"waste-{row.Machine}", $"Call: waste {row.First} is due", next));
            if (row.BottleOn is { } bottle)
                all.Add(Call($"bottle-{row.Machine}", "Call: the bottle fills", bottle));

            DayReminder Call(string key, string says, DateTimeOffset on) =>
                new(key, says, about, Day(on), numbers.ProofMin) { Machine = row.Machine };
        }

        return all;
    }

    private DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, clock.LocalTimeZone).DateTime);
}
