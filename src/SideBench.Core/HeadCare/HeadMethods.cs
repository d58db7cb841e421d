using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.HeadCare;

/// <summary>What can be done to a machine's head, and what an application costs on it: by its model and the fault book.</summary>
public static class HeadMethods
{
    /// <summary>What can be done to some channels.</summary>
    /// <param name="model">The model as it stands.</param>
    /// <param name="book">The fault book.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="channels">Channels with something missing.</param>
    /// <param name="has">What is known of slots and counter.</param>
    public static IReadOnlyList<HeadMethod> For(
        MachineModel model,
        FaultBook book,
        HeadCareNumbers numbers,
        IReadOnlyList<ChannelCare> channels,
        HeadStock has
    )
    {
        var bare = new Facts { Model = model, Context = new Dictionary<string, string>() };
        var all = Enumerable.Range(0, channels.Count).ToList();
        var methods = new List<HeadMethod>();
        foreach (var id in HeadMethod.OnTheHead)
        {
            var repair = numbers
                .Repairs.GetValueOrDefault(id, [])
                .Select(r => book.Step(r) as Repair)
                .FirstOrDefault(r => r is not null && !r.When.For(bare).IsNever);
            if (repair is null || !channels.All(c => c.Outlook.Knows(id)))
                continue;
            var ruin = numbers.Ruin.GetValueOrDefault(model.Axes["head"])?.GetValueOrDefault(id) ?? 0;
            var risk = ruin * (double)model.HeadCare.HeadPrice;
            var method = id switch
            {
                HeadMethod.Rest => Plain(id, repair, all, numbers, 0, risk, repair.Wait),
                HeadMethod.Soak => Soak(model, repair, channels, numbers, risk),
                HeadMethod.Flush => Flush(model, repair, channels, numbers, risk),
                _ => Clean(model, repair, channels, numbers, risk, has),
            };
            if (method is not null)
                methods.Add(method with { Most = numbers.Most.GetValueOrDefault(id, method.Most) });
        }

        return methods;
    }

    /// <summary>Looking whether ink comes: it ends what no clean does.</summary>
    /// <param name="channels">How many channels there are.</param>
    /// <param name="numbers">House numbers.</param>
    public static HeadMethod Supply(int channels, HeadCareNumbers numbers) =>
        new(
            HeadMethod.Supply,
            "",
            "Look whether ink comes",
            [new MethodPart([.. Enumerable.Range(0, channels)], Millilitres.Of(0), default, Minutes.Of(numbers.SupplyLookMin), 0, 0)],
            Minutes.None,
            null,
            1,
            null
        );

    private static HeadMethod Plain(
        string id,
        Repair repair,
        IReadOnlyList<int> all,
        HeadCareNumbers numbers,
        double fluid,
        double risk,
        BookWait? wait
    ) =>
        new(
            id,
            repair.Id,
            repair.Name,
            [new MethodPart(all, Millilitres.Of(0), default, Minutes.Of(repair.Minutes + numbers.SheetMin), fluid, risk)],
            Minutes.Of(wait?.MinMinutes ?? 0),
            wait?.MaxMinutes is { } most ? Minutes.Of(most) : null,
            1,
            null
        );

    private static HeadMethod? Clean(
        MachineModel model,
        Repair repair,
        IReadOnlyList<ChannelCare> channels,
        HeadCareNumbers numbers,
        double risk,
        HeadStock has
    )
    {
        if (model.Operation(repair.Operation) is not { } operation)
            return null;
        var hands = Minutes.Of(repair.Minutes + numbers.SheetMin);
        var parts = new List<MethodPart> { new([.. Enumerable.Range(0, channels.Count)], Millilitres.Of(0), default, hands, 0, risk) };
        HeldMethod? held = null;
        foreach (var group in model.HeadCare.Groups)
        {
            List<int> own = [.. channels.Index().Where(c => group.Contains(c.Item.Slot)).Select(c => c.Index)];
            if (own.Count == 0)
                continue;
            var share = (double)group.Count / model.Slots.Count;
            parts.Add(
                new MethodPart(
                    own,
                    Millilitres.Of(operation.PerChannel.Value * group.Count),
                    CounterShare.OfPct(operation.CounterPct * share),
                    operation.Time,
                    0,
                    0
                )
            );
            foreach (var slot in group.Where(s => has.InkIn(s) is { } ml && ml.Value < operation.PerChannel.Value))
                held ??= TooLittle(model.Slots.First(s => s.Panel == slot).Ink, has.InkIn(slot)!.Value, operation.PerChannel);
        }

        var counter = parts.Sum(p => p.Counter.Pct);
        if (has.CounterRoom is { } room && counter > room.Pct)
            held ??= new HeldMethod(
                has.StoreIsFirst
                    ? $"It brings {counter:0.0}\u2009% of a counter’s run, and the waste store may have room for {room.Pct:0.0}\u2009%."
                    : $"It takes {counter:0.0}\u2009% of the counter, and {room.Pct:0.0}\u2009% is left.",
                "Waste first."
            );
        return new HeadMethod(repair.Operation, repair.Id, repair.Name, parts, Minutes.None, null, 1, held);
    }

    private static HeldMethod TooLittle(string ink, Millilitres there, Millilitres takes) =>
        new($"{ink} has {there.Value:0.#}\u2009ml left; it takes {takes.Value:0.##}\u2009ml.", "Top up first.");

    private static HeadMethod? Soak(
        MachineModel model,
        Repair repair,
        IReadOnlyList<ChannelCare> channels,
        HeadCareNumbers numbers,
        double risk
    )
    {
        List<SoakFigures> soaks = [.. channels.Select(c => model.HeadCare.SoakOf(c.InkKind)).OfType<SoakFigures>()];
        if (soaks.Count < channels.Count || soaks.Count == 0)
            return null;
        // All channels soak together: none too short, none too long.
        var (from, to) = (soaks.Max(s => s.From.Value), soaks.Min(s => s.To.Value));
        var fluid = numbers.SoakFluidMl * numbers.FluidPerMl;
        return to < from
            ? null
            : Plain(
                HeadMethod.Soak,
                repair,
                [.. Enumerable.Range(0, channels.Count)],
                numbers,
                fluid,
                risk,
                new BookWait(HeadMethod.Soak, "", from, to)
            );
    }

    private static HeadMethod? Flush(
        MachineModel model,
        Repair repair,
        IReadOnlyList<ChannelCare> channels,
        HeadCareNumbers numbers,
        double risk
    )
    {
        if (model.HeadCare.Flush is not { } fluid)
            return null;
        var first = Plain(HeadMethod.Flush, repair, [.. Enumerable.Range(0, channels.Count)], numbers, 0, 0, null);
        var hands = Minutes.Of(Math.Max(0, first.Hands.Value - numbers.FlushMoreMin));
        var parts = channels
            .Index()
            .Select(c => new MethodPart(
                [c.Index],
                Millilitres.Of(0),
                default,
                Minutes.Of(numbers.FlushMoreMin),
                fluid.Value * numbers.FluidPerMl,
                risk
            ));
        return first with { Parts = [first.Parts[0] with { Hands = hands }, .. parts] };
    }
}

/// <summary>What is known of what a clean draws on.</summary>
/// <param name="InkIn">Ink in a slot, by panel number; null when not known.</param>
/// <param name="CounterRoom">What the waste counter or its store has left; null when nothing is known of them.</param>
/// <param name="StoreIsFirst">Whether that is the store's.</param>
public sealed record HeadStock(Func<int, Millilitres?> InkIn, CounterShare? CounterRoom, bool StoreIsFirst = false)
{
    /// <summary>Nothing is known.</summary>
    public static readonly HeadStock Unknown = new(_ => null, null);
}
