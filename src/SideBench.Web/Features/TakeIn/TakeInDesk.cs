using Npgsql;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.TakeIn;

/// <summary>Takes a machine in: customer, machine, job and first line in one transaction.</summary>
public sealed class TakeInDesk(
    NpgsqlDataSource database,
    MachineStore machines,
    EntryStore entries,
    JobStore jobs,
    BenchBooks books,
    JobDesk desk
)
{
    private const int LongestSerial = 60;
    private const int MostTries = 5;

    /// <summary>Takes it in, or says everything that stands in the way.</summary>
    public async Task<IResult> TakeIn(TakeInRequest request, HttpContext http)
    {
        if (request.Key == Guid.Empty)
            return ProblemResults.Of(ProblemCode.Missing, "/key");
        var cancel = http.RequestAborted;
        var write = desk.WriteOf(http, request.Key, request);
        if (await entries.FindWrite(request.Key, cancel) is { } earlier)
            return await Replay(earlier, write, cancel);
        var known = await Known(request, cancel);
        var problems = known.Problems;
        var modelId = known.Machine?.ModelId ?? request.ModelId ?? "";
        if (modelId.Length == 0)
            problems.Add(new Problem(ProblemCode.Missing, "/modelId"));
        if (!books.Shop.Models.TryGetValue(modelId, out var model) && modelId.Length > 0)
            problems.Add(new Problem(ProblemCode.UnknownModel, "/modelId", modelId));
        var intake = IntakeOf(request, modelId) with
        {
            LastWork = await LastWork(known.Machine, cancel),
            BookVersion = books.Shop.Book.Version,
            ModelVersion = model?.Version ?? 0,
        };
        problems.AddRange(
            Intake.Problems(intake, model, books.Shop.Book.Complaints.FirstOrDefault(c => c.Id == request.Complaint), books.Today)
        );
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        for (var tries = 1; ; tries++)
        {
            try
            {
                return Results.Ok(await Save(request, intake, known, write, model!.FullName, cancel));
            }
            catch (PostgresException e) when (e.ConstraintName == "writes_pkey")
            {
                return await Replay((await entries.FindWrite(request.Key, cancel))!, write, cancel);
            }
            catch (PostgresException e) when (e.ConstraintName == "jobs_place_once" && tries < MostTries)
            {
                // Somebody took the free place in the same moment: look for the next one.
            }
        }
    }

    private async Task<TakenInView> Save(
        TakeInRequest request,
        EntryBody.TakenIn intake,
        KnownParts known,
        Write write,
        string machineName,
        CancellationToken cancel
    )
    {
        await using var unit = await Unit.Begin(database, cancel);
        var lines = new List<EntryBody>();
        var customer = known.Customer ?? await NewCustomer(unit, request, lines, cancel);
        var machine = known.Machine?.Id ?? await MachineStore.AddMachine(unit, intake.ModelId, request.Serial!.Trim(), customer.Id, cancel);
        var serial = known.Machine?.Serial ?? request.Serial!.Trim();
        if (known.Machine is null)
            lines.Add(new EntryBody.MachineRegistered(machine.Value, intake.ModelId, serial, customer.Id.Value));
        var (job, tag) = await JobStore.NewId(unit, cancel);
        var place = FreePlace(await JobStore.TakenPlaces(unit, cancel));
        intake = intake with { MachineId = machine.Value, CustomerId = customer.Id.Value };
        List<EntryBody> jobLines = [intake, new EntryBody.PlaceSet(place)];
        var now = books
            .Case([.. jobLines.Select((b, i) => new Entry(new EntryId(i + 1), job, i + 1, write.Person, write.PersonName, write.At, b))])
            .Value;
        await JobStore.Insert(unit, job, tag, intake, write.At, desk.Projection(now, write.At), cancel);
        await EntryStore.Add(unit, write, job, machine, 1, jobLines, cancel);
        if (lines.Count > 0)
            await EntryStore.Add(unit, write with { Key = Guid.NewGuid() }, null, machine, 1, lines, cancel);
        await Finds.Put(unit, new Finds.Thing(job, tag, machine, serial, machineName, customer, intake.Words), cancel);
        await JobStore.Announce(unit, job, now.State.Version, cancel);
        await unit.Commit(cancel);
        return new TakenInView(job.Value, tag);
    }

    private async Task<IResult> Replay(EarlierWrite earlier, Write write, CancellationToken cancel) =>
        earlier.Fingerprint == write.Fingerprint && earlier.Job is { } job && await jobs.Load(job, cancel) is { } loaded
            ? Results.Ok(new TakenInView(job.Value, loaded.Row.Tag))
            : ProblemResults.Of(ProblemCode.KeyReused);

    private async Task<KnownParts> Known(TakeInRequest request, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var machine = request.MachineId is { } m ? await machines.Find(new MachineId(m), cancel) : null;
        if (request.MachineId is not null && machine is null)
            problems.Add(new Problem(ProblemCode.UnknownMachine, "/machineId", request.MachineId));
        if (request.MachineId is null)
        {
            Intake.Text(problems, request.Serial, "/serial", LongestSerial, needed: true);
            if (request.Serial is { Length: > 0 and <= LongestSerial } s && await machines.FindBySerial(s.Trim(), cancel) is not null)
                problems.Add(new Problem(ProblemCode.SerialTaken, "/serial"));
        }

        var customer = request.CustomerId is { } c ? await machines.FindCustomer(new CustomerId(c), cancel) : null;
        if (request.CustomerId is not null && customer is null)
            problems.Add(new Problem(ProblemCode.UnknownCustomer, "/customerId", request.CustomerId));
        if (request.CustomerId is null)
            Intake.Text(problems, request.CustomerName, "/customerName", Intake.LongestName, needed: true);
        Intake.Text(problems, request.CustomerContact, "/customerContact", Intake.LongestName, needed: false);
        return new KnownParts(machine, customer, problems);
    }

    // Which path was worked on last, from the machine's own record.
    private async Task<string?> LastWork(MachineRow? machine, CancellationToken cancel)
    {
        if (machine is null || await entries.LastWork(machine.Id, cancel) is not { } repair)
            return null;
        var station = books.Shop.Book.Step(repair)?.Station;
        return books
            .Shop.Models.GetValueOrDefault(machine.ModelId)
            ?.Stations.FirstOrDefault(s => s.Id == station)
            ?.Path.ToString()
            .ToLowerInvariant();
    }

    private static async Task<CustomerRow> NewCustomer(Unit unit, TakeInRequest request, List<EntryBody> lines, CancellationToken cancel)
    {
        var (name, contact) = (request.CustomerName!.Trim(), request.CustomerContact?.Trim() ?? "");
        var id = await MachineStore.AddCustomer(unit, name, contact, cancel);
        lines.Add(new EntryBody.CustomerRegistered(id.Value, name, contact));
        return new CustomerRow(id, name, contact);
    }

    private int FreePlace(IReadOnlyList<int> taken) =>
        Enumerable.Range(1, books.Shop.Book.House.Places).FirstOrDefault(p => !taken.Contains(p));

    private static EntryBody.TakenIn IntakeOf(TakeInRequest r, string modelId) =>
        new(
            r.MachineId ?? 0,
            r.CustomerId ?? 0,
            modelId,
            r.Complaint,
            r.Words?.Trim() ?? "",
            r.Tried?.Trim() ?? "",
            r.CleansTried,
            r.Ink,
            r.IdleWeeks,
            r.Moved,
            r.Paper,
            r.Borderless,
            r.WarrantyEnd,
            r.Limit,
            r.Promise,
            r.Accessories?.Trim() ?? "",
            r.AgeYears,
            null,
            r.Firmware,
            r.Slot
        );

    private sealed record KnownParts(MachineRow? Machine, CustomerRow? Customer, List<Problem> Problems);
}
