using Microsoft.AspNetCore.Builder;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Plugs;

namespace SideBench.Web.Tests.Example;

/// <summary>An example of a craft, whole: waste bottles that are weighed, each with a life of its own over many jobs.</summary>
public static class BottlesCraft
{
    public const string Last = "bottle-last";

    public static readonly ProblemCode TooLight = new(
        "bottle-too-light",
        ProblemSort.Wrong,
        "No bottle weighs that little",
        "It reads {0} g; an empty one weighs {1} g.",
        "Set the scale to nothing, and weigh it again."
    );

    public static readonly Craft Craft = new("Bottles", [BottleWeighed.Form])
    {
        FactKinds = [new FactKind(Last, [], "g", "What the bottle weighed last")],
        Facts = job =>
            job.Of<BottlesSeen>().Last is { } seen ? [new Fact(Last, null, seen.Grams, $"The bottle weighed {seen.Grams} g", null)] : [],
        Begin = _ => new BottlesSeen(null),
        Numbers = typeof(BottleNumbers),
        HandOver = job => new HandOverLines([], job.Of<BottlesSeen>().Last is { } seen ? [$"Waste bottle: {seen.Grams} g."] : []),
    };

    public static readonly WebCraft Pages = new(
        "Bottles",
        routes =>
            routes
                .MapGroup("/jobs/{id:long}/bottles")
                .MapJobWrite<WeighRequest>(
                    "/weigh",
                    Act.Bench,
                    "weighBottle",
                    "Records what a waste bottle weighs.",
                    (r, on) => Weigh(r.Bottle, r.Grams, on.Books.Shop.Numbers.Of<BottleNumbers>())
                )
    )
    {
        Advises = (_, _, _) => throw new InvalidOperationException("A craft that breaks whenever it is asked."),
    };

    private static Outcome<IReadOnlyList<EntryBody>> Weigh(long bottle, double grams, BottleNumbers house) =>
        grams >= house.EmptyGrams
            ? new List<EntryBody> { new BottleWeighed(bottle, grams) }
            : new Problem(TooLight, "/grams", grams, house.EmptyGrams);
}

/// <summary>What the craft takes from the house's packs.</summary>
public sealed record BottleNumbers(double EmptyGrams);

/// <summary>What it keeps of a job.</summary>
public sealed record BottlesSeen(BottleWeighed? Last) : CraftState
{
    public override CraftState After(Entry entry, JobState before, Action<string> doubt) =>
        entry.Body is BottleWeighed weighed ? new BottlesSeen(weighed) : this;
}

/// <summary>Its one kind of line: about the job, its machine, and the bottle.</summary>
public sealed record BottleWeighed(long Bottle, double Grams) : EntryBody
{
    public static readonly EntryKind Form = new("bottle-weighed", from => new BottleWeighed(from.Whole("bottle"), from.Number("grams")));

    public override EntryKind Kind => Form;

    public override string Says => $"Bottle {Bottle}: {Grams} g";

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Store($"{Bottle}")];

    public override void Store(FieldWriter to)
    {
        to.Whole("bottle", Bottle);
        to.Number("grams", Grams);
    }
}

/// <summary>What a person types.</summary>
public sealed record WeighRequest(Guid Key, int SeenVersion, long Bottle, double Grams, int Thread = 0) : IJobWrite;
