using SideBench.Devices.ResetService;
using Xunit;

namespace SideBench.Devices.Tests;

/// <summary>The simulated service program fails as real ones do, and works between.</summary>
public class ResetServiceTests
{
    [Fact]
    public void EveryWayOfFailing_IsMetOnceARound_AndTheRestWorks()
    {
        var service = new ResetServiceStandIn();
        var round = Enumerable.Range(0, 6).Select(_ => service.Reset("Folio 3", 100, 0)).ToList();
        Assert.Equal(
            ["service-away", "service-refused", "service-wrong-machine"],
            round.Where(r => !r.IsGood).Select(r => r.Problems.Single().Code.Id).Order()
        );
        Assert.Equal([0, 100, 0], round.Where(r => r.IsGood).Select(r => r.Value.AfterPct));
        Assert.All(round.Where(r => r.IsGood), r => Assert.Equal(100, r.Value.BeforePct));
        Assert.Equal("service-away", service.Reset("Folio 3", 100, 0).Problems.Single().Code.Id);
    }
}
