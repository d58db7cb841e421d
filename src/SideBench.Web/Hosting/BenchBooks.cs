using System.Collections.Concurrent;
using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Packs;

namespace SideBench.Web.Hosting;

/// <summary>The fault book laid out per model and complaint, each built once.</summary>
public sealed class BenchBooks(Shop shop, TimeProvider clock)
{
    private readonly ConcurrentDictionary<(string Model, string Complaint), CaseBook?> books = new();

    /// <summary>What the packs say.</summary>
    public Shop Shop => shop;

    /// <summary>The time.</summary>
    public DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>The date at the shop.</summary>
    public DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>A job with its book.</summary>
    public Outcome<JobCase> Case(IReadOnlyList<Entry> entries)
    {
        var state = JobFold.Of(entries);
        var book = books.GetOrAdd((state.Intake.ModelId, state.Intake.Complaint), Build);
        return book is null ? new Problem(ProblemCode.UnknownModel, "", state.Intake.ModelId) : new JobCase(book, state, Today);
    }

    private CaseBook? Build((string Model, string Complaint) key)
    {
        var complaint = shop.Book.Complaints.FirstOrDefault(c => c.Id == key.Complaint);
        return complaint is not null && shop.Models.TryGetValue(key.Model, out var model) ? CaseBook.Of(shop.Book, model, complaint) : null;
    }
}
