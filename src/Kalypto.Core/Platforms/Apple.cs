using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Apple's asset catalog: an image set a picture, with 1x, 2x and 3x (Asset Catalog Format Reference).</summary>
public sealed class Apple : IPlatform
{
    private const string Catalog = "apple/Assets.xcassets";
    private static readonly Scale[] Own = [new(1), new(2), new(3)];
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, NewLine = "\n" };

    /// <inheritdoc/>
    public string Id => "apple";

    /// <inheritdoc/>
    public string Name => "Apple";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public string Join(IReadOnlyList<string> words) => NameWords.Join(words, "-", PlatformNames.Longest);

    /// <inheritdoc/>
    public string? Refusal(string name) => FileSystems.Refusal(name);

    /// <inheritdoc/>
    public string Accepted(string name) => FileSystems.Accepted(name, "-");

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => ImageSet(picture, name);

    /// <inheritdoc/>
    public IEnumerable<(string Path, Scale Scale)> FilesOf(Picture picture, string name) => picture.ScalesAmong(Own)
        .Select(scale => ($"{ImageSet(picture, name)}/{name}{(scale.Factor == 1 ? "" : $"@{scale}")}.png", scale));

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(IReadOnlyList<PlannedFile> files)
    {
        if (files.Count == 0)
        {
            yield break;
        }
        yield return Contents(Catalog, []);
        var folders = new SortedSet<string>(StringComparer.Ordinal);
        foreach (var set in files.GroupBy(f => f.Path[..f.Path.LastIndexOf('/')]))
        {
            for (var up = set.Key.LastIndexOf('/'); up > Catalog.Length; up = set.Key.LastIndexOf('/', up - 1))
            {
                folders.Add(set.Key[..up]);
            }
            yield return Contents(set.Key, [new("images", new JsonArray([.. set.OrderBy(f => f.Scale).Select(f => new JsonObject
            {
                ["filename"] = f.Path[(set.Key.Length + 1)..],
                ["idiom"] = "universal",
                ["scale"] = f.Scale.ToString(),
            })]))]);
        }
        foreach (var folder in folders)
        {
            // Two folders may hold pictures of one name, so names are qualified by their folder.
            yield return Contents(folder, [new("properties", new JsonObject { ["provides-namespace"] = true })]);
        }
    }

    private static SideFile Contents(string folder, IEnumerable<KeyValuePair<string, JsonNode?>> more)
    {
        var json = new JsonObject();
        foreach (var (name, node) in more.Where(m => m.Key == "images"))
        {
            json[name] = node;
        }
        json["info"] = new JsonObject { ["author"] = "kalypto", ["version"] = 1 };
        foreach (var (name, node) in more.Where(m => m.Key != "images"))
        {
            json[name] = node;
        }
        return new("apple", $"{folder}/Contents.json", json.ToJsonString(Json) + "\n");
    }

    private static string ImageSet(Picture picture, string name) =>
        $"{Catalog}/{(picture.Folder.Length == 0 ? "" : picture.Folder + "/")}{name}.imageset";
}
