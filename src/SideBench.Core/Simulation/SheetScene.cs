using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>How hard a simulated picture is to read.</summary>
public enum SceneLevel
{
    /// <summary>Straight, sharp, evenly lit.</summary>
    Easy,

    /// <summary>As pictures are.</summary>
    Medium,

    /// <summary>Coarse or soft, tilted, shadowed, noisy.</summary>
    Hard,
}

/// <summary>A simulated picture of a nozzle sheet, with its truth.</summary>
/// <param name="Layout">What was printed.</param>
/// <param name="Truth">What the nozzles do.</param>
/// <param name="IsPhoto">By a phone, not a flatbed.</param>
/// <param name="Level">How hard it is.</param>
/// <param name="Expected">Why it must be refused; null when it must be read.</param>
/// <param name="Image">The picture.</param>
/// <param name="JpegQuality">How it is to be kept.</param>
public sealed record SheetScene(
    SheetLayout Layout,
    NozzleTruth Truth,
    bool IsPhoto,
    SceneLevel Level,
    RefusalReason? Expected,
    PixelImage Image,
    int JpegQuality
);
