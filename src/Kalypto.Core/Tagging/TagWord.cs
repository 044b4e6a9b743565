using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>One sort of word on the tag line: how it is written and what it does.</summary>
/// <param name="Form">How it is written, for the completion: <c>scale:1x,2x</c>.</param>
/// <param name="Meaning">What it does, in a few words.</param>
/// <param name="Read">Reads the word (without a minus); null when it is another sort of word or not understood.</param>
/// <param name="TakeAway">Reads the word behind a minus; null when it is another sort of word or not understood.</param>
public sealed record TagWord(string Form, string Meaning, Func<string, Func<Tags, Tags>?> Read, Func<string, Func<Tags, Tags>?> TakeAway)
{
    private const int LongestFolder = 120;

    /// <summary>Every sort of word that is understood.</summary>
    public static ImmutableArray<TagWord> All { get; } =
    [
        .. Kinds.All.Select(KindWord),
        FormatWord("png", "made as PNG"),
        Valued("scale", "scale:1x,2x,3x", "these scales instead of the recipe's",
            text => text.Split(',').Select(Scale.Parse).ToArray() is var scales && scales.Length is > 0 and <= 12 && scales.All(s => s is not null)
                ? tags => tags with { Scales = [.. scales.Select(s => s!.Value).Distinct().Order()] } : null,
            tags => tags with { Scales = [] }),
        Valued("crop", "crop:ink", "every visible pixel", Crop, tags => tags with { Crop = null }),
        Valued("crop", "crop:shape", "the layer's own box, without shadows", Crop, tags => tags with { Crop = null }),
        Valued("crop", "crop:screen", "the whole screen", Crop, tags => tags with { Crop = null }),
        Valued("crop", "crop:28x28", "a box of this size in points, centred", Crop, tags => tags with { Crop = null }),
        Valued("bleed", "bleed:8", "points added on each side",
            text => Numbers.List(text) is [>= 0 and <= 500 and var bleed] ? tags => tags with { Bleed = bleed } : null,
            tags => tags with { Bleed = null }),
        Valued("to", "to:icons/nav", "into this folder",
            text => CleanFolder(text) is { } folder ? tags => tags with { Folder = folder } : null,
            tags => tags with { Folder = null }),
        .. States.All.Select(state => Valued("state", $"state:{state}", "a state of the button that it lies in",
            text => States.All.Contains(text) ? tags => tags with { State = text } : null,
            tags => tags with { State = null })),
        PartsWord("parts", "each layer in it by itself", parts: true),
        PartsWord("whole", "all of it as one picture", parts: false),
    ];

    private static TagWord KindWord(string kind) => new(kind, $"a kind: made by the recipe for {kind}",
        word => word == kind ? tags => tags with { Kind = kind } : null,
        word => word == kind ? tags => tags.Kind == kind ? tags with { Kind = null } : tags : null);

    private static TagWord PartsWord(string word, string meaning, bool parts) => new(word, meaning,
        typed => typed == word ? tags => tags with { Parts = parts } : null,
        typed => typed == word ? tags => tags.Parts == parts ? tags with { Parts = null } : tags : null);

    private static TagWord FormatWord(string format, string meaning) => new(format, meaning,
        word => word == format ? tags => tags with { Formats = tags.Formats.SetItem(format, true) } : null,
        word => word == format ? tags => tags with { Formats = tags.Formats.SetItem(format, false) } : null);

    private static TagWord Valued(string name, string form, string meaning, Func<string, Func<Tags, Tags>?> read, Func<Tags, Tags> reset) => new(form, meaning,
        word => word.StartsWith(name + ":", StringComparison.Ordinal) ? read(word[(name.Length + 1)..]) : null,
        word => word == name || word.StartsWith(name + ":", StringComparison.Ordinal) ? reset : null);

    private static Func<Tags, Tags>? Crop(string text) =>
        CropKind.Parse(text) is { } crop ? tags => tags with { Crop = crop } : null;

    /// <summary>A folder of one or more plain names; null when it would lead outside or is empty.</summary>
    private static string? CleanFolder(string text)
    {
        var names = text.Split('/', StringSplitOptions.RemoveEmptyEntries);
        return text.Length <= LongestFolder && names.Length > 0
            && names.All(n => n.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_') && char.IsAsciiLetterOrDigit(n[0]))
            ? string.Join('/', names) : null;
    }
}
