using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
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
        group.MapGet("/choices", (BenchBooks books) => Results.Ok(Choices(books))).Produces<TakeInChoices>().For(Act.Read);
        group
            .MapGet(
                "/customers",
                async (string start, MachineStore store, CancellationToken cancel) =>
                    Results.Ok((await store.Customers(start, cancel)).Select(c => new CustomerView(c.Id.Value, c.Name, c.Contact)).ToList())
            )
            .Produces<List<CustomerView>>()
            .For(Act.Read);
        group.MapGet("/machine", FindMachine).Produces<FoundMachine>().Produces(204).For(Act.Read);
        group
            .MapPost("/", (TakeInRequest request, TakeInDesk desk, HttpContext http) => desk.TakeIn(request, http))
            .Produces<TakenInView>()
            .ProducesProblems()
            .For(Act.TakeIn);
    }

    private static async Task<IResult> FindMachine(
        string serial,
        MachineStore machines,
        JobStore jobs,
        BenchBooks books,
        CancellationToken cancel
    )
    {
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
                last is null ? null : JobFold.Of(last.Entries).Intake.Ink
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
                    [.. complaints.Where(c => c.When.Holds(bare)).Select(c => c.Id)],
                    [.. m.Slots.Select(s => new SlotChoice(s.Panel, s.Ink))]
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
