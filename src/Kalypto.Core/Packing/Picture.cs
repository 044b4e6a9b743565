using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Naming;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>A shipped layer with all that its files follow from.</summary>
/// <param name="Ref">The layer.</param>
/// <param name="LayerName">Its name for people.</param>
/// <param name="ScreenName">The screen it is on.</param>
/// <param name="Name">The typed ship name, or else the drawing's name.</param>
/// <param name="NameIsTyped">True when somebody typed it, so that whoever changes it says so.</param>
/// <param name="Words">The words of the name.</param>
/// <param name="Making">How it is made where a platform says nothing else.</param>
/// <param name="Key">The fingerprint of its isolated drawing.</param>
/// <param name="Crop">Its crop; null when there is nothing to show or it is not known yet.</param>
/// <param name="CropIsGuess">True while the layer was not drawn yet and the crop is a guess from its shape.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
public sealed record Picture(
    LayerRef Ref, string LayerName, string ScreenName, string Name, bool NameIsTyped, IReadOnlyList<string> Words,
    Making Making, Fingerprint Key, Crop? Crop, bool CropIsGuess, double DrawnAt)
{
    /// <summary>What people call it now: the name that somebody typed, or else that of the layer.</summary>
    public string Called => NameIsTyped ? Name : LayerName;

    /// <summary>How it is made on the platforms packed for.</summary>
    public ImmutableArray<Variant> Variants { get; init; } = [];

    /// <summary>The state of a button that it shows, or null.</summary>
    public string? State { get; init; }

    /// <summary>Credit lines that its design brought along; null for those of the project.</summary>
    public Formats.CreditLines? Credit { get; init; }

    /// <summary>Which form of the picture of the same name it is; null for the picture itself.</summary>
    public Twin? Twin => Making.Twin;

    /// <summary>Everywhere that the same drawing stands, itself first; it is made once for all of them.</summary>
    public ImmutableArray<LayerRef> Places { get; init; } = [Ref];

    /// <summary>The group that was asked for in parts, of which this is one; null for a picture of its own.</summary>
    public LayerRef? PartOf { get; init; }

    /// <summary>The fingerprint of the drawing with what lies beneath it; its own one where nothing of that is asked.</summary>
    public Fingerprint KeyWithGround { get; init; } = Key;

    /// <summary>True for drawings in one colour, which code may tint.</summary>
    public bool IsOneColour { get; init; }

    /// <summary>What quick files of it weighed when it was looked at; null until it was.</summary>
    public SeenWeights? Weights { get; init; }

    /// <summary>How much there is to write of it in a format of shapes: bytes of SVG, and letters that become outlines; null where none is made.</summary>
    public (long Bytes, int Letters)? Written { get; init; }

    /// <summary>Where the label is that a stretching button is drawn without, in pt; null where there is none.</summary>
    public Box? Label { get; init; }

    /// <summary>The pictures inside it, where an SVG is to keep them beside it.</summary>
    public ImmutableArray<InsidePicture> Inside { get; init; } = [];

    /// <summary>Why it cannot be drawn of Android's vectors, where that is asked; null when it can, or with its texts as outlines.</summary>
    public string? NoVector { get; init; }

    /// <summary>What of it only the exact engine draws right; none for most.</summary>
    public ImmutableArray<string> Beyond { get; init; } = [];

    /// <summary>True when the exact engine draws it.</summary>
    public bool IsExact { get; init; }

    /// <summary>True when the exact engine draws it with what lies beneath it.</summary>
    public bool IsExactWithGround { get; init; }

    /// <summary>True for one that holds colours beyond sRGB.</summary>
    public bool IsWide { get; init; }

    /// <summary>What tells its drawing apart that keeps its colours beyond sRGB; null where that is not asked, or cannot be.</summary>
    public string? Wide { get; init; }

    /// <summary>Why the exact engine draws it, where it does.</summary>
    public ImmutableArray<string> Exactly { get; init; } = [];

    /// <summary>How it is made on a platform.</summary>
    public Making MakingFor(string platform) => VariantFor(platform)?.Making ?? Making;

    /// <summary>Its crop on a platform.</summary>
    public Crop? CropFor(string platform) => VariantFor(platform) is { } variant ? variant.Crop : Crop;

    /// <summary>The words of its name on a platform: with the words that a recipe or tag puts before and behind the name, the state last.</summary>
    public IReadOnlyList<string> WordsFor(string platform)
    {
        var making = MakingFor(platform);
        if (making.Suffix is null && making.Prefix is null)
        {
            return Words;
        }
        var (before, behind) = (NameWords.Split(making.Prefix ?? ""), NameWords.Split(making.Suffix ?? ""));
        return State is not null and not "normal" && Words.Count > 1 ? [.. before, .. Words.SkipLast(1), .. behind, Words[^1]] : [.. before, .. Words, .. behind];
    }

    /// <summary>What is read aloud instead of it on a platform: what a tag says, or else its name; empty for nothing.</summary>
    public string AltFor(string platform) => MakingFor(platform).Alt ?? (string.Join(' ', Words) is { Length: > 0 } name ? char.ToUpperInvariant(name[0]) + name[1..] : "");

    private Variant? VariantFor(string platform)
    {
        foreach (var variant in Variants)
        {
            if (variant.Platform == platform)
            {
                return variant;
            }
        }
        return null;
    }
}
