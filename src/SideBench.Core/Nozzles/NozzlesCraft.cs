using SideBench.Core.Jobs;

namespace SideBench.Core.Nozzles;

/// <summary>Nozzle sheets: taken, put right, compared.</summary>
public static class NozzlesCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Nozzles", [SheetTaken.Form, SheetCorrected.Form])
    {
        Begin = _ => JobSheets.New,
        Numbers = typeof(SheetNumbers),
    };
}
