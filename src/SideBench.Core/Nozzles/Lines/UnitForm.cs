using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>The stored form of one unit of a sheet.</summary>
internal static class UnitForm
{
    public static void Store(FieldWriter to, UnitLine unit)
    {
        to.Text("id", unit.Id);
        to.Text("nozzles", unit.Nozzles);
        to.Numbers("unsure", unit.Unsure.Select(n => (double)n));
        to.Text("pattern", StoredWord.Of(unit.Pattern));
        to.Named("odds", unit.Odds.Select(o => KeyValuePair.Create(StoredWord.Of(o.Key), o.Value)));
        to.Text("mixedWith", unit.MixedWith);
    }

    public static UnitLine Read(FieldReader from) =>
        new(
            from.Text("id"),
            from.Text("nozzles"),
            [.. from.Numbers("unsure").Select(n => (int)n)],
            StoredWord.Read<PatternClass>(from.Text("pattern")),
            (from.Named("odds") ?? new Dictionary<string, double>()).ToDictionary(o => StoredWord.Read<PatternClass>(o.Key), o => o.Value),
            from.TextOrNull("mixedWith")
        );
}
