using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A number asked for at a step of a guide.</summary>
/// <param name="Label">What is measured.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Min">Smallest sensible value.</param>
/// <param name="Max">Largest sensible value.</param>
/// <param name="MaxOf">A figure of the model that bounds it instead of the largest, where the model has it; null when none.</param>
/// <param name="Good">The values with which the step is done; null when any sensible value will do.</param>
public sealed record AskedMeasure(string Label, string Unit, double Min, double Max, FigureBound? MaxOf = null, GoodRange? Good = null)
{
    /// <summary>With the bound that a model gives.</summary>
    public AskedMeasure On(MachineModel model) => MaxOf?.On(model) is { } most ? this with { Max = most } : this;
}

/// <summary>The values with which a step is done.</summary>
/// <param name="Min">From; null for no lower end.</param>
/// <param name="Max">To; null for no upper end.</param>
/// <param name="Else">What another value says, and what to do then.</param>
public sealed record GoodRange(double? Min, double? Max, string Else)
{
    /// <summary>Whether a value is among them.</summary>
    public bool Holds(double value) => !(value < Min) && !(value > Max);
}

/// <summary>What to do when a step goes wrong.</summary>
/// <param name="Id">Name used in the record, such as <c>stuck</c>.</param>
/// <param name="Label">What the button says.</param>
/// <param name="Text">What to do then.</param>
/// <param name="GoTo">The step to go back to; empty to try this one again.</param>
/// <param name="Passes">Whether the step counts as passed by it.</param>
public sealed record StepBranch(string Id, string Label, string Text, string GoTo, bool Passes = false);

/// <summary>What a step leaves changed: removals that neither lie on the tray nor go back, and stay so on the machine's record.</summary>
/// <param name="Targets">Stations, parts or single removals.</param>
/// <param name="As">What they are from now on, such as "joined to the outside bottle".</param>
public sealed record StepStays(IReadOnlyList<string> Targets, string As);

/// <summary>A lasting change that the machine has once a step is done.</summary>
/// <param name="Change">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Says">What it means, one line.</param>
/// <param name="Watch">What to watch from then on; empty when nothing.</param>
public sealed record StepMakes(string Change, string Name, string Says, string Watch);

/// <summary>A repair of the fault book that is made once a step is done.</summary>
/// <param name="Repair">Which.</param>
/// <param name="Label">What the button says.</param>
public sealed record StepDoes(string Repair, string Label);

/// <summary>A wait after a step.</summary>
/// <param name="Kind">What kind of wait.</param>
/// <param name="Label">What it waits for.</param>
/// <param name="Least">At least.</param>
/// <param name="Most">At most; null when it may be longer.</param>
public sealed record StepWait(string Kind, string Label, Minutes Least, Minutes? Most);

/// <summary>What a guide's step is, beside hands doing something.</summary>
public enum StepKind
{
    /// <summary>Hands do something.</summary>
    Do,

    /// <summary>Opens the machine: its steps come from the access graph.</summary>
    Open,

    /// <summary>Puts back what is off: its steps come from the tray.</summary>
    Back,

    /// <summary>Power comes on.</summary>
    Power,

    /// <summary>The customer's word is needed.</summary>
    Word,

    /// <summary>The machine is moved.</summary>
    Move,
}

/// <summary>One step of a guide.</summary>
/// <param name="Id">Stable within its guide: it never changes its meaning.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Title">What to do, one line.</param>
/// <param name="Text">How.</param>
/// <param name="View">The side it is seen from; empty when it does not matter.</param>
/// <param name="Hands">Hands-on time.</param>
public sealed record GuideStep(string Id, StepKind Kind, string Title, string Text, string View, Minutes Hands)
{
    /// <summary>Warnings before the step.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>What shows that it went well: a click, a level edge.</summary>
    public string Sign { get; init; } = "";

    /// <summary>What it puts on the tray.</summary>
    public IReadOnlyList<TrayPut> Puts { get; init; } = [];

    /// <summary>What it takes off the tray, by label.</summary>
    public IReadOnlyList<string> Takes { get; init; } = [];

    /// <summary>A number to type; null when none.</summary>
    public AskedMeasure? Measure { get; init; }

    /// <summary>Whether a photo is to be taken first.</summary>
    public bool Photo { get; init; }

    /// <summary>A wait that follows; null when none.</summary>
    public StepWait? Wait { get; init; }

    /// <summary>What can go wrong, and what then.</summary>
    public IReadOnlyList<StepBranch> Branches { get; init; } = [];

    /// <summary>What to reach: stations of the model's paths or parts of its graph.</summary>
    public IReadOnlyList<string> Targets { get; init; } = [];

    /// <summary>Whether it is done with the machine open and power on, which only a step that says so may.</summary>
    public bool PowerWhileOpen { get; init; }

    /// <summary>Whether it cannot be undone.</summary>
    public bool Irreversible { get; init; }

    /// <summary>The window it belongs to; empty when it may take its time.</summary>
    public string Window { get; init; } = "";

    /// <summary>What differs from the like step on other models; empty when nothing.</summary>
    public string Differs { get; init; } = "";

    /// <summary>The customer's word that it needs, such as <c>irreversible</c>; empty when none.</summary>
    public string Word { get; init; } = "";

    /// <summary>What it leaves changed for good; null when everything goes back.</summary>
    public StepStays? Stays { get; init; }

    /// <summary>The lasting change that is made by it; null when none.</summary>
    public StepMakes? Makes { get; init; }

    /// <summary>Whether something is given away by it that local rules speak of: the shop's own line about them stands before it.</summary>
    public bool Disposes { get; init; }

    /// <summary>A drawing of the model that is shown with it: the stack of its pads, or the hole of its bottle; empty when none.</summary>
    public string Drawing { get; init; } = "";

    /// <summary>Repairs of the fault book, one of which is made by it: it counts as made once the step is ticked.</summary>
    public IReadOnlyList<StepDoes> Does { get; init; } = [];
}

/// <summary>A step with the models it belongs to.</summary>
/// <param name="Step">The step.</param>
/// <param name="When">When it belongs to the guide at all.</param>
public sealed record GuideLine(GuideStep Step, Condition When);

/// <summary>A time that hands have before the machine or a fluid takes over.</summary>
/// <param name="Id">Name that its steps carry.</param>
/// <param name="Name">What happens at its end.</param>
/// <param name="Lasts">How long; nothing for the model's own time until the carriage parks itself.</param>
/// <param name="OpensAt">The step that begins it.</param>
/// <param name="Ready">What to have ready before it starts.</param>
public sealed record GuideWindow(string Id, string Name, Minutes Lasts, string OpensAt, IReadOnlyList<string> Ready);

/// <summary>A guide: numbered steps to one end, for every model where it applies.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Version">Rises with every change.</param>
/// <param name="Purpose">What it is for, one line.</param>
/// <param name="When">The models it applies to.</param>
/// <param name="Tools">Tools to lay out beside those of the way in.</param>
/// <param name="Needs">Consumables to lay out.</param>
/// <param name="Repairs">Repairs of the fault book that it carries out.</param>
/// <param name="Windows">Windows of time in it.</param>
/// <param name="Lines">Its steps, with the models they belong to.</param>
public sealed record Guide(
    string Id,
    string Name,
    int Version,
    string Purpose,
    Condition When,
    IReadOnlyList<string> Tools,
    IReadOnlyList<string> Needs,
    IReadOnlyList<string> Repairs,
    IReadOnlyList<GuideWindow> Windows,
    IReadOnlyList<GuideLine> Lines
)
{
    /// <summary>
    /// Models of a shop's own whose kind it would suit, but whose parts, as far as they are known, it does not fit.
    /// </summary>
    public IReadOnlyList<string> NotOn { get; init; } = [];

    /// <summary>Its steps on one model.</summary>
    /// <param name="bare">The model without a case.</param>
    public IReadOnlyList<GuideStep> StepsFor(Facts bare) => [.. Lines.Where(l => l.When.Holds(bare)).Select(l => l.Step)];
}
