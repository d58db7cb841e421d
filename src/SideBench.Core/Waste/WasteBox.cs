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

    /// <summary>Kinds of line of machines that tell of boxes.</summary>
    public static IReadOnlyList<string> Kinds { get; } = [StoreTold.Form.Name, CounterReset.Form.Name];

    /// <summary>All boxes with a tag, by tag.</summary>
    /// <param name="shop">Lines about the shop that stand.</param>
    /// <param name="told">Lines of all machines of <see cref="Kinds"/> that stand.</param>
    /// <param name="models">The models: a box that was only named with its machine has that model's dry mass.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    public static IReadOnlyList<WasteBox> All(
        IEnumerable<Entry> shop,
        IEnumerable<ShopLine> told,
        IReadOnlyDictionary<string, MachineModel> models,
        WasteNumbers numbers,
        DateTimeOffset now
    )
    {
        var lines = shop.Where(e => e.Body is BoxCame or BoxTold)
            .Select(e => new ShopLine(e, 0, "", ""))
            .Concat(told)
            .OrderBy(l => l.Entry.Id.Value)
            .ToList();
        var boxes = new Dictionary<string, Folded>(StringComparer.OrdinalIgnoreCase);
        foreach (var line in lines)
        {
            var here = boxes.Values.Where(b => line.Machine != 0 && b.In?.Machine == line.Machine).ToList();
            switch (line.Entry.Body)
            {
                case BoxCame came:
                    boxes[came.Tag] = Of(came.Tag).Came(came, line);
                    break;
                case BoxTold seen when boxes.TryGetValue(seen.Box, out var box):
                    box.Told(seen, line, numbers);
                    break;
                case CounterReset { Worked: true }:
                    here.ForEach(b => b.Reset(line));
                    break;
                case StoreTold store:
                    if (store.Box.Length > 0)
                    {
                        foreach (var other in here.Where(b => !StockItem.Same(b.Tag, store.Box)))
                            other.Out(line, StockItem.Same(other.Tag, store.Swap?.Out ?? "") ? store.Swap!.OutG : null);
                        boxes[store.Box.Trim()] = Of(store.Box.Trim()).GoesIn(store, line, models.GetValueOrDefault(line.Model));
                    }
                    else if (store.What == StoreTold.Renewed)
                    {
                        // One without a tag is in from now on.
                        here.ForEach(b => b.Out(line, null));
                    }
                    else
                    {
                        here.ForEach(b => b.Inside(store, line, numbers));
                    }

                    break;
            }
        }

        return [.. boxes.Values.Select(b => b.At(numbers, now)).OrderBy(b => b.Tag, StringComparer.OrdinalIgnoreCase)];

        // A tag that is given again after its box is gone is another box's.
        Folded Of(string tag) => boxes.GetValueOrDefault(tag) is { IsGone: false } box ? box : new Folded(tag);
    }

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
        private bool gone;
        private int washes;
        private int resets;

        public string Tag => tag;

        public bool IsGone => gone;

        public (long Machine, string Serial)? In { get; private set; }

        public Folded Came(BoxCame came, ShopLine line)
        {
            (fits, tare) = (came.Fits, came.TareG);
            Moment(line, $"tagged, {came.TareG:0.#}\u2009g dry");
            return this;
        }

        public void Told(BoxTold told, ShopLine line, WasteNumbers numbers)
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
                default:
                    (gone, In) = (true, null);
                    break;
            }

            Moment(line, told.Says[(told.Says.IndexOf(tag, StringComparison.OrdinalIgnoreCase) + tag.Length + 1)..]);
        }

        public Folded GoesIn(StoreTold told, ShopLine line, MachineModel? model)
        {
            if (fits.Length == 0)
                (fits, tare) = (line.Model, told.Swap?.TareG ?? model?.StoreTareG ?? 0);
            (In, washed) = ((line.Machine, line.Serial), null);
            drying.Clear();
            net =
                told.What == StoreTold.Renewed ? 0
                : told.Amount is { } g ? g - tare
                : net;
            Moment(line, $"in {line.Serial}");
            return this;
        }

        public void Inside(StoreTold told, ShopLine line, WasteNumbers numbers)
        {
            net = told is { What: "weighed" or "washed", Amount: { } g } ? g - tare : net;
            safe = told is { What: StoreTold.Trial, Amount: { } ml } ? ml * numbers.WaterGramsPerMl * numbers.TrialShare : safe;
            if (told.What == "washed")
                washes++;
            Moment(line, told.Says);
        }

        public void Out(ShopLine line, double? grams)
        {
            net = grams - tare;
            Moment(line, $"out of {line.Serial}{(grams is { } g ? $", {g:0.#}\u2009g" : "")}");
            In = null;
        }

        public void Reset(ShopLine line)
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
                : In is not null ? BoxStand.In
                : dries ? BoxStand.Drying
                : net <= left ? BoxStand.Dry
                : BoxStand.Used;
            return new WasteBox(
                tag,
                fits,
                tare,
                In?.Machine,
                In?.Serial ?? "",
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
