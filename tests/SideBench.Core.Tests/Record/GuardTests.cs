using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Core.Tests.Record;

public class GuardTests
{
    [Theory]
    [InlineData("", true, "missing")]
    [InlineData("  ", true, "missing")]
    [InlineData("", false, "")]
    [InlineData(null, false, "")]
    [InlineData("ten of ten", true, "")]
    [InlineData("eleven ch..", true, "too-long")]
    [InlineData("a\0b", true, "unkeepable-text")]
    public void Text_IsRefused_WhereItIsMissing_TooLong_OrCannotBeKept(string? text, bool needed, string code)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, text, "/a", 10, needed);
        Assert.Equal(code.Length == 0 ? [] : [code], problems.Select(p => p.Code.Id));
    }
}
