using SideBench.Core.Identity;

namespace SideBench.Core.Record;

/// <summary>What a line of the record can be about.</summary>
public enum SubjectKind
{
    /// <summary>One stay of a machine on the bench.</summary>
    Job,

    /// <summary>A machine, for life.</summary>
    Machine,

    /// <summary>A waste box, tank or bottle with a tag, whichever machine it is in.</summary>
    Store,

    /// <summary>A machine's waste counter, with what it counts for.</summary>
    Counter,

    /// <summary>What is fitted in one place of a machine.</summary>
    Piece,

    /// <summary>Something of the shelf that work takes of, such as the ink of a slot.</summary>
    Item,

    /// <summary>A lot, over all machines.</summary>
    Lot,

    /// <summary>The shop itself, whole or a part of it.</summary>
    Shop,
}

/// <summary>A part of the shop that is told and forgotten by itself.</summary>
public enum ShopPart
{
    /// <summary>Hours and what the day keeps to.</summary>
    Hours,

    /// <summary>What of the day was seen to.</summary>
    Day,

    /// <summary>Schools.</summary>
    Schools,

    /// <summary>People and what they may do.</summary>
    People,

    /// <summary>The shop's own files.</summary>
    Own,

    /// <summary>Edits of the book.</summary>
    Book,

    /// <summary>What is on the shelf, and what is not.</summary>
    Shelf,

    /// <summary>Waste boxes that are in no machine, and local rules.</summary>
    Waste,
}

/// <summary>One thing with a life of its own: its lines are numbered by themselves, and folded by themselves.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Which of its kind: a number, a tag, a place.</param>
public readonly record struct Subject(SubjectKind Kind, string Name)
{
    /// <summary>The shop as a whole: every line about it.</summary>
    public static readonly Subject Shop = new(SubjectKind.Shop, "0");

    /// <summary>A job.</summary>
    public static Subject Of(JobId id) => new(SubjectKind.Job, $"{id.Value}");

    /// <summary>A machine.</summary>
    public static Subject Of(MachineId id) => new(SubjectKind.Machine, $"{id.Value}");

    /// <summary>A part of the shop.</summary>
    public static Subject Of(ShopPart part) => new(SubjectKind.Shop, StoredWord.Of(part));

    /// <summary>A waste box by its tag.</summary>
    public static Subject Store(string tag) => new(SubjectKind.Store, Tag(tag));

    /// <summary>A machine's waste counter.</summary>
    public static Subject Counter(long machine) => new(SubjectKind.Counter, $"{machine}");

    /// <summary>What is fitted in a slot of a machine.</summary>
    public static Subject Piece(long machine, int slot) => new(SubjectKind.Piece, $"{machine}/{slot}");

    /// <summary>The ink of a slot of a model.</summary>
    public static Subject Ink(string model, int slot) => new(SubjectKind.Item, $"{model}/{slot}");

    /// <summary>A lot.</summary>
    public static Subject Lot(string lot) => new(SubjectKind.Lot, Tag(lot));

    /// <summary>As it is written down, such as <c>machine:12</c>.</summary>
    public override string ToString() => $"{Sort(Kind)}:{Name}";

    /// <summary>A kind as it is written down.</summary>
    public static string Sort(SubjectKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>As it is read.</summary>
    /// <param name="written">Such as <c>machine:12</c>.</param>
    public static Subject Parse(string written)
    {
        var colon = written.IndexOf(':');
        return new Subject(Enum.Parse<SubjectKind>(written[..colon], ignoreCase: true), written[(colon + 1)..]);
    }

    // As a person reads a label: w-7 is W-7. Only letters that a label maker has, so that the database says the same.
    private static string Tag(string text) =>
        string.Create(
            text.Trim().Length,
            text.Trim(),
            (to, from) =>
            {
                for (var i = 0; i < from.Length; i++)
                    to[i] = char.IsAsciiLetterLower(from[i]) ? (char)(from[i] - 'a' + 'A') : from[i];
            }
        );
}

/// <summary>Parts of the shop whose lists show what lines are about.</summary>
public static class ShopParts
{
    /// <summary>Those that show any of these, each once.</summary>
    /// <param name="subjects">What lines are about.</param>
    public static IEnumerable<ShopPart> Of(IEnumerable<Subject> subjects) =>
        subjects.Where(s => s != Subject.Shop).Select(Of).OfType<ShopPart>().Distinct();

    private static ShopPart? Of(Subject subject) =>
        subject.Kind switch
        {
            SubjectKind.Shop => StoredWord.Read<ShopPart>(subject.Name),
            SubjectKind.Store or SubjectKind.Counter => ShopPart.Waste,
            SubjectKind.Piece or SubjectKind.Item or SubjectKind.Lot => ShopPart.Shelf,
            _ => null,
        };
}
