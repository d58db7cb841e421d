using System.Runtime.CompilerServices;
using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;

namespace SideBench.Core.Simulation;

/// <summary>The advice of somebody who knows less of a machine than is true: planned on one model, carried out on another.</summary>
/// <param name="name">Its name in the table.</param>
/// <param name="known">What is known of a model, by its id.</param>
public sealed class KindPolicy(string name, IReadOnlyDictionary<string, MachineModel> known) : ITrialPolicy
{
    private readonly ConditionalWeakTable<TrialThread, TrialThread> shadows = [];
    private readonly AdvisedPolicy advised = new();

    /// <inheritdoc/>
    public string Name => name;

    /// <inheritdoc/>
    public TrialMove Next(TrialThread thread)
    {
        var shadow = shadows.GetValue(thread, Shadow);
        for (var i = shadow.Timeline.Count; i < thread.Timeline.Count; i++)
        {
            var happened = thread.Timeline[i];
            var step = thread.Book.Book.Step(happened is CaseEvent.Told told ? told.Finding : ((CaseEvent.Worked)happened).Repair)!;
            if (happened is CaseEvent.Told { Thread: var at } ? at == thread.Index : ((CaseEvent.Worked)happened).Thread == thread.Index)
                shadow.Open(step);
            shadow.Add(happened, step);
        }

        shadow.Spent = thread.Spent;
        var move = advised.Next(shadow);
        // What the true machine does not have cannot be done: it is found out, and nothing is spent.
        return move.Step is null || thread.Book.StepCost.ContainsKey(move.Step.Id) ? move : advised.Next(thread);
    }

    private TrialThread Shadow(TrialThread thread)
    {
        var model = known[thread.Book.Model.Id];
        return new TrialThread(
            CaseBook.Of(thread.Book.Book, model, thread.Book.Complaint),
            thread.Facts with
            {
                Model = model,
            },
            thread.Index
        );
    }
}
