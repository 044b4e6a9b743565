using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Apple;

/// <summary>What every folder of an asset catalog says of itself (Asset Catalog Format Reference).</summary>
internal static class CatalogContents
{
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, NewLine = "\n" };

    /// <summary>The images of a set.</summary>
    public static JsonArray Images(IEnumerable<PlannedFile> set)
    {
        var files = set.OrderBy(f => TwinOf(f)?.ToString(), StringComparer.Ordinal).ThenBy(f => f.Scale).ToList();
        var hasMirrored = files.Exists(f => TwinOf(f)?.IsRightToLeft == true);
        return new([.. files.Select(f =>
        {
            var making = f.Picture.MakingFor("apple");
            var image = new JsonObject { ["filename"] = f.FileName, ["idiom"] = "universal" };
            // A file that serves all scales, or of a size of its own, has no scale.
            if (!f.Format.IsVector && (!making.Scales.IsEmpty || making.Wide.IsEmpty && making.Tall.IsEmpty))
            {
                image["scale"] = f.Scale.ToString();
            }
            Appearance(image, making.Twin);
            if (making.Twin?.Language is { } language)
            {
                image["locale"] = language;
            }
            // One direction alone is turned round for the other.
            if (making.Twin?.IsRightToLeft == true || hasMirrored || making.Mirror)
            {
                image["language-direction"] = making.Twin?.IsRightToLeft == true ? "right-to-left" : "left-to-right";
            }
            return image;
        })]);
    }

    /// <summary>The images of an app icon.</summary>
    public static JsonArray AppIcons(IEnumerable<PlannedFile> set) => new([.. set.OrderBy(f => TwinOf(f)?.ToString(), StringComparer.Ordinal).Select(f =>
    {
        var image = new JsonObject { ["filename"] = f.FileName, ["idiom"] = "universal", ["platform"] = "ios", ["size"] = $"{f.Width}x{f.Height}" };
        Appearance(image, TwinOf(f));
        return image;
    })]);

    /// <summary>How a set is drawn, if not as it comes.</summary>
    public static IEnumerable<KeyValuePair<string, JsonNode?>> Properties(IEnumerable<PlannedFile> set)
    {
        var files = set.ToList();
        var first = files[0];
        var properties = new JsonObject();
        // Shapes are kept in the app for what people have shown in several sizes; all else is drawn faster from the pixels that are made of it.
        if (first.Format.IsVector && first.Picture.MakingFor("apple").Kind is "icon" or "logo" or "button")
        {
            properties["preserves-vector-representation"] = true;
        }
        // A template has no colour of its own; nobody but who says “tint” wants that.
        if (first.Picture.IsOneColour && first.Picture.MakingFor("apple").Tint == true)
        {
            properties["template-rendering-intent"] = "template";
        }
        if (files.Exists(f => TwinOf(f)?.Language is not null))
        {
            properties["localizable"] = true;
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

    private static Twin? TwinOf(PlannedFile file) => file.Picture.MakingFor("apple").Twin;

    private static void Appearance(JsonObject image, Twin? twin)
    {
        if (twin is { IsDark: true } or { IsTinted: true })
        {
            image["appearances"] = new JsonArray(new JsonObject { ["appearance"] = "luminosity", ["value"] = twin.IsTinted ? "tinted" : "dark" });
        }
    }
}
