namespace SideBench.Core.Identity;

/// <summary>A machine in the shop's records. 0 is never issued.</summary>
public readonly record struct MachineId(long Value);

/// <summary>One stay of one machine on the bench. 0 is never issued.</summary>
public readonly record struct JobId(long Value);

/// <summary>A customer. 0 is never issued.</summary>
public readonly record struct CustomerId(long Value);

/// <summary>A person who signs in. 0 is never issued.</summary>
public readonly record struct PersonId(long Value);

/// <summary>One line of the record. 0 is never issued.</summary>
public readonly record struct EntryId(long Value);

/// <summary>
/// A slot of a machine, by its number on the panel from 1. The default, 0, means no slot or every slot, as its place says.
/// </summary>
public readonly record struct SlotId(int Value)
{
    /// <summary>No slot in particular: the machine as a whole, or all channels together.</summary>
    public static readonly SlotId Whole = default;

    /// <summary>Whether it is none in particular.</summary>
    public bool IsWhole => Value == 0;
}
