using SideBench.Core.Outcomes;

namespace SideBench.Devices.ResetService;

/// <summary>What a service program read before and after it set a waste counter anew, after the machine was switched off and on.</summary>
/// <param name="BeforePct">The counter before, %.</param>
/// <param name="AfterPct">The counter read back, %: where it did not fall, nothing was stored.</param>
public sealed record ServiceReading(double BeforePct, double AfterPct);

/// <summary>A program or service that sets waste counters anew.</summary>
public interface IResetService
{
    /// <summary>Reads, sets anew, and reads back.</summary>
    /// <param name="model">The machine's model, as it must be listed.</param>
    /// <param name="countPct">What the machine's counter stands at, %; a real one asks the machine.</param>
    /// <param name="toPct">What it is to be set to, %.</param>
    Outcome<ServiceReading> Reset(string model, double countPct, double toPct);
}
