using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Code;

/// <summary>A picture that code names.</summary>
/// <param name="Picture">The picture.</param>
/// <param name="Name">Its name, of which the identifier is made.</param>
/// <param name="Value">What code asks for: a path, an address or the name of a resource.</param>
/// <param name="Files">Its files, the best first.</param>
internal sealed record CodePicture(Picture Picture, string Name, string Value, IReadOnlyList<PlannedFile> Files)
{
    // What shows most of the picture to most readers: shapes, then all colours and soft edges, then small files.
    private static readonly Format[] Order = [Format.Svg, Format.Vector, Format.Pdf, Format.Png, Format.WebP, Format.Jpeg, Format.Avif, Format.Png8, Format.Gif, Format.Ico];

    // Most screens have two px a point; what is made for more is asked for by those that have more.
    private const double Usual = 2;

    /// <summary>Files with the best to show first: of the best format the one for two px a point or, of several widths, the widest.</summary>
    public static IReadOnlyList<PlannedFile> BestFirst(IEnumerable<PlannedFile> files) => [.. files.OrderBy(f => Array.IndexOf(Order, f.Format))
        .ThenBy(f => f.Ask.Output.EndsWith('x') ? Math.Abs(f.Scale.Factor - Usual) : -f.Width).ThenBy(f => f.Path, StringComparer.Ordinal)];

    /// <summary>Its size in pt, as it is shown.</summary>
    public (double Width, double Height) Size => Picture.CropFor(Files[0].Platform) is { } crop ? (crop.Box.Width, crop.Box.Height) : (Files[0].Width, Files[0].Height);

    /// <summary>What it is, for whoever reads the code: its layer, screen and size. A name that a program gave says nothing, and is another one in the next draft.</summary>
    public string About(string unit) => $"{(DefaultNames.IsDefault(Picture.LayerName) ? "" : $"{Picture.LayerName} ")}on {Picture.ScreenName}, {Numbers.Text(Size.Width)} × {Numbers.Text(Size.Height)} {unit}".Replace("*/", "* /", StringComparison.Ordinal).Replace("/*", "/ *", StringComparison.Ordinal).ReplaceLineEndings(" ");
}
