namespace SideBench.Core.Logbook;

/// <summary>A line of the record in words.</summary>
public static class EntrySentence
{
    /// <summary>Name of the kind of line, as stored and exported.</summary>
    public static string KindOf(EntryBody body) =>
        body switch
        {
            EntryBody.CustomerRegistered => "customer-registered",
            EntryBody.MachineRegistered => "machine-registered",
            EntryBody.TakenIn => "taken-in",
            EntryBody.Answered => "answered",
            EntryBody.Mended => "mended",
            EntryBody.Corrected => "corrected",
            EntryBody.TrayPutBy => "tray-put",
            EntryBody.TrayCleared => "tray-cleared",
            EntryBody.ClockStarted => "clock-started",
            EntryBody.ClockStopped => "clock-stopped",
            EntryBody.WaitSet => "wait-set",
            EntryBody.PlaceSet => "place-set",
            EntryBody.Noted => "noted",
            EntryBody.Consented => "consented",
            EntryBody.GateOverridden => "gate-overridden",
            EntryBody.Closed => "closed",
            EntryBody.HandedOver => "handed-over",
            EntryBody.ThreadOpened => "thread-opened",
            EntryBody.ThreadClosed => "thread-closed",
            EntryBody.Judged => "judged",
            EntryBody.SchoolChosen => "school-chosen",
            EntryBody.PartTold => "part-told",
            EntryBody.BookEdited => "book-edited",
            EntryBody.SheetTaken => "sheet-taken",
            EntryBody.SheetCorrected => "sheet-corrected",
            EntryBody.Aimed => "aimed",
            EntryBody.TakenOff => "taken-off",
            EntryBody.WouldNot => "would-not",
            EntryBody.PutBack => "put-back",
            EntryBody.PieceLost => "piece-lost",
            EntryBody.PieceReplaced => "piece-replaced",
            EntryBody.LeftOff => "left-off",
            EntryBody.PartRenewed => "part-renewed",
            EntryBody.PhotoTaken => "photo-taken",
            EntryBody.GuideBegun => "guide-begun",
            EntryBody.GuideTicked => "guide-ticked",
            EntryBody.GuideRenewed => "guide-renewed",
            EntryBody.GuideEnded => "guide-ended",
            _ => throw new ArgumentOutOfRangeException(nameof(body), body.GetType().Name, "a kind of line without a name"),
        };

    /// <summary>The line as a sentence.</summary>
    public static string Of(EntryBody body) =>
        body switch
        {
            EntryBody.CustomerRegistered b => $"Customer on record: {b.Name}",
            EntryBody.MachineRegistered b => $"Machine on record: serial {b.Serial}",
            EntryBody.TakenIn b => $"Taken in: “{b.Words}”",
            EntryBody.Answered b => $"{b.Name}: {b.Label}"
                + (b.Where is { } ink ? $", {ink.ToLowerInvariant()}" : "")
                + (b.Quantity is { } q ? $" ({q:0.##}\u2009{b.Unit})" : ""),
            EntryBody.Mended b => $"Done: {b.Name}, {b.Minutes:0}\u2009min"
                + (b.Part.Length > 0 ? $", {b.Part}" : "")
                + (b.Lot.Length > 0 ? $" lot {b.Lot}" : ""),
            EntryBody.Corrected b => $"Took back line {b.Target}" + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.TrayPutBy b => $"On the tray: {b.Item.Count} {b.Item.Label} {b.Item.Change}",
            EntryBody.TrayCleared b => $"Off the tray: {b.Label}",
            EntryBody.ClockStarted b => $"Clock started: {b.Label}, {b.MinMinutes:0.#}\u2009min"
                + (b.MaxMinutes is { } max ? $", at most {max:0.#}\u2009min" : ""),
            EntryBody.ClockStopped => "Clock ended",
            EntryBody.WaitSet b => b.For == "hands"
                ? "Hands can be on it again"
                : $"Waits for {(b.For == "parts" ? "parts" : "the customer")}: {b.What}",
            EntryBody.PlaceSet b => b.Place == 0 ? "Off the bench" : $"On bench place {b.Place}",
            EntryBody.Noted b => b.Text,
            EntryBody.Consented b => $"Customer's word: {Word(b.What)}, by {b.By}",
            EntryBody.GateOverridden b => $"Went past “{b.Gate}” for “{b.Step}”: {b.Reason}",
            EntryBody.Closed b => $"Closed {b.How}" + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.ThreadOpened b => $"Another thread, {b.Complaint}{Slot(b.Slot)}: “{b.Words}”",
            EntryBody.ThreadClosed b => $"Thread closed {b.How}" + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.Judged b => $"It was: {b.Cause}",
            EntryBody.SchoolChosen b => $"School for {b.School}: {b.Option}",
            EntryBody.PartTold b => b.Here ? $"On the shelf again: {b.Part}" : $"Not on the shelf: {b.Part}",
            EntryBody.BookEdited b =>
                $"Book: {b.Target}{(b.Cause.Length > 0 ? $", {b.Cause}, {b.Outcome}" : "")} from “{b.From}” to “{b.To}”"
                    + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.SheetTaken b => $"Nozzle sheet ({b.Way}): {Gaps(b.Units)}",
            EntryBody.SheetCorrected b => $"Nozzle sheet put right: {Gaps(b.Units)}",
            EntryBody.Aimed b => $"Opening up to reach: {string.Join(", ", b.Names)}",
            EntryBody.TakenOff b => $"{Capital(b.Item.Change)}: {(b.Total > 1 ? $"{b.Item.Count} of {b.Total} " : "")}{b.Item.Label}",
            EntryBody.WouldNot b => $"Would not: {b.Name}. {b.What}",
            EntryBody.PutBack b => $"Back: {(b.Count > 1 ? $"{b.Count} " : "")}{b.Label}"
                + (b.LeftEmpty > 0 ? $", {b.LeftEmpty} of its holes stays empty" : ""),
            EntryBody.PieceLost b => $"{(b.Before ? "Missing already" : "Lost")}: {b.Count} of {b.Label}"
                + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.PieceReplaced b => $"Replaced: {b.Count} of {b.Label}" + (b.From.Length > 0 ? $", from {b.From}" : ""),
            EntryBody.LeftOff b => $"Stays off: {b.Label}: {b.Reason}",
            EntryBody.PartRenewed b => $"Renewed: {b.Name}"
                + (b.Number.Length > 0 ? $", {b.Number}" : "")
                + (b.Lot.Length > 0 ? $" lot {b.Lot}" : "")
                + $"; the old one {b.OldFate}"
                + (b.ReturnBy is { } by ? $" by {by:yyyy-MM-dd}" : "")
                + (b.WarrantyEnd is { } until ? $"; warranty to {until:yyyy-MM-dd}" : ""),
            EntryBody.PhotoTaken b => $"Photo: {b.Label}",
            EntryBody.GuideBegun b => $"Guide begun: {b.Name}",
            EntryBody.GuideTicked b => $"{b.Title}: {b.Outcome}"
                + (b.Value is { } v ? $" ({v:0.##}\u2009{b.Unit})" : "")
                + (b.Words.Length > 0 ? $": {b.Words}" : ""),
            EntryBody.GuideRenewed b => $"Guide taken over as it is now, version {b.Version}",
            EntryBody.GuideEnded b => $"Guide {(b.Done ? "done" : "given up")}: {b.Name}" + (b.Reason.Length > 0 ? $": {b.Reason}" : ""),
            EntryBody.HandedOver b => $"Handed over to {b.To}, charged {b.Charge:0.00}\u2009{b.Currency}",
            _ => throw new ArgumentOutOfRangeException(nameof(body), body.GetType().Name, "a kind of line without a sentence"),
        };

    private static string Capital(string word) => word.Length > 0 ? char.ToUpperInvariant(word[0]) + word[1..] : word;

    private static string Slot(int slot) => slot > 0 ? $", slot {slot}" : "";

    private static string Word(string consent) =>
        consent switch
        {
            "open-in-warranty" => "the machine may be opened though in warranty",
            "irreversible" => "irreversible work is agreed",
            "past-limit" => "the cost may pass the limit",
            "past-worth" => "it is worth more to them than the machine",
            _ => consent,
        };

    private static string Gaps(IReadOnlyList<Nozzles.UnitLine> units)
    {
        var gaps = units.Where(u => u.MissingCount > 0).Select(u => $"{u.Id} {u.MissingCount} missing").ToList();
        return gaps.Count == 0 ? "nothing missing" : string.Join(", ", gaps);
    }
}
