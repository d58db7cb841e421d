using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Simulation;
using SideBench.Data.Jobs;
using SideBench.Data.Pictures;
using SideBench.Devices.Pictures;
using SideBench.Devices.Scanner;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Nozzles;

/// <summary>
/// Takes nozzle sheets: one picture is read at a time, the next waits its turn, so that the rest of the shop stays quick.
/// </summary>
public sealed class SheetDesk(JobStore jobs, PictureStore pictures, JobDesk desk, BenchBooks books) : IDisposable
{
    private const int KeptQuality = 88;
    private static readonly IReadOnlyDictionary<string, IScanner> Scanners = new Dictionary<string, IScanner>
    {
        ["flatbed"] = new ScannerStandIn(photo: false),
        ["phone"] = new ScannerStandIn(photo: true),
    };
    private readonly SemaphoreSlim turn = new(1, 1);

    /// <summary>What stands ready to take a picture.</summary>
    public static IReadOnlyList<string> Devices { get; } = [.. Scanners.Keys];

    /// <summary>Reads a picture that was sent and puts it on record, or says why not.</summary>
    public async Task<IResult> Picture(HttpContext http, long id, Guid key, int seenVersion, int thread, string way)
    {
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        return await Read(
            http,
            id,
            way,
            (_, _) => bytes.ToArray(),
            print => new PictureTaken(key, seenVersion, way, print, thread),
            key,
            thread
        );
    }

    /// <summary>Lets a scanner take the picture.</summary>
    public Task<IResult> Scan(HttpContext http, long id, ScanRequest request) =>
        Scanners.TryGetValue(request.Device ?? "", out var scanner)
            ? Read(
                http,
                id,
                request.Device!,
                (job, plan) => scanner.Take(Printed(job, plan, id)),
                _ => request,
                request.Key,
                request.Thread
            )
            : Task.FromResult(ProblemResults.Of(ProblemCode.UnknownWord, "/device", request.Device, string.Join(", ", Devices)));

    /// <summary>Puts taps on record.</summary>
    public Task<IResult> Taps(HttpContext http, long id, TapsRequest request) =>
        desk.Write(
            http,
            id,
            request,
            (job, entries) =>
                Tapped(job, request.Units) is var units && units.IsGood
                    ? SheetKeeping.Take(
                        job,
                        NameOf(request.Key),
                        "taps",
                        null,
                        units.Value,
                        null,
                        thread => books.Case(entries, thread).Value,
                        NewId
                    )
                    : units.Problems.ToList()
        );

    /// <summary>Puts a reading right.</summary>
    public Task<IResult> PutRight(HttpContext http, long id, PutRightRequest request) =>
        desk.Write(
            http,
            id,
            request,
            (job, entries) =>
                Tapped(job, request.Units, job.State.Sheets.FirstOrDefault(s => s.Id == request.Sheet)?.Units) is var units && units.IsGood
                    ? SheetKeeping.PutRight(job, request.Sheet ?? "", units.Value, thread => books.Case(entries, thread).Value, NewId)
                    : units.Problems.ToList()
        );

    /// <inheritdoc/>
    public void Dispose() => turn.Dispose();

    private static string NewId() => Guid.NewGuid().ToString("N")[..8];

    // The sheet is named after the write's key, so that a write sent again answers with the sheet it made.
    private static string NameOf(Guid key) => key.ToString("N")[..8];

    private async Task<IResult> Read<T>(
        HttpContext http,
        long id,
        string way,
        Func<JobCase, SheetPlan, Outcome<byte[]>> picture,
        Func<string, T> write,
        Guid key,
        int thread
    )
        where T : IJobWrite
    {
        var cancel = http.RequestAborted;
        if (key == Guid.Empty)
            return ProblemResults.Of(ProblemCode.Missing, "/key");
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded.Entries, thread);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        if (job.Value.Book.Model.Sheet is not { } plan)
            return ProblemResults.Of(ProblemCode.UnknownLayout, "/layout", job.Value.Book.Model.FullName);
        var (image, reading) = await InTurn(() => Look(picture(job.Value, plan), plan.Layout), cancel);
        if (!image.IsGood)
            return ProblemResults.Of(image.Problems);
        if (reading!.Refusal is { } refusal)
        {
            var (title, what, then) = RefusalText.Of(refusal);
            return Results.Ok(
                new SheetTakenView(null, loaded.Row.Version, new RefusalView(Packs.ResultFile.Name(refusal.Reason), title, what, then))
            );
        }

        var kept = PictureCodec.Jpeg(image.Value, KeptQuality);
        var print = await pictures.Keep(kept, image.Value.Width, image.Value.Height, books.Now, cancel);
        var sheet = NameOf(key);
        var written = await desk.Write(
            http,
            id,
            write(print),
            (now, entries) =>
                SheetKeeping.Take(
                    now,
                    sheet,
                    way,
                    print,
                    [.. reading.Units.Select(UnitLine.Of)],
                    reading,
                    other => books.Case(entries, other).Value,
                    NewId
                )
        );
        return written is Microsoft.AspNetCore.Http.HttpResults.Ok<BenchView> good
            ? Results.Ok(new SheetTakenView(sheet, good.Value!.Version, null))
            : written;
    }

    private async Task<T> InTurn<T>(Func<T> work, CancellationToken cancel)
    {
        await turn.WaitAsync(cancel);
        try
        {
            return await Task.Run(work, cancel);
        }
        finally
        {
            turn.Release();
        }
    }

    private static (Outcome<PixelImage> Image, SheetReading? Reading) Look(Outcome<byte[]> bytes, SheetLayout layout)
    {
        if (!bytes.IsGood)
            return (bytes.Problems.ToList(), null);
        var image = PictureCodec.Read(bytes.Value);
        return (image, image.IsGood ? SheetReader.Read(image.Value, layout) : null);
    }

    private static Outcome<IReadOnlyList<UnitLine>> Tapped(
        JobCase job,
        IReadOnlyList<TappedUnit>? units,
        IReadOnlyList<UnitLine>? before = null
    )
    {
        if (job.Book.Model.Sheet is not { } plan)
            return new Problem(ProblemCode.UnknownLayout, "/layout", job.Book.Model.FullName);
        if (units is null || units.Count != plan.Layout.Units.Count)
            return new Problem(ProblemCode.OutOfRange, "/units", units?.Count ?? 0, plan.Layout.Units.Count, plan.Layout.Units.Count);
        var problems = new List<Problem>();
        var lines = new List<UnitLine>();
        for (var u = 0; u < units.Count; u++)
        {
            var (shape, told) = (plan.Layout.Units[u], units[u]);
            if (told?.Id != shape.Id)
                problems.Add(new Problem(ProblemCode.UnknownWord, $"/units/{u}/id", told?.Id, shape.Id));
            else if (told!.Nozzles?.Length != shape.Nozzles)
                problems.Add(
                    new Problem(ProblemCode.OutOfRange, $"/units/{u}/nozzles", told.Nozzles?.Length ?? 0, shape.Nozzles, shape.Nozzles)
                );
            else if (told.Nozzles.Any(n => !UnitLine.Letters.Contains(n)))
                problems.Add(
                    new Problem(
                        ProblemCode.UnknownWord,
                        $"/units/{u}/nozzles",
                        told.Nozzles[..Math.Min(20, told.Nozzles.Length)],
                        string.Join(' ', UnitLine.Letters.ToCharArray())
                    )
                );
            // Taps tell nothing of colour: what was read of it stands.
            else
                lines.Add(UnitLine.Tapped(shape, told.Nozzles, told.MixedWith ?? before?.FirstOrDefault(b => b.Id == shape.Id)?.MixedWith));
        }

        return problems.Count > 0 ? problems : lines;
    }

    // What the demo's machine would print now.
    private static PrintedSheet Printed(JobCase job, SheetPlan plan, long id)
    {
        var state = job.State;
        var faults = state
            .Threads.Where(t => t.IsOpen)
            .Select(t => (t.Slot, Family: job.Book.Book.Complaints.FirstOrDefault(c => c.Id == t.Complaint)?.Sheet?[0] ?? ""))
            .Where(f => f.Family.Length > 0)
            .ToList();
        var cleans = state.Work.Count(w => w.Tags.Contains(SheetOnJob.CleanTag));
        var seed = SeedOf(state.Intake.MachineId, id);
        return new PrintedSheet(
            plan.Layout,
            VirtualHead.Of(plan.Layout, plan.Slots, faults, cleans, job.Proof.Proved, seed),
            seed + cleans + (7 * state.Sheets.Count)
        );
    }

    private static int SeedOf(long machine, long job) => (int)(((machine * 7919) + (job * 104729)) & 0x7fffffff);
}
