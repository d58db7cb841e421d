using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A machine was taken in.</summary>
public sealed record TakenIn(
    long MachineId,
    long CustomerId,
    string ModelId,
    string Complaint,
    string Words,
    string Tried,
    int CleansTried,
    string Ink,
    int IdleWeeks,
    bool Moved,
    string Paper,
    bool Borderless,
    DateOnly? WarrantyEnd,
    decimal? Limit,
    DateTimeOffset? Promise,
    string Accessories,
    int? AgeYears = null,
    string? LastWork = null,
    string? Firmware = null,
    int Slot = 0,
    string? BookVersion = null,
    int ModelVersion = 0
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "taken-in",
        from => new TakenIn(
            from.Whole("machineId"),
            from.Whole("customerId"),
            from.Text("modelId"),
            from.Text("complaint"),
            from.Text("words"),
            from.Text("tried"),
            from.Count("cleansTried"),
            from.Text("ink"),
            from.Count("idleWeeks"),
            from.Flag("moved"),
            from.Text("paper"),
            from.Flag("borderless"),
            from.Day("warrantyEnd"),
            from.AmountOrNull("limit"),
            from.Time("promise"),
            from.Text("accessories"),
            from.CountOrNull("ageYears"),
            from.TextOrNull("lastWork"),
            from.TextOrNull("firmware"),
            from.CountOr("slot", 0),
            from.TextOrNull("bookVersion"),
            from.CountOr("modelVersion", 0)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Taken in: “{Words}”";

    public override bool Stands => true;

    public override void Store(FieldWriter to)
    {
        to.Whole("machineId", MachineId);
        to.Whole("customerId", CustomerId);
        to.Text("modelId", ModelId);
        to.Text("complaint", Complaint);
        to.Text("words", Words);
        to.Text("tried", Tried);
        to.Whole("cleansTried", CleansTried);
        to.Text("ink", Ink);
        to.Whole("idleWeeks", IdleWeeks);
        to.Flag("moved", Moved);
        to.Text("paper", Paper);
        to.Flag("borderless", Borderless);
        to.Day("warrantyEnd", WarrantyEnd);
        to.Amount("limit", Limit);
        to.Time("promise", Promise);
        to.Text("accessories", Accessories);
        to.Whole("ageYears", AgeYears);
        to.Text("lastWork", LastWork);
        to.Text("firmware", Firmware);
        to.Whole("slot", Slot);
        to.Text("bookVersion", BookVersion);
        to.Whole("modelVersion", ModelVersion);
    }
}
