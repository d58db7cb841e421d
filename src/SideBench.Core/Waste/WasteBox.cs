using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Waste;

/// <summary>Where a waste box stands.</summary>
public enum BoxStand
{
    /// <summary>In a machine.</summary>
    In,

    /// <summary>Out, with ink in it or never weighed.</summary>
    Used,

    /// <summary>Washed, and not dry yet by the scale and the clock.</summary>
    Drying,

    /// <summary>Dry and ready.</summary>
    Dry,

    /// <summary>Thrown away or handed in.</summary>
    Gone,
}

/// <summary>A moment of a box's life.</summary>
/// <param name="At">When.</param>
/// <param name="Says">In words.</param>
/// <param name="Serial">The machine it was in; empty when in none.</param>
public sealed record BoxMoment(DateTimeOffset At, string Says, string Serial);

/// <summary>A waste box, tank or cartridge with a tag: a thing of its own, whichever machine it is in.</summary>
/// <param name="Tag">Its tag.</param>
/// <param name="Fits">The model it fits.</param>
/// <param name="TareG">What it weighs dry, g.</param>
/// <param name="Machine">The machine it is in; null when in none.</param>
/// <param name="Serial">That machine's serial number; else empty.</param>
/// <param name="NetG">What it held when last told, g above dry; null when never.</param>
/// <param name="SafeG">What it is used to by its own trial, g above dry; null when it had none.</param>
/// <param name="Stand">Where it stands.</param>
/// <param name="DryOn">When it will be dry, by its weighings and the clock; null when not drying, or not to be told yet.</param>
/// <param name="Washes">How often it was washed.</param>
/// <param name="Resets">How often a counter was reset with it in.</param>
/// <param name="Life">Its life, oldest first.</param>
public sealed record WasteBox(
    string Tag,
    string Fits,
    double TareG,
    long? Machine,
    string Serial,
    double? NetG,
    double? SafeG,
    BoxStand Stand,
    DateTimeOffset? DryOn,
    int Washes,
    int Resets,
    IReadOnlyList<BoxMoment> Life
)
{
    private const double MostHours = 24 * 365;

    /// <summary>A box as its own lines tell it.</summary>
    /// <param name="tag">Its tag.</param>
    /// <param name="lines">Lines that are about it and stand, oldest first; among them may be some that change nothing of it.</param>
    /// <param name="models">The models: a box that was only named with its machine has that model's dry mass.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    /// <returns>Null when none of them makes it one, such as when the line with which it came was taken back.</returns>
    public static WasteBox? Of(
        string tag,
        IEnumerable<ShopLine> lines,
        IReadOnlyDictionary<string, MachineModel> models,
        WasteNumbers numbers,
        DateTimeOffset now
    )
    {
        Folded? box = null;
        foreach (var line in lines)
        {
            if (Begins(line.Entry.Body, tag) is { } written)
                // A tag that is given again after its box is gone is another box's.
                box = box is { IsGone: false } ? box : new Folded(written);
            box?.After(line, models, numbers);
        }

        return box?.At(numbers, now);
    }

    // The tag as the line writes it, when the box comes or goes in with it.
    private static string? Begins(EntryBody body, string tag) =>
        body switch
        {
            BoxCame came when StockItem.Same(came.Tag, tag) => came.Tag,
            StoreTold told when StockItem.Same(told.Box, tag) => told.Box.Trim(),
            _ => null,
        };

    /// <summary>What to do with it next, in words.</summary>
    public string Next =>
        Stand switch
        {
            BoxStand.In => "",
            BoxStand.Used => NetG is null ? "Weigh it." : "Wash it and let it dry, or put new pads in.",
            BoxStand.Drying => "Let it dry, then weigh it: only the scale says dry.",
            BoxStand.Dry => "Ready.",
            _ => "",
        };

    // A box as its lines tell it, one after the other.
    private sealed class Folded(string tag)
    {
        private readonly List<BoxMoment> life = [];
        private readonly List<(DateTimeOffset At, double Net)> drying = [];
        private string fits = "";
        private double tare;
        private double? net;
        private double? safe;
        private DateTimeOffset? washed;
        private (long Machine, string Serial)? place;
        private bool gone;
        private int washes;
        private int resets;

        public bool IsGone => gone;

        public void After(ShopLine line, IReadOnlyDictionary<string, MachineModel> models, WasteNumbers numbers)
        {
            var isHere = line.Machine != 0 && place?.Machine == line.Machine;
            switch (line.Entry.Body)
            {
                case BoxCame came:
                    Came(came, line);
                    break;
                case BoxTold seen:
                    Told(seen, line, numbers);
                    break;
                case CounterReset { Worked: true } when isHere:
                    Reset(line);
                    break;
                case StoreTold told when StockItem.Same(told.Box, tag):
                    GoesIn(told, line, models.GetValueOrDefault(line.Model));
                    break;
                case StoreTold other when isHere && other.Box.Length > 0:
                    Out(line, StockItem.Same(tag, other.Swap?.Out ?? "") ? other.Swap!.OutG : null);
                    break;
                case StoreTold { What: StoreTold.Renewed } when isHere:
                    // One without a tag is in from now on.
                    Out(line, null);
                    break;
                case StoreTold inside when isHere:
                    Inside(inside, line, numbers);
                    break;
            }
        }

        private void Came(BoxCame came, ShopLine line)
        {
            (fits, tare) = (came.Fits, came.TareG);
            Moment(line, $"tagged, {came.TareG:0.#}\u2009g dry");
        }

        private void Told(BoxTold told, ShopLine line, WasteNumbers numbers)
        {
            switch (told.What)
            {
                case "weighed":
                    net = told.Amount - tare;
                    if (washed is not null)
                        drying.Add((line.Entry.At, net ?? 0));
                    break;
                case "washed":
                    (washed, net, washes) = (line.Entry.At, null, washes + 1);
                    drying.Clear();
                    break;
                case "new-pads":
                    // Other pads: what the old ones were found to hold says nothing of them.
                    (net, washed, safe) = (0, null, null);
                    drying.Clear();
                    break;
                case "trial":
                    safe = told.Amount * numbers.WaterGramsPerMl * numbers.TrialShare;
                    // The water of the trial is in it now.
                    (washed, net) = (line.Entry.At, null);
                    drying.Clear();
                    break;
                case "gone":
                    (gone, place) = (true, null);
                    break;
                default:
                    // A word of a later version: that it was told stays in its life, and nothing else is taken from it.
                    break;
            }

            Moment(line, told.Says[(told.Says.IndexOf(tag, StringComparison.OrdinalIgnoreCase) + tag.Length + 1)..]);
        }

        private void GoesIn(StoreTold told, ShopLine line, MachineModel? model)
        {
            if (fits.Length == 0)
                (fits, tare) = (line.Model, told.Swap?.TareG ?? model?.StoreTareG ?? 0);
            (place, washed) = ((line.Machine, line.Serial), null);
            drying.Clear();
            net =
                told.What == StoreTold.Renewed ? 0
                : told.Amount is { } g ? g - tare
                : net;
            Moment(line, $"in {line.Serial}");
        }

        private void Inside(StoreTold told, ShopLine line, WasteNumbers numbers)
        {
            net = told is { What: "weighed" or "washed", Amount: { } g } ? g - tare : net;
            safe = told is { What: StoreTold.Trial, Amount: { } ml } ? ml * numbers.WaterGramsPerMl * numbers.TrialShare : safe;
            if (told.What == "washed")
                washes++;
            Moment(line, told.Says);
        }

        private void Out(ShopLine line, double? grams)
        {
            net = grams - tare;
            Moment(line, $"out of {line.Serial}{(grams is { } g ? $", {g:0.#}\u2009g" : "")}");
            place = null;
        }

        private void Reset(ShopLine line)
        {
            resets++;
            Moment(line, "counter reset");
        }

        public WasteBox At(WasteNumbers numbers, DateTimeOffset now)
        {
            var left = tare * numbers.WashedLeft;
            var earliest = washed?.AddHours(numbers.Ways.DryHours);
            var dries = washed is not null && !(net <= left && now >= earliest);
            var stand =
                gone ? BoxStand.Gone
                : place is not null ? BoxStand.In
                : dries ? BoxStand.Drying
                : net <= left ? BoxStand.Dry
                : BoxStand.Used;
            return new WasteBox(
                tag,
                fits,
                tare,
                place?.Machine,
                place?.Serial ?? "",
                net,
                safe,
                stand,
                stand == BoxStand.Drying ? DryOn(left, earliest!.Value) : null,
                washes,
                resets,
                life
            );
        }

        // What dries falls by the same share in the same time: two weighings tell when it is near dry; before that the house's day.
        private DateTimeOffset? DryOn(double left, DateTimeOffset earliest)
        {
            if (drying.Count < 2)
                return earliest;
            var (first, last) = (drying[^2], drying[^1]);
            if (last.Net <= left)
                return earliest;
            var hours = (last.At - first.At).TotalHours;
            if (!(first.Net > last.Net) || hours <= 0)
                return earliest;
            var more = hours * Math.Log(last.Net / Math.Max(left, 0.1)) / Math.Log(first.Net / last.Net);
            if (more > MostHours)
                return null;
            var on = last.At.AddHours(more);
            return on > earliest ? on : earliest;
        }

        private void Moment(ShopLine line, string says) => life.Add(new BoxMoment(line.Entry.At, says, line.Serial));
    }
}
