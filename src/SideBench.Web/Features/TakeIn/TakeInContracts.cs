using SideBench.Web.Writing;

namespace SideBench.Web.Features.TakeIn;

public sealed record SlotChoice(int Panel, string Ink);

public sealed record ModelChoice(
    string Id,
    string Name,
    string Kind,
    string SerialPrefix,
    IReadOnlyList<string> Complaints,
    IReadOnlyList<SlotChoice> Slots,
    IReadOnlyList<ChangeChoice> Changes,
    IReadOnlyList<WorkChoice> Works
);

public sealed record ComplaintChoice(string Id, string Name, string Says);

public sealed record TakeInChoices(
    IReadOnlyList<ModelChoice> Models,
    IReadOnlyList<ComplaintChoice> Complaints,
    IReadOnlyList<string> Inks,
    IReadOnlyList<string> Papers
);

public sealed record CustomerView(long Id, string Name, string Contact);

/// <summary>A machine on record, as take-in finds it by its serial.</summary>
public sealed record FoundMachine(
    long Id,
    string ModelId,
    string Machine,
    string Serial,
    CustomerView Customer,
    long? OpenJob,
    int Visits,
    string? LastInk,
    IReadOnlyList<string> Changes
);

/// <summary>Everything told at take-in. Machine and customer by number when they are on record, else by what makes them new.</summary>
public sealed record TakeInRequest(
    Guid Key,
    long? MachineId,
    string? ModelId,
    string? Serial,
    long? CustomerId,
    string? CustomerName,
    string? CustomerContact,
    string Complaint,
    string? Words,
    string? Tried,
    int CleansTried,
    string Ink,
    int IdleWeeks,
    bool Moved,
    string Paper,
    bool Borderless,
    DateOnly? WarrantyEnd,
    decimal? Limit,
    DateTimeOffset? Promise,
    string? Accessories,
    int? AgeYears = null,
    string? Firmware = null,
    int Slot = 0,
    IReadOnlyList<string>? Changes = null,
    IReadOnlyList<WorkBeforeRequest>? Before = null
) : Pressed;

/// <summary>Work that was done before the visit.</summary>
/// <param name="SinceTrouble">Whether the trouble was there already, and stayed.</param>
public sealed record WorkBeforeRequest(string? Repair, DateOnly? On, bool SinceTrouble);

/// <summary>Work that can be told as done before, with the models it is for.</summary>
public sealed record WorkChoice(string Id, string Name);

/// <summary>A lasting change that a model can have.</summary>
public sealed record ChangeChoice(string Id, string Name, string Says);

public sealed record TakenInView(long JobId, int Tag);
