using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Bench;
using SideBench.Packs;
using SideBench.Web.Features.Estimates;
using SideBench.Web.Features.Sums;
using SideBench.Web.Hosting;

namespace SideBench.Cli;

/// <summary>Estimates and sums from standard input: one object, or one a line; answers one a line, in the same order.</summary>
internal static class AskCommand
{
    private const int Good = 0;
    private const int BadInput = 2;
    private const int Refused = 3;
    private static readonly JsonSerializerOptions Written = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Answers estimates.</summary>
    /// <returns>0 when every one was answered, 3 when any was refused, 2 when the input is not JSON.</returns>
    public static int Estimate()
    {
        var numbers = PackReader
            .Numbers(PackFolder.Read(Settings.Needed(Settings.Packs).Split(':', StringSplitOptions.RemoveEmptyEntries)).Value)
            .Value;
        return Answer(request => EstimateAnswers.Answer(request, numbers));
    }

    /// <summary>Answers sums.</summary>
    /// <returns>As estimates.</returns>
    public static int Sum() => Answer(request => SumAnswers.Answer(request, HouseCrafts.Sums));

    private static int Answer(Func<JsonNode?, JsonObject> of)
    {
        var refused = false;
        try
        {
            foreach (var request in Requests(Console.In.ReadToEnd()))
            {
                var answer = of(request);
                refused |= (string?)answer["status"] != "ok";
                Console.WriteLine(answer.ToJsonString(Written));
            }
        }
        catch (JsonException e)
        {
            Console.Error.WriteLine($"The input is not JSON: {e.Message}");
            return BadInput;
        }

        return refused ? Refused : Good;
    }

    // One object over several lines, or one a line.
    private static List<JsonNode?> Requests(string text)
    {
        if (string.IsNullOrWhiteSpace(text))
            throw new JsonException("there is nothing on standard input");
        try
        {
            return [JsonNode.Parse(text)];
        }
        catch (JsonException)
        {
            return
            [
                .. text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(l => JsonNode.Parse(l)),
            ];
        }
    }
}
