namespace SideBench.Core.Outcomes;

/// <summary>Problems of pictures.</summary>
public sealed partial record ProblemCode
{
    /// <summary>The picture has no bytes.</summary>
    public static readonly ProblemCode PictureEmpty = new(
        "picture-empty",
        ProblemSort.Wrong,
        "The picture is empty",
        "Its file has no bytes.",
        "Choose it again, or take it again."
    );

    /// <summary>The picture's file is too large.</summary>
    public static readonly ProblemCode PictureTooLarge = new(
        "picture-too-large",
        ProblemSort.Wrong,
        "The picture's file is too large",
        "It has {0} MB; at most {1} MB are taken.",
        "Save it as JPEG, or scan at 300 dpi."
    );

    /// <summary>The file is no PNG and no JPEG.</summary>
    public static readonly ProblemCode PictureUnknown = new(
        "picture-unknown",
        ProblemSort.Wrong,
        "Not a picture that can be read",
        "It is neither PNG nor JPEG, whatever its name says.",
        "Save it as JPEG or PNG."
    );

    /// <summary>The picture has more pixels than can be read.</summary>
    public static readonly ProblemCode PictureTooManyPixels = new(
        "picture-too-many-pixels",
        ProblemSort.Wrong,
        "The picture has too many pixels",
        "{0} × {1} are more than {2} million.",
        "Scan at 300 dpi; more shows nothing more."
    );

    /// <summary>The picture breaks off or is damaged.</summary>
    public static readonly ProblemCode PictureBroken = new(
        "picture-broken",
        ProblemSort.Wrong,
        "The picture is damaged",
        "It breaks off before its end.",
        "Take or copy it again."
    );
}
