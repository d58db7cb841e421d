using MathNet.Numerics.Distributions;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>
/// What is really in a slot: fills, weighings and the fall of the chip are witnesses of one quantity, and each is taken for what it is
/// worth. Where nothing is known yet, several beliefs stand side by side over the whole range, and weighings tell them apart.
/// </summary>
/// <remarks>
/// Millilitres, grams, points of the count. Use between two chip readings is what the chip counted, times a factor of this slot; a reading
/// is rounded up, and what one reading rounds the next gives back. Source: handbook of the trade, arithmetic of ink and chips.
/// </remarks>
public sealed class SlotLedger
{
    private const int Slices = 48;
    private const double Forgotten = 1e-7;
    private const double HalfPoint = 0.5;
    private const double RoundingVariance = 1.0 / 12;
    private const double AllOfIt = 100;
    private readonly SlotHistory slot;
    private readonly InkNumbers numbers;
    private readonly List<(SlotEvent Event, int Place)> events;
    private readonly List<(int Event, string Says)> doubts = [];

    // By event: the reading that ends what is counted after it, −1 for none; and the points that were told as spent before it.
    private readonly int[] nextReading;
    private readonly double[] told;
    private List<SlotBelief> beliefs;
    private double most;
    private bool counts;
    private DateTimeOffset? air;
    private (DateTimeOffset At, double Ink)? before;
    private double drawn;

    private SlotLedger(SlotHistory slot, InkNumbers numbers, DateTimeOffset at)
    {
        (this.slot, this.numbers) = (slot, numbers);
        events = [.. slot.Events.Select((e, i) => (e, i)).Where(e => e.e.At <= at).OrderBy(e => e.e.At)];
        most = slot.FillMl * (1 + (2 * numbers.Noise.FullSd));
        beliefs = Nothing();
        nextReading = new int[events.Count];
        told = new double[events.Count + 1];
        var next = -1;
        for (var i = events.Count - 1; i >= 0; i--)
        {
            nextReading[i] = next;
            if (events[i].Event is SlotEvent.ChipRead)
                next = i;
            else if (events[i].Event is SlotEvent.Reset or SlotEvent.Swapped)
                next = -1;
        }

        for (var i = 0; i < events.Count; i++)
            told[i + 1] = told[i] + (events[i].Event is SlotEvent.Spent spent ? PointsOf(spent.Ml) : 0);
    }

    private double MlPerPoint => slot.ChipMl / AllOfIt;

    /// <summary>Estimates what is in a slot.</summary>
    /// <param name="slot">The slot and what happened.</param>
    /// <param name="numbers">House numbers, with the noise.</param>
    /// <param name="at">The moment asked about; what happened later is not looked at.</param>
    /// <returns>Refused when a weighing is lighter than the piece can be; its pointer is the place of the event.</returns>
    public static Outcome<SlotEstimate> Of(SlotHistory slot, InkNumbers numbers, DateTimeOffset at)
    {
        var ledger = new SlotLedger(slot, numbers, at);
        var problems = ledger.events.Select(e => ledger.Impossible(e.Event, e.Place)).OfType<Problem>().ToList();
        if (problems.Count > 0)
            return problems;
        for (var i = 0; i < ledger.events.Count; i++)
            ledger.Take(i);
        return ledger.Estimate();
    }

    private Problem? Impossible(SlotEvent what, int place) =>
        what is SlotEvent.Weighed w
        && slot.TareG - w.G > numbers.OutlierSd * Math.Sqrt(Square(numbers.Noise.ScaleSd) + Square(numbers.Noise.TareSd))
            ? new Problem(InkProblem.LighterThanEmpty, $"/events/{place}/g", w.G, slot.TareG)
            : null;

    // Anything from empty to a full fill, even.
    private List<SlotBelief> Nothing()
    {
        var width = slot.FillMl / Slices;
        return [.. Enumerable.Range(0, Slices).Select(i => Fresh((i + HalfPoint) * width, width / Math.Sqrt(12), 0, 0))];
    }

    private SlotBelief Fresh(double ink, double sd, double count, double countSd)
    {
        var belief = new SlotBelief();
        belief.Set(SlotBelief.Ink, ink, sd);
        belief.Set(SlotBelief.Factor, 1, numbers.Noise.CountSd);
        belief.Set(SlotBelief.Tare, 0, numbers.Noise.TareSd);
        belief.Set(SlotBelief.Count, count, countSd);
        return belief;
    }

    private void Take(int i)
    {
        var (what, place) = events[i];
        drawn = 0;
        Pass(i);
        switch (what)
        {
            case SlotEvent.Filled { Ml: null }:
                beliefs = [SlotBelief.Merged(beliefs)];
                most = slot.FillMl * (1 + (2 * numbers.Noise.FullSd));
                beliefs[0].Set(SlotBelief.Ink, slot.FillMl, numbers.Noise.FullSd * slot.FillMl);
                beliefs[0].End(most, isLeast: false);
                break;
            case SlotEvent.Filled { Ml: { } ml }:
                Pour(ml, place);
                break;
            case SlotEvent.ChipRead read:
                Read(read.Pct, place);
                break;
            case SlotEvent.Weighed weighed:
                Weigh(weighed.G - slot.TareG, place);
                break;
            case SlotEvent.Reset reset:
                SetCount(reset.ToPct, 0);
                break;
            case SlotEvent.Swapped swapped:
                most = Math.Max(slot.FillMl * (1 + (2 * numbers.Noise.FullSd)), swapped.Ml * (1 + (4 * numbers.Noise.PouredSd)));
                beliefs = [Fresh(swapped.Ml, numbers.Noise.PouredSd * swapped.Ml, swapped.ChipPct, 0)];
                counts = true;
                break;
            case SlotEvent.Spent spent:
                Spend(i, spent.Ml);
                break;
        }

        Watch(what);
    }

    private void SetCount(double to, double sd)
    {
        foreach (var belief in beliefs)
            belief.Set(SlotBelief.Count, to, sd);
        counts = true;
    }

    private void Pour(double ml, int place)
    {
        Emptied();
        var (mean, sd) = (Mean(SlotBelief.Ink), numbers.Noise.PouredSd * ml);
        var limit = slot.FillMl * (1 + (2 * numbers.Noise.FullSd));
        if (mean + ml - limit > numbers.OutlierSd * Math.Sqrt(Square(sd) + Variance(SlotBelief.Ink)))
            doubts.Add((place, "More went in than fits."));
        most = Math.Max(limit, Math.Min(most, mean));
        foreach (var belief in beliefs)
        {
            belief.Add(SlotBelief.Ink, ml, sd);
            belief.End(most, isLeast: false);
        }
    }

    // A reading sees the count to a whole point; 0 is exact.
    private void Read(double pct, int place)
    {
        var (seen, noise) = pct <= 0 ? (0, 0) : (pct - HalfPoint, RoundingVariance);
        var rise = seen - Mean(SlotBelief.Count);
        if (!counts)
        {
            SetCount(seen, Math.Sqrt(noise));
        }
        else if (rise > 1 + (numbers.OutlierSd * Math.Sqrt(Variance(SlotBelief.Count))))
        {
            doubts.Add((place, "The chip rose without a reset."));
            SetCount(seen, Math.Sqrt(noise));
            foreach (var belief in beliefs)
                belief.Add(SlotBelief.Ink, 0, rise * MlPerPoint);
        }
        else
        {
            foreach (var belief in beliefs)
                belief.Learn(SlotBelief.Count, 1, -1, seen, noise);
        }
    }

    private void Weigh(double net, int place)
    {
        Emptied();
        var noise = Square(numbers.Noise.ScaleSd);
        var nearest = beliefs.Min(b => Strange(b, net, noise));
        if (net < 0)
            doubts.Add((place, "It is lighter than such a piece is empty."));
        else if (nearest > numbers.OutlierSd)
            doubts.Add((place, "It is far from what the other witnesses say."));
        if (net < 0)
            noise += Square(net);
        foreach (var belief in beliefs)
        {
            var (off, own) = belief.Against(SlotBelief.Ink, slot.DensityGPerMl, SlotBelief.Tare, net);
            var wide = nearest > numbers.OutlierSd ? Math.Max(noise, Square(off) - own) : noise;
            belief.Weight *= Math.Exp(Math.Max(-500, belief.Learn(SlotBelief.Ink, slot.DensityGPerMl, SlotBelief.Tare, net, wide)));
            belief.End(0, isLeast: true);
        }

        var all = beliefs.Sum(b => b.Weight);
        foreach (var belief in beliefs)
            belief.Weight /= all;
        beliefs.RemoveAll(b => b.Weight < Forgotten);
    }

    private double Strange(SlotBelief belief, double net, double noise)
    {
        var (off, own) = belief.Against(SlotBelief.Ink, slot.DensityGPerMl, SlotBelief.Tare, net);
        return Math.Abs(off) / Math.Sqrt(own + noise);
    }

    // Told use that a later reading covers only says when it was; else it is all that is known of it.
    private void Spend(int i, double ml)
    {
        var left = Math.Max(0, Mean(SlotBelief.Count));
        if (counts && nextReading[i] is >= 0 and var next)
        {
            var counted = Math.Max(0, left - Seen(next));
            var points = Math.Min(PointsOf(ml), counted);
            if (PointsOf(ml) > counted + 1)
                doubts.Add((events[i].Place, "More was spent than the chip then counted."));
            Use(points, numbers.Noise.SpentSd * points);
            return;
        }

        // At 0 the machine stops, and nothing more is used.
        var gone = counts && MlPerPoint > 0 ? Math.Min(ml, left * MlPerPoint) : ml;
        if (PointsOf(ml - gone) > 1)
            doubts.Add((events[i].Place, "More was spent than the chip had left."));
        foreach (var belief in beliefs)
        {
            belief.Add(SlotBelief.Ink, -gone, numbers.Noise.SpentSd * gone);
            belief.Add(SlotBelief.Count, -PointsOf(gone), 0);
        }
    }

    // More than was there cannot be used. Use upon use may reach below nothing meanwhile: only what comes after it must see an empty slot.
    private void Emptied()
    {
        foreach (var belief in beliefs)
            belief.End(0, isLeast: true);
    }

    private double PointsOf(double ml) => MlPerPoint > 0 ? ml / MlPerPoint : 0;

    // Use since the event before, where readings on both sides count it; how it is spread between them is not known.
    private void Pass(int i)
    {
        if (!counts || i == 0 || MlPerPoint <= 0 || nextReading[i - 1] is not (>= 0 and var next))
            return;
        var whole = Math.Max(0, Mean(SlotBelief.Count) - Seen(next));
        if (next == i)
        {
            Use(whole, whole + 1);
            return;
        }

        var (from, to, now) = (events[i - 1].Event.At, events[next].Event.At, events[i].Event.At);
        var share = to > from ? (now - from) / (to - from) : 0;
        var rest = Math.Max(0, whole - (told[next] - told[i]));
        Use(rest * share, rest * Math.Sqrt(share * (1 - share) / (numbers.UseShape + 1)));
    }

    private void Use(double points, double sd)
    {
        drawn += points * MlPerPoint * Mean(SlotBelief.Factor);
        foreach (var belief in beliefs)
            belief.Use(points, sd, MlPerPoint);
    }

    private double Seen(int reading) => Math.Max(0, ((SlotEvent.ChipRead)events[reading].Event).Pct - HalfPoint);

    // When the ink went below the reserve, and that it is above it again.
    private void Watch(SlotEvent what)
    {
        var ink = Mean(SlotBelief.Ink);
        if (ink > slot.ReserveMl)
            air = null;
        else if (air is null)
            air =
                before is { } last && last.Ink > slot.ReserveMl && what is (SlotEvent.ChipRead or SlotEvent.Weighed)
                    ? last.At + ((what.At - last.At) * Math.Min(1, (last.Ink - slot.ReserveMl) / Math.Max(drawn, last.Ink - ink)))
                    : what.At;
        before = (what.At, ink);
    }

    private SlotEstimate Estimate()
    {
        var empty = beliefs.Sum(b => b.Weight * b.Empty) / beliefs.Sum(b => b.Weight);
        var ink = Band.Of(q => q <= empty ? 0 : Math.Clamp(Quantile(SlotBelief.Ink, q), 0, most));
        var counted = counts && MlPerPoint > 0;
        Band? dry = counted ? Band.Of(DryAt) : null;
        return new SlotEstimate(
            ink,
            counted ? Math.Max(0, Mean(SlotBelief.Count)) : null,
            dry,
            ink.With(ml => slot.FillMl - ml),
            dry?.High,
            air,
            Band.Of(q => Quantile(SlotBelief.Factor, q)),
            doubts
        )
        {
            WarnAtPct = counted ? DryAt(IsWeighedTwice() ? numbers.Rules.WarnShareWeighed : numbers.Rules.WarnShare) : null,
        };
    }

    private bool IsWeighedTwice() =>
        events.Skip(events.FindLastIndex(e => e.Event is SlotEvent.Swapped) + 1).Count(e => e.Event is SlotEvent.Weighed) >= 2;

    private double Mean(int of) => beliefs.Sum(b => b.Weight * b.Mean(of)) / beliefs.Sum(b => b.Weight);

    private double Variance(int of)
    {
        var mean = Mean(of);
        return beliefs.Sum(b => b.Weight * (b.Cov(of, of) + Square(b.Mean(of) - mean))) / beliefs.Sum(b => b.Weight);
    }

    private double Quantile(int of, double share)
    {
        if (beliefs.Count == 1)
            return beliefs[0].Mean(of) + (beliefs[0].Sd(of) * Normal.InvCDF(0, 1, share));
        var (low, high) = (beliefs.Min(b => b.Mean(of) - (9 * b.Sd(of))), beliefs.Max(b => b.Mean(of) + (9 * b.Sd(of))));
        return Bisected(low, high, share, at => Below(b => (b.Mean(of), b.Sd(of)), at));
    }

    // Down to the reserve at a count or before it: a normal for each count that is asked about.
    private double DryAt(double share)
    {
        var count = Mean(SlotBelief.Count);
        double reach = AllOfIt;
        while (1 - LeftAt(count - reach) < 1 - Forgotten && reach < AllOfIt * AllOfIt)
            reach *= 2;
        var over = AllOfIt;
        while (LeftAt(count + over) < 1 - Forgotten && over < AllOfIt * AllOfIt)
            over *= 2;
        return Bisected(count - reach, count + over, share, LeftAt);
    }

    // Chance that ink is above the reserve when the count is here.
    private double LeftAt(double count) =>
        1
        - Below(
            b =>
            {
                var (points, each) = (b.Mean(SlotBelief.Count) - count, MlPerPoint * b.Mean(SlotBelief.Factor));
                var perFactor = MlPerPoint * points;
                var mean =
                    b.Mean(SlotBelief.Ink) - slot.ReserveMl - (each * points) - (MlPerPoint * b.Cov(SlotBelief.Count, SlotBelief.Factor));
                var variance =
                    b.Cov(SlotBelief.Ink, SlotBelief.Ink)
                    + (Square(perFactor) * b.Cov(SlotBelief.Factor, SlotBelief.Factor))
                    + (Square(each) * b.Cov(SlotBelief.Count, SlotBelief.Count))
                    - (2 * perFactor * b.Cov(SlotBelief.Ink, SlotBelief.Factor))
                    - (2 * each * b.Cov(SlotBelief.Ink, SlotBelief.Count))
                    + (2 * perFactor * each * b.Cov(SlotBelief.Factor, SlotBelief.Count));
                return (mean, Math.Sqrt(Math.Max(0, variance)));
            },
            0
        );

    private double Below(Func<SlotBelief, (double Mean, double Sd)> of, double at)
    {
        var (sum, all) = (0.0, 0.0);
        foreach (var belief in beliefs)
        {
            var (mean, sd) = of(belief);
            all += belief.Weight;
            sum +=
                belief.Weight
                * (
                    sd > 0 ? Normal.CDF(mean, sd, at)
                    : mean <= at ? 1
                    : 0
                );
        }

        return sum / all;
    }

    private static double Bisected(double low, double high, double share, Func<double, double> below)
    {
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = below(middle) < share ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }

    private static double Square(double x) => x * x;
}
