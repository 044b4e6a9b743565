using Kalypto.Core.Formats;

namespace Kalypto.Drawing.Encoders;

/// <summary>Draws the lines of a nine-patch around pixels, and finds what stretches where nobody said it: the longest run of equal rows and columns.</summary>
internal static class PatchLines
{
    private static ReadOnlySpan<byte> Black => [0, 0, 0, 255];

    /// <summary>The pixels with a border of one px around them.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <param name="patch">What is said of it.</param>
    public static byte[] Around(ReadOnlySpan<byte> rgba, int width, int height, NinePatch patch)
    {
        var kept = patch.Kept ?? Find(rgba, width, height);
        var around = patch.Around ?? kept;
        var row = (width + NinePatch.Border) * 4;
        var all = new byte[row * (height + NinePatch.Border)];
        for (var y = 0; y < height; y++)
        {
            rgba.Slice(y * width * 4, width * 4).CopyTo(all.AsSpan((y + 1) * row + 4));
        }
        void Mark(int x, int y) => Black.CopyTo(all.AsSpan(y * row + x * 4));
        for (var x = 0; x < width; x++)
        {
            if (x >= kept.Left && x < width - kept.Right)
            {
                Mark(x + 1, 0);
            }
            if (x >= around.Left && x < width - around.Right)
            {
                Mark(x + 1, height + 1);
            }
        }
        for (var y = 0; y < height; y++)
        {
            if (y >= kept.Top && y < height - kept.Bottom)
            {
                Mark(0, y + 1);
            }
            if (y >= around.Top && y < height - around.Bottom)
            {
                Mark(width + 1, y + 1);
            }
        }
        return all;
    }

    private static NinePatch.Sides Find(ReadOnlySpan<byte> rgba, int width, int height)
    {
        var pixels = rgba.ToArray();
        var (left, right) = Run(width, (a, b) =>
        {
            for (var y = 0; y < height; y++)
            {
                if (!pixels.AsSpan((y * width + a) * 4, 4).SequenceEqual(pixels.AsSpan((y * width + b) * 4, 4)))
                {
                    return false;
                }
            }
            return true;
        });
        var (top, bottom) = Run(height, (a, b) => pixels.AsSpan(a * width * 4, width * 4).SequenceEqual(pixels.AsSpan(b * width * 4, width * 4)));
        return new(left, top, right, bottom);
    }

    /// <summary>The longest run of lines that are equal to the one before; where none is, the line in the middle.</summary>
    /// <returns>How many lines lie before and behind it.</returns>
    private static (int Before, int Behind) Run(int count, Func<int, int, bool> areEqual)
    {
        var (best, length, start) = (count / 2, 1, 0);
        for (var i = 1; i <= count; i++)
        {
            if (i < count && areEqual(i - 1, i))
            {
                continue;
            }
            if (i - start > length)
            {
                (best, length) = (start, i - start);
            }
            start = i;
        }
        return (best, count - best - length);
    }
}
