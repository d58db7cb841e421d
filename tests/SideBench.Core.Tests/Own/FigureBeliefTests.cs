using SideBench.Core.Own;
using Xunit;

namespace SideBench.Core.Tests.Own;

public class FigureBeliefTests
{
    [Fact]
    public void AsWideAsTheMeasurement_ItMovesHalfWay_AndNarrowsByTheRootOfTwo()
    {
        var now = new FigureBelief(1, 1.44, 0).With(1.21, 1.44, 3, isSure: false, "ml").Value;
        Assert.Equal(1.1, now.Value, 9);
        Assert.Equal(Math.Exp(Math.Log(1.44) / Math.Sqrt(2)), now.Factor, 9);
        Assert.Equal(1, now.Seen);
    }

    [Fact]
    public void Measured_ItAgreesWithASlowSumOverAllValues()
    {
        var (prior, value, factor) = (new FigureBelief(2, 1.6, 0), 2.7, 1.12);
        var (sd, own) = (Math.Log(1.6) / 1.2816, Math.Log(factor) / 1.2816);
        double total = 0,
            mean = 0;
        for (var x = -3.0; x < 4; x += 0.0005)
        {
            var (a, b) = ((x - Math.Log(2)) / sd, (x - Math.Log(value)) / own);
            var weight = Math.Exp(-0.5 * ((a * a) + (b * b)));
            (total, mean) = (total + weight, mean + (weight * x));
        }

        Assert.Equal(mean / total, Math.Log(prior.With(value, factor, 3, false, "ml").Value.Value), 4);
    }

    [Fact]
    public void FarOff_ItIsAskedAbout_AndSaidToBeSo_WidensWhatWasKnown()
    {
        var known = new FigureBelief(0.3, 1.1, 4);
        var asked = known.With(0.9, 1.12, 3, isSure: false, "ml");
        Assert.Equal([OwnProblem.FarOff], asked.Problems.Select(p => p.Code));
        var sure = known.With(0.9, 1.12, 3, isSure: true, "ml").Value;
        Assert.True(sure.Value > 0.6 && sure.Factor > 1.1, $"{sure.Value} {sure.Factor}");
    }

    [Fact]
    public void Bands_HoldWhatTheySay_WhereTruthIsDrawnFromThem()
    {
        var chance = new Random(4);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - chance.NextDouble())) * Math.Cos(Math.Tau * chance.NextDouble());
        var held = 0;
        for (var i = 0; i < 2000; i++)
        {
            var truth = Math.Exp(Normal() * Math.Log(1.5) / 1.2816);
            var belief = new FigureBelief(1, 1.5, 0);
            for (var k = 0; k < 2; k++)
                belief = belief.With(truth * Math.Exp(Normal() * Math.Log(1.12) / 1.2816), 1.12, 3, isSure: true, "ml").Value;
            held += truth > belief.Low && truth < belief.High ? 1 : 0;
        }

        Assert.InRange(held / 2000.0, 0.77, 0.83);
    }
}
