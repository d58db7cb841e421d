using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Pictures;
using SideBench.Devices.Pictures;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Nozzles;

/// <summary>
/// Takes nozzle sheets: each picture is read in its turn.
/// </summary>
public sealed class SheetDesk(JobStore jobs, PictureStore pictures, JobDesk desk, BenchBooks books, StandIns standIns, PictureTurn turn)
{
    private const int KeptQuality = 88;

    private SheetNumbers Numbers => books.Shop.Numbers.Of<SheetNumbers>();

    /// <summary>Reads a picture that was sent and puts it on record, or says why not.</summary>
    public async Task<Outcome<SheetTakenView>> Picture(HttpContext http, long id, Guid key, int seenVersion, int thread, string way)
    {
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        return await Read(
            http,
            id,
            (_, _) => bytes.ToArray(),
            print => new PictureTaken(key, seenVersion, way, print, thread) { HowTold = HowTold.Scan },
            new Taking(key, thread, way, false)
        );
    }

    /// <summary>Lets a scanner take the picture. Only a made-up shop has any, and what it takes is marked as made up.</summary>
    public async Task<Outcome<SheetTakenView>> Scan(HttpContext http, long id, ScanRequest request)
    {
        var cancel = http.RequestAborted;
        if (await standIns.Scanner(request.Device ?? "", cancel) is not { } scanner)
            return new Problem(ProblemCode.UnknownWord, "/device", request.Device, string.Join(", ", await standIns.Scanners(cancel)));
        return await Read(
            http,
            id,
            (job, plan) => scanner.Take(SimulatedSheets.PrintedNow(books.Shop, Threads(job), plan, id)),
            _ => request with { HowTold = HowTold.Scan },
            new Taking(request.Key, request.Thread, request.Device!, true)
        );
    }

    /// <summary>Puts taps on record.</summary>
    public Task<Outcome<BenchView>> Taps(HttpContext http, long id, TapsRequest request) =>
        desk.Write(
            http,
            id,
            request,
            on =>
            {
                var units = Tapped(on.Job, request.Units);
                return units.IsGood
                    ? SheetKeeping.Take(
                        on.Job,
                        NameOf(request.Key),
                        new SheetWay("taps"),
                        units.Value,
                        null,
                        Numbers,
                        on.Other,
                        JobsEndpoints.NewId
                    )
                    : units.Problems.ToList();
            }
        );

    /// <summary>Puts a reading right.</summary>
    public Task<Outcome<BenchView>> PutRight(HttpContext http, long id, PutRightRequest request) =>
        desk.Write(
            http,
            id,
            request,
            on =>
            {
                var units = Tapped(on.Job, request.Units, on.Job.State.Sheets.FirstOrDefault(s => s.Id == request.Sheet)?.Units);
                return units.IsGood
                    ? SheetKeeping.PutRight(on.Job, request.Sheet ?? "", units.Value, Numbers, on.Other, JobsEndpoints.NewId)
                    : units.Problems.ToList();
            }
        );

    // The sheet is named after the write's key, so that a write sent again answers with the sheet it made.
    private static string NameOf(Guid key) => key.ToString("N")[..8];

    private async Task<Outcome<SheetTakenView>> Read<T>(
        HttpContext http,
        long id,
        Func<LoadedJob, SheetPlan, Outcome<byte[]>> picture,
        Func<string, T> write,
        Taking taking
    )
        where T : IJobWrite
    {
        var cancel = http.RequestAborted;
        if (taking.Key == Guid.Empty)
            return new Problem(ProblemCode.Missing, "/key");
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return new Problem(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded, taking.Thread);
        if (!job.IsGood)
            return job.Problems.ToList();
        if (job.Value.Book.Model.Sheet is not { } plan)
            return new Problem(NozzlesProblem.UnknownLayout, "/layout", job.Value.Book.Model.FullName);
        // A sheet that was scanned under this key is not scanned again: the answer to it was lost on the way.
        if (taking.IsMadeUp && job.Value.State.Sheets.Any(s => s.Id == NameOf(taking.Key)))
            return new SheetTakenView(NameOf(taking.Key), loaded.Row.Version, null);
        var (image, reading) = await turn.Take(() => Look(picture(loaded, plan), plan.Layout), cancel);
        if (!image.IsGood)
            return image.Problems.ToList();
        if (reading!.Refusal is { } refusal)
        {
            var (title, what, then) = RefusalText.Of(refusal);
            return new SheetTakenView(null, loaded.Row.Version, new RefusalView(Packs.ResultFile.Name(refusal.Reason), title, what, then));
        }

        var kept = PictureCodec.Jpeg(image.Value, KeptQuality);
        var print = PictureStore.Fingerprint(kept);
        var sheet = NameOf(taking.Key);
        var way = new SheetWay(taking.Way, print, taking.IsMadeUp);
        Outcome<IReadOnlyList<EntryBody>> Taken(JobCase of, Func<int, JobCase> other) =>
            SheetKeeping.Take(of, sheet, way, [.. reading.Units.Select(UnitLine.Of)], reading, Numbers, other, JobsEndpoints.NewId);

        // What will be refused leaves no picture behind: seen too long ago, or on a job that takes no more.
        var isTaken = Taken(job.Value, other => books.Case(loaded, other).Value).IsGood;
        if (isTaken && write("").SeenVersion == loaded.Row.Version)
            await pictures.Keep(kept, image.Value.Width, image.Value.Height, books.Now, cancel);
        var written = await desk.Write(http, id, write(print), on => Taken(on.Job, on.Other));
        return written.IsGood ? new SheetTakenView(sheet, written.Value.Job.Version, null) : written.Problems.ToList();
    }

    // Once for each thread: each has odds of its own.
    private List<JobCase> Threads(LoadedJob job) =>
        [.. books.Case(job).Value.State.Threads.Select(thread => books.Case(job, thread.Id).Value)];

    private (Outcome<PixelImage> Image, SheetReading? Reading) Look(Outcome<byte[]> bytes, SheetLayout layout)
    {
        if (!bytes.IsGood)
            return (bytes.Problems.ToList(), null);
        var image = PictureCodec.Read(bytes.Value);
        return (image, image.IsGood ? SheetReader.Read(image.Value, layout, Numbers.Pattern) : null);
    }

    private Outcome<IReadOnlyList<UnitLine>> Tapped(
        JobCase job,
        IReadOnlyList<TappedUnit>? units,
        IReadOnlyList<UnitLine>? before = null
    ) => SheetTaps.Of(job.Book.Model, [.. (units ?? []).Select(Tap)], before, Numbers);

    private static (string Id, string Nozzles, string? MixedWith)? Tap(TappedUnit? unit) =>
        unit is null ? null : (unit.Id, unit.Nozzles, unit.MixedWith);

    private sealed record Taking(Guid Key, int Thread, string Way, bool IsMadeUp);
}
