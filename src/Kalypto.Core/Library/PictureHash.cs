using System.Collections.Immutable;
using System.Globalization;
using System.Numerics;

namespace Kalypto.Core.Library;

/// <summary>
/// What a picture looks like in 128 bits: which of neighbouring cells is darker, across and down, in its ink stretched over eight
/// by eight. Neither size nor colour nor room around it change it much, and light on dark counts as dark on light.
/// </summary>
/// <param name="Across">Cells beside each other.</param>
/// <param name="Down">Cells below each other.</param>
/// <param name="Aspect">Width of the ink divided by its height.</param>
public readonly record struct PictureHash(ulong Across, ulong Down, double Aspect)
{
    /// <summary>Pictures up to this distance look alike.</summary>
    public const int Alike = 18;

    /// <summary>The distance of pictures that have nothing to do with each other.</summary>
    public const int Farthest = 128;

    private const int MostAtOnce = 4;
    private const int Cells = 8;
    private const int Visible = 8;

    // What is hardly seen says nothing.
    private const double Least = 0.02;
    private const double OtherShape = 1.3;

    /// <summary>Works it out; null for a picture in which nothing is visible.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static PictureHash? Of(ReadOnlySpan<byte> rgba, int width, int height)
    {
        int left = width, right = -1, top = height, bottom = -1;
        double luma = 0, ink = 0;
        for (var y = 0; y < height; y++)
        {
            for (var x = 0; x < width; x++)
            {
                var i = (y * width + x) * 4;
                if (rgba[i + 3] > Visible)
                {
                    (left, right, top, bottom) = (Math.Min(left, x), Math.Max(right, x), Math.Min(top, y), Math.Max(bottom, y));
                    luma += Luma(rgba, i) * rgba[i + 3];
                    ink += rgba[i + 3];
                }
            }
        }
        if (right < 0)
        {
            return null;
        }
        var light = luma / ink > 0.5;
        var dark = new double[width * height];
        for (var i = 0; i < dark.Length; i++)
        {
            // On the ground that it shows up against; light on dark is turned into dark on light.
            dark[i] = rgba[i * 4 + 3] / 255.0 * (light ? Luma(rgba, i * 4) : 1 - Luma(rgba, i * 4));
        }
        var (wide, tall) = (right - left + 1, bottom - top + 1);
        var across = Compare(CellsOf(dark, width, left, top, wide, tall, Cells + 1, Cells), Cells + 1, Cells, 1);
        var down = Compare(CellsOf(dark, width, left, top, wide, tall, Cells, Cells + 1), Cells, Cells, Cells);
        return new(across, down, (double)wide / tall);
    }

    /// <summary>How many of the bits differ, 0 to 128; 128 for pictures of another shape.</summary>
    public int DistanceTo(PictureHash other) => Math.Max(Aspect, other.Aspect) > OtherShape * Math.Min(Aspect, other.Aspect) ? Farthest
        : BitOperations.PopCount(Across ^ other.Across) + BitOperations.PopCount(Down ^ other.Down);

    /// <summary>Reads what <see cref="ToString"/> wrote; null for anything else.</summary>
    public static PictureHash? Parse(string? text) => text?.Split('-') is [{ Length: 16 } across, { Length: 16 } down, var aspect]
        && ulong.TryParse(across, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var a) && ulong.TryParse(down, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var d)
        && double.TryParse(aspect, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var ratio) && ratio is > 0 and < 1e6 ? new(a, d, ratio) : null;

    /// <summary>Reads several, parted by commas; none where one of them is none.</summary>
    public static ImmutableArray<PictureHash> ParseAll(string? text) =>
        text?.Split(',').Select(Parse).ToList() is { Count: <= MostAtOnce } all && !all.Contains(null) ? [.. all.OfType<PictureHash>()] : [];

    /// <summary>As text that goes into an address.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Across:x16}-{Down:x16}-{Math.Max(Aspect, 0.001):0.###}");

    private static double Luma(ReadOnlySpan<byte> rgba, int i) => (0.299 * rgba[i] + 0.587 * rgba[i + 1] + 0.114 * rgba[i + 2]) / 255;

    /// <summary>The mean of the pixels under each cell, by the share of each pixel that lies in it.</summary>
    private static double[] CellsOf(double[] pixels, int stride, int left, int top, int width, int height, int across, int down)
    {
        var cells = new double[across * down];
        for (var row = 0; row < down; row++)
        {
            for (var column = 0; column < across; column++)
            {
                var (x0, x1) = ((double)column * width / across, (double)(column + 1) * width / across);
                var (y0, y1) = ((double)row * height / down, (double)(row + 1) * height / down);
                var sum = 0.0;
                for (var y = (int)y0; y < y1; y++)
                {
                    var tall = Math.Min(y1, y + 1) - Math.Max(y0, y);
                    for (var x = (int)x0; x < x1; x++)
                    {
                        sum += tall * (Math.Min(x1, x + 1) - Math.Max(x0, x)) * pixels[(top + y) * stride + left + x];
                    }
                }
                cells[row * across + column] = sum / ((x1 - x0) * (y1 - y0));
            }
        }
        return cells;
    }

    private static ulong Compare(double[] cells, int across, int down, int next)
    {
        var (bits, bit) = (0UL, 0);
        for (var row = 0; row < down; row++)
        {
            for (var column = 0; column < Cells; column++, bit++)
            {
                var at = row * across + column;
                bits |= cells[at + next] - cells[at] > Least ? 1UL << bit : 0;
            }
        }
        return bits;
    }
}
