using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class IntakeTests
{
    [Fact]
    public void Problems_AreGathered_EachWithItsField()
    {
        var model = TestShop.Shop.Models["marram-duo"];
        var bad = TestShop.Intake("marram-duo", "no-such") with
        {
            Words = " ",
            Ink = "soup",
            IdleWeeks = -1,
            Tried = new string('x', 100_000),
            Limit = -5,
        };
        var found = Intake
            .Problems(bad, model, null, DateOnly.FromDateTime(TestShop.Now.UtcDateTime))
            .Select(p => (p.Code, p.Path))
            .ToHashSet();
        Assert.Equal(
            [
                (ProblemCode.UnknownWord, "/complaint"),
                (ProblemCode.Missing, "/words"),
                (ProblemCode.TooLong, "/tried"),
                (ProblemCode.UnknownWord, "/ink"),
                (ProblemCode.OutOfRange, "/idleWeeks"),
                (ProblemCode.OutOfRange, "/limit"),
            ],
            found
        );
    }

    [Theory]
    [InlineData(Role.Counter, Act.TakeIn, true)]
    [InlineData(Role.Counter, Act.Bench, false)]
    [InlineData(Role.Technician, Act.Bench, true)]
    [InlineData(Role.Technician, Act.KeepAccounts, false)]
    [InlineData(Role.Owner, Act.KeepAccounts, true)]
    public void May_FollowsTheRole(Role role, Act act, bool may) => Assert.Equal(may, Permissions.May(role, act));
}
