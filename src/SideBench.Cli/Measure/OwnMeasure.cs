using System.Globalization;
using System.Text;
using SideBench.Core.Machines;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>Own machines: what advice costs that knows a kind alone, ways in that were taught, layouts that pictures taught.</summary>
internal static class OwnMeasure
{
    private const int UsualMachines = 200;

    /// <summary>Measures.</summary>
    /// <param name="options">--machines N, --markdown FILE.</param>
    public static int Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var said = new StringBuilder();
        TaughtOpeningMeasure.Run(shop.Graphs, shop.Numbers.Of<Handling>(), said);
        var machines = MeasureCommand.Option(options, "--machines") is { } n ? int.Parse(n, CultureInfo.InvariantCulture) : UsualMachines;
        if (machines is < 1 or > 2000)
        {
            Console.Error.WriteLine("--machines takes 1 to 2000.");
            return 2;
        }

        KindMeasure.Run(shop, machines, said);
        Console.WriteLine(said);
        if (MeasureCommand.Option(options, "--markdown") is { } file)
            File.WriteAllText(file, said.ToString());
        return 0;
    }
}
