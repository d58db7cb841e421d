using System.Text;
using SideBench.Core.Machines;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>Own machines: what advice costs that knows a kind alone, ways in that were taught, layouts that pictures taught.</summary>
internal static class OwnMeasure
{
    /// <summary>Measures.</summary>
    /// <param name="options">--machines N, --layouts N, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var said = new StringBuilder();
        TaughtOpeningMeasure.Run(shop.Graphs, shop.Numbers.Of<Handling>(), said);
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }
}
