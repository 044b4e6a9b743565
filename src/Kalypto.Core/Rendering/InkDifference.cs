using Kalypto.Core.Designs;

namespace Kalypto.Core.Rendering;

/// <summary>How much of the ink of two pictures of one size is visibly other.</summary>
public static class InkDifference
{
    /// <summary>From how far a colour is another one, of 255, as it would be seen on any ground.</summary>
    public const int Tolerance = 16;

    /// <summary>The share of the pixels with ink in either that differ, from 0 to 1; 0 where neither has ink.</summary>
    /// <param name="a">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="b">The same of the other.</param>
    public static double Of(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b) => Of(a, b, 0, new(0, 0, 0, 0));

    /// <summary>The same within a part of the pictures.</summary>
    /// <param name="a">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="b">The same of the other.</param>
    /// <param name="width">The width of both in px; 0 to look at the whole.</param>
    /// <param name="part">The part, in px.</param>
    public static double Of(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, int width, Box part)
    {
        if (a.Length != b.Length)
        {
            throw new ArgumentException("The pictures have two sizes.", nameof(b));
        }
        var (left, right, top, bottom) = width == 0 ? (0, a.Length / 4, 0, 1)
            : ((int)Math.Max(0, Math.Floor(part.X)), (int)Math.Min(width, Math.Ceiling(part.Right)), (int)Math.Max(0, Math.Floor(part.Y)), (int)Math.Min(a.Length / 4 / width, Math.Ceiling(part.Bottom)));
        var (ink, other) = (0L, 0L);
        for (var y = top; y < bottom; y++)
        {
            for (var i = (y * width + left) * 4; i < (y * width + right) * 4; i += 4)
            {
                if (a[i + 3] == 0 && b[i + 3] == 0)
                {
                    continue;
                }
                ink++;
                other += Differs(a.Slice(i, 4), b.Slice(i, 4)) ? 1 : 0;
            }
        }
        return ink == 0 ? 0 : (double)other / ink;
    }

    private static bool Differs(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b)
    {
        var far = Math.Abs(a[3] - b[3]) > Tolerance;
        for (var c = 0; c < 3 && !far; c++)
        {
            far = Math.Abs(a[c] * a[3] - b[c] * b[3]) > Tolerance * 255;
        }
        return far;
    }
}
