namespace Kalypto.Core.Reading;

/// <summary>What a file is, by its first bytes.</summary>
public enum FileType
{
    /// <summary>Text or unknown: tried as SVG.</summary>
    Other,

    /// <summary>A zip: OpenRaster, or files together.</summary>
    Zip,

    /// <summary>PNG.</summary>
    Png,

    /// <summary>JPEG.</summary>
    Jpeg,

    /// <summary>WebP.</summary>
    Webp,

    /// <summary>GIF.</summary>
    Gif,

    /// <summary>AVIF.</summary>
    Avif,

    /// <summary>PDF.</summary>
    Pdf,
}
