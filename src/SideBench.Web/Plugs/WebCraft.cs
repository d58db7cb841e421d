using SideBench.Core.Diagnosis;
using SideBench.Packs;

namespace SideBench.Web.Plugs;

/// <summary>What a craft adds to the server: its addresses, and the services behind them.</summary>
/// <param name="Name">Its name, that of its folder.</param>
/// <param name="Map">Maps its addresses below <c>/api</c>.</param>
public sealed record WebCraft(string Name, Action<IEndpointRouteBuilder> Map)
{
    /// <summary>Adds its services; null when it needs none of its own.</summary>
    public Action<IServiceCollection>? Services { get; init; }

    /// <summary>The advice with its word on its own steps; null when it has none.</summary>
    public Func<JobCase, Shop, DateTimeOffset, Advice>? Advises { get; init; }
}
