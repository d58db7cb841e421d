using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>
/// The numbers of the trade that a shop may set otherwise, by craft. All of them are required and none has a default in code: ours stand in
/// the house's pack, and a shop's pack changes those it names.
/// </summary>
public sealed class HouseNumbers
{
    private static readonly JsonSerializerOptions Strict = new(JsonSerializerDefaults.Web)
    {
        RespectRequiredConstructorParameters = true,
        RespectNullableAnnotations = true,
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    };

    private readonly Dictionary<Type, object> numbers = [];

    /// <summary>The numbers of one craft, by the record that holds them.</summary>
    public T Of<T>()
        where T : class => (T)numbers[typeof(T)];

    /// <summary>The same, by the type of the record.</summary>
    public object Of(Type record) => numbers[record];

    /// <summary>Puts the numbers of all packs together.</summary>
    /// <param name="files">Files whose shape was checked, ours first.</param>
    /// <param name="crafts">The crafts, each with the record that holds its numbers.</param>
    /// <param name="problems">Told what is missing or unknown.</param>
    internal static HouseNumbers Read(IReadOnlyList<(string Path, JsonNode File)> files, Crafts crafts, List<Problem> problems)
    {
        var read = new HouseNumbers();
        var known = crafts.All.Where(c => c.Numbers is not null).ToDictionary(c => c.Name);
        foreach (var (path, file) in files.Where(f => !known.ContainsKey(Craft(f.File))))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/craft", "craft with house numbers", Craft(file)));
        foreach (var craft in known.Values)
        {
            var merged = new JsonObject();
            var own = files.Where(f => Craft(f.File) == craft.Name).ToList();
            foreach (var (name, value) in own.SelectMany(f => f.File["numbers"]!.AsObject()))
                merged[name] = value?.DeepClone();
            try
            {
                read.numbers[craft.Numbers!] = merged.Deserialize(craft.Numbers!, Strict)!;
            }
            catch (JsonException e)
            {
                var place = own.Count > 0 ? $"{own[^1].Path}#/numbers" : "numbers";
                problems.Add(new Problem(ProblemCode.PackNumbersIncomplete, place, craft.Name, e.Message));
            }
        }

        return read;
    }

    private static string Craft(JsonNode file) => file["craft"]!.GetValue<string>();
}
