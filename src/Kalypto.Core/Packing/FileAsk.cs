using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Packing;

/// <summary>A file that a platform wants of a picture.</summary>
/// <param name="Path">Where it goes in the pack, with slashes.</param>
/// <param name="Format">Its format and quality.</param>
/// <param name="Scale">px per pt; 1x for formats that are drawn of shapes.</param>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="Source">The rectangle to show, in pt.</param>
/// <param name="Ground">The colour under it, <c>#rrggbb</c>; null for none beside what the picture itself asks.</param>
public sealed record FileAsk(string Path, FormatAsk Format, Scale Scale, int Width, int Height, Box Source, string? Ground = null)
{
    /// <summary>The names of the files beside it that hold the pictures inside it; empty when they are embedded.</summary>
    public ImmutableArray<string> Links { get; init; } = [];

    /// <summary>Which of the pictures inside the layer the file is, from 0; null for a file of the layer itself.</summary>
    public int? Linked { get; init; }

    /// <summary>True to take the colour of the code around it.</summary>
    public bool TakesColour { get; init; }

    /// <summary>True to say in the file that it is turned round where languages are written from right to left.</summary>
    public bool Mirrors { get; init; }

    /// <summary>True to keep its colours beyond sRGB, in Display P3.</summary>
    public bool KeepsWide { get; init; }

    /// <summary>The lines around it that say how it stretches; null for a plain picture.</summary>
    public NinePatch? Patch { get; init; }

    /// <summary>What sort of output it is, whatever its crop: <c>2x</c>, <c>480w</c>, <c>64h</c>, or <c>48s</c> for a square.</summary>
    public string Output { get; init; } = Scale.ToString();

    /// <summary>A file at a scale.</summary>
    public static FileAsk At(string path, FormatAsk format, Scale scale, Box crop)
    {
        var (width, height) = (scale.Pixels(crop.Width), scale.Pixels(crop.Height));
        // The fraction that rounding up the px adds is drawn too.
        return new(path, format, scale, width, height, new(crop.X, crop.Y, width / scale.Factor, height / scale.Factor));
    }

    /// <summary>A file of a width in px.</summary>
    public static FileAsk Wide(string path, FormatAsk format, int wide, Box crop)
    {
        var scale = new Scale(wide / crop.Width);
        var height = Math.Max(1, scale.Pixels(crop.Height));
        return new(path, format, scale, wide, height, crop with { Height = height / scale.Factor }) { Output = $"{wide}w" };
    }

    /// <summary>A file of a height in px.</summary>
    public static FileAsk Tall(string path, FormatAsk format, int tall, Box crop)
    {
        var scale = new Scale(tall / crop.Height);
        var width = Math.Max(1, scale.Pixels(crop.Width));
        return new(path, format, scale, width, tall, crop with { Width = width / scale.Factor }) { Output = $"{tall}h" };
    }

    /// <summary>A file of any size: the crop in the middle of it, as large as fits into a share of both sides.</summary>
    /// <param name="path">Where it goes.</param>
    /// <param name="format">Its format.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="crop">The crop in pt.</param>
    /// <param name="share">How much of the sides the crop may take up, up to 1.</param>
    /// <param name="ground">The colour under it, or null.</param>
    public static FileAsk Inside(string path, FormatAsk format, int width, int height, Box crop, double share, string? ground)
    {
        var scale = Math.Min(width * share / crop.Width, height * share / crop.Height);
        var (wide, tall) = (width / scale, height / scale);
        return new(path, format, new(scale), width, height, new(crop.X - (wide - crop.Width) / 2, crop.Y - (tall - crop.Height) / 2, wide, tall), ground)
        { Output = width == height ? $"{width}s" : $"{width}by{height}" };
    }

    /// <summary>A square file: the crop in the middle of it, taking up a share of its side.</summary>
    /// <param name="path">Where it goes.</param>
    /// <param name="format">Its format.</param>
    /// <param name="side">px.</param>
    /// <param name="crop">The crop in pt.</param>
    /// <param name="share">How much of the side the longer side of the crop takes up, up to 1.</param>
    /// <param name="ground">The colour under it, or null.</param>
    public static FileAsk Square(string path, FormatAsk format, int side, Box crop, double share = 1, string? ground = null)
    {
        var points = Math.Max(crop.Width, crop.Height) / share;
        return new(path, format, new(side / points), side, side,
            new(crop.X - (points - crop.Width) / 2, crop.Y - (points - crop.Height) / 2, points, points), ground)
        { Output = $"{side}s" };
    }
}
