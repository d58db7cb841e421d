namespace SideBench.Core.HeadCare;

/// <summary>One channel of a head, with what was done to it and what each sheet then showed.</summary>
/// <param name="Kind">Its mechanism and ink, such as <c>piezo dye</c>: a key of <see cref="HeadCareNumbers.Chances"/>.</param>
/// <param name="IdleWeeks">How long it stood, weeks.</param>
/// <param name="Nozzles">Nozzles of the channel.</param>
/// <param name="Refilled">Whether it runs on refilled cartridges or an add-on supply.</param>
/// <param name="Missing">Nozzles missing now, from 0.</param>
/// <param name="Done">Applications with a sheet before and after, oldest first.</param>
public sealed record HeadHistory(
    string Kind,
    double IdleWeeks,
    int Nozzles,
    bool Refilled,
    IReadOnlySet<int> Missing,
    IReadOnlyList<Application> Done
)
{
    /// <summary>The nozzles missing on the first sheet there is.</summary>
    public IReadOnlySet<int> First => Done.Count > 0 ? Done[0].Before : Missing;
}

/// <summary>One application of a method.</summary>
/// <param name="Method">clean-light, clean-normal, clean-deep, rest, soak or flush.</param>
/// <param name="Before">Nozzles missing before it.</param>
/// <param name="After">Nozzles missing after it.</param>
public sealed record Application(string Method, IReadOnlySet<int> Before, IReadOnlySet<int> After)
{
    /// <summary>Whether the machine drew ink through the head.</summary>
    public bool IsClean => HeadMethod.IsCleanOf(Method);
}
