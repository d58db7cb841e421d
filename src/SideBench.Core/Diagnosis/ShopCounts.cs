namespace SideBench.Core.Diagnosis;

/// <summary>What closed and verified jobs of one model and complaint turned out to be, in one ink and in others.</summary>
/// <param name="SameInk">Jobs by cause, with the same ink.</param>
/// <param name="OtherInk">Jobs by cause, with another ink.</param>
public sealed record ShopCounts(IReadOnlyDictionary<string, int> SameInk, IReadOnlyDictionary<string, int> OtherInk)
{
    /// <summary>What the model's codes turned out to be, whatever the complaint.</summary>
    public CodeCounts Codes { get; init; } = CodeCounts.None;

    /// <summary>No jobs yet.</summary>
    public static ShopCounts None { get; } = new(new Dictionary<string, int>(), new Dictionary<string, int>());

    /// <summary>Number of jobs in all.</summary>
    public int Jobs => SameInk.Values.Sum() + OtherInk.Values.Sum();

    /// <summary>
    /// Moves the book's shares by the shop's own counts: share' = (N·share + n) / (N + Σn), with N the jobs the book is
    /// worth and n this cause's jobs, those with another ink counted in part. The conjugate rule for counts (Dirichlet).
    /// </summary>
    /// <param name="causes">The causes in order.</param>
    /// <param name="shares">The book's shares in this context, adding up to 1; a cause at 0 stays there.</param>
    /// <param name="house">What the book and another ink are worth.</param>
    /// <returns>What each share is multiplied with, above 0.</returns>
    public double[] Factors(IReadOnlyList<Cause> causes, double[] shares, HouseRates house)
    {
        var counts = new double[causes.Count];
        double all = 0;
        for (var c = 0; c < counts.Length; c++)
        {
            if (shares[c] <= 0)
                continue;
            counts[c] = SameInk.GetValueOrDefault(causes[c].Id) + (house.OtherInkCounts * OtherInk.GetValueOrDefault(causes[c].Id));
            all += counts[c];
        }

        var factors = new double[counts.Length];
        for (var c = 0; c < counts.Length; c++)
            factors[c] = shares[c] <= 0 ? 1 : ((house.BookWorthJobs * shares[c]) + counts[c]) / ((house.BookWorthJobs + all) * shares[c]);
        return factors;
    }
}
