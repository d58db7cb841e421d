using SideBench.Core.Nozzles;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Cli;

/// <summary>How nozzles behave, from the packs, for commands that need no shop.</summary>
internal static class HousePattern
{
    /// <summary>Reads it.</summary>
    public static PatternModel Read() => ReadAll().Pattern;

    /// <summary>All numbers of nozzle sheets.</summary>
    public static SheetNumbers ReadAll() =>
        PackReader
            .Numbers(PackFolder.Read(Settings.Needed(Settings.Packs).Split(':', StringSplitOptions.RemoveEmptyEntries)).Value)
            .Value.Of<SheetNumbers>();
}
