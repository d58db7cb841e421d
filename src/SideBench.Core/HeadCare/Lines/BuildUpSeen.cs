using SideBench.Core.Record;

namespace SideBench.Core.HeadCare;

/// <summary>Build-up under the head was found, and on what stock it smudged.</summary>
/// <param name="Paper">The stock, as it was told.</param>
/// <param name="Thickness">The thickness that was set; empty when nobody looked.</param>
public sealed record BuildUpSeen(string Paper, string Thickness) : EntryBody
{
    public static readonly EntryKind Form = new("build-up-seen", from => new BuildUpSeen(from.Text("paper"), from.Text("thickness")));

    public override EntryKind Kind => Form;

    public override string Says => $"Build-up under the head, on {Paper}{(Thickness.Length > 0 ? $", thickness set to {Thickness}" : "")}";

    public override Effect Effect => new() { Modifications = [new Modification("build-up", Paper, "seen", $"{Says}: look there first")] };

    public override void Store(FieldWriter to)
    {
        to.Text("paper", Paper);
        to.Text("thickness", Thickness);
    }
}
