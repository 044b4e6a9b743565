using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Apple;

/// <summary>What every folder of an asset catalog says of itself (Asset Catalog Format Reference).</summary>
internal static class CatalogContents
{
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, NewLine = "\n" };

    /// <summary>The images of a set.</summary>
    public static JsonArray Images(IEnumerable<PlannedFile> set) => new([.. set.OrderBy(f => f.Scale).Select(f =>
    {
        var image = new JsonObject { ["filename"] = f.FileName, ["idiom"] = "universal" };
        // A file that serves all scales, or of a size of its own, has no scale.
        if (!f.Format.IsVector && f.Picture.MakingFor("apple") is var making && (!making.Scales.IsEmpty || making.Wide.IsEmpty && making.Tall.IsEmpty))
        {
            image["scale"] = f.Scale.ToString();
        }
        return image;
    })]);

    /// <summary>The images of an app icon.</summary>
    public static JsonArray AppIcons(IEnumerable<PlannedFile> set) => new([.. set.Select(f =>
        new JsonObject { ["filename"] = f.FileName, ["idiom"] = "universal", ["platform"] = "ios", ["size"] = $"{f.Width}x{f.Height}" })]);

    /// <summary>How a set is drawn, if not as it comes.</summary>
    public static IEnumerable<KeyValuePair<string, JsonNode?>> Properties(IEnumerable<PlannedFile> set)
    {
        var first = set.First();
        var properties = new JsonObject();
        if (first.Format.IsVector)
        {
            properties["preserves-vector-representation"] = true;
        }
        if (first.Picture.IsOneColour)
        {
            properties["template-rendering-intent"] = "template";
        }
        return properties.Count > 0 ? [new("properties", properties)] : [];
    }

    /// <summary>The file of a folder: its images first, then who made it, then its properties.</summary>
    public static SideFile Of(string folder, IReadOnlyList<KeyValuePair<string, JsonNode?>> more) => new("apple", $"{folder}/Contents.json", () =>
    {
        var json = new JsonObject();
        foreach (var (name, node) in more.Where(m => m.Key == "images"))
        {
            json[name] = node?.DeepClone();
        }
        json["info"] = new JsonObject { ["author"] = "kalypto", ["version"] = 1 };
        foreach (var (name, node) in more.Where(m => m.Key != "images"))
        {
            json[name] = node?.DeepClone();
        }
        return json.ToJsonString(Json) + "\n";
    });
}
