using System.Globalization;
using SideBench.Core.Outcomes;

namespace SideBench.Web.Problems;

/// <summary>Problems in words: the rows of their codes, with the facts filled in.</summary>
public static class ProblemText
{
    /// <summary>The problem in one line, for a console.</summary>
    public static string Line(Problem problem) =>
        $"{problem.Path}: {Fill(problem.Code.Title, problem)}. {Fill(problem.Code.Detail, problem)} {Fill(problem.Code.Hint, problem)}";

    /// <summary>A sentence with the problem's facts in it.</summary>
    public static string Fill(string sentence, Problem problem)
    {
        for (var i = 0; i < problem.Args.Length; i++)
            sentence = sentence.Replace($"{{{i}}}", Convert.ToString(problem.Args[i], CultureInfo.InvariantCulture));
        return sentence;
    }
}
