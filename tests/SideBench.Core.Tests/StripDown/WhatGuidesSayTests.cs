using System.Text.Json;
using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

/// <summary>What a hand needs to be told (tests/cases/guides): every line is a step, a caution or a check of its guide on each model it
/// fits.</summary>
public class WhatGuidesSayTests
{
    [Fact]
    public void EveryLine_IsSaidByItsGuide_OnEachModelItFits()
    {
        var lines = JsonSerializer.Deserialize<List<Line>>(
            File.ReadAllText(Path.Combine(TestShop.Root(), "tests/cases/guides/what-guides-say.json")),
            JsonSerializerOptions.Web
        )!;
        var machines = TestShop.Shop.Models.Values.SelectMany(m => AsItStands.Each(m, TestShop.Shop.Changes)).ToList();
        var missing = new List<string>();
        foreach (var line in lines)
        {
            var on = machines
                .Where(m => TestShop.Shop.GuidesFor(m).Any(g => g.Id == line.Guide) && line.On?.Contains(m.Id) != false)
                .DistinctBy(m => m.Id)
                .ToList();
            if (on.Count == 0)
                missing.Add($"{line.Guide} fits no model that should hear “{line.Says}”");
            foreach (var machine in on)
            {
                var said = Said(TestShop.Shop.GuidesFor(machine).Single(g => g.Id == line.Guide), machine);
                missing.AddRange(
                    line.Words.Where(w => !said.Contains(w, StringComparison.OrdinalIgnoreCase))
                        .Select(w => $"{line.Guide} on {machine.FullName}, {line.Says}: “{w}”")
                );
            }
        }

        Assert.True(missing.Count == 0, string.Join('\n', missing));
    }

    // All words of a guide as a technician meets them on one machine.
    private static string Said(Guide guide, MachineModel machine)
    {
        var steps = guide.StepsFor(Bare(machine));
        return string.Join(
            '\n',
            steps.SelectMany(s =>
                s.Cautions.Concat([s.Title, s.Text, s.Sign]).Concat(s.Branches.SelectMany(b => new[] { b.Label, b.Text }))
            )
        );
    }

    private static Facts Bare(MachineModel machine) => new() { Model = machine, Context = new Dictionary<string, string>() };

    private sealed record Line(string Guide, string Says, IReadOnlyList<string> Words, IReadOnlyList<string>? On);
}
