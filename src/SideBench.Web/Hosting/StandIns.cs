using SideBench.Data.Shop;
using SideBench.Devices.Scanner;

namespace SideBench.Web.Hosting;

/// <summary>
/// Stand-ins of devices. They exist only in the demo's world, which its database says of itself: a real shop never sees one, whatever the
/// server was started with.
/// </summary>
public sealed class StandIns(WorldStore worlds)
{
    private static readonly IReadOnlyDictionary<string, IScanner> All = new Dictionary<string, IScanner>
    {
        ["flatbed"] = new ScannerStandIn(photo: false),
        ["phone"] = new ScannerStandIn(photo: true),
    };

    private bool? isMadeUp;

    /// <summary>Scanners that stand ready.</summary>
    public async Task<IReadOnlyList<string>> Scanners(CancellationToken cancel) => await IsMadeUp(cancel) ? [.. All.Keys] : [];

    /// <summary>The scanner of that name, or null.</summary>
    public async Task<IScanner?> Scanner(string name, CancellationToken cancel) =>
        await IsMadeUp(cancel) ? All.GetValueOrDefault(name) : null;

    /// <summary>Whether this is the made-up shop: only there does a stand-in take part.</summary>
    public async Task<bool> MayTakePart(CancellationToken cancel) => await IsMadeUp(cancel);

    /// <summary>Reads again what kind of world the records tell of.</summary>
    public void Forget() => isMadeUp = null;

    private async Task<bool> IsMadeUp(CancellationToken cancel) => isMadeUp ??= await worlds.IsMadeUp(cancel);
}
