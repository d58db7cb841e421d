using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Machines;

public sealed record VisitView(
    long JobId,
    int Tag,
    string Complaint,
    string Words,
    DateTimeOffset OpenedAt,
    DateTimeOffset? ClosedAt,
    string? ClosedHow,
    bool HandedOver
);

/// <summary>A machine with all its visits.</summary>
public sealed record MachineView(
    long Id,
    string ModelId,
    string Machine,
    string Kind,
    string Serial,
    string Customer,
    string CustomerContact,
    IReadOnlyList<VisitView> Visits,
    IReadOnlyList<KnownView> Known,
    IReadOnlyList<DoubtView> Doubts
);

/// <summary>A page of a machine's record, newest first.</summary>
public sealed record RecordPage(IReadOnlyList<EntryView> Entries, long? Older);

/// <summary>A machine's record, for life.</summary>
public static class MachinesEndpoints
{
    private const int PageSize = 60;
    private const int WholeRecord = 100_000;

    /// <summary>Maps them.</summary>
    public static void MapMachines(this IEndpointRouteBuilder routes)
    {
        var machines = routes.MapGroup("/machines/{id:long}").WithTags("Machines");
        machines
            .MapGet("", Show)
            .Produces<MachineView>()
            .Described("getMachine", "A machine: how it stands, and all its visits.")
            .For(Act.Read);
        machines
            .MapGet("/record", Page)
            .Produces<RecordPage>()
            .Described("getMachineRecord", "A page of a machine's record, newest first.")
            .For(Act.Read);
        machines
            .MapGet(
                "/record.csv",
                (long id, MachineStore machines, EntryStore store, CancellationToken cancel) =>
                    Export(id, machines, store, RecordFiles.Csv, "text/csv; charset=utf-8", "csv", cancel)
            )
            .Produces<string>(200, "text/csv")
            .Described("exportMachineRecordCsv", "A machine's whole record as CSV.")
            .For(Act.Read);
        machines
            .MapGet(
                "/record.json",
                (long id, MachineStore machines, EntryStore store, CancellationToken cancel) =>
                    Export(id, machines, store, RecordFiles.Json, "application/json", "json", cancel)
            )
            .Produces<string>(200, "application/json")
            .Described("exportMachineRecordJson", "A machine's whole record as JSON.")
            .For(Act.Read);
    }

    private static async Task<IResult> Page(long id, long? before, EntryStore store, CancellationToken cancel)
    {
        var entries = await store.OfMachine(new MachineId(id), before is { } b ? new EntryId(b) : null, PageSize, cancel);
        return Results.Ok(new RecordPage(BenchViews.EntryViews(entries), entries.Count == PageSize ? entries[^1].Id.Value : null));
    }

    private static async Task<IResult> Show(
        long id,
        MachineStore store,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        if (await store.Find(new MachineId(id), cancel) is not { } row)
            return ProblemResults.Of(ProblemCode.UnknownMachine, "", id);
        var visits = await jobs.OfMachine(row.Id, cancel);
        books.Shop.Models.TryGetValue(row.ModelId, out var model);
        var machine = MachineCase.Of(await entries.EarlierOf(row.Id, default, cancel));
        var complaints = books.Shop.Book.Complaints.ToDictionary(c => c.Id, c => c.Name);
        return Results.Ok(
            new MachineView(
                id,
                row.ModelId,
                model?.FullName ?? row.ModelId,
                model?.Kind ?? "",
                row.Serial,
                row.CustomerName,
                row.CustomerContact,
                [
                    .. visits.Select(v => new VisitView(
                        v.Id.Value,
                        v.Tag,
                        complaints.GetValueOrDefault(v.Complaint, v.Complaint),
                        v.Words,
                        v.OpenedAt,
                        v.ClosedAt,
                        v.ClosedHow,
                        v.HandedOverAt is not null
                    )),
                ],
                MachineViews.Known(machine),
                [.. machine.Doubts.Select(d => new DoubtView(d.Entry.Value, d.Says))]
            )
        );
    }

    private static async Task<IResult> Export(
        long id,
        MachineStore machines,
        EntryStore store,
        Func<IEnumerable<Entry>, string> write,
        string type,
        string ending,
        CancellationToken cancel
    )
    {
        if (await machines.Find(new MachineId(id), cancel) is not { } machine)
            return ProblemResults.Of(ProblemCode.UnknownMachine, "", id);
        var entries = await store.OfMachine(machine.Id, null, WholeRecord, cancel);
        return Results.File(
            System.Text.Encoding.UTF8.GetBytes(write(entries.Reverse())),
            type,
            $"record-{FileName(machine.Serial)}.{ending}"
        );
    }

    private static string FileName(string serial) => new([.. serial.Select(c => char.IsLetterOrDigit(c) ? c : '-')]);
}
