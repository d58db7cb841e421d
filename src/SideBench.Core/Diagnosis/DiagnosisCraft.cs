using SideBench.Core.Jobs;

namespace SideBench.Core.Diagnosis;

/// <summary>Threads, answers, repairs, gates, schools, verdicts and the shop's own words of the book.</summary>
public static class DiagnosisCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new(
        "Diagnosis",
        [
            Answered.Form,
            Mended.Form,
            WorkedBefore.Form,
            GateOverridden.Form,
            ThreadOpened.Form,
            ThreadClosed.Form,
            Judged.Form,
            SchoolChosen.Form,
            PartTold.Form,
            BookEdited.Form,
        ]
    )
    {
        FactKinds = CaseContext.Kinds,
        Numbers = typeof(HouseRates),
        Begin = _ => Casework.New,
    };
}
