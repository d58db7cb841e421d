using SideBench.Core.Outcomes;

namespace SideBench.Core.Accounts;

/// <summary>What can be wrong with what is asked of an account.</summary>
public static class AccountsProblem
{
    /// <summary>A person who is not there.</summary>
    public static readonly ProblemCode NoAccount = new(
        "no-such-account",
        ProblemSort.Unknown,
        "No such person here",
        "Person {0} is not of this shop, or has left.",
        "Look at the list as it stands now."
    );

    /// <summary>The shop would have no owner.</summary>
    public static readonly ProblemCode LastOwner = new(
        "last-owner",
        ProblemSort.Conflict,
        "The shop needs an owner",
        "{0} is the only owner who can sign in.",
        "Make somebody else an owner first."
    );

    /// <summary>It is so already.</summary>
    public static readonly ProblemCode SameAlready = new(
        "same-already",
        ProblemSort.Conflict,
        "It is so already",
        "{0} is {1}.",
        "Look at the list as it stands now."
    );

    /// <summary>A suspended person gets no code.</summary>
    public static readonly ProblemCode IsSuspended = new(
        "is-suspended",
        ProblemSort.Conflict,
        "Suspended",
        "{0} may not sign in.",
        "Let them back first."
    );

    /// <summary>A code that does not fit, or whose time is over.</summary>
    public static readonly ProblemCode WrongCode = new(
        "wrong-code",
        ProblemSort.SignIn,
        "Name and code do not fit",
        "There is no such code for that name, it was used, or its time is over.",
        "Read it again; ask the owner for a new one."
    );

    /// <summary>One of the commonest passwords, or as easily guessed.</summary>
    public static readonly ProblemCode CommonPassword = new(
        "common-password",
        ProblemSort.Wrong,
        "That password is guessed first",
        "It is one of the commonest, or as plain as one of them.",
        "Take three or four words that do not belong together."
    );

    /// <summary>A secret that is far too long.</summary>
    public static readonly ProblemCode LongSecret = new(
        "long-secret",
        ProblemSort.Wrong,
        "The secret is too long",
        "It has {0} characters; at most {1} are taken.",
        "Choose a shorter one."
    );

    /// <summary>A PIN that is no number.</summary>
    public static readonly ProblemCode NoPin = new(
        "no-pin",
        ProblemSort.Wrong,
        "A PIN is digits alone",
        "A PIN has 4 to 12 digits, not all the same.",
        "Choose other digits, or leave it empty."
    );

    /// <summary>The password as it is now is wrong.</summary>
    public static readonly ProblemCode WrongNow = new(
        "wrong-now",
        ProblemSort.Wrong,
        "Your password of now is wrong",
        "Nothing was changed.",
        "Type the password that you sign in with; mind capitals."
    );

    /// <summary>A sign-in that is over.</summary>
    public static readonly ProblemCode NoSignIn = new(
        "no-such-sign-in",
        ProblemSort.Unknown,
        "That sign-in is over",
        "Nobody is signed in there any more.",
        "Look at the list as it stands now."
    );
}
