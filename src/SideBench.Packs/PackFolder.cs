using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>
/// Reads packs from disk: a folder with a pack.json, and sheets/, machines/, book/, access/, guides/, numbers/, changes/ and printers/
/// beside it.
/// </summary>
public static class PackFolder
{
    /// <summary>All files of all packs below some folders.</summary>
    /// <param name="folders">Each is a pack or holds packs, such as ours and the shop's. A folder that is not there holds none.</param>
    public static Outcome<IReadOnlyList<PackFile>> Read(params IEnumerable<string> folders)
    {
        var files = new List<PackFile>();
        var problems = new List<Problem>();
        var known = KnownPacks.Shipped();
        foreach (var folder in folders.Where(Directory.Exists))
        foreach (var card in Directory.EnumerateFiles(folder, "pack.json", SearchOption.AllDirectories).Order(StringComparer.Ordinal))
            ReadPack(folder, Path.GetDirectoryName(card)!, known, files, problems);
        return problems.Count > 0 ? problems : files;
    }

    private static void ReadPack(string root, string pack, IReadOnlySet<string> known, List<PackFile> files, List<Problem> problems)
    {
        Take(Path.Combine(pack, "pack.json"), PackFileKind.Card);
        foreach (
            var (folder, kind) in new[]
            {
                ("sheets", PackFileKind.SheetLayout),
                ("machines", PackFileKind.MachineModel),
                ("book", PackFileKind.FaultBook),
                ("access", PackFileKind.AccessGraph),
                ("guides", PackFileKind.Guides),
                ("numbers", PackFileKind.Numbers),
                ("changes", PackFileKind.Changes),
                ("printers", PackFileKind.Printers),
            }
        )
        {
            var path = Path.Combine(pack, folder);
            if (!Directory.Exists(path))
                continue;
            foreach (var file in Directory.EnumerateFiles(path, "*.json").Order(StringComparer.Ordinal))
                Take(file, kind);
        }

        void Take(string file, PackFileKind kind)
        {
            var name = Path.GetRelativePath(root, file).Replace('\\', '/');
            try
            {
                var text = File.ReadAllText(file);
                files.Add(new PackFile(name, kind, text, known.Count > 0 && known.Contains(KnownPacks.Fingerprint(kind, text))));
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                problems.Add(new Problem(ProblemCode.PackUnreadable, name, e.Message));
            }
        }
    }
}
