using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>
/// What is said of one layer, or of a kind in its recipe: the kind and what differs from the recipe. Written in one
/// canonical form (grammar in docs/tags.md).
/// </summary>
public sealed record Tags
{
    private Worked<string> text;

    /// <summary>Nothing said.</summary>
    public static Tags Empty { get; } = new();

    /// <summary>The kind; null when nobody gave one.</summary>
    public string? Kind { get; init; }

    /// <summary>What is said of formats, by their id.</summary>
    public ImmutableSortedDictionary<string, FormatSaid> Formats { get; init; } = ImmutableSortedDictionary.Create<string, FormatSaid>(StringComparer.Ordinal);

    /// <summary>Scales instead of the recipe's; empty for the recipe's.</summary>
    public ImmutableArray<Scale> Scales { get; init; } = [];

    /// <summary>Widths in px instead of the recipe's scales.</summary>
    public ImmutableArray<int> Wide { get; init; } = [];

    /// <summary>Heights in px instead of the recipe's scales.</summary>
    public ImmutableArray<int> Tall { get; init; } = [];

    /// <summary>The crop instead of the recipe's, or null.</summary>
    public CropKind? Crop { get; init; }

    /// <summary>The bleed in pt instead of the recipe's, or null.</summary>
    public double? Bleed { get; init; }

    /// <summary>The folder instead of the groups it lies in, or null.</summary>
    public string? Folder { get; init; }

    /// <summary>A word behind the name, before state and scale, or null.</summary>
    public string? Suffix { get; init; }

    /// <summary>A word before the name, or null.</summary>
    public string? Prefix { get; init; }

    /// <summary>What lies under the picture, or null.</summary>
    public Ground? Ground { get; init; }

    /// <summary>True: the project's credit goes into the files; false: it does not; null: not said.</summary>
    public bool? Credit { get; init; }

    /// <summary>True: a drawing of one colour takes that of the code around it; false: it keeps its own; null: not said.</summary>
    public bool? Tint { get; init; }

    /// <summary>True: it is turned round where languages are written from right to left; false: it is not; null: not said.</summary>
    public bool? Mirror { get; init; }

    /// <summary>True: colours beyond sRGB are kept, in Display P3; false: all files are in sRGB; null: not said.</summary>
    public bool? P3 { get; init; }

    /// <summary>How it stretches around its label; null: not said, so it does not.</summary>
    public Stretch? Stretch { get; init; }

    /// <summary>What is read aloud instead of the picture; empty for a picture that says nothing; null: not said, so its name.</summary>
    public string? Alt { get; init; }

    /// <summary>Which form of the picture of the same name it is; null: not said, so the picture itself.</summary>
    public Twin? Twin { get; init; }

    /// <summary>True: just the formats said here or nearer, as plain files and for no platform; null: not said.</summary>
    public bool? Only { get; init; }

    /// <summary>The state of a button that it shows, or null.</summary>
    public string? State { get; init; }

    /// <summary>True: each layer in it by itself; false: all as one picture; null: not said, so all as one.</summary>
    public bool? Parts { get; init; }

    /// <summary>True when sizes are said: scales, widths or heights.</summary>
    public bool SaysSizes => !Scales.IsEmpty || !Wide.IsEmpty || !Tall.IsEmpty;

    /// <summary>True: on a page it takes the whole width that there is; false: it keeps its size; null: not said.</summary>
    public bool? Fills { get; init; }

    /// <summary>The element that it is on a page, or null.</summary>
    public string? As { get; init; }

    /// <summary>Where it leads on a page, or null.</summary>
    public string? Href { get; init; }

    /// <summary>These tags, and those of others where these say nothing. Of a format the nearer word holds.</summary>
    public Tags Over(Tags others) => others.ToString().Length == 0 ? this : new()
    {
        Kind = Kind ?? others.Kind,
        Formats = others.Formats.SetItems(Formats),
        Scales = SaysSizes ? Scales : others.Scales,
        Wide = SaysSizes ? Wide : others.Wide,
        Tall = SaysSizes ? Tall : others.Tall,
        Crop = Crop ?? others.Crop,
        Bleed = Bleed ?? others.Bleed,
        Folder = Folder ?? others.Folder,
        Suffix = Suffix ?? others.Suffix,
        Prefix = Prefix ?? others.Prefix,
        Tint = Tint ?? others.Tint,
        Mirror = Mirror ?? others.Mirror,
        P3 = P3 ?? others.P3,
        Stretch = Stretch ?? others.Stretch,
        Alt = Alt ?? others.Alt,
        Only = Only ?? others.Only,
        Twin = Twin ?? others.Twin,
        Ground = Ground ?? others.Ground,
        Credit = Credit ?? others.Credit,
        State = State ?? others.State,
        Parts = Parts ?? others.Parts,
        Fills = Fills ?? others.Fills,
        As = As ?? others.As,
        Href = Href ?? others.Href,
    };

    /// <summary>The words of the tags, each as it would be typed, in a fixed order.</summary>
    public IEnumerable<string> Words()
    {
        if (Kind is not null)
        {
            yield return Kind;
        }
        foreach (var (format, said) in Formats)
        {
            yield return said.Made ? new FormatAsk(Format.Find(format)!, said.Quality) { Scales = said.Scales }.ToString() : "-" + format;
        }
        if (!Scales.IsEmpty)
        {
            yield return "scale:" + string.Join(',', Scales);
        }
        if (!Wide.IsEmpty)
        {
            yield return "wide:" + string.Join(',', Wide);
        }
        if (!Tall.IsEmpty)
        {
            yield return "tall:" + string.Join(',', Tall);
        }
        if (Crop is not null)
        {
            yield return "crop:" + Crop;
        }
        if (Bleed is { } bleed)
        {
            yield return "bleed:" + Numbers.Text(bleed);
        }
        if (Folder is not null)
        {
            yield return "to:" + Folder;
        }
        if (Prefix is not null)
        {
            yield return "prefix:" + Prefix;
        }
        if (Suffix is not null)
        {
            yield return "suffix:" + Suffix;
        }
        if (Ground is not null)
        {
            yield return "over:" + Ground;
        }
        if (Credit is { } credit)
        {
            yield return credit ? "credit" : "-credit";
        }
        if (Tint is { } tint)
        {
            yield return tint ? "tint" : "-tint";
        }
        if (Mirror is { } mirror)
        {
            yield return mirror ? "mirror" : "-mirror";
        }
        if (P3 is { } p3)
        {
            yield return p3 ? "p3" : "-p3";
        }
        if (Stretch is not null)
        {
            yield return Stretch.Edges.IsEmpty ? "stretch" : "stretch:" + Stretch;
        }
        if (Alt is not null)
        {
            yield return Alt.Length == 0 ? "decorative" : "alt:" + Alt.Replace(' ', '_');
        }
        if (Twin is not null)
        {
            yield return "twin:" + Twin;
        }
        if (Only == true)
        {
            yield return "only";
        }
        if (State is not null)
        {
            yield return "state:" + State;
        }
        if (Parts is { } parts)
        {
            yield return parts ? "parts" : "whole";
        }
        if (Fills is { } fills)
        {
            yield return fills ? "fill" : "keep";
        }
        if (As is not null)
        {
            yield return "as:" + As;
        }
        if (Href is not null)
        {
            yield return "href:" + Href;
        }
    }

    /// <summary>Reads the canonical form back.</summary>
    /// <param name="text">The text.</param>
    /// <param name="ownKinds">The team's own kinds; null to take any word as a kind, for text that was checked when it was typed.</param>
    /// <exception cref="FormatException">The text is not made of tags.</exception>
    public static Tags Parse(string text, IReadOnlyCollection<string>? ownKinds = null)
    {
        var line = TagLine.Parse(text, ownKinds, anyKind: ownKinds is null);
        return line.Mistakes.IsEmpty ? line.ApplyTo(Empty) : throw new FormatException($"“{text}” is not made of tags.");
    }

    /// <summary>The canonical form.</summary>
    public override string ToString() => text.Of(this, () => string.Join(' ', Words()));

    /// <inheritdoc/>
    public bool Equals(Tags? other) => other is not null && ToString() == other.ToString();

    /// <inheritdoc/>
    public override int GetHashCode() => ToString().GetHashCode(StringComparison.Ordinal);
}
