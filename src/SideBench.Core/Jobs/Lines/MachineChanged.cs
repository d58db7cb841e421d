using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A lasting change of the machine was made, found or undone.</summary>
/// <param name="Change">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Made">Whether the machine has it from now on.</param>
/// <param name="Reason">How that is known, or why it was undone.</param>
/// <param name="Watch">What to watch from now on; empty when nothing.</param>
/// <param name="Alters">What else changes with it.</param>
public sealed record MachineChanged(string Change, string Name, bool Made, string Reason, string Watch, IReadOnlyList<Modification> Alters)
    : EntryBody
{
    public static readonly EntryKind Form = new(
        "machine-changed",
        from => new MachineChanged(
            from.Text("change"),
            from.Text("name"),
            from.Flag("made"),
            from.Text("reason"),
            from.Text("watch"),
            from.Parts("alters", ModificationForm.Read)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"{(Made ? "This machine has" : "Undone")}: {Name}" + (Reason.Length > 0 ? $": {Reason}" : "");

    public override Effect Effect => new() { Modifications = Alters };

    public override void Store(FieldWriter to)
    {
        to.Text("change", Change);
        to.Text("name", Name);
        to.Flag("made", Made);
        to.Text("reason", Reason);
        to.Text("watch", Watch);
        to.Parts("alters", Alters, ModificationForm.Store);
    }
}
