using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>
/// The words of a tag line as fields, for controls that stand beside it: each stands for the words of one sort and leaves all
/// others as they are typed, mistakes too.
/// </summary>
/// <param name="Formats">The formats that are asked for, with their quality; empty for the usual one.</param>
/// <param name="Sizes">What sizes are said in: scale, wide or tall; empty for none.</param>
/// <param name="SizeValue">The sizes.</param>
/// <param name="Crop">ink, shape, screen or box; empty for none.</param>
/// <param name="BoxWidth">Width of the box in pt.</param>
/// <param name="BoxHeight">Height of the box in pt.</param>
/// <param name="BoxPlace">Where the layer lies in it: <c>centre</c>, <c>top-left</c>, or how far its corner is from the layer's.</param>
/// <param name="Bleed">Points added on each side.</param>
/// <param name="Folder">The folder.</param>
/// <param name="Suffix">The word behind the name.</param>
/// <param name="Under">nothing, screen or colour; empty for not said.</param>
/// <param name="Colour">The colour under it; white where none is said.</param>
/// <param name="Credit">yes or no; empty for not said.</param>
/// <param name="Prefix">The word before the name.</param>
/// <param name="Tint">yes or no; empty for not said.</param>
/// <param name="Mirror">yes or no; empty for not said.</param>
/// <param name="P3">yes or no; empty for not said.</param>
public sealed record TagFields(
    IReadOnlyDictionary<string, string> Formats, string Sizes, string SizeValue, string Crop, string BoxWidth, string BoxHeight, string BoxPlace,
    string Bleed, string Folder, string Suffix, string Under, string Colour, string Credit, string Prefix, string Tint, string Mirror, string P3)
{
    private const string White = "#ffffff";
    private const string Centre = "centre";
    private static readonly string[] SizeWords = ["scale", "wide", "tall"];

    private static readonly Dictionary<string, string> FirstSizes = new() { ["scale"] = "1x,2x,3x", ["wide"] = "480", ["tall"] = "64" };

    /// <summary>The fields of a line.</summary>
    public static TagFields Of(string line)
    {
        var words = Split(line);
        string? Said(string head) => words.FirstOrDefault(w => !IsTakenAway(w) && HeadOf(w) == head) is { } word ? word.Length > head.Length ? word[(head.Length + 1)..] : "" : null;
        // Scales of a format's own stand behind an @, with or without a quality before it.
        string OfFormat(string head) => words.First(w => !IsTakenAway(w) && HeadOf(w) == head)[head.Length..] is [':', .. var quality] ? quality : words.First(w => !IsTakenAway(w) && HeadOf(w) == head)[head.Length..];
        var sizes = SizeWords.FirstOrDefault(w => Said(w) is not null) ?? "";
        var crop = Said("crop") ?? "";
        var (size, place) = crop.Split('@') is [var s, var p] ? (s, p) : (crop, Centre);
        var box = size.Split('x') is [var width, var height] && IsNumberOrNothing(width) && IsNumberOrNothing(height) ? (width, height) : ((string, string)?)null;
        var over = Said("over") ?? "";
        string Choice(string word) => words.Contains(word) ? "yes" : words.Contains("-" + word) ? "no" : "";
        return new(
            Format.All.Where(f => Said(f.Id) is not null).ToDictionary(f => f.Id, f => OfFormat(f.Id)), sizes, sizes.Length > 0 ? Said(sizes)! : "",
            box is null ? crop : "box", box?.Item1 ?? "", box?.Item2 ?? "", box is null ? Centre : place,
            Said("bleed") ?? "", Said("to") ?? "", Said("suffix") ?? "", over.StartsWith('#') ? "colour" : over, over.StartsWith('#') ? over : White,
            Choice("credit"), Said("prefix") ?? "", Choice("tint"), Choice("mirror"), Choice("p3"));
    }

    /// <summary>The line with one field said otherwise.</summary>
    /// <param name="line">The line.</param>
    /// <param name="field">The name of the field; a format by its id.</param>
    /// <param name="value">What is said; null or empty takes it away.</param>
    /// <returns>The new line; the same one for a field that there is not.</returns>
    public static string Say(string line, string field, string? value)
    {
        var said = string.Concat((value ?? "").Where(c => !char.IsWhiteSpace(c)));
        var fields = Of(line);
        string Box(string width, string height, string place) => $"{width}x{height}{(place is Centre or "" ? "" : "@" + place)}";
        return field switch
        {
            "sizes" => Put(Without(line, SizeWords), FirstSizes.ContainsKey(said) ? said : "scale", FirstSizes.GetValueOrDefault(said)),
            "sizeValue" => fields.Sizes.Length == 0 ? line : Put(line, fields.Sizes, said),
            "crop" => Put(line, "crop", said == "box" ? "28x28" : said),
            "boxWidth" => Put(line, "crop", Box(said, fields.BoxHeight, fields.BoxPlace)),
            "boxHeight" => Put(line, "crop", Box(fields.BoxWidth, said, fields.BoxPlace)),
            "boxPlace" => Put(line, "crop", Box(fields.BoxWidth, fields.BoxHeight, said)),
            "bleed" or "suffix" or "prefix" => Put(line, field, said),
            "folder" => Put(line, "to", said),
            "under" => Put(line, "over", said == "colour" ? White : said),
            "colour" => Put(line, "over", said),
            "credit" or "tint" or "mirror" or "p3" => Put(line, field, said switch { "yes" => "+", "no" => "-", _ => null }),
            "makes" => Format.All.Any(f => f.Id == said) ? Put(line, said, fields.Formats.ContainsKey(said) ? null : "+") : line,
            _ => Format.All.Any(f => f.Id == field) ? Put(line, field, said.Length == 0 ? "+" : said) : line,
        };
    }

    /// <summary>The words that give layers a fixed box.</summary>
    /// <param name="width">Its width in pt, as typed.</param>
    /// <param name="height">Its height in pt, as typed.</param>
    /// <param name="place">Where the layer lies in it; null for its middle.</param>
    /// <param name="corner">How far its corner is from the layer's, in pt, instead of a place; null for none.</param>
    public static string FixedBox(string width, string height, string? place, (double X, double Y)? corner = null)
    {
        var at = corner is var (x, y) ? string.Create(CultureInfo.InvariantCulture, $"@{Numbers.Text(x)},{Numbers.Text(y)}") : place is null or Centre ? "" : $"@{place.Trim()}";
        return $"crop:{width.Trim()}x{height.Trim()}{at} -bleed";
    }

    /// <summary>The word that takes a tag away, as it stands on a layer.</summary>
    public static string TakeAway(string tag) => IsTakenAway(tag) ? tag[1..] : "-" + HeadOf(tag);

    private static bool IsNumberOrNothing(string text) => text.All(c => char.IsAsciiDigit(c) || c == '.');

    private static string[] Split(string line) => line.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);

    private static bool IsTakenAway(string word) => word.StartsWith('-');

    private static string HeadOf(string word) => word.TrimStart('-').Split(':', '@')[0];

    private static string Without(string line, string[] heads) => string.Join(' ', Split(line).Where(w => !heads.Contains(HeadOf(w))));

    // Where the word stood; behind all others where there was none. "+" and "-" stand for the bare word and its taking away.
    private static string Put(string line, string head, string? value)
    {
        var words = Split(line);
        var at = Array.FindIndex(words, w => HeadOf(w) == head);
        var kept = words.Where(w => HeadOf(w) != head).ToList();
        if (!string.IsNullOrEmpty(value))
        {
            kept.Insert(at < 0 ? kept.Count : Math.Min(at, kept.Count), value switch { "+" => head, "-" => "-" + head, ['@', ..] => head + value, _ => $"{head}:{value}" });
        }
        return string.Join(' ', kept);
    }
}
