using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

public class KindPolicyTests
{
    [Fact]
    public void WhoKnowsTheWholeModel_WorksJustAsTheAdviceDoes()
    {
        var shop = TestShop.Shop;
        var draw = new TrialJobs(shop.Book, shop.Book, shop.Models.Values, shop.Printers, 0);
        var whole = new KindPolicy("whole", shop.Models);
        for (var seed = 0; seed < 18; seed++)
        {
            var (threads, machine) = draw.Draw(seed);
            var advised = Trial.Run(threads, machine, new AdvisedPolicy());
            (threads, machine) = draw.Draw(seed);
            Assert.Equal(advised, Trial.Run(threads, machine, whole));
        }
    }

    [Fact]
    public void WhoTakesAMachineForAnother_DoesOnlyWhatItHas()
    {
        var shop = TestShop.Shop;
        var draw = new TrialJobs(shop.Book, shop.Book, [shop.Models["marram-duo"]], shop.Printers, 0);
        var wrong = new KindPolicy(
            "wrong",
            new Dictionary<string, Core.Machines.MachineModel> { ["marram-duo"] = shop.Models["tolling-folio-3"] }
        );
        for (var seed = 0; seed < 12; seed++)
        {
            var (threads, machine) = draw.Draw(seed);
            var result = Trial.Run(threads, machine, wrong);
            Assert.True(result.Cost > 0);
            Assert.All(
                threads.SelectMany(t =>
                    t.Timeline.OfType<Core.Diagnosis.CaseEvent.Worked>().Where(w => w.Thread == t.Index).Select(w => (t.Book, w.Repair))
                ),
                w => Assert.True(w.Book.StepCost.ContainsKey(w.Repair))
            );
        }
    }
}
