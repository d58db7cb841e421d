using SideBench.Core.Nozzles;
using SideBench.Packs;

namespace SideBench.Devices.Tests;

/// <summary>The house's own numbers of nozzle sheets.</summary>
internal static class HouseSheets
{
    private static readonly Lazy<SheetNumbers> Loaded = new(() =>
        PackReader.Numbers(PackFolder.Read(Path.Combine(Root(), "packs")).Value).Value.Of<SheetNumbers>()
    );

    public static PatternModel Pattern => Loaded.Value.Pattern;

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new InvalidOperationException("the project's root was not found");
    }
}
