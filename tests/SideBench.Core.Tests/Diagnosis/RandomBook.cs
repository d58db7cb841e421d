using SideBench.Core.Diagnosis;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Random small books and cases from a seed.</summary>
internal static class RandomBook
{
    public static CaseBook Of(Random chance, int causes, int looks)
    {
        double[] rates = [.. Enumerable.Range(0, causes).Select(_ => 0.3 + (chance.NextDouble() * 8))];
        var findings = Enumerable
            .Range(0, looks)
            .Select(i =>
                TinyBook.Look($"l{i}", 1 + chance.Next(10), [.. Enumerable.Range(0, causes).Select(_ => Row(chance, 2 + (i % 2)))])
            )
            .Append(TinyBook.Proof(causes));
        var repairs = Enumerable
            .Range(0, causes)
            .Select(c => TinyBook.Mend($"m{c}", 2 + chance.Next(40), c, 0.4 + (chance.NextDouble() * 0.55)));
        return TinyBook.Of(rates, findings, repairs);
    }

    /// <summary>
    /// Three to eight causes, and eight tests and repairs at most; a repair ends one or two causes; the proof never errs.
    /// </summary>
    public static CaseBook Small(Random chance)
    {
        var causes = 3 + chance.Next(6);
        var looks = 2 + chance.Next(3);
        double[] rates = [.. Enumerable.Range(0, causes).Select(_ => 0.3 + (chance.NextDouble() * 8))];
        var findings = Enumerable
            .Range(0, looks)
            .Select(i =>
                TinyBook.Look($"l{i}", 1 + chance.Next(12), [.. Enumerable.Range(0, causes).Select(_ => Sharp(chance, 2 + (i % 2)))])
            )
            .Append(TinyBook.SureProof(causes));
        var repairs = Enumerable
            .Range(0, Math.Min(causes, 8 - looks))
            .Select(c => TinyBook.Mend($"m{c}", 2 + chance.Next(40), c, 0.4 + (chance.NextDouble() * 0.55)))
            .Select(m =>
                chance.Next(3) == 0
                    ? m with
                    {
                        Fixes = [.. m.Fixes, new Fix($"c{chance.Next(causes)}", 0.3 + (chance.NextDouble() * 0.6))],
                    }
                    : m
            );
        return TinyBook.Of(rates, findings, repairs);
    }

    public static IReadOnlyList<CaseEvent> Timeline(CaseBook book, Random chance, int length) =>
        [.. Enumerable.Range(0, length).Select(i => Event(book, chance, i))];

    private static CaseEvent Event(CaseBook book, Random chance, int entry)
    {
        if (chance.Next(4) == 0)
            return new CaseEvent.Worked(book.Repairs[chance.Next(book.Repairs.Count)].Id, entry);
        var finding = book.Findings[chance.Next(book.Findings.Count)];
        return new CaseEvent.Told(finding.Id, finding.Outcomes[chance.Next(finding.Outcomes.Count)].Id, entry);
    }

    private static double[] Row(Random chance, int outcomes)
    {
        var row = Enumerable.Range(0, outcomes).Select(_ => 0.02 + chance.NextDouble()).ToArray();
        return [.. row.Select(p => p / row.Sum())];
    }

    // Answers as books word them: mostly one of them.
    private static double[] Sharp(Random chance, int outcomes)
    {
        var row = Enumerable.Range(0, outcomes).Select(_ => 0.02 + Math.Pow(chance.NextDouble(), 4)).ToArray();
        return [.. row.Select(p => p / row.Sum())];
    }
}
