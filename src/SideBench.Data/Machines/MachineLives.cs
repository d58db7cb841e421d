using System.Collections.Concurrent;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Data.Record;

namespace SideBench.Data.Machines;

/// <summary>
/// Machines as the visits before a job left them. Kept in memory by job: it is read anew only when lines of the machine outside the job
/// have come since.
/// </summary>
public sealed class MachineLives(EntryStore entries)
{
    private const int MostKept = 2000;
    private readonly ConcurrentDictionary<JobId, (int Lines, MachineCase Machine)> kept = new();

    /// <summary>The machine of a job, as all its lines outside the job have it.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="job">The job.</param>
    /// <param name="lines">How many lines of the machine are outside the job.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<MachineCase> Before(MachineId machine, JobId job, int lines, CancellationToken cancel)
    {
        if (lines <= 0)
            return MachineCase.New;
        if (kept.TryGetValue(job, out var known) && known.Lines == lines)
            return known.Machine;
        var read = MachineCase.Of(await entries.EarlierOf(machine, job, cancel));
        if (kept.Count >= MostKept)
            kept.Clear();
        kept[job] = (lines, read);
        return read;
    }

    /// <summary>Machines as all their lines have them, read at once.</summary>
    /// <param name="machines">Which.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<MachineId, MachineCase>> Now(IReadOnlyCollection<MachineId> machines, CancellationToken cancel)
    {
        var lines = await entries.OfMachines(machines, cancel);
        return machines.ToDictionary(m => m, m => MachineCase.Of([.. lines[m]]));
    }
}
