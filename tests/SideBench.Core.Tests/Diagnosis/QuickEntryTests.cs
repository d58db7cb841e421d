using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class QuickEntryTests
{
    [Theory]
    [InlineData("marram-quartet-a4", "fades-under-load", "yellow pulls hard 4 ml", "draw-test=hard", 4.0, 4)]
    [InlineData("marram-quartet-a4", "fades-under-load", "draw test free", "draw-test=free", null, 0)]
    [InlineData("marram-quartet-a4", "fades-under-load", "sheet complete", "nozzle-sheet=complete", null, 0)]
    [InlineData("marram-quartet-a4", "fades-under-load", "pages fade 3 pages", "full-pages=fades", 3.0, 0)]
    [InlineData("pellow-six-tank", "fades-under-load", "lever shut", "valve-look=shut", null, 0)]
    [InlineData("marram-quartet-a4", "waste-full", "counter 70 %", "counter-reading=below", 70.0, 0)]
    [InlineData("marram-quartet-a4", "waste-full", "counter 104 %", "counter-reading=limit", 104.0, 0)]
    [InlineData("pellow-six-tank", "waste-full", "box weighed 72 g", "pads-weighed=room", 72.0, 0)]
    [InlineData("pellow-six-tank", "waste-full", "box weighed 240 g", "pads-weighed=full", 240.0, 0)]
    [InlineData("tolling-folio-3", "not-recognised", "tab left on", "film-and-tabs=found", null, 0)]
    [InlineData("tolling-folio-3", "not-recognised", "nothing left on", "film-and-tabs=none", null, 0)]
    [InlineData("pellow-six-tank", "waste-full", "panel says waste store not found", "panel-code=waste-lost", null, 0)]
    [InlineData("tolling-folio-3", "fades-under-load", "contacts clean", "contacts-look=clean", null, 0)]
    [InlineData("tolling-folio-3", "not-recognised", "ink on the contacts", "contacts-look=inky", null, 0)]
    [InlineData("tolling-folio-3", "not-recognised", "F-12", "panel-code=wrong", null, 0)]
    [InlineData("tolling-folio-3", "not-recognised", "f17", "panel-code=prompt", null, 0)]
    [InlineData("tolling-folio-3", "waste-full", "counter 100 % limit", "counter-reading=limit", 100.0, 0)]
    [InlineData("pellow-six-tank", "missing-after-idle", "light cyan run of neighbouring missing", "nozzle-sheet=run", null, 3)]
    public void Of_WordsOfTheBench_ReadsTheFindingFirst(
        string model,
        string complaint,
        string typed,
        string means,
        double? number,
        int slot
    )
    {
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake(model, complaint)));
        var readings = QuickEntry.Of(job.Book, job.Facts, typed);
        Assert.NotEmpty(readings);
        Assert.Equal((means, number, slot), ($"{readings[0].Finding.Id}={readings[0].Outcome.Id}", readings[0].Quantity, readings[0].Slot));
    }

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    [InlineData("zebra crossing")]
    [InlineData("the of and")]
    [InlineData("400 ml")]
    public void Of_WordsThatFitNothing_IsEmpty(string typed)
    {
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load")));
        Assert.Empty(QuickEntry.Of(job.Book, job.Facts, typed));
    }
}
