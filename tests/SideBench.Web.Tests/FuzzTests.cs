using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using SideBench.Cli.Measure.Fuzz;
using Xunit;

namespace SideBench.Web.Tests;

public class FuzzTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    [Trait("Pace", "slow")]
    public async Task TheWholeApi_AskedInEveryWay_NeverBreaks_WritesNothingItRefuses_AndKeepsToRoles()
    {
        var saw = await FuzzMeasure.On(server.Address, server.Services.GetRequiredService<NpgsqlDataSource>(), 20261).Run(1200);
        Assert.True(saw.Wrong.Count == 0, string.Join("\n", saw.Wrong));
        Assert.True(saw.NotReached.Count == 0, string.Join("\n", saw.NotReached));
        Assert.True(saw.Refused > 400, $"{saw.Refused} refused");
    }
}
