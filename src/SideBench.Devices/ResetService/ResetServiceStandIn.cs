using SideBench.Core.Outcomes;

namespace SideBench.Devices.ResetService;

/// <summary>
/// A simulated service program. It fails as real ones do, one try after the other, so that each can be met once: it does not answer,
/// sets the counter but it is not stored, lists another machine, refuses; the other tries work.
/// </summary>
public sealed class ResetServiceStandIn : IResetService
{
    private const int Round = 6;
    private int tries;

    /// <inheritdoc/>
    public Outcome<ServiceReading> Reset(string model, double countPct, double toPct) =>
        ((Interlocked.Increment(ref tries) - 1) % Round) switch
        {
            0 => new Problem(ResetServiceProblem.Away, ""),
            2 => new ServiceReading(countPct, countPct),
            3 => new Problem(ResetServiceProblem.WrongMachine, "", model),
            5 => new Problem(ResetServiceProblem.Refused, ""),
            _ => new ServiceReading(countPct, toPct),
        };
}
