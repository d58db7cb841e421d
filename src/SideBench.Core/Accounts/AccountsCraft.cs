using SideBench.Core.Jobs;

namespace SideBench.Core.Accounts;

/// <summary>The people who sign in.</summary>
public static class AccountsCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Accounts", [AccountKept.Form]);
}
