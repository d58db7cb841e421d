using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>A layout that a picture taught.</summary>
/// <param name="Layout">It.</param>
/// <param name="Lies">Page to picture, to lay it over.</param>
/// <param name="Doubts">What may be wrong, in words; empty when nothing speaks against it.</param>
/// <param name="Asks">What no picture can tell, and what was taken for it.</param>
public sealed record TaughtLayout(SheetLayout Layout, PageMap Lies, IReadOnlyList<string> Doubts, IReadOnlyList<string> Asks);

/// <summary>What is said along with a picture.</summary>
/// <param name="Id">The layout's short name.</param>
/// <param name="Name">Its name for people.</param>
/// <param name="Names">Names of the channels in reading order; empty to have them proposed.</param>
/// <param name="Dpi">Dots to an inch of the picture; null when it is not known, as with a phone.</param>
/// <param name="Page">Width and height of the page, mm; null when not said.</param>
public sealed record TeachWith(string Id, string Name, IReadOnlyList<string> Names, double? Dpi, (double Width, double Height)? Page);
