namespace SideBench.Core.Diagnosis;

/// <summary>One practice of a school.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Why">The reason good people give for it.</param>
/// <param name="Prefers">Steps it puts first: they count as cheaper.</param>
/// <param name="Default">Whether it is ours.</param>
public sealed record SchoolOption(string Id, string Name, string Why, IReadOnlyList<string> Prefers, bool Default);

/// <summary>A question on which good people differ, with their practices.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What it is about.</param>
/// <param name="Asks">The question.</param>
/// <param name="PerJob">Whether a single job may differ from the shop.</param>
/// <param name="Follows">What it follows from, when not from taste; else empty.</param>
/// <param name="Options">The practices; one is the default.</param>
public sealed record School(string Id, string Name, string Asks, bool PerJob, string Follows, IReadOnlyList<SchoolOption> Options)
{
    /// <summary>Ours.</summary>
    public SchoolOption Default => Options.FirstOrDefault(o => o.Default) ?? Options[0];

    /// <summary>What is followed: the job's choice, else the shop's, else ours.</summary>
    /// <param name="schools">All schools.</param>
    /// <param name="shop">The shop's choices, by school.</param>
    /// <param name="job">The job's choices, by school.</param>
    public static IReadOnlyDictionary<string, string> Followed(
        IReadOnlyList<School> schools,
        IReadOnlyDictionary<string, string> shop,
        IReadOnlyDictionary<string, string> job
    )
    {
        var followed = new Dictionary<string, string>();
        foreach (var school in schools)
        {
            var chosen = school.PerJob && job.TryGetValue(school.Id, out var own) ? own : shop.GetValueOrDefault(school.Id);
            followed[school.Id] = school.Options.Any(o => o.Id == chosen) ? chosen! : school.Default.Id;
        }

        return followed;
    }
}

/// <summary>One step of a fixed checklist: something to find with what it leads to, or something to mend.</summary>
/// <param name="Find">The finding; empty for a repair.</param>
/// <param name="Then">Repairs to make, by answer.</param>
/// <param name="Mend">The repair; empty for a finding.</param>
public sealed record ChecklistStep(string Find, IReadOnlyDictionary<string, IReadOnlyList<string>> Then, string Mend);

/// <summary>A fixed order of work for a complaint, as it hangs on a wall: what the advice is measured against.</summary>
/// <param name="Complaint">The complaint.</param>
/// <param name="Steps">Its steps in order.</param>
public sealed record Checklist(string Complaint, IReadOnlyList<ChecklistStep> Steps);

/// <summary>The fixed scales of words.</summary>
/// <param name="Likelihood">Chance by word.</param>
/// <param name="Rate">Relative rate by word.</param>
public sealed record BookWords(IReadOnlyDictionary<string, double> Likelihood, IReadOnlyDictionary<string, double> Rate)
{
    /// <summary>No words, for books made by hand.</summary>
    public static BookWords None { get; } = new(new Dictionary<string, double>(), new Dictionary<string, double>());
}
