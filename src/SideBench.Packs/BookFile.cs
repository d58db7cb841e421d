using System.Text.Json.Nodes;
using SideBench.Core.Machines;

namespace SideBench.Packs;

/// <summary>A fault book file as written: words not yet numbers, names not yet checked.</summary>
internal sealed record BookFile
{
    public WordsPart? Words { get; init; }
    public IReadOnlyList<ComplaintPart> Complaints { get; init; } = [];
    public IReadOnlyList<CausePart> Causes { get; init; } = [];
    public IReadOnlyList<FindingPart> Findings { get; init; } = [];
    public IReadOnlyList<RepairPart> Repairs { get; init; } = [];
    public IReadOnlyList<RulePart> Rules { get; init; } = [];
    public IReadOnlyList<GatePart> Gates { get; init; } = [];
    public IReadOnlyList<IReadOnlyList<string>> Synonyms { get; init; } = [];
    public IReadOnlyList<SchoolPart> Schools { get; init; } = [];
    public IReadOnlyList<ChecklistPart> Checklists { get; init; } = [];

    internal sealed record WordsPart(
        Dictionary<string, double> Likelihood,
        Dictionary<string, double> Rate,
        Dictionary<string, double> Factor
    );

    internal sealed record ComplaintPart(
        string Id,
        string Name,
        string Says,
        string Proof,
        JsonNode? When,
        IReadOnlyList<string>? Sheet,
        string? First,
        bool Planned
    );

    internal sealed record CausePart(
        string Id,
        string Name,
        string Station,
        string Rate,
        Dictionary<string, string> Complaints,
        JsonNode? When,
        string? Watch
    );

    internal sealed record PutPart(string Label, string Change, int Count, string Undo, IReadOnlyList<string> Marks, double Minutes);

    internal sealed record QuantityPart(
        string Label,
        string Unit,
        double Min,
        double Max,
        IReadOnlyList<BandPart>? Bands,
        bool WithCoverage,
        double? From,
        double? To,
        bool Needed,
        FigureBound? MaxOf,
        FigureBound? FromOf,
        FigureBound? ToOf
    );

    internal sealed record BandPart(IReadOnlyList<string> For, double? From, double? UpTo, string Factor, string Why);

    internal sealed record OutcomePart(
        string Id,
        string Label,
        string Says,
        bool Proves,
        QuantityPart? Quantity,
        IReadOnlyList<string>? Clears
    );

    internal sealed record RowPart(IReadOnlyList<string> For, Dictionary<string, string> Odds, string Why);

    internal abstract record StepPart
    {
        public required string Id { get; init; }
        public required string Name { get; init; }
        public string? Short { get; init; }
        public required string Station { get; init; }
        public required double Minutes { get; init; }
        public decimal Parts { get; init; }
        public string Operation { get; init; } = "";
        public string Risk { get; init; } = "none";
        public bool Easy { get; init; }
        public JsonNode? When { get; init; }
        public IReadOnlyList<string> Tags { get; init; } = [];
        public IReadOnlyList<string> Cautions { get; init; } = [];
        public string How { get; init; } = "";
        public IReadOnlyList<PutPart> Puts { get; init; } = [];
        public bool PerPlace { get; init; }
    }

    internal sealed record FindingPart : StepPart
    {
        public required string Kind { get; init; }
        public required IReadOnlyList<OutcomePart> Outcomes { get; init; }
        public required IReadOnlyList<RowPart> Rows { get; init; }
        public required Dictionary<string, string> Otherwise { get; init; }
        public required string OtherwiseWhy { get; init; }
        public required Dictionary<string, string> Sound { get; init; }
        public Dictionary<string, string>? Sheet { get; init; }
    }

    internal sealed record FixPart(string Cause, string Chance);

    internal sealed record WaitPart(string Kind, string Label, double MinMinutes, double? MaxMinutes);

    internal sealed record RepairPart : StepPart
    {
        public required IReadOnlyList<FixPart> Fixes { get; init; }
        public required string Proof { get; init; }
        public string Part { get; init; } = "";
        public IReadOnlyList<string> Steps { get; init; } = [];
        public bool ToldBefore { get; init; }
        public WaitPart? Wait { get; init; }
    }

    internal sealed record RulePart(string Id, string Name, JsonNode When, IReadOnlyList<string> Causes, string Factor, string Why);

    internal sealed record GatePart(
        string Id,
        IReadOnlyList<string> Holds,
        JsonNode When,
        string Reason,
        string Lift,
        bool Overridable,
        bool Quiet
    );

    internal sealed record OptionPart(string Id, string Name, string Why, IReadOnlyList<string>? Prefers, bool Default);

    internal sealed record SchoolPart(string Id, string Name, string Asks, bool PerJob, string? Follows, IReadOnlyList<OptionPart> Options);

    internal sealed record ChecklistStepPart(string? Find, Dictionary<string, IReadOnlyList<string>>? Then, string? Mend);

    internal sealed record ChecklistPart(string Complaint, IReadOnlyList<ChecklistStepPart> Steps);
}
