using Npgsql;
using SideBench.Core.Day;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.Simulation;
using SideBench.Core.Waste;
using SideBench.Data.Bulk;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Pictures;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Data.Shop;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Web.Demo;

/// <summary>Puts the demo world into an empty database, once.</summary>
public static class DemoLoad
{
    /// <summary>Password of every demo account.</summary>
    public const string Password = "fennmouth-bench";

    private const int Seed = 4471;
    private const int LastTag = 417;

    private static readonly string[] Pins = ["2580", "1470", "3690"];

    /// <summary>Loads it when nobody has an account yet.</summary>
    /// <param name="services">The server's services.</param>
    /// <param name="cancel">Stops it.</param>
    /// <param name="days">How far back the record goes, days; a shorter demo keeps its nozzle sheets without their pictures.</param>
    public static async Task Once(IServiceProvider services, CancellationToken cancel, int days = DemoWorld.TwoYears)
    {
        var people = services.GetRequiredService<PeopleStore>();
        var books = services.GetRequiredService<BenchBooks>();
        if (await people.Any(cancel))
            return;
        var world = new DemoWorld(
            books.Shop.Book,
            books.Shop.Models.Values,
            Seed,
            books.Now,
            NumbersOf(books.Shop),
            days,
            books.Shop.Graphs
        );
        var pictures = new DemoPictures(books.Shop, services.GetRequiredService<PictureStore>());
        List<DemoJob> jobs = [.. world.Past()];
        foreach (var job in world.Present())
            jobs.Add(days == DemoWorld.TwoYears ? await pictures.Taken(job, cancel) : job);
        List<PersonRow> persons =
        [
            .. DemoWorld.People.Select(
                (p, i) => new PersonRow(new PersonId(i + 1), p.Name, p.Role, SignIn.Hash(Password), SignIn.Hash(Pins[i]))
            ),
        ];
        await using var connection = await services.GetRequiredService<NpgsqlDataSource>().OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await BulkLoad.People(connection, persons, books.Now, cancel);
        await Load(connection, world, jobs, books, cancel);
        await transaction.CommitAsync(cancel);
        services.GetRequiredService<StandIns>().Forget();
        await books.Load(services.GetRequiredService<EntryStore>(), services.GetRequiredService<VerdictStore>(), cancel);
        var now = TimeZoneInfo.ConvertTime(books.Now, services.GetRequiredService<TimeProvider>().LocalTimeZone);
        await Shelve(services.GetRequiredService<WriteDesk>(), persons[0], persons[1], books, now, cancel);
    }

    // What lies on the shelf came on one day, told as a person tells it.
    private static Task Shelve(
        WriteDesk desk,
        PersonRow person,
        PersonRow second,
        BenchBooks books,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        StockCame Came(string kind, string name, string of, double amount, decimal price, string lot = "", int? days = null) =>
            new(kind, name, of, amount, "", price, "Alder Supplies", lot, days is { } n ? books.Today.AddDays(n) : null);
        StockCame[] came =
        [
            Came("ink", "Cyan refill", "Cyan dye", 500, 14),
            Came("ink", "Black refill", "Black dye", 1000, 22),
            Came("ink", "Photo black refill", "Photo black pigment", 500, 31),
            Came("key", "Counter key", "Tolling Folio 3", 3, 27),
            Came("key", "Counter key", "Marram Duo", 1, 9),
            Came("tool", "Seven-pin tool", "hand-tool chips", 1, 24),
            Came("board", "Reset board", "Tolling Broadside 44", 1, 64, "RB-9", 4),
            Came("pads", "Pad set, right bay", "Tolling Folio 3", 2, 28),
        ];
        // One waste box used, one dry beside it.
        EntryBody[] told =
        [
            new BoxCame("ST-1", "pellow-six-tank", 97, ""),
            new BoxTold("ST-1", "weighed", 168, ""),
            new BoxCame("ST-2", "pellow-six-tank", 98.5, "of a machine that was scrapped"),
            new BoxTold("ST-2", "weighed", 101, ""),
            new LocalRules("Pads and ink to the council’s yard, lidded, on Fridays; never down the drain."),
            // The shop keeps the house's hours; its second pair of hands comes later and goes earlier.
            .. Enumerable
                .Range((int)DayOfWeek.Monday, 5)
                .Select(d => new HoursSet(second.Id.Value, second.Name, (DayOfWeek)d, null, "09:00-12:30 13:00-17:00", "")),
            .. DemoHours
                .Of(now, ShopHours.Of([], books.Shop.Numbers.Of<DayNumbers>()))
                .SelectMany(h => new[] { h, h with { Of = second.Id.Value, Name = second.Name } }),
        ];
        var keeping = new StockKeeping([], books.Shop.Numbers.Of<ShelfNumbers>());
        var key = Guid.NewGuid();
        return desk.OnShop(
            new Asked(new Write(key, $"{key}", person.Id, person.Name, books.Now), 0),
            _ => came.SelectMany(c => keeping.Come(c).Value).Concat(told).ToList(),
            cancel
        );
    }

    /// <summary>What a made-up world is made with.</summary>
    public static DemoNumbers NumbersOf(Packs.Shop shop) =>
        new(
            shop.Numbers.Of<Handling>(),
            shop.Numbers.Of<SheetNumbers>().Pattern,
            shop.Printers,
            shop.Numbers.Of<InkNumbers>(),
            shop.Numbers.Of<WasteNumbers>()
        );

    private static async Task Load(
        NpgsqlConnection connection,
        DemoWorld world,
        List<DemoJob> jobs,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        List<CustomerRow> customers = [.. world.Customers.Select((c, i) => new CustomerRow(new CustomerId(i + 1), c.Name, c.Contact))];
        List<MachineRow> machines = [.. world.Machines.Select((m, i) => Machine(m, i, customers))];
        var firstTag = Math.Max(1, LastTag + 1 - jobs.Count);
        List<BulkJob> bulk = [.. jobs.Select((j, i) => Bulk(j, i, firstTag, books))];
        await BulkLoad.Machines(connection, customers, machines, cancel);
        await BulkLoad.Jobs(connection, bulk, Guid.NewGuid, cancel);
        await VerdictStore.Fill(connection, cancel);
        await BulkLoad.Finish(connection, Finds(customers, machines, bulk, books), cancel);
    }

    private static MachineRow Machine(DemoMachine machine, int index, IReadOnlyList<CustomerRow> customers)
    {
        var customer = customers[machine.Customer];
        return new MachineRow(new MachineId(index + 1), machine.Model.Id, machine.Serial, customer.Id, customer.Name, customer.Contact);
    }

    private static BulkJob Bulk(DemoJob job, int index, int firstTag, BenchBooks books)
    {
        var projection = JobProjections.Of(books.NewCase(MachineCase.New, job.Entries).Value, books, books.Now);
        var end = job.Entries[^1].At;
        if (projection.ClosedAt is not null)
            projection = projection with { ClosedAt = end };
        if (projection.HandedOverAt is not null)
            projection = projection with { HandedOverAt = end };
        return new BulkJob(new JobId(index + 1), firstTag + index, job.Entries, projection);
    }

    private static IEnumerable<(Find, string, short)> Finds(
        IReadOnlyList<CustomerRow> customers,
        IReadOnlyList<MachineRow> machines,
        IReadOnlyList<BulkJob> jobs,
        BenchBooks books
    )
    {
        foreach (var c in customers)
            yield return (new Find("customer", c.Id.Value, c.Name, c.Contact), $"{c.Name} {c.Contact}", 2);
        foreach (var m in machines)
        {
            var name = books.Shop.Models[m.ModelId].FullName;
            yield return (new Find("machine", m.Id.Value, $"{name} {m.Serial}", m.CustomerName), $"{m.Serial} {name} {m.CustomerName}", 1);
        }

        foreach (var job in jobs)
        {
            var intake = (TakenIn)job.Entries[0].Body;
            var machine = machines[(int)intake.MachineId - 1];
            var name = books.Shop.Models[machine.ModelId].FullName;
            yield return (
                new Find("job", job.Id.Value, $"{job.Tag} {name}", $"{machine.CustomerName} · {intake.Words}"),
                $"{job.Tag} {name} {machine.CustomerName} {machine.Serial} {intake.Words}",
                0
            );
        }
    }
}
