using CsCheck;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Packs.Tests;

public class OddsReaderTests
{
    private static readonly Dictionary<string, double> Scale = new()
    {
        ["mostly"] = 0.85,
        ["even"] = 0.5,
        ["seldom"] = 0.15,
        ["rarely"] = 0.05,
    };
    private static readonly string[] Three = ["a", "b", "c"];

    [Fact]
    public void Of_OneAnswerLeftOut_GetsTheRest() =>
        Assert.Equal([0.5, 0.15, 0.35], Of(("a", "even"), ("b", "seldom")).Value.Select(p => Math.Round(p, 9)));

    [Fact]
    public void Of_TwoAnswersLeftOut_ShareTheRest() => Assert.Equal([0.5, 0.25, 0.25], Of(("a", "even")).Value);

    [Fact]
    public void Of_EveryAnswerWithAWord_IsScaledToOne()
    {
        // 0.5 + 0.5 + 0.15 = 1.15.
        var row = Of(("a", "even"), ("b", "even"), ("c", "seldom")).Value;
        Assert.Equal(0.5 / 1.15, row[0], 9);
        Assert.Equal(1, row.Sum(), 9);
    }

    [Theory]
    [InlineData("mostly", "mostly", null)]
    [InlineData("mostly", "mostly", "even")]
    [InlineData("rarely", "rarely", "seldom")]
    public void Of_WordsThatAddUpToFarFromOne_CannotBe(string a, string b, string? c)
    {
        var words = new List<(string, string)> { ("a", a), ("b", b) };
        if (c is not null)
            words.Add(("c", c));
        Assert.Equal(ProblemCode.PackImpossibleOdds, Assert.Single(Of([.. words]).Problems).Code);
    }

    [Fact]
    public void Of_UnknownAnswersAndWords_AreAllNamed() =>
        Assert.Equal(["/odds/x", "/odds/b"], Of(("x", "even"), ("b", "perhaps")).Problems.Select(p => p.Path));

    [Fact]
    public void Of_AnyWordsThatCanBe_GivesProbabilities() =>
        Gen.Int[0, 3]
            .Select(i => Scale.Keys.ElementAt(i))
            .Array[1, 3]
            .Sample(words =>
            {
                var row = Of([.. words.Select((w, i) => (Three[i], w))]);
                return !row.IsGood || (Math.Abs(row.Value.Sum() - 1) < 1e-9 && row.Value.All(p => p is > 0 and < 1));
            });

    private static Outcome<double[]> Of(params (string Answer, string Word)[] words) =>
        OddsReader.Of(Three, words.ToDictionary(w => w.Answer, w => w.Word), Scale, "/odds");
}
