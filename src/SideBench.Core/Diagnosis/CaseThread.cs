namespace SideBench.Core.Diagnosis;

/// <summary>One symptom at one place of a machine. A machine can have several; each has its own odds, advice and ending.</summary>
/// <param name="Id">Its number within the job, from 0: the complaint told at take-in.</param>
/// <param name="Complaint">The complaint.</param>
/// <param name="Slot">The slot or channel it is about, by panel number; 0 for the machine as a whole.</param>
/// <param name="Words">The symptom in words.</param>
/// <param name="How">How it ended: verified, handed-back or unproved; empty while it is open.</param>
/// <param name="Cause">The cause it turned out to be; empty when none was proved.</param>
/// <param name="Reason">Why it ended so; may be empty.</param>
public sealed record CaseThread(int Id, string Complaint, int Slot, string Words, string How = "", string Cause = "", string Reason = "")
{
    /// <summary>Whether it is worked on still.</summary>
    public bool IsOpen => How.Length == 0;
}
