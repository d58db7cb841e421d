using System.Text.Json.Nodes;
using SideBench.Data.Record;
using Xunit;

namespace SideBench.Data.Tests;

/// <summary>Real lines of every kind and age there is: they must read the same for ever, whatever becomes of the code.</summary>
public class GoldenLinesTests
{
    /// <summary>kind, age, what it says, as stored then, and what it means written as it is stored now.</summary>
    public static TheoryData<string, string, string, string, string> Lines() =>
        [
            .. File.ReadLines(Path.Combine(ScratchDatabase.Root(), "tests", "cases", "record", "lines.jsonl"))
                .Select(l => JsonNode.Parse(l)!)
                .Select(l => new TheoryDataRow<string, string, string, string, string>(
                    l["kind"]!.GetValue<string>(),
                    l["age"]!.GetValue<string>(),
                    l["says"]!.GetValue<string>(),
                    l["body"]!.ToJsonString(),
                    l["means"]!.ToJsonString()
                )),
        ];

    [Theory]
    [MemberData(nameof(Lines))]
    public void OldLine_ReadsTheSameForEver(string kind, string age, string says, string body, string means)
    {
        var line = ScratchDatabase.Codec.Read(kind, body);
        Assert.Equal(says, line.Says);
        Assert.True(
            JsonNode.DeepEquals(JsonNode.Parse(means), JsonNode.Parse(EntryCodec.Write(line))),
            $"{kind}, {age}: {EntryCodec.Write(line)}"
        );
    }

    [Fact]
    public void EveryKind_HasAnOldLine() =>
        Assert.Empty(ScratchDatabase.Codec.Kinds.Except(Lines().Select(l => ((ITheoryDataRow)l).GetData()[0]).OfType<string>()));
}
