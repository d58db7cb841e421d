using SideBench.Core.Outcomes;

namespace SideBench.Devices.Scanner;

/// <summary>What makes a picture of a printed sheet: a flatbed, or a phone's camera.</summary>
public interface IScanner
{
    /// <summary>Its name for people.</summary>
    string Name { get; }

    /// <summary>Takes one picture.</summary>
    /// <param name="sheet">Which sheet lies before it; a real one looks for itself and does not ask.</param>
    /// <returns>The file, PNG or JPEG, or what went wrong.</returns>
    Outcome<byte[]> Take(PrintedSheet sheet);
}
