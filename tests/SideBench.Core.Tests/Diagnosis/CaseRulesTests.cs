using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Rules of a case that would be easy to turn round.</summary>
public class CaseRulesTests
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(TestShop.Now.UtcDateTime);

    [Fact]
    public void AfterHandOver_NothingIsTakenBack_NotEvenTheClosing()
    {
        var entries = Proved();
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "verified", ""));
        var closing = entries[^1].Id.Value;
        Assert.True(BenchWork.Correct(HouseCrafts.Fold(entries), entries, closing, "").IsGood);
        // What was judged is taken back with its closing, never by itself.
        var judged = entries.Single(e => e.Body is Judged);
        List<Entry> open = [.. entries.SkipLast(1)];
        Assert.Equal(ProblemCode.NotCorrectable, Code(BenchWork.Correct(HouseCrafts.Fold(open), open, judged.Id.Value, "")));
        TestShop.Add(entries, BenchKeeping.HandOver(HouseCrafts.Fold(entries), "Orla Quill", 20, "EUR"));
        Assert.Equal(ProblemCode.JobClosed, Code(BenchWork.Correct(HouseCrafts.Fold(entries), entries, closing, "")));
    }

    [Theory]
    [InlineData("unproved", "verified", "unproved")]
    [InlineData("unproved", "handed-back", "handed-back")]
    [InlineData("handed-back", "unproved", "handed-back")]
    public void Job_EndsAsItsWorstThreadDid(string second, string first, string whole)
    {
        var entries = Proved(beside: "not-recognised");
        TestShop.Add(entries, Endings.Close(Thread(entries, 1), second, "said so"));
        TestShop.Add(entries, Endings.Close(Thread(entries, 0), first, "said so"));
        Assert.Equal(whole, HouseCrafts.Fold(entries).Closing!.How);
    }

    [Fact]
    public void Closing_EndsEveryWait_AndLeavesReminders()
    {
        var entries = Fading();
        TestShop.Add(entries, BenchKeeping.StartClock(HouseCrafts.Fold(entries), "dry", "", 60, null, "dry"));
        entries.Add(TestShop.Line(entries.Count + 1, new ClockStarted("back", "return", "old cap back", 9000, null)));
        TestShop.Add(entries, BenchKeeping.Wait(HouseCrafts.Fold(entries), "parts", "cap", null, TestShop.Now));
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "handed-back", "no parts to be had"));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal(["back"], state.Clocks.Select(c => c.Id));
        Assert.Equal("", state.WaitsFor);
    }

    [Fact]
    public void EvidenceWithoutASlot_IsNotSharedByThreadsWithoutOne()
    {
        var entries = Fading();
        TestShop.Add(entries, Endings.Open(TestShop.Case(entries), "blank-channel", 0, ""));
        TestShop.Answer(entries, "draw-test", "hard", 3);
        Assert.DoesNotContain("draw-test", Thread(entries, 1, "blank-channel").Facts.Answers.Keys);
    }

    [Fact]
    public void Station_IsConfirmedOnlyFromTheHousesShareOn()
    {
        // One repair ends either cause: 8 to 2. Proved, eight tenths of the fix is c0's and two tenths c1's.
        var both = TinyBook.Mend("m", 5, 0, 0.9) with
        {
            Fixes = [new Fix("c0", 0.9), new Fix("c1", 0.9)],
        };
        JobCase At(double from)
        {
            var book = TinyBook.Of([8, 2], [TinyBook.SureProof(2)], [both], TinyBook.House with { ConfirmedFrom = from });
            List<Entry> entries = [TestShop.Line(1, TestShop.Intake("tiny", "c"))];
            TestShop.Add(entries, BenchWork.Mend(CaseOf(book, entries), "m", null, "", () => "x"));
            TestShop.Add(entries, BenchWork.Answer(CaseOf(book, entries), "proof", "o0", null, () => "x"));
            return CaseOf(book, entries);
        }

        Assert.Equal([true, false], new[] { "s0", "s1" }.Select(At(0.5).IsConfirmed));
        Assert.Equal([true, true], new[] { "s0", "s1" }.Select(At(0.19).IsConfirmed));
        Assert.False(At(0.81).IsConfirmed("s0"));
    }

    [Fact]
    public void Culprit_IsNotListedAsNotTheFault()
    {
        var entries = Proved();
        var job = TestShop.Case(entries);
        var cleared = job.Book.Model.Stations.Where(s => job.IsCleared(s.Id)).ToList();
        var culprit = job.Book.Causes.First(c => cleared.Any(s => s.Id == c.Station));
        Assert.Equal(cleared.Select(s => s.Name), HandOverSheet.Of(job).NotTheFault);
        TestShop.Add(entries, Endings.Close(job, "verified", "", culprit.Id));
        Assert.DoesNotContain(cleared.Single(s => s.Id == culprit.Station).Name, HandOverSheet.Of(TestShop.Case(entries)).NotTheFault);
    }

    [Fact]
    public void RepairMadeInVain_IsMadeAgain_AndNotForEver()
    {
        var book = TinyBook.Of([1], [TinyBook.SureProof(1)], [TinyBook.Mend("m0", 5, 0, 0.4)]);
        AdviceKind After(int times)
        {
            CaseEvent[] vain =
            [
                .. Enumerable
                    .Range(0, times)
                    .SelectMany(i => new CaseEvent[] { new CaseEvent.Worked("m0", 2 * i), new CaseEvent.Told("proof", "o1", (2 * i) + 1) }),
            ];
            var facts = TinyBook.Facts(book);
            return NextStep.Of(Posterior.Of(book, facts, vain), facts, vain, []).Kind;
        }

        var times = TestShop.Shop.Book.House.RepairTimes;
        Assert.All(Enumerable.Range(0, times), n => Assert.Equal(AdviceKind.Mend, After(n)));
        Assert.Equal(AdviceKind.HandBack, After(times));
    }

    [Fact]
    public void AnsweredFinding_IsNotAskedAgain_UnlessARepairMayHaveChangedIt()
    {
        bool AskedAfter(bool again, params CaseEvent[] happened)
        {
            var look = TinyBook.Look(
                "look",
                1,
                [
                    [0.9, 0.1],
                    [0.1, 0.9],
                ]
            ) with
            {
                Tags = again ? ["again"] : [],
            };
            var book = TinyBook.Of([1, 1], [look, TinyBook.Proof(2)], [TinyBook.Mend("m0", 40, 0, 0.9), TinyBook.Mend("m1", 40, 1, 0.9)]);
            var answers = happened.OfType<CaseEvent.Told>().GroupBy(t => t.Finding).ToDictionary(g => g.Key, g => g.Last().Outcome);
            var facts = TinyBook.Facts(book) with { Answers = answers };
            var advice = NextStep.Of(Posterior.Of(book, facts, happened), facts, happened, []);
            return advice.Chosen?.Step.Id == "look" || advice.Others.Any(o => o.Step.Id == "look");
        }

        var told = new CaseEvent.Told("look", "o0", 1);
        CaseEvent[] worked = [told, new CaseEvent.Worked("m0", 2), new CaseEvent.Told("proof", "o1", 3)];
        Assert.Equal((true, false), (AskedAfter(true), AskedAfter(true, told)));
        Assert.Equal((true, false), (AskedAfter(true, worked), AskedAfter(false, worked)));
    }

    [Fact]
    public void ProofOfAnotherThread_ProvesNothingHere()
    {
        var book = TestShop.Book("marram-quartet-a4", "fades-under-load");
        CaseEvent[] line = [new CaseEvent.Worked("clear-vent", 1, 1), new CaseEvent.Told("full-pages", "even", 2, null, 1)];
        Assert.Equal((false, null), (Proof.Of(book, line).Proved, Proof.Of(book, line).Pending));
        Assert.True(Proof.Of(book, line, 1).Proved);
        Assert.NotNull(Proof.Of(book, line[..1], 1).Pending);
    }

    [Fact]
    public void SharesOfAnAnswer_CountByTheirProportion()
    {
        var book = TinyBook.Of(
            [1, 1],
            [
                TinyBook.Look(
                    "look",
                    1,
                    [
                        [0.2, 0.8],
                        [0.6, 0.4],
                    ]
                ),
            ],
            [],
            TinyBook.House with
            {
                NotInBook = 1e-12,
            }
        );
        double Of(double o0, double o1) =>
            Posterior
                .Of(
                    book,
                    TinyBook.Facts(book),
                    [new CaseEvent.Told("look", "o0", 1, null, 0, new Dictionary<string, double> { ["o0"] = o0, ["o1"] = o1 })]
                )
                .Still[0];
        // Three to one: 0.75·0.2 + 0.25·0.8 = 0.35 against 0.75·0.6 + 0.25·0.4 = 0.55.
        Assert.Equal(0.35 / 0.9, Of(0.75, 0.25), 9);
        Assert.Equal(Of(0.75, 0.25), Of(0.3, 0.1), 12);
    }

    [Fact]
    public void SecondFault_ShowsTroubleWhenEitherDoes_ByHand()
    {
        // Trouble is seen under c0 at 0.9, under c1 at 0.3. Told before the repair, which ends c0 at 0.8. Then, each from a half:
        // c0 still 0.9·0.2, c1 alone 0.3, and the pair: 0.8·0.2·0.5 times (0.9·(1 + 0.7) + 0.3·(1 + 0.1))/2 = 0.93.
        var look = TinyBook.Look(
            "look",
            1,
            [
                [0.1, 0.9],
                [0.7, 0.3],
            ],
            [1 - 1e-12, 1e-12]
        );
        var book = TinyBook.Of(
            [1, 1],
            [look, TinyBook.SureProof(2)],
            [TinyBook.Mend("m0", 5, 0, 0.8)],
            TinyBook.House with
            {
                SecondFault = 0.2,
                NotInBook = 1e-12,
            }
        );
        CaseEvent[] told = [new CaseEvent.Told("look", "o1", 1), new CaseEvent.Worked("m0", 2), new CaseEvent.Told("proof", "o1", 3)];
        var odds = Posterior.Of(book, TinyBook.Facts(book), told);
        var (first, second) = (0.5 * 0.9 * 0.2, (0.5 * 0.3) + (0.5 * 0.8 * 0.2 * 0.5 * 0.93));
        Assert.Equal(first / (first + second), odds.Still[0], 6);
    }

    [Fact]
    public void TestIsWorthWhatItTellsOfTheUnknownToo_ByHand()
    {
        // One cause that always says o0; what the book does not know says either, and is a half of it.
        var look = TinyBook.Look(
            "look",
            1,
            [
                [1 - 1e-12, 1e-12],
            ],
            [0.5, 0.5]
        );
        var book = TinyBook.Of([1], [look], [], TinyBook.House with { NotInBook = 0.5 });
        var odds = Posterior.Of(book, TinyBook.Facts(book), []);
        double[] row = [.. book.Unknown[0]];
        var (known, unknown) = (odds.Still[0], odds.Unknown);
        double[] chance = [known + (unknown * row[0]), unknown * row[1]];
        var byHand =
            (known * Math.Log2(1 / chance[0]))
            + (unknown * row[0] * Math.Log2(row[0] / chance[0]))
            + (unknown * row[1] * Math.Log2(row[1] / chance[1]));
        Assert.Equal(byHand, Information.Bits(0, odds), 6);
        Assert.True(byHand > 0.1);
    }

    [Fact]
    public void Code_MayBeWhatIsLikelyToShowIt_ByRate_ByHand()
    {
        // Rates 3 and 1, shown at 0.2 and 0.8: 0.6 against 0.8. The third cause has no station on the model.
        var told = TinyBook.Look(
            CodeOdds.Finding,
            1,
            [
                [0.2, 0.8],
                [0.8, 0.2],
                [0.9, 0.1],
            ]
        );
        var tiny = TinyBook.Of([3, 1, 5], [told], []);
        var two = tiny.Model with { Stations = [.. tiny.Model.Stations.Take(2)] };
        IReadOnlyList<(Cause Cause, double Share)> Of(string reads) =>
            CodeOdds.Of(tiny.Book, two, TestShop.Shop.Models["marram-duo"].Codes[0] with { Reads = reads });
        Assert.Equal(["c1", "c0"], Of("o0").Select(p => p.Cause.Id));
        Assert.Equal([Math.Round(0.8 / 1.4, 9), Math.Round(0.6 / 1.4, 9)], Of("o0").Select(p => Math.Round(p.Share, 9)));
        Assert.Empty(Of("never-told"));
    }

    [Fact]
    public void CaseThatHoldsMoreThanCanBeToldApart_IsTooLarge()
    {
        CaseBook Of(int findings) =>
            TinyBook.Of(
                [1],
                Enumerable
                    .Range(0, findings)
                    .Select(i =>
                        TinyBook.Look(
                            $"f{i}",
                            1,
                            [
                                [0.9, 0.1],
                            ],
                            [0.1, 0.9]
                        )
                    ),
                []
            );
        Assert.False(Of(CaseBook.MostFindings).IsTooLarge);
        Assert.True(Of(CaseBook.MostFindings + 1).IsTooLarge);
        CaseBook Opening(int openings) =>
            TinyBook.Of(
                [1],
                [],
                Enumerable
                    .Range(0, openings)
                    .Select(i => TinyBook.Mend($"m{i}", 1, 0, 0.5) with { Puts = [new TrayPut($"lid {i}", "open", 1, "", [], 2)] })
            );
        Assert.False(Opening(CaseBook.MostOpenings).IsTooLarge);
        Assert.True(Opening(CaseBook.MostOpenings + 1).IsTooLarge);
    }

    private static JobCase CaseOf(CaseBook book, List<Entry> entries) => new(book, HouseCrafts.Fold(entries), Today);

    private static JobCase Thread(IReadOnlyList<Entry> entries, int thread, string complaint = "not-recognised")
    {
        var state = HouseCrafts.Fold(entries);
        return new JobCase(TestShop.Book("marram-quartet-a4", thread == 0 ? state.Intake.Complaint : complaint), state, Today, thread);
    }

    private static List<Entry> Fading() => TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));

    private static List<Entry> Proved(string beside = "")
    {
        var entries = Fading();
        if (beside.Length > 0)
            TestShop.Add(entries, Endings.Open(TestShop.Case(entries), beside, 0, ""));
        TestShop.Answer(entries, "ink-seen", "enough");
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        return entries;
    }

    private static ProblemCode Code(Outcome<IReadOnlyList<EntryBody>> outcome) => Assert.Single(outcome.Problems).Code;
}
