using System.Text.Json.Nodes;
using SideBench.Core.Own;

namespace SideBench.Packs;

/// <summary>Makes the files of a model of which only its kind is known, from those of the model that stands for its family.</summary>
public static class KindFile
{
    /// <summary>The model's file.</summary>
    /// <param name="answers">What was answered; checked.</param>
    /// <param name="like">The file of the model that stands for the family.</param>
    /// <param name="family">Its figures as the family has them.</param>
    /// <param name="inks">Colour by ink, <c>#rrggbb</c>, and the colour of an ink that is not among them.</param>
    public static JsonObject Model(
        KindAnswers answers,
        JsonObject like,
        IReadOnlyDictionary<string, FamilyFigure> family,
        Func<string, string> inks
    )
    {
        var file = like.DeepClone().AsObject();
        var template = (string)file["id"]!;
        (file["id"], file["maker"], file["name"], file["version"]) = (answers.Id, answers.Maker.Trim(), answers.Name.Trim(), 1);
        file["kind"] = Kind(answers);
        file["serialPrefix"] = answers.SerialPrefix.Trim();
        foreach (var (axis, said) in answers.Axes)
            file["axes"]![axis] = said;
        file["axes"]!["likeSlots"] = answers.Inks.Count > 1 && answers.Axes["headPlace"] != "cartridge" ? "yes" : "no";
        file.Remove("sheet");
        file.Remove("prompt");
        file.Remove("wasteAt");
        file["codes"] = new JsonArray();
        Slots(file, answers, inks);
        Cartridges(file, answers);
        if (file["waste"] is JsonObject waste)
        {
            waste.Remove("stack");
            waste.Remove("hole");
            waste.Remove("borderless");
            waste["bottle"] = answers.Axes["drainOut"] switch
            {
                "pulled" => "yes",
                "cut" => "cut",
                _ => "no",
            };
        }

        Figures(file, template, family);
        if (answers.Worth is { } worth)
        {
            file["worth"] = worth;
            file["taught"]!["figures"]!.AsObject().Remove("worth");
        }

        return file;
    }

    /// <summary>How it opens: as the model that stands for its family, until it is taught.</summary>
    public static JsonObject Access(string id, JsonObject like)
    {
        var file = like.DeepClone().AsObject();
        (file["model"], file["version"]) = (id, 1);
        return file;
    }

    /// <summary>Sets a figure in a model's file.</summary>
    /// <param name="file">The file.</param>
    /// <param name="pointer">Where it stands, as operations/clean-light/mlPerChannel.</param>
    /// <param name="value">What it becomes.</param>
    /// <returns>Whether the file has such a place.</returns>
    public static bool Set(JsonObject file, string pointer, double value)
    {
        var parts = pointer.Split('/');
        var at = parts.Length == 1 ? file : ModelParts.At(file, string.Join('/', parts[..^1])) as JsonObject;
        if (at is null)
            return false;
        at[parts[^1]] = Math.Round(value, 4);
        return true;
    }

    private static string Kind(KindAnswers answers)
    {
        var delivery = answers.Axes["delivery"] switch
        {
            "tank" => "tanks",
            "lines" => "cartridges on lines",
            "addon" => "added tanks",
            _ when answers.Axes["headPlace"] == "cartridge" => "heads in cartridges",
            _ => "cartridges on the carriage",
        };
        return $"{answers.Inks.Count} {delivery}, {answers.Axes["head"]}";
    }

    private static void Slots(JsonObject file, KindAnswers answers, Func<string, string> inks)
    {
        var old = file["slots"]!.AsArray().OfType<JsonObject>().ToList();
        var slots = new JsonArray();
        for (var i = 0; i < answers.Inks.Count; i++)
        {
            var ink = answers.Inks[i].Trim();
            var same =
                old.FirstOrDefault(o => ((string)o["ink"]!).Equals(ink, StringComparison.OrdinalIgnoreCase))
                ?? old[Math.Min(i, old.Count - 1)];
            slots.Add(
                (JsonNode)
                    new JsonObject
                    {
                        ["panel"] = i + 1,
                        ["ink"] = ink,
                        ["inkKind"] = (string)same["inkKind"]!,
                        ["colour"] = inks(ink),
                        ["bay"] = "",
                        ["fromFront"] = i + 1,
                        ["fromBack"] = answers.Inks.Count - i,
                        ["cartridge"] = "",
                        ["holdsMl"] = (double)same["holdsMl"]!,
                    }
            );
        }

        file["slots"] = slots;
        // What is cleaned together is not known: all of it, which is what most machines do.
        file["headCare"]!["groups"] = new JsonArray(new JsonArray([.. Enumerable.Range(1, answers.Inks.Count).Select(n => (JsonNode)n)]));
    }

    private static void Cartridges(JsonObject file, KindAnswers answers)
    {
        if (file["cartridges"] is not JsonArray { Count: > 0 } list)
            return;
        var kept = list[0]!.DeepClone().AsObject();
        var isTank = answers.Axes["delivery"] is "tank" or "addon";
        kept["id"] = isTank ? "tank" : "maker";
        kept["name"] = isTank ? "Tank" : "Maker’s own";
        kept["source"] = isTank ? "tank" : "maker";
        kept["inside"] =
            isTank ? "tank"
            : answers.Axes["headPlace"] == "cartridge" ? "head-cartridge"
            : answers.Axes["cartridge"];
        kept["chip"] = answers.Axes["chips"] == "resettable" ? "hand-tool" : answers.Axes["chips"];
        if (answers.Axes["chips"] == "none")
            kept["chipMl"] = 0.0;
        else if ((double?)kept["chipMl"] is null or 0)
            kept["chipMl"] = (double)kept["fillMl"]!;
        foreach (var own in new[] { "slots", "key", "align", "numbers" })
            kept.Remove(own);
        file["cartridges"] = new JsonArray(kept);
    }

    private static void Figures(JsonObject file, string like, IReadOnlyDictionary<string, FamilyFigure> family)
    {
        var figures = new JsonObject();
        foreach (var (pointer, figure) in family)
        {
            var (own, place) = (pointer.Split('/'), pointer);
            // The cartridge that is kept may be called otherwise than in the family.
            if (own[0] == "cartridges")
                place = $"cartridges/{(string)file["cartridges"]![0]!["id"]!}/{own[2]}";
            if (
                figures.ContainsKey(place)
                || (place.EndsWith("/chipMl", StringComparison.Ordinal) && (double)file["cartridges"]![0]!["chipMl"]! == 0)
            )
                continue;
            if (Set(file, place, figure.Value))
                figures[place] = new JsonObject { ["factor"] = Math.Round(figure.Factor, 4), ["seen"] = 0 };
        }

        file["taught"] = new JsonObject { ["like"] = like, ["figures"] = figures };
    }
}
