using MathNet.Numerics.Distributions;
using SideBench.Core.HeadCare;

namespace SideBench.Core.Tests.HeadCare;

/// <summary>A clogged channel drawn as the house expects them, cleaned some times, with what one more normal clean brings back.</summary>
internal static class SimulatedClog
{
    public static (HeadHistory Head, int Back) Of(HeadCareNumbers numbers, Random chance)
    {
        var missing = Enumerable.Range(0, 90).OrderBy(_ => chance.Next()).Take(2 + chance.Next(14)).ToHashSet();
        var head = new HeadHistory("piezo dye", 1, 90, false, missing, []);
        var never = chance.NextDouble() < numbers.NoneStuck ? 0 : Beta.Sample(chance, numbers.StuckAlpha, numbers.StuckBeta);
        var stuck = missing.Where(_ => chance.NextDouble() < never).ToHashSet();
        var clears = new Dictionary<string, double>();
        foreach (var method in new[] { "clean-light", "clean-normal" })
        {
            var prior = ClearingPrior.Of(head, method, numbers)!.Value;
            clears[method] = Beta.Sample(chance, prior.Alpha, prior.Beta);
        }

        var done = new List<Application>();
        for (var n = chance.Next(4); n > 0; n--)
        {
            var method = chance.Next(2) == 0 ? "clean-light" : "clean-normal";
            var after = After(missing, method);
            done.Add(new Application(method, missing, after));
            missing = after;
        }

        return (head with { Missing = missing, Done = done }, missing.Count - After(missing, "clean-normal").Count);

        HashSet<int> After(HashSet<int> before, string method) =>
            before.Where(n => stuck.Contains(n) || chance.NextDouble() >= clears[method]).ToHashSet();
    }
}
