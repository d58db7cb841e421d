namespace SideBench.Core.HeadCare;

/// <summary>Cleaning schools as ways of going on with one head.</summary>
public static class HeadLadders
{
    /// <summary>A school's order on a head: what the machine cannot do falls out; before giving up it looks whether ink comes.</summary>
    /// <param name="ladder">The school's order.</param>
    /// <param name="head">The head.</param>
    /// <returns>Methods by index; what stands together is done before one sheet.</returns>
    public static IReadOnlyList<IReadOnlyList<int>> On(CleaningLadder ladder, HeadCase head)
    {
        var groups = new List<IReadOnlyList<int>>();
        foreach (var step in ladder.Steps)
        {
            List<int> group =
            [
                .. step.Select(id => head.Methods.ToList().FindIndex(m => m.Id == id && m.Held is null or { Passes: true }))
                    .Where(m => m >= 0),
            ];
            if (group.Any(m => head.Methods[m].Id != HeadMethod.Rest))
                groups.Add(group);
        }

        if (!head.Limits.SupplyProved && head.Methods.ToList().FindIndex(m => m.Id == HeadMethod.Supply) is >= 0 and var look)
            groups.Add([look]);
        return groups;
    }
}
