using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Packs;

namespace SideBench.Web.Hosting;

/// <summary>Where the packs are, to be read again while the server runs.</summary>
/// <param name="Folders">Folders, ours first, separated by a colon.</param>
public sealed record PackFolders(string Folders)
{
    /// <summary>Every file of them.</summary>
    public Outcome<IReadOnlyList<PackFile>> Files() => PackFolder.Read(Folders.Split(':', StringSplitOptions.RemoveEmptyEntries));

    /// <summary>Reads them whole, or says every problem in them.</summary>
    public Outcome<Shop> Read()
    {
        var files = Files();
        return files.IsGood ? PackReader.Read(files.Value) : new List<Problem>(files.Problems);
    }

    /// <summary>Reads them with the shop's own files; an own file that does not fit is left out, and said.</summary>
    public Outcome<Shop> Read(IReadOnlyList<OwnFileKept> own, out IReadOnlyList<Problem> left)
    {
        left = [];
        var files = Files();
        return files.IsGood ? OwnPackFiles.Read(files.Value, own, out left) : new List<Problem>(files.Problems);
    }
}
