using System.Text.Json.Serialization;

namespace Kalypto.Store;

/// <summary>The picture to draw of a layer.</summary>
/// <param name="X">Left edge in drawing units.</param>
/// <param name="Y">Top edge in drawing units.</param>
/// <param name="W">Width in drawing units.</param>
/// <param name="H">Height in drawing units.</param>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="Quick">True for a quick look, false for a file that is delivered.</param>
public sealed record PictureJob(double X, double Y, double W, double H, int Width, int Height, bool Quick)
{
    /// <summary>How many pixels it has.</summary>
    [JsonIgnore]
    public long Pixels => (long)Width * Height;

    /// <summary>The format and quality as a tag, such as <c>webp:82</c>.</summary>
    public string Format { get; init; } = "png";

    /// <summary>The colour under it, <c>#rrggbb</c>; null for none.</summary>
    public string? Ground { get; init; }

    /// <summary>The width in pt, for files of shapes.</summary>
    public double PointsWide { get; init; }

    /// <summary>The height in pt, for files of shapes.</summary>
    public double PointsTall { get; init; }

    /// <summary>The lines that it carries; null for none.</summary>
    public Kalypto.Core.Formats.CreditLines? Credit { get; init; }

    /// <summary>The files that stand for the pictures inside it; empty to embed them.</summary>
    public IReadOnlyList<string> Links { get; init; } = [];

    /// <summary>Which of the pictures inside it the file is, from 0; null for the layer itself.</summary>
    public int? Linked { get; init; }

    /// <summary>True to take the colour of the code around it.</summary>
    public bool TakesColour { get; init; }

    /// <summary>True to be turned round where languages are written from right to left.</summary>
    public bool Mirrors { get; init; }

    /// <summary>True to keep colours beyond sRGB, in Display P3.</summary>
    public bool KeepsWide { get; init; }

    /// <summary>The lines around it that say how it stretches, as text; null for a plain picture.</summary>
    public string? Patch { get; init; }

    /// <summary>The key of a PNG that is drawn and is to be written as small as it goes; null for a picture to draw.</summary>
    public string? SmallerOf { get; init; }

    /// <summary>True to draw the layer with what lies beneath it on its screen.</summary>
    public bool OnScreen { get; init; }
}
