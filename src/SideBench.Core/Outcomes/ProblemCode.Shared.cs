namespace SideBench.Core.Outcomes;

/// <summary>Problems that every craft can have.</summary>
public sealed partial record ProblemCode
{
    /// <summary>A needed field is missing or empty.</summary>
    public static readonly ProblemCode Missing = new("missing", ProblemSort.Wrong, "A field is empty", "It is needed.", "Fill it in.");

    /// <summary>A text is longer than its field takes.</summary>
    public static readonly ProblemCode TooLong = new(
        "too-long",
        ProblemSort.Wrong,
        "The text is too long",
        "It has {0} characters; the field takes {1}.",
        "Shorten it, or put the rest into a note."
    );

    /// <summary>A text holds signs that no record can keep.</summary>
    public static readonly ProblemCode UnkeepableText = new(
        "unkeepable-text",
        ProblemSort.Wrong,
        "The text holds signs that cannot be kept",
        "It has a sign that is no letter, such as a zero sign or half of a pair.",
        "Type it again instead of pasting it."
    );

    /// <summary>A number is outside its range.</summary>
    public static readonly ProblemCode OutOfRange = new(
        "out-of-range",
        ProblemSort.Wrong,
        "The value is out of range",
        "{0} is not between {1} and {2}.",
        "Check the reading and the unit."
    );

    /// <summary>A word is not one of those allowed.</summary>
    public static readonly ProblemCode UnknownWord = new(
        "unknown-word",
        ProblemSort.Wrong,
        "Unknown choice",
        "“{0}” is not one of: {1}.",
        "Choose one of them."
    );

    /// <summary>No such job.</summary>
    public static readonly ProblemCode UnknownJob = new(
        "unknown-job",
        ProblemSort.Unknown,
        "No such job",
        "There is no job {0} in this shop.",
        "Look for the machine or its tag."
    );

    /// <summary>No such machine.</summary>
    public static readonly ProblemCode UnknownMachine = new(
        "unknown-machine",
        ProblemSort.Unknown,
        "No such machine",
        "There is no machine {0} on record.",
        "Look for its serial, or take it in as new."
    );

    /// <summary>No such customer.</summary>
    public static readonly ProblemCode UnknownCustomer = new(
        "unknown-customer",
        ProblemSort.Unknown,
        "No such customer",
        "There is no customer {0} on record.",
        "Look for the name, or add the customer."
    );

    /// <summary>No such machine model in the packs.</summary>
    public static readonly ProblemCode UnknownModel = new(
        "unknown-model",
        ProblemSort.Wrong,
        "No such machine model",
        "No pack describes “{0}”.",
        "Add the pack that describes it and start again."
    );

    /// <summary>No such line in this job's record.</summary>
    public static readonly ProblemCode UnknownEntry = new(
        "unknown-entry",
        ProblemSort.Wrong,
        "No such line",
        "Line {0} is not in this job's record.",
        "Load the page again."
    );

    /// <summary>No such item on the tray.</summary>
    public static readonly ProblemCode UnknownTrayItem = new(
        "unknown-tray-item",
        ProblemSort.Wrong,
        "Not on the tray",
        "It was cleared already, or is from another job.",
        "Load the page again."
    );

    /// <summary>No such clock, or it was stopped already.</summary>
    public static readonly ProblemCode UnknownClock = new(
        "unknown-clock",
        ProblemSort.Wrong,
        "No such clock",
        "It was ended already, or is from another job.",
        "Load the page again."
    );

    /// <summary>A machine with this serial is on record already.</summary>
    public static readonly ProblemCode SerialTaken = new(
        "serial-taken",
        ProblemSort.Conflict,
        "The serial is on record",
        "A machine with this serial is on record already.",
        "Choose that machine, or check the serial."
    );

    /// <summary>The machine is on the bench already, under another tag.</summary>
    public static readonly ProblemCode MachineOnBench = new(
        "machine-on-bench",
        ProblemSort.Conflict,
        "The machine is here already",
        "It has an open job.",
        "Go on with that job, or hand it over first."
    );

    /// <summary>Someone else wrote to this job first.</summary>
    public static readonly ProblemCode StaleVersion = new(
        "stale-version",
        ProblemSort.Conflict,
        "Somebody was faster",
        "This job changed while you looked at it. Nothing was written.",
        "Look at what changed, then decide again."
    );

    /// <summary>A press showed something else than it would write.</summary>
    public static readonly ProblemCode ShownOther = new(
        "shown-other",
        ProblemSort.Conflict,
        "The press says something else than the card showed",
        "The card showed “{0}”; the press would write “{1}”. Nothing was written.",
        "Look at the card as it is now, then press again."
    );

    /// <summary>The same key came with another content.</summary>
    public static readonly ProblemCode KeyReused = new(
        "key-reused",
        ProblemSort.Conflict,
        "The key was used for something else",
        "This write's key belongs to another write.",
        "Send it again with a new key."
    );

    /// <summary>The job is closed.</summary>
    public static readonly ProblemCode JobClosed = new(
        "job-closed",
        ProblemSort.Conflict,
        "The job is closed",
        "A closed job takes no more work.",
        "Take the closing back, or take the machine in again."
    );

    /// <summary>The job is not closed yet.</summary>
    public static readonly ProblemCode JobOpen = new(
        "job-open",
        ProblemSort.Conflict,
        "The job is not closed yet",
        "A machine is handed over once its job is closed.",
        "Close the job first."
    );

    /// <summary>Something is still off, open or inside.</summary>
    public static readonly ProblemCode TrayNotClear = new(
        "tray-not-clear",
        ProblemSort.Conflict,
        "The tray is not clear",
        "Still there: {0}.",
        "Put it back and clear it, or say why it stays."
    );

    /// <summary>The line was corrected already.</summary>
    public static readonly ProblemCode CorrectedAlready = new(
        "corrected-already",
        ProblemSort.Conflict,
        "Taken back already",
        "Line {0} was taken back before.",
        "Load the page again."
    );

    /// <summary>This kind of line cannot be taken back.</summary>
    public static readonly ProblemCode NotCorrectable = new(
        "not-correctable",
        ProblemSort.Wrong,
        "Cannot be taken back",
        "Line {0} is of a kind that stands.",
        "Write a note instead."
    );

    /// <summary>The database cannot be reached now.</summary>
    public static readonly ProblemCode DatabaseUnreachable = new(
        "database-unreachable",
        ProblemSort.Away,
        "Could not reach the records",
        "{0}",
        "Try again in a moment; what you typed is kept."
    );

    /// <summary>The disk of the records is full.</summary>
    public static readonly ProblemCode DiskFull = new(
        "disk-full",
        ProblemSort.Away,
        "The disk of the records is full",
        "{0}",
        "Make room on the machine that keeps the records; what you typed is kept."
    );

    /// <summary>A name of this server that is none.</summary>
    public static readonly ProblemCode WrongHost = new(
        "wrong-host",
        ProblemSort.NotUnderstood,
        "This server is not called so",
        "It does not answer under the name “{0}”.",
        "Open it by the address that its console told; other names are given with SIDEBENCH_HOSTS."
    );

    /// <summary>Already handed over.</summary>
    public static readonly ProblemCode HandedOverAlready = new(
        "handed-over-already",
        ProblemSort.Conflict,
        "Handed over already",
        "The machine went back to its customer.",
        "Take it in again if it is back."
    );

    /// <summary>The request is not well formed.</summary>
    public static readonly ProblemCode NotUnderstood = new(
        "not-understood",
        ProblemSort.NotUnderstood,
        "The request is not well formed",
        "{0}",
        "Load the page again and repeat it."
    );

    /// <summary>Something of ours broke.</summary>
    public static readonly ProblemCode ServerFault = new(
        "server-fault",
        ProblemSort.Ours,
        "Something broke inside Side Bench",
        "It is our mistake, not yours. {0}",
        "Load the page again; if it comes back, show the server's log to whoever keeps it."
    );

    /// <summary>It is not known whether something was written: the answer was lost after it was sent for good.</summary>
    public static readonly ProblemCode WriteNotKnown = new(
        "write-not-known",
        ProblemSort.Away,
        "Not known yet whether it was written",
        "The records went away while they answered.",
        "Send it again as it is: the same press is never written twice."
    );

    /// <summary>The shop's own lines have changed since they were seen.</summary>
    public static readonly ProblemCode ShopChanged = new(
        "shop-changed",
        ProblemSort.Conflict,
        "Somebody was faster",
        "The shop's choices changed while you looked at them. Nothing was written.",
        "Look again, then decide."
    );

    /// <summary>Something is still inside the machine.</summary>
    public static readonly ProblemCode StillInside = new(
        "still-inside",
        ProblemSort.Conflict,
        "Something is inside the machine",
        "{0}.",
        "Take it out before the machine goes back; no reason leaves it there."
    );
}
