using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>One channel of a head that is looked after.</summary>
/// <param name="Unit">Its unit on the nozzle sheet.</param>
/// <param name="Slot">The slot that feeds it, by panel number.</param>
/// <param name="Ink">Name of its ink.</param>
/// <param name="InkKind">dye, pigment, transfer or white.</param>
/// <param name="Head">Its sheets and what was done between them.</param>
/// <param name="Outlook">What is known of it.</param>
public sealed record ChannelCare(string Unit, int Slot, string Ink, string InkKind, HeadHistory Head, CleanOutlook Outlook);

/// <summary>A part of what an application costs: paid while any of some channels is not clear.</summary>
/// <param name="Channels">Index of those channels.</param>
/// <param name="Ink">Ink from all slots it draws from.</param>
/// <param name="Counter">Waste capacity.</param>
/// <param name="Hands">Bench time.</param>
/// <param name="Fluid">Cleaning fluid, in the shop's currency.</param>
/// <param name="Risk">What can be ruined, times the chance of it, in the shop's currency.</param>
public sealed record MethodPart(
    IReadOnlyList<int> Channels,
    Millilitres Ink,
    CounterShare Counter,
    Minutes Hands,
    double Fluid,
    double Risk
);

/// <summary>What can be done to a head next, and what it costs on this machine.</summary>
/// <param name="Id">clean-light, clean-normal, clean-deep, rest, soak, flush or supply.</param>
/// <param name="Repair">The work of the fault book that it is.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Parts">Its cost, by what still needs it.</param>
/// <param name="Wait">Time that works by itself, at least.</param>
/// <param name="WaitMost">That at most; null when there is no limit.</param>
/// <param name="Most">How often one plan does it at most.</param>
/// <param name="Held">Why it may not be done now; null when it may.</param>
public sealed record HeadMethod(
    string Id,
    string Repair,
    string Name,
    IReadOnlyList<MethodPart> Parts,
    Minutes Wait,
    Minutes? WaitMost,
    int Most,
    HeldMethod? Held
)
{
    /// <summary>Looking whether ink comes at all, and mending that where it does not.</summary>
    public const string Supply = "supply";

    /// <summary>Resting the head on its cap.</summary>
    public const string Rest = "rest";

    /// <summary>Fluid under the head, and time.</summary>
    public const string Soak = "soak";

    /// <summary>Fluid through a channel.</summary>
    public const string Flush = "flush";

    /// <summary>A clean of the machine’s own, of three strengths.</summary>
    public const string CleanLight = "clean-light";

    /// <inheritdoc cref="CleanLight"/>
    public const string CleanNormal = "clean-normal";

    /// <inheritdoc cref="CleanLight"/>
    public const string CleanDeep = "clean-deep";

    private const string Cleans = "clean-";

    /// <summary>All that is done to the head itself, from the mildest on; looking at the supply is none of them.</summary>
    public static readonly IReadOnlyList<string> OnTheHead = [CleanLight, CleanNormal, CleanDeep, Rest, Soak, Flush];

    /// <summary>Whether a method draws ink through the head.</summary>
    /// <param name="method">Its name.</param>
    public static bool IsCleanOf(string method) => method.StartsWith(Cleans, StringComparison.Ordinal);

    /// <summary>Whether it draws ink through the head.</summary>
    public bool IsClean => IsCleanOf(Id);

    /// <summary>Ink while nothing is clear yet.</summary>
    public Millilitres Ink => Millilitres.Of(Parts.Sum(p => p.Ink.Value));

    /// <summary>Waste capacity while nothing is clear yet.</summary>
    public CounterShare Counter => CounterShare.OfPct(Parts.Sum(p => p.Counter.Pct));

    /// <summary>Bench time while nothing is clear yet, its sheet included.</summary>
    public Minutes Hands => Minutes.Sum(Parts.Select(p => p.Hands));
}

/// <summary>Why a method may not be done now.</summary>
/// <param name="Why">The reason, one sentence.</param>
/// <param name="First">What to do before; empty when nothing lifts it.</param>
/// <param name="Passes">Whether it is only not the next step: other work lifts it.</param>
public sealed record HeldMethod(string Why, string First, bool Passes = false);

/// <summary>What head care costs at the shop's rates, money.</summary>
/// <param name="InkPerMl">A ml of ink.</param>
/// <param name="CounterPerPct">A percent point of the waste counter.</param>
/// <param name="BenchPerHour">Hands.</param>
/// <param name="WaitPerHour">A machine that waits.</param>
public sealed record HeadRates(double InkPerMl, double CounterPerPct, double BenchPerHour, double WaitPerHour)
{
    /// <summary>Money of a part.</summary>
    public double Of(MethodPart part) =>
        (part.Ink.Value * InkPerMl) + (part.Counter.Pct * CounterPerPct) + (part.Hands.Value / 60 * BenchPerHour) + part.Fluid + part.Risk;

    /// <summary>Money of waiting.</summary>
    public double Of(Minutes wait) => wait.Value / 60 * WaitPerHour;
}
