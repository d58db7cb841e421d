using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Small books, by hand or by a seed, on a machine with one station per cause.</summary>
internal static class TinyBook
{
    public static readonly HouseRates House = TestShop.Shop.Book.House with
    {
        BenchPerHour = 60,
        InkPerMl = 0,
        CounterPerPct = 0,
        Risk = new Dictionary<string, double> { ["none"] = 0 },
        HandBack = 100,
        WordSaves = 0,
        NotInBook = 0.1,
        EasyBits = 0.03,
        ClearedBelow = 0.02,
        Places = 6,
        SecondFault = 1e-12,
        ContradictsAbove = 1,
        EasyWorth = 0.01,
        MendLeeway = 0,
        LeastToAdvise = 0.15,
        CloseAbove = 0.9,
        PartsWait = 0,
        SchoolFactor = 1,
        ProofAgain = 1,
    };

    public static CaseBook Of(
        double[] rates,
        IEnumerable<Finding> findings,
        IEnumerable<Repair> repairs,
        HouseRates? house = null,
        params IReadOnlyList<School> schools
    )
    {
        var book = new FaultBook
        {
            Complaints = [new Complaint("c", "Complaint", "It is broken.", "proof", new Condition.Always())],
            Causes =
            [
                .. rates.Select(
                    (r, i) =>
                        new Cause
                        {
                            Id = $"c{i}",
                            Name = $"Cause {i}",
                            Station = $"s{i}",
                            Rate = r,
                            Complaints = new Dictionary<string, double> { ["c"] = 1 },
                        }
                ),
            ],
            Findings = [.. findings],
            Repairs = [.. repairs],
            Rules = [],
            Gates = [],
            House = house ?? House,
            Schools = schools,
        };
        return CaseBook.Of(book, Model(rates.Length), book.Complaints[0]);
    }

    public static Finding Look(string id, double minutes, double[][] likelihood, double[]? sound = null, string kind = "look") =>
        new()
        {
            Id = id,
            Name = id,
            Station = "s0",
            Minutes = minutes,
            Kind = kind,
            Outcomes =
            [
                .. Enumerable
                    .Range(0, likelihood[0].Length)
                    .Select(o => new FindingOutcome($"o{o}", $"outcome {o}", kind == "proof" && o == 0, null, [], $"{id} o{o}")),
            ],
            Rows = [.. likelihood.Select((row, c) => new LikelihoodRow([$"c{c}"], row, "by hand"))],
            Otherwise = [.. Enumerable.Repeat(1.0 / likelihood[0].Length, likelihood[0].Length)],
            Sound = sound ?? likelihood[0],
        };

    public static Finding Proof(int causes) =>
        Look("proof", 1, [.. Enumerable.Repeat(new[] { 0.05, 0.95 }, causes)], [0.99, 0.01], "proof");

    public static Repair Mend(string id, double minutes, int cause, double chance) =>
        new()
        {
            Id = id,
            Name = id,
            Station = $"s{cause}",
            Minutes = minutes,
            Fixes = [new Fix($"c{cause}", chance)],
            Proof = "proof",
        };

    /// <summary>A proof that never errs.</summary>
    public static Finding SureProof(int causes) =>
        Look("proof", 1, [.. Enumerable.Repeat(new[] { 1e-12, 1 - 1e-12 }, causes)], [1 - 1e-12, 1e-12], "proof");

    public static Facts Facts(CaseBook book) => new() { Model = book.Model, Context = new Dictionary<string, string>() };

    private static MachineModel Model(int stations) =>
        new()
        {
            Id = "tiny",
            Maker = "Marram",
            Name = "Tiny",
            Version = 1,
            Axes = new Dictionary<string, string>(),
            Kind = "tiny",
            Stations = [.. Enumerable.Range(0, stations).Select(i => new Station($"s{i}", $"Station {i}", PathKind.Ink))],
            Slots = [],
            Operations = [],
            Codes = [],
            Worth = 100,
            HeadCare = new HeadFigures(0, [], 3, null, null, new Dictionary<string, SoakFigures>()),
            Cautions = [],
        };
}
