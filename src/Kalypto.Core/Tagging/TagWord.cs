using System.Collections.Immutable;
using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Tagging;

/// <summary>One sort of word on the tag line: how it is written and what it does.</summary>
/// <param name="Form">How it is written, for the completion: <c>scale:1x,2x</c>.</param>
/// <param name="Meaning">What it does, in a few words.</param>
/// <param name="Read">Reads the word (without a minus); null when it is another sort of word or not understood.</param>
/// <param name="TakeAway">Reads the word behind a minus; null when it is another sort of word or not understood.</param>
public sealed record TagWord(string Form, string Meaning, Func<string, Func<Tags, Tags>?> Read, Func<string, Func<Tags, Tags>?> TakeAway)
{
    /// <summary>True for a word that a recipe can hold: kinds, states and parts are said of layers alone.</summary>
    public bool IsForRecipes { get; init; } = true;

    private const int LongestFolder = 120;
    private const int LongestSuffix = 24;
    private const int LongestAlt = 160;
    private const int MostSizes = 12;

    /// <summary>Every sort of word that is understood in every project.</summary>
    public static ImmutableArray<TagWord> BuiltIn { get; } =
    [
        .. Kinds.All.Select(KindWord),
        .. Format.All.SelectMany(FormatWords),
        new("-formats", "back to the formats of the recipe", _ => null,
            word => word == "formats" ? tags => tags with { Formats = tags.Formats.Clear() } : null) { IsForRecipes = false },
        Valued("scale", "scale:1x,2x,3x", "these scales instead of the recipe's",
            text => text.Split(',').Select(Scale.Parse).ToArray() is var scales && scales.Length is > 0 and <= MostSizes && scales.All(s => s is not null)
                ? tags => tags with { Scales = [.. scales.Select(s => s!.Value).Distinct().Order()] } : null,
            tags => tags with { Scales = [] }),
        Valued("wide", "wide:480", "this many px wide instead of scales",
            text => Pixels(text) is { } wide ? tags => tags with { Wide = [.. wide] } : null, tags => tags with { Wide = [] }),
        Valued("tall", "tall:64", "this many px tall instead of scales",
            text => Pixels(text) is { } tall ? tags => tags with { Tall = [.. tall] } : null, tags => tags with { Tall = [] }),
        Crop("crop:ink", "every visible pixel"),
        Crop("crop:shape", "the layer's own box, without shadows"),
        Crop("crop:screen", "the whole screen"),
        Crop("crop:28x28", "a box of this size in points, the layer in its middle"),
        Crop("crop:28x28@top-left", "such a box, the layer pinned to its edges"),
        Crop("crop:28x28@-2,-2", "such a box, its corner this far from the layer's"),
        Valued("bleed", "bleed:8", "points added on each side",
            text => Numbers.List(text) is [>= 0 and <= 500 and var bleed] ? tags => tags with { Bleed = bleed } : null,
            tags => tags with { Bleed = null }),
        Valued("to", "to:icons/nav", "into this folder",
            text => CleanFolder(text) is { } folder ? tags => tags with { Folder = folder } : null,
            tags => tags with { Folder = null }),
        Valued("suffix", "suffix:dark", "a word behind the name",
            text => CleanWord(text) is { } word ? tags => tags with { Suffix = word } : null,
            tags => tags with { Suffix = null }),
        Valued("prefix", "prefix:ic", "a word before the name",
            text => CleanWord(text) is { } word ? tags => tags with { Prefix = word } : null,
            tags => tags with { Prefix = null }),
        Over("over:screen", "with what lies beneath it"),
        Over("over:#ffffff", "with this colour under it"),
        Over("over:nothing", "with nothing under it"),
        YesOrNo("credit", "the project's credit goes into the files", (tags, said) => tags with { Credit = said }),
        YesOrNo("tint", "a drawing of one colour takes the colour of the code around it", (tags, said) => tags with { Tint = said }),
        YesOrNo("mirror", "turned round where languages are written from right to left", (tags, said) => tags with { Mirror = said }),
        YesOrNo("p3", "colours beyond sRGB are kept, in Display P3, by the formats that hold them", (tags, said) => tags with { P3 = said }),
        new("stretch", "a button that stretches around its label, which stays out: a nine-patch on Android, its lines found in the drawing",
            word => word == "stretch" ? tags => tags with { Stretch = Stretch.Found } : null, _ => null)
        { IsForRecipes = false },
        Valued("stretch", "stretch:20,12", "the same; these points at its sides, and above and below, stay as they are",
            text => Stretch.Parse(text) is { } stretch ? tags => tags with { Stretch = stretch } : null, tags => tags with { Stretch = null }) with
        { IsForRecipes = false },
        Valued("alt", "alt:A_bell", "what is read aloud instead of the picture, a dash below for each space",
            // Characters that only turn the direction would make a reader say, or a reviewer see, something else.
            text => text.Length is > 0 and <= LongestAlt && PlainText.Clean(text.Replace('_', ' '), LongestAlt) is { Length: > 0 } plain ? tags => tags with { Alt = plain } : null,
            tags => tags with { Alt = null }) with { IsForRecipes = false },
        new("decorative", "nothing is read aloud instead of the picture",
            word => word == "decorative" ? tags => tags with { Alt = "" } : null,
            word => word == "decorative" ? tags => tags with { Alt = null } : null) { IsForRecipes = false },
        .. new[] { ("dark", "the dark form of the picture of the same name"), ("rtl", "the form where languages run from right to left"), ("de", "the form of this language"), ("tinted", "the form of an app icon that the system colours") }.Select(t => Valued("twin", "twin:" + t.Item1, t.Item2,
            text => Twin.Parse(text) is { } twin ? tags => tags with { Twin = twin } : null,
            tags => tags with { Twin = null }) with { IsForRecipes = false }),
        new("only", "just the formats said here, as plain files",
            word => word == "only" ? tags => tags with { Only = true } : null,
            word => word == "only" ? tags => tags with { Only = null } : null) { IsForRecipes = false },
        .. States.All.Select(state => Valued("state", $"state:{state}", "a state of the button that it lies in",
            text => States.All.Contains(text) ? tags => tags with { State = text } : null,
            tags => tags with { State = null }) with { IsForRecipes = false }),
        PartsWord("parts", "each layer in it by itself", parts: true),
        PartsWord("whole", "all of it as one picture", parts: false),
        WidthWord("fill", "on a page: takes the whole width that there is", fills: true),
        WidthWord("keep", "on a page: keeps its size", fills: false),
        .. PageTags.All.Select(t => Valued("as", $"as:{t.Tag}", $"on a page: {t.Meaning}",
            text => PageTags.All.Any(p => p.Tag == text) ? tags => tags with { As = text } : null,
            tags => tags with { As = null }) with { IsForRecipes = false }),
        Valued("href", "href:/visits", "on a page: a link that leads there",
            text => PageTags.IsHarmless(text) ? tags => tags with { Href = text } : null,
            tags => tags with { Href = null }) with { IsForRecipes = false },
    ];

    /// <summary>Every sort of word that is understood in a project with kinds of its own.</summary>
    public static ImmutableArray<TagWord> All(IReadOnlyCollection<string>? ownKinds) =>
        ownKinds is null or { Count: 0 } ? BuiltIn : [.. ownKinds.Select(KindWord), .. BuiltIn];

    private static TagWord KindWord(string kind) => new(kind, $"a kind: made by the recipe for {kind}",
        word => word == kind ? tags => tags with { Kind = kind } : null,
        word => word == kind ? tags => tags.Kind == kind ? tags with { Kind = null } : tags : null)
    { IsForRecipes = false };

    private static TagWord PartsWord(string word, string meaning, bool parts) => new(word, meaning,
        typed => typed == word ? tags => tags with { Parts = parts } : null,
        typed => typed == word ? tags => tags.Parts == parts ? tags with { Parts = null } : tags : null)
    { IsForRecipes = false };

    private static TagWord WidthWord(string word, string meaning, bool fills) => new(word, meaning,
        typed => typed == word ? tags => tags with { Fills = fills } : null,
        typed => typed == word ? tags => tags.Fills == fills ? tags with { Fills = null } : tags : null)
    { IsForRecipes = false };

    private static IEnumerable<TagWord> FormatWords(Format format)
    {
        TagWord Word(string form, string meaning) => new(form, meaning,
            word => Asked(word, format) is { } said ? tags => tags with { Formats = tags.Formats.SetItem(format.Id, said) } : null,
            word => word == format.Id ? tags => tags with { Formats = tags.Formats.SetItem(format.Id, new(false)) } : null);
        yield return Word(format.Id, $"also made as {format.Name}");
        foreach (var quality in QualityWord.Of(format))
        {
            yield return Word($"{format.Id}:{quality.Form}", $"{format.Name}: {quality.Meaning}");
        }
        if (!format.IsVector && format != Format.Ico)
        {
            yield return Word($"{format.Id}@2x", $"{format.Name} at these scales, whatever the others");
        }
    }

    private static FormatSaid? Asked(string word, Format format) =>
        word.StartsWith(format.Id, StringComparison.Ordinal) && FormatAsk.Parse(word) is { } ask && ask.Format == format ? new(true, ask.Quality) { Scales = ask.Scales } : null;

    private static TagWord Valued(string name, string form, string meaning, Func<string, Func<Tags, Tags>?> read, Func<Tags, Tags> reset) => new(form, meaning,
        word => word.StartsWith(name + ":", StringComparison.Ordinal) ? read(word[(name.Length + 1)..]) : null,
        word => word == name || word.StartsWith(name + ":", StringComparison.Ordinal) ? reset : null);

    private static TagWord YesOrNo(string name, string meaning, Func<Tags, bool, Tags> say) => new(name, meaning,
        word => word == name ? tags => say(tags, true) : null, word => word == name ? tags => say(tags, false) : null);

    private static string? CleanWord(string text) =>
        text.Length is > 0 and <= LongestSuffix && text.All(c => char.IsAsciiLetterOrDigit(c) || c == '-') && char.IsAsciiLetterOrDigit(text[0]) ? text.ToLowerInvariant() : null;

    private static TagWord Crop(string form, string meaning) => Valued("crop", form, meaning,
        text => CropKind.Parse(text) is { } crop ? tags => tags with { Crop = crop } : null, tags => tags with { Crop = null });

    private static TagWord Over(string form, string meaning) => Valued("over", form, meaning,
        text => Ground.Parse(text) is { } ground ? tags => tags with { Ground = ground } : null, tags => tags with { Ground = null });

    private static IEnumerable<int>? Pixels(string text)
    {
        var parts = text.Split(',');
        var sizes = parts.Select(p => int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out var px) && px is >= 1 and <= 8192 ? px : 0).ToList();
        return parts.Length <= MostSizes && sizes.All(s => s > 0) ? sizes.Distinct().Order() : null;
    }

    /// <summary>A folder of one or more plain names; null when it would lead outside or is empty.</summary>
    private static string? CleanFolder(string text)
    {
        var names = text.Split('/', StringSplitOptions.RemoveEmptyEntries);
        return text.Length <= LongestFolder && names.Length > 0
            && names.All(n => n.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_') && char.IsAsciiLetterOrDigit(n[0]))
            ? string.Join('/', names) : null;
    }
}
