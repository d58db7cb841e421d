using SideBench.Core.Quantities;

namespace SideBench.Core.Machines;

/// <summary>The three ways something runs through a machine.</summary>
public enum PathKind
{
    /// <summary>From chip to main board to head.</summary>
    Signal,

    /// <summary>From ink store to paper.</summary>
    Ink,

    /// <summary>From cap to where waste ink ends.</summary>
    Waste,
}

/// <summary>One place on a path where a fault can sit.</summary>
/// <param name="Id">Name used by the fault book, such as <c>damper</c>.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Path">The path it is on; its order there is the order of the list.</param>
public sealed record Station(string Id, string Name, PathKind Path);

/// <summary>One place for a cartridge, tank or bag.</summary>
/// <param name="Panel">Its number on the panel, from 1.</param>
/// <param name="Ink">Name of the ink in it.</param>
/// <param name="Colour">The ink's own colour, as <c>#rrggbb</c>, for drawing ink and nothing else.</param>
/// <param name="Bay">Which bay it is in; empty when there is one.</param>
/// <param name="FromFront">Its number from the left, seen from the front, within its bay.</param>
/// <param name="FromBack">Its number from the left, seen from the back, within its bay.</param>
/// <param name="Cartridge">The right cartridge number; empty on tank machines.</param>
/// <param name="Holds">Ink that the maker's own holds when it is full.</param>
/// <param name="InkKind">dye, pigment, transfer or white: what a clean does depends on it.</param>
public sealed record Slot(
    int Panel,
    string Ink,
    string Colour,
    string Bay,
    int FromFront,
    int FromBack,
    string Cartridge,
    Millilitres Holds,
    string InkKind
);

/// <summary>What the machine does by itself and what it costs.</summary>
/// <param name="Id">Name used by the fault book, such as <c>clean-light</c>.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="PerChannel">Ink it draws from every channel, ml.</param>
/// <param name="CounterPct">How far it lifts the waste counter, percent points.</param>
/// <param name="Time">How long it takes, min.</param>
public sealed record Operation(string Id, string Name, Millilitres PerChannel, double CounterPct, Minutes Time);

/// <summary>A code on the panel: evidence, not a verdict.</summary>
/// <param name="Code">As shown.</param>
/// <param name="Says">What the panel says it means.</param>
/// <param name="Means">What it can mean at the bench.</param>
/// <param name="Complaint">The complaint it goes with; empty when none.</param>
/// <param name="Reads">The answer to "what does the panel say" that this code is.</param>
public sealed record PanelCode(string Code, string Says, string Means, string Complaint, string Reads);

/// <summary>The nozzle sheet a machine prints.</summary>
/// <param name="Layout">Where its nozzles print.</param>
/// <param name="Slots">The slot, by panel number, that feeds each unit.</param>
public sealed record SheetPlan(SheetLayout Layout, IReadOnlyDictionary<string, int> Slots);

/// <summary>A bound by a figure of the model.</summary>
/// <param name="Figure">Which: <c>store</c>, what the waste store holds, g; <c>storeGross</c>, that with its own mass, g.</param>
/// <param name="Times">How often that.</param>
public sealed record FigureBound(string Figure, double Times)
{
    /// <summary>The bound on a model; null when the model does not know the figure.</summary>
    public double? On(MachineModel model) => model.Figure(Figure) * Times;
}

/// <summary>A kind of machine, as data from a pack.</summary>
public sealed record MachineModel
{
    /// <summary>How serials of this model begin; empty when it is not known.</summary>
    public string SerialPrefix { get; init; } = "";

    /// <summary>What of a model of the shop's own is a family default, and how wide; null for a model whose figures are known.</summary>
    public TaughtModel? Taught { get; init; }

    /// <summary>Name used in the record, such as <c>marram-quartet-a4</c>.</summary>
    public required string Id { get; init; }

    /// <summary>Maker.</summary>
    public required string Maker { get; init; }

    /// <summary>Name on the lid.</summary>
    public required string Name { get; init; }

    /// <summary>Version of the model's data; rises with every change.</summary>
    public required int Version { get; init; }

    /// <summary>The axes of the trade as words: head, headPlace, spares, delivery, cartridge, panel, waste, chips.</summary>
    public required IReadOnlyDictionary<string, string> Axes { get; init; }

    /// <summary>Short facts for the machine's card, such as "tank, piezo".</summary>
    public required string Kind { get; init; }

    /// <summary>Stations of all paths, in path order.</summary>
    public required IReadOnlyList<Station> Stations { get; init; }

    /// <summary>Slots in panel order.</summary>
    public required IReadOnlyList<Slot> Slots { get; init; }

    /// <summary>What it does by itself.</summary>
    public required IReadOnlyList<Operation> Operations { get; init; }

    /// <summary>What its panel can say.</summary>
    public required IReadOnlyList<PanelCode> Codes { get; init; }

    /// <summary>What the machine is worth in good order, in the shop's currency.</summary>
    public required decimal Worth { get; init; }

    /// <summary>What the pads or box hold, g; null when not known.</summary>
    public double? PadCapacityG { get; init; }

    /// <summary>How long the carriage stays out before it parks itself, min; null when it stays.</summary>
    public double? CarriageOutMin { get; init; }

    /// <summary>Ink a page takes from one channel at 5 % coverage, ml.</summary>
    public double PageMl { get; init; }

    /// <summary>What a damper holds, ml; null when it has none.</summary>
    public double? DamperMl { get; init; }

    /// <summary>The nozzle sheet it prints; null when no layout is known.</summary>
    public SheetPlan? Sheet { get; init; }

    /// <summary>What can be fitted in its slots; none when that is not known.</summary>
    public IReadOnlyList<CartridgeType> Cartridges { get; init; } = [];

    /// <summary>Whether it stops dead, in mid-page, when a slot is called empty.</summary>
    public bool StopsDead { get; init; }

    /// <summary>How its prompt about ink that is not its maker's is walked through, by its own keys; empty when it has none.</summary>
    public string Prompt { get; init; } = "";

    /// <summary>Where its waste store is, and from where it is reached; empty when not told.</summary>
    public string WasteAt { get; init; } = "";

    /// <summary>Its waste store; null when not known.</summary>
    public WasteFigures? Waste { get; init; }

    /// <summary>What its head can be given.</summary>
    public required HeadFigures HeadCare { get; init; }

    /// <summary>Warnings that hold for every job on this model.</summary>
    public required IReadOnlyList<string> Cautions { get; init; }

    /// <summary>What the dry waste store weighs, g; null when not known.</summary>
    public double? StoreTareG { get; init; }

    /// <summary>A figure of the model that bounds a measure; null when the model does not know it.</summary>
    /// <param name="name"><c>store</c>: what the waste store holds, g; <c>storeGross</c>: that with its own mass, g.</param>
    public double? Figure(string name) =>
        name switch
        {
            "store" => PadCapacityG,
            "storeGross" => PadCapacityG + StoreTareG,
            _ => null,
        };

    /// <summary>Maker and name together.</summary>
    public string FullName => $"{Maker} {Name}";

    /// <summary>The operation of that name, or null.</summary>
    public Operation? Operation(string id) => Operations.FirstOrDefault(o => o.Id == id);

    /// <summary>Ink an operation takes from all channels together.</summary>
    public Millilitres InkOf(Operation operation) => Millilitres.Of(operation.PerChannel.Value * Slots.Count);
}
