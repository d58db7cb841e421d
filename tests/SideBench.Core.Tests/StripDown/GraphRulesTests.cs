using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class GraphRulesTests
{
    private static readonly FastenerGroup Two = new("f", "two", 2, "screw", "driver", 8, false, false, 0, "front", [default, default], "");

    [Fact]
    public void Circle_IsNamedPartByPart_AlternativesIncluded()
    {
        var graph = MadeGraphs.Of(
            MadeGraphs.Part("a", 1, ["c"]),
            MadeGraphs.Part("b", 1, ["a"]),
            MadeGraphs.Part("c", 1, ["d", "b"]),
            MadeGraphs.Part("d", 1)
        );
        Assert.Equal((StripDownProblem.GraphCircle, "a → c → b → a"), One(graph));
    }

    [Fact]
    public void WhatCannotBe_IsRefusedWithItsPlace()
    {
        Assert.Equal(StripDownProblem.PartFreedByNothing, One(MadeGraphs.Of(MadeGraphs.Part("a", 1) with { Out = "" })).Code);
        Assert.Equal(
            StripDownProblem.FastenerCount,
            One(MadeGraphs.Of(MadeGraphs.Part("a", 1) with { Fasteners = [Two with { Count = 3 }] })).Code
        );
        Assert.Equal(ProblemCode.PackUnknownName, One(MadeGraphs.Of(MadeGraphs.Part("a", 1, ["nowhere"]))).Code);
        Assert.Equal(ProblemCode.PackDefinedTwice, One(MadeGraphs.Of(MadeGraphs.Part("a", 1), MadeGraphs.Part("a", 1))).Code);
        Assert.Equal(ProblemCode.UnknownWord, One(MadeGraphs.Of(MadeGraphs.Part("a", 1) with { View = "inside" })).Code);
        Assert.Equal(ProblemCode.OutOfRange, One(MadeGraphs.Of(MadeGraphs.Part("a", 0))).Code);
        // A collared screw is never missing.
        Assert.Equal(
            ProblemCode.OutOfRange,
            One(MadeGraphs.Of(MadeGraphs.Part("a", 1) with { Fasteners = [Two with { Collared = true, MayStayEmpty = 1 }] })).Code
        );
        Assert.Equal(
            "g/parts/a/fasteners/f",
            GraphRules.Check(MadeGraphs.Of(MadeGraphs.Part("a", 1) with { Fasteners = [Two with { Count = 3 }] }), "g")[0].Path
        );
    }

    private static (ProblemCode Code, string Said) One(AccessGraph graph)
    {
        var problem = Assert.Single(GraphRules.Check(graph, ""));
        return (problem.Code, (problem.Args.LastOrDefault() ?? "").ToString()!);
    }
}
