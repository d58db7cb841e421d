using System.Text.Json;
using SideBench.Core.Logbook;

namespace SideBench.Data.Record;

/// <summary>Lines of the record as JSON: the kind names the shape. Shapes only grow, so old lines stay readable.</summary>
public static class EntryCodec
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) },
        IncludeFields = true,
    };

    private static readonly IReadOnlyDictionary<string, Type> Types = new Dictionary<string, Type>
    {
        ["customer-registered"] = typeof(EntryBody.CustomerRegistered),
        ["machine-registered"] = typeof(EntryBody.MachineRegistered),
        ["taken-in"] = typeof(EntryBody.TakenIn),
        ["answered"] = typeof(EntryBody.Answered),
        ["mended"] = typeof(EntryBody.Mended),
        ["corrected"] = typeof(EntryBody.Corrected),
        ["tray-put"] = typeof(EntryBody.TrayPutBy),
        ["tray-cleared"] = typeof(EntryBody.TrayCleared),
        ["clock-started"] = typeof(EntryBody.ClockStarted),
        ["clock-stopped"] = typeof(EntryBody.ClockStopped),
        ["wait-set"] = typeof(EntryBody.WaitSet),
        ["place-set"] = typeof(EntryBody.PlaceSet),
        ["noted"] = typeof(EntryBody.Noted),
        ["consented"] = typeof(EntryBody.Consented),
        ["gate-overridden"] = typeof(EntryBody.GateOverridden),
        ["closed"] = typeof(EntryBody.Closed),
        ["handed-over"] = typeof(EntryBody.HandedOver),
        ["thread-opened"] = typeof(EntryBody.ThreadOpened),
        ["thread-closed"] = typeof(EntryBody.ThreadClosed),
        ["judged"] = typeof(EntryBody.Judged),
        ["school-chosen"] = typeof(EntryBody.SchoolChosen),
        ["part-told"] = typeof(EntryBody.PartTold),
        ["book-edited"] = typeof(EntryBody.BookEdited),
        ["sheet-taken"] = typeof(EntryBody.SheetTaken),
        ["sheet-corrected"] = typeof(EntryBody.SheetCorrected),
        ["aimed"] = typeof(EntryBody.Aimed),
        ["taken-off"] = typeof(EntryBody.TakenOff),
        ["would-not"] = typeof(EntryBody.WouldNot),
        ["put-back"] = typeof(EntryBody.PutBack),
        ["piece-lost"] = typeof(EntryBody.PieceLost),
        ["piece-replaced"] = typeof(EntryBody.PieceReplaced),
        ["left-off"] = typeof(EntryBody.LeftOff),
        ["part-renewed"] = typeof(EntryBody.PartRenewed),
        ["photo-taken"] = typeof(EntryBody.PhotoTaken),
        ["guide-begun"] = typeof(EntryBody.GuideBegun),
        ["guide-ticked"] = typeof(EntryBody.GuideTicked),
        ["guide-renewed"] = typeof(EntryBody.GuideRenewed),
        ["guide-ended"] = typeof(EntryBody.GuideEnded),
    };

    /// <summary>Every kind that can be read back.</summary>
    public static IEnumerable<string> Kinds => Types.Keys;

    /// <summary>The line as JSON.</summary>
    public static string Write(EntryBody body) => JsonSerializer.Serialize(body, body.GetType(), Options);

    /// <summary>The line from JSON.</summary>
    /// <param name="kind">Its kind, as stored.</param>
    /// <param name="json">Its body, as stored.</param>
    public static EntryBody Read(string kind, string json) =>
        Types.TryGetValue(kind, out var type)
            ? (EntryBody)JsonSerializer.Deserialize(json, type, Options)!
            : throw new InvalidOperationException($"the record holds a line of a kind this version does not know: {kind}");
}
