using System.Collections.Immutable;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>How one layer is made in the end, on one platform: its recipe, with what its own tags say instead.</summary>
/// <param name="Kind">The kind that picked the recipe.</param>
/// <param name="Formats">The formats made.</param>
/// <param name="Scales">The scales said; empty for the platform's own.</param>
/// <param name="Wide">Widths in px that are made.</param>
/// <param name="Tall">Heights in px that are made.</param>
/// <param name="Crop">Which rectangle.</param>
/// <param name="Bleed">Points added on each side.</param>
/// <param name="Folder">Folder names from the outside in; each plain.</param>
/// <param name="Suffix">A word behind the name, or null.</param>
/// <param name="Ground">What lies under it.</param>
/// <param name="Credit">True when the project's credit goes into the files.</param>
public sealed record Making(
    string Kind, ImmutableArray<FormatAsk> Formats, ImmutableArray<Scale> Scales, ImmutableArray<int> Wide, ImmutableArray<int> Tall,
    CropKind Crop, double Bleed, ImmutableArray<string> Folder, string? Suffix, Ground Ground, bool Credit)
{
    private string? signature;

    /// <summary>A word before the name, or null.</summary>
    public string? Prefix { get; init; }

    /// <summary>True when a drawing of one colour takes that of the code around it, false when it keeps its own; null where nothing is said.</summary>
    public bool? Tint { get; init; }

    /// <summary>True when it is turned round where languages are written from right to left.</summary>
    public bool Mirror { get; init; }

    /// <summary>True when colours beyond sRGB are kept, in Display P3.</summary>
    public bool P3 { get; init; }

    /// <summary>How it stretches around its label, which is not part of it then; null where it does not.</summary>
    public Stretch? Stretch { get; init; }

    /// <summary>What is read aloud instead of the picture; empty for nothing; null for its name.</summary>
    public string? Alt { get; init; }

    /// <summary>Which form of the picture of the same name it is; null for the picture itself.</summary>
    public Twin? Twin { get; init; }

    /// <summary>True when it is made as plain files alone, for no platform.</summary>
    public bool Only { get; init; }

    /// <summary>All of it but the folder as one text, to find again what follows from it.</summary>
    public string Signature => signature ??=
        $"{Kind}|{string.Join(' ', Formats)}|{string.Join(',', Scales)}|{string.Join(',', Wide)}|{string.Join(',', Tall)}|{Suffix}|{Ground}|{Credit}|{Prefix}|{Tint}|{Mirror}|{(P3 ? "p3" : "")}|{(Stretch is null ? "" : $"stretch:{Stretch}")}|{Alt}|{Only}|{Twin}";

    /// <summary>The folder, names joined by a slash; empty for none.</summary>
    public string FolderPath => string.Join('/', Folder);

    /// <summary>The folder with a slash behind it, to stand before a name; empty for none.</summary>
    public string FolderPrefix => Folder.IsEmpty ? "" : FolderPath + "/";

    /// <summary>True when a format is made.</summary>
    public bool Makes(Format format) => Formats.Any(f => f.Format == format);

    /// <summary>Works out what holds, without the folders of groups.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="holding">All that is said, nearest first.</param>
    public static Making Of(string kind, Holding holding)
    {
        var formats = ImmutableSortedDictionary.Create<string, FormatSaid>(StringComparer.Ordinal);
        var rest = Tags.Empty;
        foreach (var (origin, tags) in holding.Said.Reverse())
        {
            // A recipe that names formats names them all, and so does whoever says “only”; nearer words add and take away.
            var replaces = tags.Only == true || origin is Origin.PlatformRecipe or Origin.KindRecipe or Origin.Project && tags.Formats.Any(f => f.Value.Made);
            formats = (replaces ? formats.Clear() : formats).SetItems(tags.Formats);
            rest = tags.Over(rest);
        }
        return new(
            kind, [.. Format.All.Where(f => formats.TryGetValue(f.Id, out var said) && said.Made).Select(f => new FormatAsk(f, formats[f.Id].Quality) { Scales = formats[f.Id].Scales })],
            rest.Scales, rest.Wide, rest.Tall, rest.Crop ?? new CropKind.Ink(), rest.Bleed ?? 0,
            rest.Folder is { } folder ? [.. folder.Split('/')] : [], rest.Suffix, rest.Ground ?? new Ground.Nothing(), rest.Credit ?? false)
        {
            Prefix = rest.Prefix,
            Tint = rest.Tint,
            Mirror = rest.Mirror ?? false,
            P3 = rest.P3 ?? false,
            Stretch = rest.Stretch,
            Alt = rest.Alt,
            Only = rest.Only ?? false,
            Twin = rest.Twin,
        };
    }

    /// <summary>The scales that a format is made in, out of a platform's own: its own ones, or else those of all formats.</summary>
    public IEnumerable<Scale> ScalesAmong(IEnumerable<Scale> own, FormatAsk format) => format.Scales.IsEmpty ? ScalesAmong(own) : own.Where(s => format.Scales.Contains(s));

    /// <summary>The scales that a format is made in: its own ones, or else those of all formats, or else these.</summary>
    public IEnumerable<Scale> ScalesOr(IEnumerable<Scale> usual, FormatAsk format) => format.Scales.IsEmpty ? ScalesOr(usual) : format.Scales;

    /// <summary>The scales out of a platform's own that are made; those said where sizes are said.</summary>
    public IEnumerable<Scale> ScalesAmong(IEnumerable<Scale> own) =>
        !Scales.IsEmpty ? own.Where(s => Scales.Contains(s)) : Wide.IsEmpty && Tall.IsEmpty ? own : [];

    /// <summary>The scales that are said, or else these.</summary>
    public IEnumerable<Scale> ScalesOr(IEnumerable<Scale> usual) =>
        !Scales.IsEmpty ? Scales : Wide.IsEmpty && Tall.IsEmpty ? usual : [];
}
