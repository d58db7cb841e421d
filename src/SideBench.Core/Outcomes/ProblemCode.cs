namespace SideBench.Core.Outcomes;

/// <summary>Every problem a person can cause or mend. Append only: codes are stored and sent.</summary>
public enum ProblemCode
{
    /// <summary>A needed field is missing or empty.</summary>
    Missing,

    /// <summary>A text is longer than its field takes.</summary>
    TooLong,

    /// <summary>A number is outside its range.</summary>
    OutOfRange,

    /// <summary>A word is not one of those allowed.</summary>
    UnknownWord,

    /// <summary>No such job.</summary>
    UnknownJob,

    /// <summary>No such machine.</summary>
    UnknownMachine,

    /// <summary>No such customer.</summary>
    UnknownCustomer,

    /// <summary>No such machine model in the packs.</summary>
    UnknownModel,

    /// <summary>No such step in the fault book for this machine.</summary>
    UnknownStep,

    /// <summary>No such answer to this step.</summary>
    UnknownAnswer,

    /// <summary>No such line in this job's record.</summary>
    UnknownEntry,

    /// <summary>No such item on the tray.</summary>
    UnknownTrayItem,

    /// <summary>No such clock, or it was stopped already.</summary>
    UnknownClock,

    /// <summary>A machine with this serial is on record already.</summary>
    SerialTaken,

    /// <summary>The machine is on the bench already, under another tag.</summary>
    MachineOnBench,

    /// <summary>Someone else wrote to this job first.</summary>
    StaleVersion,

    /// <summary>The same key came with another content.</summary>
    KeyReused,

    /// <summary>The job is closed.</summary>
    JobClosed,

    /// <summary>The job is not closed yet.</summary>
    JobOpen,

    /// <summary>A gate holds this step back.</summary>
    HeldBack,

    /// <summary>Something is still off, open or inside.</summary>
    TrayNotClear,

    /// <summary>A repair was made and not proved.</summary>
    NotProved,

    /// <summary>The line was corrected already.</summary>
    CorrectedAlready,

    /// <summary>This kind of line cannot be taken back.</summary>
    NotCorrectable,

    /// <summary>This person's role does not do that.</summary>
    NotAllowed,

    /// <summary>Name or password is wrong.</summary>
    WrongSignIn,

    /// <summary>Too many wrong tries; locked for a while.</summary>
    LockedOut,

    /// <summary>The person's sign-in ran out.</summary>
    SignInNeeded,

    /// <summary>The one-time code is wrong or was used.</summary>
    WrongSetupCode,

    /// <summary>A person with this name is there already.</summary>
    NameTaken,

    /// <summary>The password is too short.</summary>
    PasswordTooShort,

    /// <summary>The database cannot be reached now.</summary>
    DatabaseUnreachable,

    /// <summary>A pack file is not valid JSON.</summary>
    PackNotJson,

    /// <summary>A pack file does not fit its schema.</summary>
    PackNotInSchema,

    /// <summary>A pack names a thing that no pack defines.</summary>
    PackUnknownName,

    /// <summary>Two packs define the same thing.</summary>
    PackDefinedTwice,

    /// <summary>Likelihoods that cannot be: the words of one row add up to far from one.</summary>
    PackImpossibleOdds,

    /// <summary>A pack cannot be read from disk.</summary>
    PackUnreadable,

    /// <summary>Already handed over.</summary>
    HandedOverAlready,

    /// <summary>The request is not well formed.</summary>
    NotUnderstood,

    /// <summary>Too many tries in a short time.</summary>
    TooManyTries,

    /// <summary>The complaint does not occur on this model.</summary>
    ComplaintDoesNotFit,

    /// <summary>The form's safety token is missing or old.</summary>
    TokenOld,

    /// <summary>Something of ours broke.</summary>
    ServerFault,

    /// <summary>The thread is closed; others may be open.</summary>
    ThreadClosed,

    /// <summary>Such a thread is open already.</summary>
    ThreadThere,

    /// <summary>The model has no such part.</summary>
    PartNotOnModel,

    /// <summary>The step says nothing about the complaint.</summary>
    StepTellsNothing,

    /// <summary>The shop's own lines have changed since they were seen.</summary>
    ShopChanged,

    /// <summary>The edit would make the book impossible.</summary>
    EditImpossible,

    /// <summary>No such thread in this job.</summary>
    UnknownThread,

    /// <summary>No such school or practice.</summary>
    UnknownSchool,

    /// <summary>No such cause or code in the book.</summary>
    NotInBook,

    /// <summary>The picture has no bytes.</summary>
    PictureEmpty,

    /// <summary>The picture's file is too large.</summary>
    PictureTooLarge,

    /// <summary>The file is no PNG and no JPEG.</summary>
    PictureUnknown,

    /// <summary>The picture has more pixels than can be read.</summary>
    PictureTooManyPixels,

    /// <summary>The picture breaks off or is damaged.</summary>
    PictureBroken,

    /// <summary>A sheet layout's blocks, dashes or marks do not fit together.</summary>
    LayoutImpossible,

    /// <summary>The machine's model has no sheet layout of that name.</summary>
    UnknownLayout,

    /// <summary>No such nozzle sheet.</summary>
    UnknownSheet,

    /// <summary>An access graph has a circle of what must be off before what.</summary>
    GraphCircle,

    /// <summary>A part of an access graph is freed by nothing.</summary>
    PartFreedByNothing,

    /// <summary>A group of fasteners or catches has another count than places.</summary>
    FastenerCount,

    /// <summary>A guide would leave something inside, or power a machine that is not dry and clear.</summary>
    GuideUnsafe,

    /// <summary>The model has no access graph.</summary>
    NoGraph,

    /// <summary>No such removal on this model.</summary>
    UnknownRemoval,

    /// <summary>It is off already.</summary>
    OffAlready,

    /// <summary>Something else must be off first.</summary>
    OffFirst,

    /// <summary>It spends something for good, and the customer has not agreed.</summary>
    WordNeeded,

    /// <summary>It is not off, so it cannot go back.</summary>
    NotOff,

    /// <summary>Something beneath it is still off or inside.</summary>
    BackFirst,

    /// <summary>More pieces are lost than holes may stay empty.</summary>
    PieceMissing,

    /// <summary>Something is still inside the machine.</summary>
    StillInside,

    /// <summary>The tray forbids it.</summary>
    TrayForbids,

    /// <summary>No such guide for this model.</summary>
    UnknownGuide,

    /// <summary>No such guide is being followed on this job.</summary>
    UnknownRun,

    /// <summary>The step was ticked already, by somebody.</summary>
    StepTicked,

    /// <summary>Steps before it are not done.</summary>
    StepsBefore,

    /// <summary>A photo is to be taken first.</summary>
    PhotoFirst,
}
