using SideBench.Core.Accounts;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Core.Tests.Accounts;

public class AccountKeepingTests
{
    private static readonly Account Ines = new(new PersonId(1), "Ines", Role.Owner, AccountStanding.Active);
    private static readonly Account Tam = new(new PersonId(2), "Tam", Role.Technician, AccountStanding.Active);
    private static readonly Account Gone = new(new PersonId(3), "Lee", Role.Owner, AccountStanding.Gone);

    [Theory]
    [InlineData(AccountStanding.Suspended)]
    [InlineData(AccountStanding.Invited)]
    [InlineData(AccountStanding.Gone)]
    public void AnOwnerWhoCannotSignIn_IsNoOwner(AccountStanding standing)
    {
        var second = Tam with { Role = Role.Owner, Standing = standing };
        foreach (var act in new[] { "Suspended", "Gone" })
            Assert.Equal(AccountsProblem.LastOwner, AccountKeeping.Stand([Ines, second], Ines.Id, act, null).Problems[0].Code);
        Assert.Equal(AccountsProblem.LastOwner, AccountKeeping.GiveRole([Ines, second], Ines.Id, "Counter").Problems[0].Code);
        var active = second with { Standing = AccountStanding.Active };
        Assert.Equal(AccountAct.Gone, AccountKeeping.Stand([Ines, active], Ines.Id, "Gone", null).Value.Act);
    }

    [Theory]
    [InlineData(AccountStanding.Active, "LetBack", false)]
    [InlineData(AccountStanding.Active, "Suspended", true)]
    [InlineData(AccountStanding.Suspended, "Suspended", false)]
    [InlineData(AccountStanding.Suspended, "LetBack", true)]
    [InlineData(AccountStanding.Suspended, "Gone", true)]
    [InlineData(AccountStanding.Invited, "Suspended", false)]
    [InlineData(AccountStanding.Invited, "Gone", true)]
    [InlineData(AccountStanding.Gone, "LetBack", false)]
    public void AnAct_FitsHowTheAccountStands(AccountStanding standing, string act, bool fits) =>
        Assert.Equal(fits, AccountKeeping.Stand([Ines, Tam with { Standing = standing }], Tam.Id, act, null).IsGood);

    [Fact]
    public void ANameOfSomebodyWhoIsHere_IsTaken_WhateverItsCase_AndFreeOnceTheyHaveGone()
    {
        Assert.False(AccountKeeping.Invite([Ines, Gone], new PersonId(4), " ines ", "Counter").IsGood);
        var line = AccountKeeping.Invite([Ines, Gone], new PersonId(4), " Lee ", "Counter").Value;
        Assert.Equal("Lee: invited as counter", line.Says);
    }

    [Fact]
    public void ASuspendedPerson_GetsNoCode_AndSomebodyGoneIsUnknown()
    {
        var held = Tam with { Standing = AccountStanding.Suspended };
        Assert.Equal(AccountsProblem.IsSuspended, AccountKeeping.NewCode([Ines, held], held.Id).Problems[0].Code);
        Assert.Equal(AccountsProblem.NoAccount, AccountKeeping.NewCode([Ines, Gone], Gone.Id).Problems[0].Code);
    }

    [Fact]
    public void WhatWasDoneToAnAccount_IsNotTakenBack_ButDoneAnew()
    {
        var line = TestShop.Line(1, AccountKeeping.Stand([Ines, Tam], Tam.Id, "Suspended", "").Value);
        Assert.Equal(ProblemCode.NotCorrectable, ShopKeeping.Correct([line], 1, "typed wrong").Problems[0].Code);
    }
}
