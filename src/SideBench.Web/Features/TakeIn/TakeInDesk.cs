using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.TakeIn;

/// <summary>Takes a machine in: customer, machine, job and first lines in one transaction.</summary>
public sealed class TakeInDesk(WriteDesk desk, MachineStore machines, EntryStore entries, JobStore jobs, BenchBooks books)
{
    private const int LongestSerial = 60;
    private const int MostTries = 5;

    /// <summary>Takes it in, or says everything that stands in the way.</summary>
    public async Task<Outcome<TakenInView>> TakeIn(TakeInRequest request, HttpContext http)
    {
        if (request.Key == Guid.Empty)
            return new Problem(ProblemCode.Missing, "/key");
        var cancel = http.RequestAborted;
        var write = Asked.WriteOf(http, request.Key, request, books.Now);
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
            LastWork = known.Machine is null ? null : await LastWork(known.Machine, cancel),
            BookVersion = books.Shop.Book.Version,
            ModelVersion = model?.Version ?? 0,
        };
        problems.AddRange(
            Intake.Problems(intake, model, books.Shop.Book.Complaints.FirstOrDefault(c => c.Id == request.Complaint), books.Today)
        );
        var told = model is null ? [] : await Told(request, intake, known, model, problems, cancel);
        // Sent twice at the same moment: what the first one wrote is no problem of the second.
        if (problems.Count > 0)
            return await entries.FindWrite(request.Key, cancel) is { } meanwhile ? await Replay(meanwhile, write, cancel) : problems;
        return await Save(new Arrival(request, intake, known, model!.FullName, told), write, cancel);
    }

    // What the machine has and what was done before, as lines beside the take-in.
    private async Task<IReadOnlyList<EntryBody>> Told(
        TakeInRequest request,
        TakenIn intake,
        KnownParts known,
        MachineModel model,
        List<Problem> problems,
        CancellationToken cancel
    )
    {
        var machine = known.Machine is null ? MachineCase.New : MachineCase.Of(await entries.EarlierOf(known.Machine.Id, default, cancel));
        var told = TakeInWork.Changes(books.Shop.Changes, model, machine, intake.Ink, request.Changes ?? []);
        problems.AddRange(told.Problems);
        var lines = new List<EntryBody>(told.IsGood ? told.Value : []);
        foreach (var (before, at) in (request.Before ?? []).Select((before, at) => (before, at)))
        {
            var work = BenchWork.Before(books.Shop.Book, before.Repair ?? "", before.On, before.SinceTrouble, books.Today);
            problems.AddRange(work.Problems.Select(p => p with { Path = $"/before/{at}{p.Path}" }));
            if (work.IsGood)
                lines.AddRange(work.Value);
        }

        return lines;
    }

    private async Task<Outcome<TakenInView>> Save(Arrival arrival, Write write, CancellationToken cancel)
    {
        for (var tries = 1; ; tries++)
        {
            var saved = await desk.Try(unit => Save(unit, arrival, write, cancel), cancel);
            if (saved.IsGood)
                return saved;
            // The same take-in sent at the same moment: it was the other one that was written.
            if (await entries.FindWrite(write.Key, cancel) is { } earlier)
                return await Replay(earlier, write, cancel);
            // Somebody took the free place in the same moment: look for the next one.
            if (saved.Problems[0].Code != ProblemCode.StaleVersion || tries == MostTries)
                return saved;
        }
    }

    private async Task<(bool, Outcome<TakenInView>)> Save(Unit unit, Arrival arrival, Write write, CancellationToken cancel)
    {
        var (request, known) = (arrival.Request, arrival.Known);
        var about = new List<EntryBody>();
        var customer = known.Customer ?? await NewCustomer(unit, request, about, cancel);
        var machine =
            known.Machine?.Id ?? await MachineStore.AddMachine(unit, arrival.Intake.ModelId, request.Serial!.Trim(), customer.Id, cancel);
        var serial = known.Machine?.Serial ?? request.Serial!.Trim();
        if (known.Machine is null)
            about.Add(new MachineRegistered(machine.Value, arrival.Intake.ModelId, serial, customer.Id.Value));
        var (job, tag) = await JobStore.NewId(unit, cancel);
        var place = FreePlace(await JobStore.TakenPlaces(unit, cancel));
        var intake = arrival.Intake with { MachineId = machine.Value, CustomerId = customer.Id.Value };
        List<EntryBody> begins = [intake, new PlaceSet(place), .. arrival.Told];
        var ids = await SubjectStore.NewLines(unit, about.Count + begins.Count, cancel);
        var version = (await SubjectStore.HoldAll(unit, [Subject.Of(machine)], cancel))[Subject.Of(machine)];
        List<NewLine> ofMachine = [.. about.Select((body, i) => new NewLine(ids[i], version + 1 + i, body))];
        List<NewLine> ofJob = [.. begins.Select((body, i) => new NewLine(ids[about.Count + i], i + 1, body))];
        var now = books.NewCase(
            known.Machine is null ? MachineCase.New : MachineCase.Of(await entries.EarlierOf(machine, job, cancel)),
            [.. ofJob.Select(l => new Entry(l.Id, job, l.Version, write.Person, write.PersonName, write.At, l.Body, write.How))]
        );
        if (!now.IsGood)
            return (false, now.Problems.ToList());
        await using var appending = new Appending(unit);
        JobStore.Insert(appending, job, tag, intake, write.At, JobProjections.Of(now.Value, books, write.At));
        appending.Lines(write, job, machine, ofJob);
        appending.MoreLines(write, null, machine, ofMachine);
        appending.Touch(Subject.Of(machine), version, ids);
        Finds.Put(appending, new Finds.Thing(job, tag, machine, serial, arrival.MachineName, customer, intake.Words));
        await appending.Send(cancel);
        return (true, new TakenInView(job.Value, tag));
    }

    private async Task<Outcome<TakenInView>> Replay(EarlierWrite earlier, Write write, CancellationToken cancel) =>
        earlier.Fingerprint == write.Fingerprint && earlier.Job is { } job && await jobs.Load(job, cancel) is { } loaded
            ? new TakenInView(job.Value, loaded.Row.Tag)
            : new Problem(ProblemCode.KeyReused, "/key");

    private async Task<KnownParts> Known(TakeInRequest request, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var machine = request.MachineId is { } m ? await machines.Find(new MachineId(m), cancel) : null;
        if (request.MachineId is not null && machine is null)
            problems.Add(new Problem(ProblemCode.UnknownMachine, "/machineId", request.MachineId));
        if (request.MachineId is null)
        {
            Guard.Text(problems, request.Serial, "/serial", LongestSerial, needed: true);
            if (problems.Count == 0 && await machines.FindBySerial(request.Serial!.Trim(), cancel) is not null)
                problems.Add(new Problem(ProblemCode.SerialTaken, "/serial"));
        }

        var customer = request.CustomerId is { } c ? await machines.FindCustomer(new CustomerId(c), cancel) : null;
        if (request.CustomerId is not null && customer is null)
            problems.Add(new Problem(ProblemCode.UnknownCustomer, "/customerId", request.CustomerId));
        if (request.CustomerId is null)
            Guard.Text(problems, request.CustomerName, "/customerName", Guard.LongestName, needed: true);
        Guard.Text(problems, request.CustomerContact, "/customerContact", Guard.LongestName, needed: false);
        return new KnownParts(machine, customer, problems);
    }

    // Which path was worked on last, from the machine's own record.
    private async Task<string?> LastWork(MachineRow machine, CancellationToken cancel)
    {
        if (await entries.LastWork(machine.Id, cancel) is not { } repair)
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
        lines.Add(new CustomerRegistered(id.Value, name, contact));
        return new CustomerRow(id, name, contact);
    }

    private int FreePlace(IReadOnlyList<int> taken) =>
        Enumerable.Range(1, books.Shop.Book.House.Places).FirstOrDefault(p => !taken.Contains(p));

    private static TakenIn IntakeOf(TakeInRequest r, string modelId) =>
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

    private sealed record Arrival(
        TakeInRequest Request,
        TakenIn Intake,
        KnownParts Known,
        string MachineName,
        IReadOnlyList<EntryBody> Told
    );
}
