namespace SideBench.Core.HeadCare;

/// <summary>How well starvation explains a channel's sheets: after each clean more are missing than before, from the far end.</summary>
internal static class StarvedEvidence
{
    /// <summary>As a logarithm.</summary>
    public static double Of(HeadHistory head, HeadCareNumbers numbers)
    {
        var sum = 0.0;
        var last = head.First;
        foreach (var done in head.Done)
        {
            sum += Unchanged(last, done.Before, head.Nozzles, numbers.Slip);
            sum += done.IsClean ? Cleaned(done, head.Nozzles, numbers) : Unchanged(done.Before, done.After, head.Nozzles, numbers.Slip);
            last = done.After;
        }

        return sum + Unchanged(last, head.Missing, head.Nozzles, numbers.Slip);
    }

    private static double Cleaned(Application done, int nozzles, HeadCareNumbers numbers)
    {
        var end = nozzles;
        while (end > 0 && done.Before.Contains(end - 1))
            end--;
        var (least, most) = ((int)Math.Ceiling(numbers.StarvedShare.From * nozzles), (int)Math.Floor(numbers.StarvedShare.To * nozzles));
        // Nothing is left to lose beyond the near end.
        (least, most) = (Math.Min(Math.Max(1, least), end), Math.Min(Math.Max(1, most), end));
        var logs = new List<double>();
        for (var lost = least; lost <= most; lost++)
        {
            var edge = end - lost;
            var odd = Enumerable.Range(0, nozzles).Count(n => (n >= edge || done.Before.Contains(n)) != done.After.Contains(n));
            logs.Add(Slips(odd, nozzles, numbers.Slip));
        }

        var top = logs.Max();
        return top + Math.Log(logs.Average(l => Math.Exp(l - top)));
    }

    private static double Unchanged(IReadOnlySet<int> before, IReadOnlySet<int> after, int nozzles, double slip)
    {
        var odd = before.Count(n => !after.Contains(n)) + after.Count(n => !before.Contains(n));
        return odd == 0 && ReferenceEquals(before, after) ? 0 : Slips(odd, nozzles, slip);
    }

    private static double Slips(int odd, int nozzles, double slip) => (odd * Math.Log(slip)) + ((nozzles - odd) * Math.Log(1 - slip));
}
