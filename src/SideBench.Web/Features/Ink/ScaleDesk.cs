using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Devices.Scale;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Ink;

/// <summary>The scale at the bench: the one that the settings name, or a simulated one in the made-up shop.</summary>
public sealed class ScaleDesk(StandIns standIns) : IDisposable
{
    // A made-up piece is so much off its kind's empty mass, g.
    private const double MostOff = 1;
    private readonly SemaphoreSlim turn = new(1, 1);
    private readonly IScale? real = Named(Environment.GetEnvironmentVariable(Settings.Scale));
    private ScaleStandIn? standIn;

    /// <summary>Whether there is one.</summary>
    public async Task<bool> IsThere(CancellationToken cancel) => real is not null || await standIns.MayTakePart(cancel);

    /// <summary>Weighs what lies on it; in the made-up shop that is what is in the slot.</summary>
    public async Task<Outcome<ScaleView>> Weigh(JobCase job, SlotOnMachine slot, InkNumbers numbers, CancellationToken cancel)
    {
        if (real is not null)
            return View(await real.Weigh(cancel), false);
        if (!await standIns.MayTakePart(cancel))
            return new Problem(ScaleProblem.Away, "");
        await turn.WaitAsync(cancel);
        try
        {
            standIn ??= new ScaleStandIn();
            standIn.Lay(MassOf(job, slot, numbers));
            return View(await new TcpScale("127.0.0.1", standIn.Port).Weigh(cancel), true);
        }
        finally
        {
            turn.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        standIn?.Dispose();
        turn.Dispose();
    }

    private static double MassOf(JobCase job, SlotOnMachine slot, InkNumbers numbers)
    {
        var off = MostOff * Math.Sin((job.State.OpenedAt.Minute * 7) + slot.Slot.Panel);
        var ink = slot.Estimate?.Ink.Best ?? slot.Slot.Holds.Value / 2;
        return Math.Round((slot.Type?.Tare?.Value ?? 0) + off + (ink * numbers.Density.GetValueOrDefault(slot.Slot.InkKind, 1)), 1);
    }

    private static Outcome<ScaleView> View(Outcome<Grams> weighed, bool isMadeUp) =>
        weighed.IsGood ? new ScaleView(weighed.Value.Value, isMadeUp) : weighed.Problems.ToList();

    private static TcpScale? Named(string? place) =>
        place?.LastIndexOf(':') is > 0 and var at && int.TryParse(place[(at + 1)..], out var port) ? new TcpScale(place[..at], port) : null;
}
