using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;

namespace SideBench.Core.Simulation.Heads;

/// <summary>What one way of cleaning came to on one head.</summary>
public sealed record HeadOutcome
{
    /// <summary>Money, giving up and ruin included.</summary>
    public double Price { get; set; }

    /// <summary>Ink, ml.</summary>
    public double InkMl { get; set; }

    /// <summary>Waste capacity, percent points.</summary>
    public double CounterPct { get; set; }

    /// <summary>Bench time, min.</summary>
    public double HandsMin { get; set; }

    /// <summary>Waiting, min.</summary>
    public double WaitMin { get; set; }

    /// <summary>Whether its sheet was complete at the end, with the head it came with.</summary>
    public bool Complete { get; set; }

    /// <summary>Whether the head was ruined.</summary>
    public bool Ruined { get; set; }

    /// <summary>Cleans run on a thermal head that starved.</summary>
    public int CleansStarving { get; set; }

    /// <summary>What was said of the next sheet, and whether it was complete.</summary>
    public List<(double Said, bool Was)> Said { get; } = [];

    /// <summary>How long each plan took to make, by the clock that was handed in, ms.</summary>
    public List<double> PlanMs { get; } = [];
}

/// <summary>Works one made-up head to its end by one way of cleaning.</summary>
/// <param name="book">The fault book.</param>
/// <param name="numbers">House numbers.</param>
/// <param name="rates">The shop's rates.</param>
/// <param name="limits">What bounds a plan on a model.</param>
/// <param name="clock">Milliseconds so far; the trial knows no clock of its own.</param>
public sealed class HeadTrial(
    FaultBook book,
    HeadCareNumbers numbers,
    HeadRates rates,
    Func<Machines.MachineModel, HeadLimits> limits,
    Func<double> clock
)
{
    private const int MostSheets = 14;

    /// <summary>The product's plan, made anew after every sheet.</summary>
    public HeadOutcome Planned(SimulatedHead head, Random chance) =>
        Work(
            head,
            chance,
            (on, outcome) =>
            {
                var from = clock();
                var plan = HeadPlan.Of(on);
                outcome.PlanMs.Add(clock() - from);
                return plan.Steps.Count == 0 ? null : [on.Methods.ToList().IndexOf(plan.Steps[0].Methods[0])];
            }
        );

    /// <summary>A school's fixed order.</summary>
    public HeadOutcome Schooled(SimulatedHead head, CleaningLadder ladder, Random chance)
    {
        var done = 0;
        return Work(
            head,
            chance,
            (on, _) =>
            {
                var groups = HeadLadders.On(ladder, on);
                return done < groups.Count ? groups[done++] : null;
            }
        );
    }

    private HeadOutcome Work(SimulatedHead head, Random chance, Func<HeadCase, HeadOutcome, IReadOnlyList<int>?> next)
    {
        var outcome = new HeadOutcome();
        var start = limits(head.Model);
        var (row, cleaned, looked) = (0, false, false);
        var histories = head.Channels.Select(c => c.Start).ToList();
        for (var sheet = 0; sheet < MostSheets && !outcome.Ruined; sheet++)
        {
            List<int> open = [.. head.Channels.Index().Where(c => c.Item.Missing.Count > 0).Select(c => c.Index)];
            if (open.Count == 0)
                break;
            var on = Case(head, histories, open, start with { RowSoFar = row, CleanedBefore = cleaned, SupplyProved = looked });
            var group = next(on, outcome);
            if (group is null)
                break;
            var said = HeadPlan.Run(on, [group]).Complete;
            foreach (var m in group)
            {
                var method = on.Methods[m];
                row =
                    method.IsClean ? row + 1
                    : method.Id == HeadMethod.Supply ? row
                    : 0;
                cleaned |= method.IsClean;
                Pay(outcome, method, start, chance, head);
                if (method.Id == HeadMethod.Supply)
                {
                    looked = true;
                    Look(outcome, head, open, start, chance);
                }
                else if (Apply(head, method, open, histories) && method.IsClean)
                    outcome.CleansStarving++;
            }

            var complete = head.Channels.All(c => c.Missing.Count == 0);
            if (on.Methods[group[^1]].Id != HeadMethod.Supply)
                outcome.Said.Add((said, complete));
        }

        outcome.Complete = !outcome.Ruined && head.Channels.All(c => c.Missing.Count == 0);
        if (!outcome.Complete)
            outcome.Price += start.GiveUp;
        return outcome;
    }

    private HeadCase Case(SimulatedHead head, List<HeadHistory> histories, List<int> open, HeadLimits limits)
    {
        var channels = open.Select(i =>
            {
                var outlook = CleanOutlook.Of(histories[i], numbers)!;
                var slot = head.Model.Slots.First(s => s.Panel == head.Channels[i].Slot);
                return new ChannelCare(
                    slot.Ink,
                    slot.Panel,
                    slot.Ink,
                    slot.InkKind,
                    histories[i],
                    limits.SupplyProved ? outlook.SupplyProved() : outlook
                );
            })
            .ToList();
        var methods = HeadMethods.For(head.Model, book, numbers, channels, HeadStock.Unknown);
        return new HeadCase(
            channels,
            limits.SupplyProved ? methods : [.. methods, HeadMethods.Supply(channels.Count, numbers)],
            rates,
            limits.LookingAt(channels)
        );
    }

    // Whether a thermal head starved meanwhile.
    private static bool Apply(SimulatedHead head, HeadMethod method, List<int> open, List<HeadHistory> histories)
    {
        foreach (var i in open)
        {
            var before = head.Channels[i].Missing;
            head.Channels[i].Apply(method.Id);
            var after = head.Channels[i].Missing;
            histories[i] = histories[i] with { Missing = after, Done = [.. histories[i].Done, new Application(method.Id, before, after)] };
        }

        return head.Model.Axes["head"] == "thermal" && open.Any(i => head.Channels[i].Truth == ChannelTruth.Starved);
    }

    private void Pay(HeadOutcome outcome, HeadMethod method, HeadLimits limits, Random chance, SimulatedHead head)
    {
        foreach (var part in method.Parts)
        {
            outcome.InkMl += part.Ink.Value;
            outcome.CounterPct += part.Counter.Pct;
            outcome.HandsMin += part.Hands.Value;
            outcome.Price += rates.Of(part) - part.Risk;
            outcome.Ruined |= chance.NextDouble() * (double)head.Model.HeadCare.HeadPrice < part.Risk;
        }

        if (method.IsClean && limits.StarvedClean > 0)
            foreach (var _ in head.Channels.Where(c => c.Truth == ChannelTruth.Starved && c.Missing.Count > 0))
                outcome.Ruined |= chance.NextDouble() < numbers.StarvedRuin;
        outcome.WaitMin += method.Wait.Value;
        outcome.Price += rates.Of(method.Wait);
    }

    private void Look(HeadOutcome outcome, SimulatedHead head, List<int> open, HeadLimits limits, Random chance)
    {
        var starving = open.Select(i => head.Channels[i]).Where(c => c.Truth is ChannelTruth.Air or ChannelTruth.Starved).ToList();
        if (starving.Count == 0)
            return;
        outcome.HandsMin += numbers.SupplyWorkMin;
        outcome.Price += limits.SupplyWork;
        foreach (var channel in starving.Where(_ => chance.NextDouble() < limits.SupplyMends))
            channel.Feed();
    }
}
