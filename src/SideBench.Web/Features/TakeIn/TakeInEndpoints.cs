using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.TakeIn;

/// <summary>Taking a machine in.</summary>
public static class TakeInEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapTakeIn(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/take-in").WithTags("TakeIn");
        group
            .MapGet("/choices", (BenchBooks books) => Results.Ok(Choices(books)))
            .Produces<TakeInChoices>()
            .Described("getTakeInChoices", "What can be chosen at take-in: models, complaints, inks, papers.")
            .For(Act.Read);
        group
            .MapGet("/customers", FindCustomers)
            .Produces<List<CustomerView>>()
            .Described("findCustomers", "Customers whose name holds what was typed.")
            .For(Act.Read);
        group
            .MapGet("/machine", FindMachine)
            .Produces<FoundMachine>()
            .Produces(204)
            .Described("findMachine", "The machine with a serial, or nothing.")
            .For(Act.Read);
        group
            .MapPost("/", async (TakeInRequest request, TakeInDesk desk, HttpContext http) => (await desk.TakeIn(request, http)).ToResult())
            .Produces<TakenInView>()
            .Described("takeIn", "Takes a machine in: customer, machine and job at once.")
            .For(Act.TakeIn);
    }

    private static async Task<IResult> FindCustomers(string start, MachineStore store, CancellationToken cancel) =>
        Guard.IsKeepable(start)
            ? Results.Ok((await store.Customers(start, cancel)).Select(c => new CustomerView(c.Id.Value, c.Name, c.Contact)).ToList())
            : ProblemResults.Of(ProblemCode.UnkeepableText, "/start");

    private static async Task<IResult> FindMachine(
        string serial,
        MachineStore machines,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        if (!Guard.IsKeepable(serial))
            return ProblemResults.Of(ProblemCode.UnkeepableText, "/serial");
        if (await machines.FindBySerial(serial.Trim(), cancel) is not { } row)
            return Results.NoContent();
        var visits = await jobs.OfMachine(row.Id, cancel);
        var last = visits.Count > 0 ? await jobs.Load(visits[0].Id, cancel) : null;
        return Results.Ok(
            new FoundMachine(
                row.Id.Value,
                row.ModelId,
                books.Shop.Models.TryGetValue(row.ModelId, out var model) ? model.FullName : row.ModelId,
                row.Serial,
                new CustomerView(row.Customer.Value, row.CustomerName, row.CustomerContact),
                visits.FirstOrDefault(v => v.HandedOverAt is null)?.Id.Value,
                visits.Count,
                last is null ? null : last.Entries.Select(e => e.Body).OfType<TakenIn>().FirstOrDefault()?.Ink,
                [
                    .. AsItStands
                        .ChangesOf(books.Shop.Changes, MachineCase.Of(await entries.EarlierOf(row.Id, default, cancel)))
                        .Select(c => c.Id),
                ]
            )
        );
    }

    private static TakeInChoices Choices(BenchBooks books)
    {
        var complaints = books.Shop.Book.Complaints;
        var models = books
            .Shop.Models.Values.OrderBy(m => m.FullName, StringComparer.Ordinal)
            .Select(m =>
            {
                var bare = new Facts { Model = m, Context = new Dictionary<string, string>() };
                return new ModelChoice(
                    m.Id,
                    m.FullName,
                    m.Kind,
                    m.SerialPrefix,
                    [.. complaints.Where(c => c.When.Holds(bare)).Select(c => c.Id)],
                    [.. m.Slots.Select(s => new SlotChoice(s.Panel, s.Ink))],
                    [.. books.Shop.Changes.Where(c => c.CanBeOn(m)).Select(c => new ChangeChoice(c.Id, c.Name, c.Says))],
                    [
                        .. books
                            .Shop.Book.Repairs.Where(r =>
                                r.ToldBefore && !r.When.For(bare).IsNever && m.Stations.Any(s => s.Id == r.Station)
                            )
                            .Select(r => new WorkChoice(r.Id, r.Name)),
                    ]
                );
            });
        return new TakeInChoices(
            [.. models],
            [.. complaints.Select(c => new ComplaintChoice(c.Id, c.Name, c.Says))],
            Intake.Inks,
            Intake.Papers
        );
    }
}
