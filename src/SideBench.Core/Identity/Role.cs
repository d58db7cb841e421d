namespace SideBench.Core.Identity;

/// <summary>What a person is at this shop.</summary>
public enum Role
{
    /// <summary>Takes machines in, speaks with customers, hands machines over.</summary>
    Counter,

    /// <summary>Works at the bench; may also do what the counter does.</summary>
    Technician,

    /// <summary>Runs the shop; may also do what a technician does, and keeps the accounts.</summary>
    Owner,
}

/// <summary>Something a person may or may not do.</summary>
public enum Act
{
    /// <summary>Look at any job, machine or record.</summary>
    Read,

    /// <summary>Take a machine in; register machines and customers.</summary>
    TakeIn,

    /// <summary>Write a note, set what a job waits for, record the customer's word.</summary>
    Speak,

    /// <summary>Hand a machine over to its customer.</summary>
    HandOver,

    /// <summary>Answer steps, mend, keep the tray and clocks, override a gate, close a job.</summary>
    Bench,

    /// <summary>Add people and change their role.</summary>
    KeepAccounts,

    /// <summary>Choose the shop's schools, edit the fault book, take in new packs.</summary>
    KeepBook,
}

/// <summary>Which role may do what. House default.</summary>
public static class Permissions
{
    /// <summary>Whether a role may do an act.</summary>
    public static bool May(Role role, Act act) =>
        act switch
        {
            Act.Read or Act.TakeIn or Act.Speak or Act.HandOver => true,
            Act.Bench => role is Role.Technician or Role.Owner,
            Act.KeepAccounts or Act.KeepBook => role is Role.Owner,
            _ => false,
        };
}
