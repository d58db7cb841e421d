using SideBench.Core.Jobs;

namespace SideBench.Core.Day;

/// <summary>The day: whose hands, when, on which machine.</summary>
public static class DayCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Day", [HoursSet.Form, PiecePinned.Form, ReminderDone.Form, DayRuleSet.Form])
    {
        Numbers = typeof(DayNumbers),
    };
}
