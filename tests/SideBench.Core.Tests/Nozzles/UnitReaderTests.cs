using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class UnitReaderTests
{
    [Theory]
    [InlineData(1.0, false)]
    [InlineData(1.75, false)]
    [InlineData(1.85, true)]
    public void MoreInkThanADashCanHold_IsAskedAbout(double strength, bool unsure)
    {
        var good = new NozzleLikelihood(1, 1e-9, 1e-9, 1e-9, 1e-9);
        var sign = UnitReader.Sign(new DashMeasure(strength, 0.02, 0, 0.02), good, new NozzleOdds(1, 0, 0, 0, 0));
        Assert.Equal((NozzleState.Good, unsure), (sign.State, sign.IsUnsure));
    }
}
