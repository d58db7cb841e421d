using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Data.Bulk;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Search;
using SideBench.Web.Demo;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Cli.Measure;

/// <summary>A large made-up shop: the demo's visits over and over, on many machines. Some jobs are still open.</summary>
public sealed class ScratchShop(BenchBooks books, int seed)
{
    private const int LinesPerJob = 20;
    private const int JobsPerMachine = 8;

    /// <summary>Jobs of the shop that are open.</summary>
    public const int OpenJobs = 640;

    /// <summary>Fills an empty database.</summary>
    /// <param name="to">The database.</param>
    /// <param name="jobCount">How many jobs; each has about 20 lines.</param>
    /// <returns>How many lines there are.</returns>
    public async Task<int> Fill(NpgsqlDataSource to, int jobCount, CancellationToken cancel)
    {
        var world = new DemoWorld(
            books.Shop.Book,
            books.Shop.Models.Values,
            seed,
            books.Now,
            DemoLoad.NumbersOf(books.Shop),
            graphs: books.Shop.Graphs
        );
        var templates = world.Past();
        var projections = templates
            .Select(t =>
                JobProjections.Of(books.NewCase(MachineCase.New, t.Entries).Value, books, t.Entries[^1].At) with
                {
                    HandedOverAt = t.Entries[^1].At,
                }
            )
            .ToList();
        List<CustomerRow> customers =
        [
            .. Enumerable.Range(1, 400).Select(i => new CustomerRow(new CustomerId(i), $"{Name(i)} {Name(i * 7)} {i}", $"02 555 {i:0000}")),
        ];
        var machineOf = new int[jobCount];
        List<MachineRow> machines = [];
        List<BulkJob> jobs = [];
        for (var j = 0; j < jobCount; j++)
        {
            var open = j >= jobCount - OpenJobs;
            if (j % JobsPerMachine == 0 || open)
                machines.Add(Machine(machines.Count + 1, templates[Of(j, open, templates.Count)], world, customers));
            machineOf[j] = machines.Count;
            jobs.Add(Job(j, open, templates, projections, machines[^1]));
        }

        await using var connection = await to.OpenConnectionAsync(cancel);
        await BulkLoad.Machines(connection, customers, machines, cancel);
        var keys = new Random(seed);
        await BulkLoad.Jobs(connection, jobs, () => NewKey(keys), cancel);
        await BulkLoad.Finish(connection, Finds(customers, machines, jobs), cancel);
        await Scratch.Analyze(connection, cancel);
        return jobs.Sum(j => j.Entries.Count);
    }

    // Jobs on one machine must be of its model: all of a machine's jobs come from one template.
    private static int Of(int job, bool open, int templates) => (open ? job : job / JobsPerMachine) % templates;

    private static BulkJob Job(
        int index,
        bool open,
        IReadOnlyList<DemoJob> templates,
        IReadOnlyList<JobProjection> projections,
        MachineRow machine
    )
    {
        var t = Of(index, open, templates.Count);
        var template = templates[t].Entries;
        var intake = ((TakenIn)template[0].Body) with { MachineId = machine.Id.Value, CustomerId = machine.Customer.Value };
        List<Entry> entries = [template[0] with { Body = intake }, .. open ? template.Skip(1).Take(1) : template.Skip(1).SkipLast(2)];
        while (!open && entries.Count < LinesPerJob - 2)
            entries.Add(template[1] with { Body = new Noted($"seen again, {entries.Count}") });
        if (!open)
            entries.AddRange(template.TakeLast(2));
        entries = [.. entries.Select((e, i) => e with { Version = i + 1 })];
        var now = projections[t] with { Version = entries.Count };
        if (open)
            now = now with { Standing = "hands", ClosedAt = null, ClosedHow = null, HandedOverAt = null };
        return new BulkJob(new JobId(index + 1), index + 1, entries, now);
    }

    private static MachineRow Machine(int id, DemoJob template, DemoWorld world, List<CustomerRow> customers)
    {
        var customer = customers[id % customers.Count];
        var model = world.Machines[template.Machine].Model;
        return new MachineRow(new MachineId(id), model.Id, $"X-{id:000000}", customer.Id, customer.Name, customer.Contact);
    }

    private IEnumerable<(Find, string, short)> Finds(List<CustomerRow> customers, List<MachineRow> machines, List<BulkJob> jobs)
    {
        foreach (var c in customers)
            yield return (new Find("customer", c.Id.Value, c.Name, c.Contact), $"{c.Name} {c.Contact}", 2);
        foreach (var m in machines)
            yield return (
                new Find("machine", m.Id.Value, m.Serial, m.CustomerName),
                $"{m.Serial} {books.Shop.Models[m.ModelId].FullName} {m.CustomerName}",
                1
            );
        foreach (var job in jobs)
        {
            var intake = (TakenIn)job.Entries[0].Body;
            var m = machines[(int)intake.MachineId - 1];
            yield return (
                new Find("job", job.Id.Value, $"{job.Tag}", intake.Words),
                $"{job.Tag} {books.Shop.Models[m.ModelId].FullName} {m.CustomerName} {m.Serial} {intake.Words}",
                0
            );
        }
    }

    private static Guid NewKey(Random chance)
    {
        var bytes = new byte[16];
        chance.NextBytes(bytes);
        return new Guid(bytes);
    }

    private static string Name(int i) =>
        new[] { "Alder", "Brook", "Cove", "Dune", "Ember", "Finch", "Gale", "Heron", "Islet", "Juniper", "Kelp" }[i % 11];
}
