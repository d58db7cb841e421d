using SideBench.Core.Identity;

namespace SideBench.Data.Jobs;

/// <summary>A job with its machine and customer, as lists show it.</summary>
public sealed record JobRow(
    JobId Id,
    int Tag,
    MachineId Machine,
    CustomerId Customer,
    string ModelId,
    string Serial,
    string CustomerName,
    string Complaint,
    string Words,
    int Version,
    int Place,
    string Standing,
    string Headline,
    DateTimeOffset? ClockEndsAt,
    DateTimeOffset? PromiseAt,
    DateTimeOffset OpenedAt,
    DateTimeOffset? ClosedAt,
    string? ClosedHow,
    DateTimeOffset? HandedOverAt
);

/// <summary>What a list shows of where a job stands; written with the lines it comes from.</summary>
public sealed record JobProjection(
    int Version,
    int Place,
    string Standing,
    string Headline,
    DateTimeOffset? ClockEndsAt,
    DateTimeOffset? PromiseAt,
    DateTimeOffset? ClosedAt,
    string? ClosedHow,
    DateTimeOffset? HandedOverAt
);
