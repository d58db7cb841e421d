using SideBench.Core.Outcomes;

namespace SideBench.Web.Problems;

/// <summary>Every sentence about a problem: a short title, the facts behind it, and what to do next.</summary>
public static class ProblemText
{
    /// <summary>Title, detail and hint of a code; {0}, {1} … stand for the problem's facts.</summary>
    public static (string Title, string Detail, string Hint) Of(ProblemCode code) =>
        code switch
        {
            ProblemCode.Missing => ("A field is empty", "It is needed.", "Fill it in."),
            ProblemCode.TooLong => (
                "The text is too long",
                "It has {0} characters; the field takes {1}.",
                "Shorten it, or put the rest into a note."
            ),
            ProblemCode.OutOfRange => ("The value is out of range", "{0} is not between {1} and {2}.", "Check the reading and the unit."),
            ProblemCode.UnknownWord => ("Unknown choice", "“{0}” is not one of: {1}.", "Choose one of them."),
            ProblemCode.UnknownJob => ("No such job", "There is no job {0} in this shop.", "Look for the machine or its tag."),
            ProblemCode.UnknownMachine => (
                "No such machine",
                "There is no machine {0} on record.",
                "Look for its serial, or take it in as new."
            ),
            ProblemCode.UnknownCustomer => (
                "No such customer",
                "There is no customer {0} on record.",
                "Look for the name, or add the customer."
            ),
            ProblemCode.UnknownModel => (
                "No such machine model",
                "No pack describes “{0}”.",
                "Add the pack that describes it and start again."
            ),
            ProblemCode.UnknownStep => (
                "The step is gone",
                "“{0}” is not a step for this job now.",
                "Load the page again and take the step shown."
            ),
            ProblemCode.UnknownAnswer => ("No such answer", "“{0}” is not an answer to “{1}”.", "Choose one of the answers shown."),
            ProblemCode.UnknownEntry => ("No such line", "Line {0} is not in this job's record.", "Load the page again."),
            ProblemCode.UnknownTrayItem => ("Not on the tray", "It was cleared already, or is from another job.", "Load the page again."),
            ProblemCode.UnknownClock => ("No such clock", "It was ended already, or is from another job.", "Load the page again."),
            ProblemCode.SerialTaken => (
                "The serial is on record",
                "A machine with this serial is on record already.",
                "Choose that machine, or check the serial."
            ),
            ProblemCode.MachineOnBench => (
                "The machine is here already",
                "It has an open job.",
                "Go on with that job, or hand it over first."
            ),
            ProblemCode.StaleVersion => (
                "Somebody was faster",
                "This job changed while you looked at it. Nothing was written.",
                "Look at what changed, then decide again."
            ),
            ProblemCode.KeyReused => (
                "The key was used for something else",
                "This write's key belongs to another write.",
                "Send it again with a new key."
            ),
            ProblemCode.JobClosed => (
                "The job is closed",
                "A closed job takes no more work.",
                "Take the closing back, or take the machine in again."
            ),
            ProblemCode.JobOpen => (
                "The job is not closed yet",
                "A machine is handed over once its job is closed.",
                "Close the job first."
            ),
            ProblemCode.HeldBack => ("Held back: {0}", "{1}", "What lifts it: {2}"),
            ProblemCode.TrayNotClear => ("The tray is not clear", "Still there: {0}.", "Put it back and clear it, or say why it stays."),
            ProblemCode.NotProved => (
                "Not proved yet",
                "No repair of this job has been proved.",
                "Prove it, or close unproved with a reason."
            ),
            ProblemCode.CorrectedAlready => ("Taken back already", "Line {0} was taken back before.", "Load the page again."),
            ProblemCode.NotCorrectable => ("Cannot be taken back", "Line {0} is of a kind that stands.", "Write a note instead."),
            ProblemCode.NotAllowed => ("Not for this role", "{0} does not do that.", "Ask a technician or the owner."),
            ProblemCode.WrongSignIn => (
                "Name or password is wrong",
                "They do not fit together.",
                "Try again; mind capitals in the password."
            ),
            ProblemCode.LockedOut => ("Locked for a while", "Too many wrong tries. Open again at {0}.", "Wait, or ask the owner."),
            ProblemCode.SignInNeeded => ("Sign in", "Your sign-in has ended.", "Sign in again; what you typed is kept."),
            ProblemCode.WrongSetupCode => (
                "The code is wrong",
                "It is not the one-time code this server printed.",
                "Read it off the console where the server was started."
            ),
            ProblemCode.NameTaken => ("The name is taken", "Somebody here has this name already.", "Add an initial."),
            ProblemCode.PasswordTooShort => (
                "The secret is too short",
                "It has {0} characters; at least {1} are needed.",
                "Choose a longer one."
            ),
            ProblemCode.DatabaseUnreachable => (
                "Could not reach the records",
                "Nothing was written.",
                "Try again in a moment; what you typed is kept."
            ),
            ProblemCode.PackNotJson => (
                "Pack file is not JSON",
                "It stops making sense at line {0}, character {1}.",
                "Mend the file there."
            ),
            ProblemCode.PackNotInSchema => ("Pack file does not fit its schema", "{0}", "Compare it with the schema in packs/schema."),
            ProblemCode.PackUnknownName => ("Pack names something unknown", "There is no {0} “{1}”.", "Check the spelling, or add it."),
            ProblemCode.PackDefinedTwice => (
                "Pack defines something twice",
                "The {0} “{1}” is there already.",
                "Give it another id, or remove one."
            ),
            ProblemCode.PackImpossibleOdds => (
                "Odds that cannot be",
                "The words of this row add up to {0}.",
                "They should come to about 1; leave one answer out to give it the rest."
            ),
            ProblemCode.PackUnreadable => ("Pack file cannot be read", "{0}", "Check that the file is there and readable."),
            ProblemCode.HandedOverAlready => (
                "Handed over already",
                "The machine went back to its customer.",
                "Take it in again if it is back."
            ),
            ProblemCode.NotUnderstood => ("The request is not well formed", "{0}", "Load the page again and repeat it."),
            ProblemCode.TooManyTries => ("Too many tries", "There were too many tries in a short time.", "Wait a minute."),
            ProblemCode.ComplaintDoesNotFit => (
                "The complaint does not fit the machine",
                "“{0}” does not occur on a {1}.",
                "Choose another complaint."
            ),
            ProblemCode.TokenOld => (
                "The page is out of date",
                "Its safety token is missing or old.",
                "Send it again; if that fails, load the page again."
            ),
            ProblemCode.ThreadClosed => (
                "The thread is closed",
                "It takes no more work; others may be open.",
                "Take its ending back, or open another thread."
            ),
            ProblemCode.ThreadThere => (
                "The thread is there already",
                "One with this complaint and place is open.",
                "Go on with that one."
            ),
            ProblemCode.PartNotOnModel => (
                "This model has no such part",
                "“{0}” looks at the {1}; a {2} has none.",
                "Choose a finding of this machine."
            ),
            ProblemCode.StepTellsNothing => (
                "It says nothing about this",
                "“{0}” tells nothing about “{1}”.",
                "Give it in the thread it belongs to, or write a note."
            ),
            ProblemCode.ShopChanged => (
                "Somebody was faster",
                "The shop's choices changed while you looked at them. Nothing was written.",
                "Look again, then decide."
            ),
            ProblemCode.EditImpossible => ("The edit changes nothing or cannot be", "{0}", "Choose another word."),
            ProblemCode.UnknownThread => ("No such thread", "This job has no thread {0}.", "Load the page again."),
            ProblemCode.UnknownSchool => ("No such school", "There is no choice “{0}” for “{1}”.", "Choose one of those shown."),
            ProblemCode.NotInBook => ("Not in the book", "The book has no “{0}”.", "Look for it under Guides."),
            ProblemCode.PictureEmpty => ("The picture is empty", "Its file has no bytes.", "Choose it again, or take it again."),
            ProblemCode.PictureTooLarge => (
                "The picture's file is too large",
                "It has {0} MB; at most {1} MB are taken.",
                "Save it as JPEG, or scan at 300 dpi."
            ),
            ProblemCode.PictureUnknown => (
                "Not a picture that can be read",
                "It is neither PNG nor JPEG, whatever its name says.",
                "Save it as JPEG or PNG."
            ),
            ProblemCode.PictureTooManyPixels => (
                "The picture has too many pixels",
                "{0} × {1} are more than {2} million.",
                "Scan at 300 dpi; more shows nothing more."
            ),
            ProblemCode.PictureBroken => ("The picture is damaged", "It breaks off before its end.", "Take or copy it again."),
            ProblemCode.LayoutImpossible => ("The sheet layout cannot be", "Of its parts: {0}.", "Mend the layout there."),
            ProblemCode.UnknownLayout => ("No such sheet layout", "This machine has no layout “{0}”.", "Choose one of those shown."),
            ProblemCode.UnknownSheet => ("No such nozzle sheet", "There is no sheet {0} in this job.", "Load the page again."),
            ProblemCode.GraphCircle => (
                "The access graph goes round in a circle",
                "Each must be off before the next: {0}.",
                "Take one of them out of the circle."
            ),
            ProblemCode.PartFreedByNothing => (
                "Nothing frees the part",
                "“{0}” has no fasteners, catches, cables or tubes, and nothing says how it comes off.",
                "Say what holds it, or how it comes off."
            ),
            ProblemCode.FastenerCount => (
                "The count does not match",
                "“{0}” says {1}, but {2} places are marked.",
                "Count again and mark each place."
            ),
            ProblemCode.GuideUnsafe => ("The guide is not safe", "In its order: {0}.", "Mend the guide's steps."),
            ProblemCode.NoGraph => ("No access graph", "No pack says how a {0} opens.", "Add an access graph for the model."),
            ProblemCode.UnknownRemoval => (
                "No such part here",
                "“{0}” is not in this model's access graph.",
                "Load the page again and take a part shown."
            ),
            ProblemCode.OffAlready => ("It is off already", "“{0}” was ticked by {1}.", "Look at the tray; nothing was written."),
            ProblemCode.OffFirst => (
                "Something comes before it",
                "Before “{0}”: {1}.",
                "Do that first, or leave it off with a reason if it is not there."
            ),
            ProblemCode.WordNeeded => (
                "The customer's word first",
                "“{0}” cannot be undone, or breaks a warranty seal.",
                "Ask, then write down who agreed."
            ),
            ProblemCode.NotOff => ("It is not off", "There is nothing of it on the tray.", "Load the page again."),
            ProblemCode.BackFirst => (
                "Something is still beneath it",
                "Before “{0}” goes back: {1}.",
                "Undo that first, or say that it stays off and why."
            ),
            ProblemCode.PieceMissing => (
                "A piece is missing",
                "{0} of “{1}” are lost, and {2} holes may stay empty: {3}.",
                "Find it, or replace it from stock."
            ),
            ProblemCode.StillInside => (
                "Something is inside the machine",
                "{0}.",
                "Take it out before the machine goes back; no reason leaves it there."
            ),
            ProblemCode.TrayForbids => ("Not with this on the tray: {0}", "In the way: {1}.", "Undo it first."),
            ProblemCode.UnknownGuide => ("No such guide", "There is no guide “{0}” for this machine.", "Choose one of those shown."),
            ProblemCode.UnknownRun => ("Not being followed", "That guide was ended, or is from another job.", "Load the page again."),
            ProblemCode.StepTicked => ("Done already", "“{0}” is {1}: {2}.", "Look at the next step; nothing was written."),
            ProblemCode.StepsBefore => ("Steps before it are open", "Before “{0}”: {1}.", "Do them, or skip them with a reason."),
            ProblemCode.PhotoFirst => ("A photo first", "“{0}” asks for one.", "Take it, or skip the step with a reason."),
            ProblemCode.ServerFault => (
                "Something broke inside Side Bench",
                "It is our mistake, not yours. Nothing was written.",
                "Load the page again; if it comes back, show the server's log to whoever keeps it."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(code), code, "a problem without text"),
        };

    /// <summary>The problem in words, for a console.</summary>
    public static string Line(Problem problem)
    {
        var (title, detail, hint) = Of(problem.Code);
        return $"{problem.Path}: {Fill(title, problem)}. {Fill(detail, problem)} {Fill(hint, problem)}";
    }

    /// <summary>A sentence with the problem's facts in it.</summary>
    public static string Fill(string sentence, Problem problem)
    {
        for (var i = 0; i < problem.Args.Length; i++)
            sentence = sentence.Replace($"{{{i}}}", Convert.ToString(problem.Args[i], System.Globalization.CultureInfo.InvariantCulture));
        return sentence;
    }
}
