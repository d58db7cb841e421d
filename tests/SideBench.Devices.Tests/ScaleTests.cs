using System.Net;
using System.Net.Sockets;
using System.Text;
using SideBench.Devices.Scale;
using Xunit;

namespace SideBench.Devices.Tests;

/// <summary>A scale behind a socket: what its lines mean, and what goes wrong with it.</summary>
public class ScaleTests
{
    [Theory]
    [InlineData("stable 394.5 g", true, 394.5)]
    [InlineData("moving  391 g", false, 391)]
    [InlineData("stable 0.3945 kg", true, 394.5)]
    [InlineData("stable 10 oz", true, 283.49523125)]
    [InlineData("stable -2.1 g", true, -2.1)]
    public void Line_SaysStateMassAndUnit(string line, bool stable, double grams) =>
        Assert.Equal((stable, grams), (ScaleLine.Read(line)!.IsStable, Math.Round(ScaleLine.Read(line)!.Grams, 8)));

    [Theory]
    [InlineData("")]
    [InlineData("stable 12")]
    [InlineData("stable 12 lb")]
    [InlineData("stable 1,200 g")]
    [InlineData("over 0 g")]
    [InlineData("stable NaN g")]
    [InlineData("stable 12 g g")]
    public void AnotherLine_IsNone(string line) => Assert.Null(ScaleLine.Read(line));

    [Fact]
    public async Task StandIn_SwingsAndThenRests_AndIsAskedAgainAndAgain()
    {
        using var standIn = new ScaleStandIn();
        var scale = new TcpScale("127.0.0.1", standIn.Port);
        foreach (var mass in new[] { 394.5, 0, 16.8 })
        {
            standIn.Lay(mass);
            Assert.Equal(mass, (await scale.Weigh(TestContext.Current.CancellationToken)).Value.Value);
        }
    }

    [Theory]
    [InlineData("hello\n", "scale-garbled")]
    [InlineData("stable -3 g\n", "scale-below-zero")]
    [InlineData("moving 3 g\nmoving 4 g\n", "scale-moving")]
    [InlineData("", "scale-away")]
    public async Task WhatGoesWrong_IsSaid(string says, string problem)
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        var weighed = new TcpScale("127.0.0.1", ((IPEndPoint)listener.LocalEndpoint).Port).Weigh(TestContext.Current.CancellationToken);
        using (var asked = await listener.AcceptTcpClientAsync(TestContext.Current.CancellationToken))
        {
            var lines = new StreamReader(asked.GetStream());
            await lines.ReadLineAsync(TestContext.Current.CancellationToken);
            await asked.GetStream().WriteAsync(Encoding.ASCII.GetBytes(says), TestContext.Current.CancellationToken);
        }

        Assert.Equal(problem, Assert.Single((await weighed).Problems).Code.Id);
        listener.Stop();
        Assert.Equal(
            "scale-away",
            Assert.Single((await new TcpScale("127.0.0.1", 9).Weigh(TestContext.Current.CancellationToken)).Problems).Code.Id
        );
    }
}
