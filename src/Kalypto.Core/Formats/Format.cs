using System.Collections.Immutable;

namespace Kalypto.Core.Formats;

/// <summary>A format that pictures are made in.</summary>
/// <param name="Id">How it is typed on the tag line: <c>png8</c>.</param>
/// <param name="Name">Its name for people.</param>
/// <param name="Extension">The ending of its files, with the dot.</param>
/// <param name="MediaType">Its media type (IANA).</param>
/// <param name="Transparency">What it can show of what lies behind.</param>
/// <param name="Options">The sorts of <see cref="Quality"/> that can be asked of it.</param>
/// <param name="MostSide">The longest side in px; 0 for formats without pixels.</param>
public sealed record Format(
    string Id, string Name, string Extension, string MediaType, Transparency Transparency, Qualities Options, int MostSide)
{
    /// <summary>PNG (W3C, third edition), the smallest file that shows the same pixels.</summary>
    public static Format Png { get; } = new("png", "PNG", ".png", "image/png", Transparency.Full, Qualities.None, 16_384);

    /// <summary>PNG with a palette of at most 256 colours.</summary>
    public static Format Png8 { get; } = new("png8", "PNG 8-bit", ".png", "image/png", Transparency.Full, Qualities.Lossy, 16_384);

    /// <summary>JPEG (ITU-T T.81), progressive.</summary>
    public static Format Jpeg { get; } = new("jpeg", "JPEG", ".jpg", "image/jpeg", Transparency.None, Qualities.Lossy, 16_384);

    /// <summary>WebP (RFC 9649).</summary>
    public static Format WebP { get; } = new("webp", "WebP", ".webp", "image/webp", Transparency.Full, Qualities.Lossy | Qualities.Lossless, 8_192);

    /// <summary>AVIF (AV1 Image File Format).</summary>
    public static Format Avif { get; } = new("avif", "AVIF", ".avif", "image/avif", Transparency.Full, Qualities.Lossy, 8_192);

    /// <summary>GIF 89a, one frame.</summary>
    public static Format Gif { get; } = new("gif", "GIF", ".gif", "image/gif", Transparency.OneBit, Qualities.None, 16_384);

    /// <summary>SVG 1.1.</summary>
    public static Format Svg { get; } = new("svg", "SVG", ".svg", "image/svg+xml", Transparency.Full, Qualities.Outlines | Qualities.Linked, 0);

    /// <summary>PDF 1.5, one page.</summary>
    public static Format Pdf { get; } = new("pdf", "PDF", ".pdf", "application/pdf", Transparency.Full, Qualities.None, 0);

    /// <summary>Android's vector drawable (VectorDrawable, API level 24).</summary>
    public static Format Vector { get; } = new("vector", "Android vector", ".xml", "application/xml", Transparency.Full, Qualities.None, 0);

    /// <summary>ICO with 16, 32 and 48 px as PNG entries.</summary>
    public static Format Ico { get; } = new("ico", "ICO", ".ico", "image/vnd.microsoft.icon", Transparency.Full, Qualities.None, 256);

    /// <summary>All of them, in the order in which they are shown. A new format is one line here and one encoder.</summary>
    public static ImmutableArray<Format> All { get; } = [Png, Png8, Jpeg, WebP, Avif, Gif, Svg, Pdf, Vector, Ico];

    /// <summary>True when it is drawn of shapes, so that one file serves every scale.</summary>
    public bool IsVector => MostSide == 0;

    /// <summary>True for a format whose files say in which colours they are, so that they hold Display P3 too.</summary>
    public bool HoldsP3 => this == Png || this == Png8 || this == Jpeg || this == WebP || this == Avif;

    /// <summary>True for a format that every browser shows as a picture.</summary>
    public bool BrowsersShow => this != Pdf && this != Vector;

    /// <summary>The format of an id, or null.</summary>
    public static Format? Find(string id) => All.FirstOrDefault(f => f.Id == id);

    /// <inheritdoc/>
    public override string ToString() => Id;
}
