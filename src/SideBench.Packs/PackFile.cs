namespace SideBench.Packs;

/// <summary>One file of a pack, read from disk.</summary>
/// <param name="Path">Path below the folder of packs, with forward slashes; used to place problems.</param>
/// <param name="Kind">What it must hold.</param>
/// <param name="Text">Its content.</param>
/// <param name="IsKnown">Whether just this content was checked against just this schema before; see <see cref="KnownPacks"/>.</param>
public sealed record PackFile(string Path, PackFileKind Kind, string Text, bool IsKnown = false);

/// <summary>What a file of a pack holds.</summary>
public enum PackFileKind
{
    /// <summary>The card of a pack.</summary>
    Card,

    /// <summary>A machine model.</summary>
    MachineModel,

    /// <summary>A fault book or a part of one.</summary>
    FaultBook,

    /// <summary>A nozzle sheet's layout.</summary>
    SheetLayout,

    /// <summary>How a machine model opens.</summary>
    AccessGraph,

    /// <summary>Guides, and parts that several of them share.</summary>
    Guides,

    /// <summary>House numbers of one craft.</summary>
    Numbers,

    /// <summary>Lasting changes that machines can have.</summary>
    Changes,

    /// <summary>How simulated printers behave.</summary>
    Printers,
}
