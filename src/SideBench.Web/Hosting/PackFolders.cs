using SideBench.Core.Outcomes;
using SideBench.Packs;

namespace SideBench.Web.Hosting;

/// <summary>Where the packs are, to be read again while the server runs.</summary>
/// <param name="Folders">Folders, ours first, separated by a colon.</param>
public sealed record PackFolders(string Folders)
{
    /// <summary>Reads them whole, or says every problem in them.</summary>
    public Outcome<Shop> Read()
    {
        var files = PackFolder.Read(Folders.Split(':', StringSplitOptions.RemoveEmptyEntries));
        return files.IsGood ? PackReader.Read(files.Value) : new List<Problem>(files.Problems);
    }
}
