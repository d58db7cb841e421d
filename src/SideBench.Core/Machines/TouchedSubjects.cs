using SideBench.Core.Record;

namespace SideBench.Core.Machines;

/// <summary>A line with what it is about beside its job and its machine.</summary>
/// <param name="Line">The line.</param>
/// <param name="Subjects">What it is about, each once.</param>
public sealed record TouchedBy(Entry Line, IReadOnlyList<Subject> Subjects);

/// <summary>
/// What the lines of a machine are about, found by following its life: a weighing is about the box that is in, a cartridge also about the
/// lot of the one that came out.
/// </summary>
public static class TouchedSubjects
{
    /// <summary>Of lines about the shop.</summary>
    /// <param name="lines">All of them, oldest first.</param>
    public static IReadOnlyList<TouchedBy> OfShop(IReadOnlyList<Entry> lines) => Of(0, "", lines);

    /// <summary>Of the lines of one machine.</summary>
    /// <param name="machine">Its number.</param>
    /// <param name="model">Its model.</param>
    /// <param name="lines">Its lines, oldest first. What is taken back changes nothing of those after it.</param>
    /// <param name="before">How it stood before them; null when they are all there are.</param>
    /// <returns>Every line in its order. A correction is about what the line was that it takes back.</returns>
    public static IReadOnlyList<TouchedBy> Of(long machine, string model, IReadOnlyList<Entry> lines, MachineCase? before = null)
    {
        var gone = TakenBack.In(lines);
        var now = before ?? MachineCase.New;
        var touched = new List<TouchedBy>();
        var byLine = new Dictionary<long, IReadOnlyList<Subject>>();
        foreach (var line in lines)
        {
            IReadOnlyList<Subject> subjects = line.Body is Corrected back
                ? byLine.GetValueOrDefault(back.Target, [])
                : [.. line.Body.About(now.Surround(machine, model)).Distinct()];
            if (line.Body is not Corrected)
                byLine[line.Id.Value] = subjects;
            touched.Add(new TouchedBy(line, subjects));
            if (!gone.Contains(line.Id.Value))
                now = now.After(line, MachineCase.EffectOf(line));
        }

        return touched;
    }
}
