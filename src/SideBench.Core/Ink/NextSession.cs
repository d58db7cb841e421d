namespace SideBench.Core.Ink;

/// <summary>The next time ink work falls due, with all that will be due by then or soon after: one visit for all.</summary>
/// <param name="First">The slot that is due first.</param>
/// <param name="Days">Days until then, with their band of 9 in 10.</param>
/// <param name="With">The others that fall due within the joint days after it.</param>
public sealed record NextSession(SlotOnMachine First, Quantities.Band Days, IReadOnlyList<SlotOnMachine> With)
{
    private const double AllOfIt = 100;

    /// <summary>It; null where the use of no slot is known, or something is due already.</summary>
    /// <param name="slots">All slots.</param>
    /// <param name="rules">House numbers.</param>
    /// <param name="stopsDead">Whether the machine stops in mid-page.</param>
    public static NextSession? Of(IReadOnlyList<SlotOnMachine> slots, SlotRules rules, bool stopsDead)
    {
        var due = slots
            .Select(s => (Slot: s, Days: DueIn(s, rules, stopsDead)))
            .Where(d => d.Days is not null)
            .OrderBy(d => d.Days!.Value.Best)
            .ToList();
        return due.Count == 0 || due[0].Days!.Value.Best <= 0
            ? null
            : new NextSession(
                due[0].Slot,
                due[0].Days!.Value,
                [.. due.Skip(1).TakeWhile(d => d.Days!.Value.Best <= due[0].Days!.Value.Best + rules.JointDays).Select(d => d.Slot)]
            );
    }

    // At the count at which it is due; where it has none, when it is dry.
    private static Quantities.Band? DueIn(SlotOnMachine slot, SlotRules rules, bool stopsDead)
    {
        if (SlotForecast.Of(slot, rules) is not { } ahead || RefillAdvice.Of(slot, rules, stopsDead) is not { } advice)
            return null;
        if (advice.DueAtPct is not { } at || slot.Estimate!.ChipPct is not { } chip)
            return ahead.Days;
        var ml = Math.Max(0, chip - at) / AllOfIt * slot.Type!.ChipCounts.Value * slot.Estimate.CountFactor.Best;
        var use = ahead.MlPerDay;
        return new Quantities.Band(ml / use.Best, ml / use.High, ml / use.Low);
    }
}
