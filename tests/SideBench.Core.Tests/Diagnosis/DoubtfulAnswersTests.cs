using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class DoubtfulAnswersTests
{
    private static readonly DateTimeOffset Then = DoubtfulAnswers.Since.AddDays(1);

    [Fact]
    public void AnswersAfterTheFirstOfAPerson_AreLikelyConcerned_TheFirstOnlyIfAnotherStepWasChosen()
    {
        var found = DoubtfulAnswers.Of([Line(1, 1), Line(2, 1), Line(3, 2), Line(4, 1)]);
        Assert.Equal([(1L, false), (2, true), (3, false), (4, true)], found.Select(d => (d.Line.Id.Value, d.IsLikely)));
    }

    [Fact]
    public void WhatTellsHowItWasTold_CameFromASheetOrACode_WasBeforeThatTime_OrIsTakenBack_IsNotListed()
    {
        Entry[] lines =
        [
            Line(1, 1),
            Line(2, 1) with
            {
                How = HowTold.Key,
            },
            Line(3, 1, sheet: "s1"),
            Line(4, 1, code: "E-12"),
            Line(5, 1) with
            {
                At = DoubtfulAnswers.Since.AddTicks(-1),
            },
            Line(6, 1),
            Line(7, 1) with
            {
                Body = new Corrected(6, "pressed wrong"),
            },
        ];
        Assert.Equal([1L], DoubtfulAnswers.Of(lines).Select(d => d.Line.Id.Value));
    }

    private static Entry Line(long id, long person, string? sheet = null, string code = "") =>
        new(
            new EntryId(id),
            new JobId(1),
            (int)id,
            new PersonId(person),
            "Ines Varga",
            Then,
            new Answered("f", "o", "Look", "It prints", "it prints", null, "", 1, [], Sheet: sheet) { Code = code }
        );
}
