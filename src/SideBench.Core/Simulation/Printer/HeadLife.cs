using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation.Heads;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// What cleans, rests, soaks and flushes since the last sheet did to the head of a made-up machine. Every channel has hidden parameters of
/// its own, the same ones at every sheet of the job: how many of its gaps never clear, what each method brings, how air wanders.
/// </summary>
/// <param name="makings">What printers are made of: what is behind the gaps of a cause.</param>
/// <param name="numbers">House numbers of head care: what heads are drawn around.</param>
/// <param name="seed">The same seed gives the same head.</param>
internal sealed class HeadLife(PrinterBook makings, HeadCareNumbers numbers, int seed)
{
    /// <summary>The head now.</summary>
    /// <param name="job">A thread of the job.</param>
    /// <param name="ills">The faults that the machine has.</param>
    /// <returns>As the last sheet showed it, and what was done since.</returns>
    public NozzleTruth After(JobCase job, IReadOnlyList<Ill> ills)
    {
        var (model, state) = (job.Book.Model, job.State);
        var (plan, last, cleans) = (model.Sheet!, state.Sheets[^1], state.Of<JobCleans>());
        var done = cleans.All.Where(c => c.Entry > last.Entry).ToList();
        var supplied = cleans.Work.Any(w =>
            w.Entry > last.Entry && numbers.SupplyStations.Contains(job.Book.Book.Step(w.Repair)?.Station ?? "")
        );
        var truth = NozzleTruth.Of(last.Units);
        foreach (var (at, unit) in last.Units.Index())
        {
            var slot = model.Slots.First(s => s.Panel == plan.Slots[unit.Id]);
            var kind = $"{model.Axes["head"]} {slot.InkKind}";
            if (!unit.Missing.Any() || !numbers.Chances.ContainsKey(kind))
                continue;
            var (first, behind) = (state.Sheets[0].Units.First(u => u.Id == unit.Id), Behind(ills, slot.Panel));
            var found = (first.Missing.Any() ? first : unit).Missing.ToHashSet();
            var channel = new SimulatedChannel(
                new HeadHistory(kind, state.Intake.IdleWeeks, unit.Nozzles.Length, HeadOnJob.IsRefilled(job), found, []),
                slot.Panel,
                behind,
                numbers,
                HeadWorld.AsSaid,
                new Random(HashOf(at, 0)),
                new Random(HashOf(at, last.Entry))
            );
            channel.Found(unit.Missing.ToHashSet());
            // Work on the supply that left no such fault behind lets ink come again.
            if (supplied && behind is not (ChannelTruth.Air or ChannelTruth.Starved))
                channel.Feed();
            foreach (var clean in done.Where(c => c.Touched(slot.Panel)))
                if (HeadOnJob.MethodOf(clean.Repair, numbers) is { } method)
                    channel.Apply(method);
            truth = truth.With(at, Shown(truth.Units[at], channel));
        }

        return truth;
    }

    // Gaps belong to the fault of their slot, others to the first fault; where no fault is left they are dried ink.
    private ChannelTruth Behind(IReadOnlyList<Ill> ills, int slot) =>
        (ills.FirstOrDefault(i => i.Slot == slot) ?? ills.FirstOrDefault()) is { } ill
            ? makings.Gaps.GetValueOrDefault(ill.Cause.Id)
            : ChannelTruth.Clog;

    private static UnitTruth Shown(UnitTruth unit, SimulatedChannel channel)
    {
        var before = unit.Missing.ToHashSet();
        if (channel.Missing.SetEquals(before))
            return unit;
        double Ink(double was, int n) =>
            channel.Missing.Contains(n) ? 0
            : before.Contains(n) ? 1
            : was;
        var pattern =
            channel.Missing.Count == 0 ? PatternClass.None
            : channel.Truth == ChannelTruth.Starved ? PatternClass.Starvation
            : PatternClass.Scattered;
        return unit with { Strength = [.. unit.Strength.Select(Ink)], Pattern = pattern };
    }

    private int HashOf(int unit, long entry) => (int)(((seed * 31L) + (unit * 7919L) + (entry * 104729L)) & 0x7fffffff);
}
