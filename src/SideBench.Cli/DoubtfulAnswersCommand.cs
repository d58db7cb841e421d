using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using SideBench.Data;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Cli;

/// <summary>Lists, by job, the answers on record that may not be the ones that were meant. It changes nothing.</summary>
public static class DoubtfulAnswersCommand
{
    /// <summary>Lists them.</summary>
    /// <returns>0.</returns>
    public static async Task<int> Run()
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        await using var database = Database.Open(Settings.Needed(Settings.Database));
        var jobs = new SortedDictionary<long, List<Entry>>();
        await foreach (var line in new EntryStore(database, new EntryCodec(HouseCrafts.All)).All(CancellationToken.None))
            if (line.Job is { } job && line.Body is Answered or Corrected or TakenIn)
                (jobs.TryGetValue(job.Value, out var known) ? known : jobs[job.Value] = []).Add(line);
        var (answers, likely, concerned) = (0, 0, 0);
        foreach (var (job, lines) in jobs)
        {
            var doubtful = DoubtfulAnswers.Of(lines);
            if (doubtful.Count == 0)
                continue;
            concerned++;
            answers += doubtful.Count;
            likely += doubtful.Count(d => d.IsLikely);
            var intake = lines.Select(l => l.Body).OfType<TakenIn>().FirstOrDefault();
            var model = intake is null ? "" : shop.Models.GetValueOrDefault(intake.ModelId)?.FullName ?? intake.ModelId;
            Console.WriteLine($"job {job}{(model.Length > 0 ? $", {model}" : "")}");
            foreach (var answer in doubtful)
                Console.WriteLine(Told(answer, shop.Book));
        }

        Console.WriteLine(
            $"{answers} answers of {concerned} jobs may say something else than was meant, {likely} of them after an earlier answer of the "
                + "same person. Nothing was changed: look at each, and take back on the job's page what is wrong."
        );
        return 0;
    }

    private static string Told(DoubtfulAnswer answer, FaultBook book)
    {
        var (line, said) = (answer.Line, answer.Said);
        var others = book.Step(said.Finding) is Finding step ? step.Outcomes.Where(o => o.Id != said.Outcome).Select(o => o.Label) : [];
        var mark = answer.IsLikely ? "  " : "  (only if another step was chosen first) ";
        return $"{mark}entry {line.Id.Value}, {line.At:yyyy-MM-dd HH:mm} UTC, {line.PersonName}: {said.Says}"
            + (others.Any() ? $"; the card also had: {string.Join(" | ", others)}" : "");
    }
}
