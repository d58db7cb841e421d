using SideBench.Core.Outcomes;

namespace SideBench.Devices.ResetService;

/// <summary>How a reset by a service fails.</summary>
public static class ResetServiceProblem
{
    /// <summary>No program answers.</summary>
    public static readonly ProblemCode Away = new(
        "service-away",
        ProblemSort.Conflict,
        "No service program answers",
        "Nothing was read and nothing was set.",
        "Look at its cable and whether the machine is on; or type what it showed."
    );

    /// <summary>It lists another machine.</summary>
    public static readonly ProblemCode WrongMachine = new(
        "service-wrong-machine",
        ProblemSort.Conflict,
        "It lists another machine",
        "The program found a machine that is not a {0}; it set nothing.",
        "One machine on the cable alone; choose its model, and try again."
    );

    /// <summary>It refuses.</summary>
    public static readonly ProblemCode Refused = new(
        "service-refused",
        ProblemSort.Conflict,
        "The service refused",
        "It took no key and set nothing.",
        "Look at the key and at what the service says of it, before another one is spent."
    );
}
