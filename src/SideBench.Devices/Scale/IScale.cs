using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Devices.Scale;

/// <summary>A scale that is asked over the network.</summary>
public interface IScale
{
    /// <summary>The mass that lies on it, once it has come to rest.</summary>
    /// <param name="cancel">Stops it.</param>
    Task<Outcome<Grams>> Weigh(CancellationToken cancel);
}
