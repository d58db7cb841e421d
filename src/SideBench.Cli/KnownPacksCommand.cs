using SideBench.Packs;

namespace SideBench.Cli;

/// <summary>Checks the packs that ship, and lists them beside the product as known good: a step of its build.</summary>
public static class KnownPacksCommand
{
    /// <summary>Runs it.</summary>
    /// <param name="folder">The folder of packs.</param>
    public static int Run(string folder)
    {
        var files = PackFolder.Read(folder);
        var listed = files.IsGood ? KnownPacks.Write(files.Value) : files.Problems.ToList();
        foreach (var problem in listed.Problems)
            Console.Error.WriteLine($"{problem.Path}: {problem.Code.Id} {string.Join(", ", problem.Args)}");
        return listed.IsGood ? 0 : 1;
    }
}
