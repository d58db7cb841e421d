namespace SideBench.Web.Features.BookPages;

/// <summary>A line of the book's index: a cause, a finding, a repair or a code.</summary>
public sealed record BookLine(string Kind, string Id, string Name, string Station, string Detail, string Words);

/// <summary>The book's index, to be searched.</summary>
public sealed record BookIndex(
    string Version,
    IReadOnlyList<BookLine> Lines,
    IReadOnlyList<string> RateWords,
    IReadOnlyList<string> LikelihoodWords
);

public sealed record AnswerWord(string Outcome, string Label, string Word, double Ratio);

/// <summary>What a finding shows under a cause.</summary>
public sealed record SignView(string Finding, string Name, string Kind, double Minutes, string Why, IReadOnlyList<AnswerWord> Answers);

public sealed record MendView(string Repair, string Name, double Minutes, decimal Parts, string Part, string Chance, string Proof);

public sealed record CauseLink(string Id, string Name, string Word);

/// <summary>A cause as the book has it: signs, mends, models.</summary>
public sealed record CausePage(
    string Id,
    string Name,
    string Station,
    string Rate,
    IReadOnlyList<CauseLink> Complaints,
    string Watch,
    IReadOnlyList<string> Models,
    IReadOnlyList<SignView> Signs,
    IReadOnlyList<MendView> Mends,
    IReadOnlyList<string> Context
);

/// <summary>A panel code: what it may really be, per model.</summary>
public sealed record CodePage(string Model, string Code, string Says, string Means, IReadOnlyList<CauseLink> Causes);
