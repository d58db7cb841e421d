namespace SideBench.Core.Outcomes;

/// <summary>Problems of signing in.</summary>
public sealed partial record ProblemCode
{
    /// <summary>This person's role does not do that.</summary>
    public static readonly ProblemCode NotAllowed = new(
        "not-allowed",
        ProblemSort.Forbidden,
        "Not for this role",
        "{0} does not do that.",
        "Ask a technician or the owner."
    );

    /// <summary>Name or password is wrong.</summary>
    public static readonly ProblemCode WrongSignIn = new(
        "wrong-sign-in",
        ProblemSort.SignIn,
        "Name or password is wrong",
        "They do not fit together.",
        "Try again; mind capitals in the password."
    );

    /// <summary>Too many wrong tries; locked for a while.</summary>
    public static readonly ProblemCode LockedOut = new(
        "locked-out",
        ProblemSort.Forbidden,
        "Locked for a while",
        "Too many wrong tries. Open again at {0}.",
        "Wait, or ask the owner."
    );

    /// <summary>The person's sign-in ran out.</summary>
    public static readonly ProblemCode SignInNeeded = new(
        "sign-in-needed",
        ProblemSort.SignIn,
        "Sign in",
        "Your sign-in has ended.",
        "Sign in again; what you typed is kept."
    );

    /// <summary>The one-time code is wrong or was used.</summary>
    public static readonly ProblemCode WrongSetupCode = new(
        "wrong-setup-code",
        ProblemSort.SignIn,
        "The code is wrong",
        "It is not the one-time code this server printed.",
        "Read it off the console where the server was started."
    );

    /// <summary>A person with this name is there already.</summary>
    public static readonly ProblemCode NameTaken = new(
        "name-taken",
        ProblemSort.Conflict,
        "The name is taken",
        "Somebody here has this name already.",
        "Add an initial."
    );

    /// <summary>The password is too short.</summary>
    public static readonly ProblemCode PasswordTooShort = new(
        "password-too-short",
        ProblemSort.Wrong,
        "The secret is too short",
        "It has {0} characters; at least {1} are needed.",
        "Choose a longer one."
    );

    /// <summary>Too many tries in a short time.</summary>
    public static readonly ProblemCode TooManyTries = new(
        "too-many-tries",
        ProblemSort.TooMany,
        "Too many tries",
        "There were too many tries in a short time.",
        "Wait a minute."
    );

    /// <summary>The form's safety token is missing or old.</summary>
    public static readonly ProblemCode TokenOld = new(
        "token-old",
        ProblemSort.NotUnderstood,
        "The page is out of date",
        "Its safety token is missing or old.",
        "Send it again; if that fails, load the page again."
    );
}
