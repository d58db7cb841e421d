using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>The stored form of a guide's steps and windows, as they were when it was begun.</summary>
internal static class GuideForm
{
    public static void Store(FieldWriter to, GuideStep step)
    {
        to.Text("id", step.Id);
        to.Text("kind", StoredWord.Of(step.Kind));
        to.Text("title", step.Title);
        to.Text("text", step.Text);
        to.Text("view", step.View);
        to.Number("minutes", step.Hands.Value);
        to.Texts("cautions", step.Cautions);
        to.Text("sign", step.Sign);
        to.Parts("puts", step.Puts, StorePut);
        to.Texts("takes", step.Takes);
        to.Part("measure", step.Measure is { } measure ? part => StoreMeasure(part, measure) : null);
        to.Flag("photo", step.Photo);
        to.Part("wait", step.Wait is { } wait ? part => StoreWait(part, wait) : null);
        to.Parts("branches", step.Branches, StoreBranch);
        to.Texts("targets", step.Targets);
        to.Flag("powerWhileOpen", step.PowerWhileOpen);
        to.Flag("irreversible", step.Irreversible);
        to.Text("window", step.Window);
        to.Text("differs", step.Differs);
        to.Text("word", step.Word);
        // What most steps have not is not stored.
        if (step.Stays is { } stays)
            to.Part("stays", part => StoreStays(part, stays));
        if (step.Makes is { } makes)
            to.Part("makes", part => StoreMakes(part, makes));
        if (step.Does.Count > 0)
            to.Parts("does", step.Does, StoreDoes);
        if (step.Disposes)
            to.Flag("disposes", true);
        if (step.Drawing.Length > 0)
            to.Text("drawing", step.Drawing);
    }

    public static GuideStep ReadStep(FieldReader from) =>
        new(
            from.Text("id"),
            StoredWord.Read<StepKind>(from.Text("kind")),
            from.Text("title"),
            from.Text("text"),
            from.Text("view"),
            Minutes.Of(from.Number("minutes"))
        )
        {
            Cautions = from.Texts("cautions"),
            Sign = from.TextOrNull("sign") ?? "",
            Drawing = from.TextOrNull("drawing") ?? "",
            Disposes = from.Has("disposes") && from.Flag("disposes"),
            Puts = from.Parts("puts", ReadPut),
            Takes = from.Texts("takes"),
            Measure = from.Part("measure") is { } m
                ? new AskedMeasure(
                    m.Text("label"),
                    m.Text("unit"),
                    m.Number("min"),
                    m.Number("max"),
                    null,
                    m.Part("good") is { } good ? new GoodRange(good.NumberOrNull("min"), good.NumberOrNull("max"), good.Text("else")) : null
                )
                : null,
            Photo = from.Has("photo") && from.Flag("photo"),
            Wait = from.Part("wait") is { } w
                ? new StepWait(
                    w.Text("kind"),
                    w.Text("label"),
                    Minutes.Of(w.Number("minMinutes")),
                    w.NumberOrNull("maxMinutes") is { } most ? Minutes.Of(most) : null
                )
                : null,
            Branches = from.Parts(
                "branches",
                b => new StepBranch(b.Text("id"), b.Text("label"), b.Text("text"), b.Text("goTo"), b.Has("passes") && b.Flag("passes"))
            ),
            Targets = from.Texts("targets"),
            PowerWhileOpen = from.Has("powerWhileOpen") && from.Flag("powerWhileOpen"),
            Irreversible = from.Has("irreversible") && from.Flag("irreversible"),
            Window = from.TextOrNull("window") ?? "",
            Differs = from.TextOrNull("differs") ?? "",
            Word = from.TextOrNull("word") ?? "",
            Stays = from.Part("stays") is { } s ? new StepStays(s.Texts("targets"), s.Text("as")) : null,
            Makes = from.Part("makes") is { } c ? new StepMakes(c.Text("change"), c.Text("name"), c.Text("says"), c.Text("watch")) : null,
            Does = from.Parts("does", d => new StepDoes(d.Text("repair"), d.Text("label"))),
        };

    public static void Store(FieldWriter to, GuideWindow window)
    {
        to.Text("id", window.Id);
        to.Text("name", window.Name);
        to.Number("minutes", window.Lasts.Value);
        to.Text("opensAt", window.OpensAt);
        to.Texts("ready", window.Ready);
    }

    public static GuideWindow ReadWindow(FieldReader from) =>
        new(from.Text("id"), from.Text("name"), Minutes.Of(from.Number("minutes")), from.Text("opensAt"), from.Texts("ready"));

    private static void StorePut(FieldWriter to, TrayPut put)
    {
        to.Text("label", put.Label);
        to.Text("change", put.Change);
        to.Whole("count", put.Count);
        to.Text("undo", put.Undo);
        to.Texts("marks", put.Marks);
        to.Number("time", put.Time);
    }

    private static TrayPut ReadPut(FieldReader from) =>
        new(
            from.Text("label"),
            from.Text("change"),
            from.Count("count"),
            from.Text("undo"),
            from.Texts("marks"),
            from.NumberOrNull("time") ?? 0
        );

    private static void StoreMeasure(FieldWriter to, AskedMeasure measure)
    {
        to.Text("label", measure.Label);
        to.Text("unit", measure.Unit);
        to.Number("min", measure.Min);
        to.Number("max", measure.Max);
        if (measure.Good is { } good)
            to.Part("good", part => StoreGood(part, good));
    }

    private static void StoreWait(FieldWriter to, StepWait wait)
    {
        to.Text("kind", wait.Kind);
        to.Text("label", wait.Label);
        to.Number("minMinutes", wait.Least.Value);
        to.Number("maxMinutes", wait.Most?.Value);
    }

    private static void StoreGood(FieldWriter to, GoodRange good)
    {
        to.Number("min", good.Min);
        to.Number("max", good.Max);
        to.Text("else", good.Else);
    }

    private static void StoreStays(FieldWriter to, StepStays stays)
    {
        to.Texts("targets", stays.Targets);
        to.Text("as", stays.As);
    }

    private static void StoreMakes(FieldWriter to, StepMakes makes)
    {
        to.Text("change", makes.Change);
        to.Text("name", makes.Name);
        to.Text("says", makes.Says);
        to.Text("watch", makes.Watch);
    }

    private static void StoreDoes(FieldWriter to, StepDoes does)
    {
        to.Text("repair", does.Repair);
        to.Text("label", does.Label);
    }

    private static void StoreBranch(FieldWriter to, StepBranch branch)
    {
        to.Text("id", branch.Id);
        to.Text("label", branch.Label);
        to.Text("text", branch.Text);
        to.Text("goTo", branch.GoTo);
        if (branch.Passes)
            to.Flag("passes", true);
    }
}
