using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

/// <summary>Every guide of the house, on every model it fits, from its first step to its end, by the rules the interface goes by.</summary>
[Trait("Pace", "slow")]
public class EveryGuideEndsTests
{
    public static TheoryData<string, string, string> All()
    {
        var all = new TheoryData<string, string, string>();
        var shop = TestShop.Shop;
        foreach (var model in shop.Models.Values)
        {
            foreach (var guide in shop.GuidesFor(model))
                all.Add(guide.Id, model.Id, "");
            foreach (var change in shop.Changes.Where(c => c.CanBeOn(model)))
            foreach (var guide in shop.GuidesFor(AsItStands.Of(model, [change])).Except(shop.GuidesFor(model)))
                all.Add(guide.Id, model.Id, change.Id);
        }

        return all;
    }

    [Theory]
    [MemberData(nameof(All))]
    public void Guide_IsFollowedToItsEnd_WithEverythingBack(string guide, string model, string change)
    {
        var job = new Followed(model, TestShop.Shop.Guides.Single(g => g.Id == guide), TestShop.Shop.Changes.Where(c => c.Id == change));
        while (job.Run.Next is { } step)
            job.Do(step);
        job.Add(GuideWork.End(job.State, "run", ""));
        Assert.True(job.Run.Ended!.Done);
        Assert.DoesNotContain(job.State.Opening.Counts, c => c.Value.OnTray > 0);
        Assert.DoesNotContain(job.State.Tray, item => item.Removal is not null);
        Assert.Empty(job.State.Doubts);
        // What it leaves changed is the machine's from then on, and is neither off nor back on the next visit.
        var next = HouseCrafts.Fold(TestShop.Opened(job.State.Intake), job.State.Machine);
        var graph = TestShop.Shop.Graphs[model];
        foreach (var stays in job.Run.Begun.Steps.Select(s => s.Stays).OfType<StepStays>())
            Assert.Superset(GuideTargets.Removals(stays.Targets, graph, 0).ToHashSet(), next.Opening.DoneOn(graph, []).ToHashSet());
        foreach (var makes in job.Run.Begun.Steps.Select(s => s.Makes).OfType<StepMakes>())
            Assert.Contains((LastingChange.Key, makes.Change), next.Machine.Modifications.Keys);
    }

    private sealed class Followed
    {
        private readonly List<Entry> entries;
        private readonly AccessGraph? graph;
        private int names;

        public Followed(string model, Guide guide, IEnumerable<LastingChange> changes)
        {
            var machine = AsItStands.Of(TestShop.Shop.Models[model], [.. changes]);
            var complaint = TestShop.Shop.Book.Complaints.First(c =>
                c.When.Holds(new Facts { Model = machine, Context = new Dictionary<string, string>() })
            );
            entries = TestShop.Opened(TestShop.Intake(model, complaint.Id));
            graph = TestShop.Shop.Graphs.GetValueOrDefault(model);
            Add(GuideWork.Begin(State, machine, guide, 1, "run"));
        }

        public JobState State => HouseCrafts.Fold(entries);

        public GuideRun Run => State.Opening.Runs.Single();

        public void Add(Outcome<IReadOnlyList<EntryBody>> lines) => TestShop.Add(entries, lines);

        public void Do(GuideStep step)
        {
            foreach (var word in new[] { step.Word, step.Irreversible ? "irreversible" : "" }.Where(w => w.Length > 0))
                if (!State.Consents.Contains(word))
                    Add(BenchKeeping.Consent(State, word, "Sal Marsh"));
            if (step.Photo)
                Add(OpeningWork.Photo(State, "fp", $"run:{step.Id}", "before"));
            if (step.Kind == StepKind.Open)
                Open(step);
            if (step.Kind == StepKind.Back)
                PutBack();
            double? value = step.Measure is { } asked ? asked.Good?.Max ?? asked.Good?.Min ?? (asked.Min + asked.Max) / 2 : null;
            var does = step.Does.Count > 1 ? step.Does[0].Repair : "";
            Add(GuideWork.Tick(TestShop.Case(entries), graph, new StepTold("run", step.Id, "done", value, "", does), NewName));
        }

        private void Open(GuideStep step)
        {
            var targets = GuideTargets.Of(step, graph!, Run.Begun.Slot);
            var done = State.Opening.DoneOn(graph!, State.Tray);
            foreach (var removal in WayIn.To(graph!, targets, TestShop.Handling, done).Steps)
                Add(OpeningWork.TakeOff(TestShop.Case(entries), graph!, removal.Id, null, NewName()));
        }

        // One thing after another, as the way back has them.
        private void PutBack()
        {
            for (var left = State.Tray.Count; left > 0; left--)
            {
                var next = WayBack.Of(graph, State.Tray, TestShop.Handling).Steps[0].Item;
                Add(next.Removal is null ? OpeningWork.Clear(State, [next.Id], graph) : OpeningWork.PutBack(State, graph, next.Id, null));
            }
        }

        private string NewName() => $"n{++names}";
    }
}
