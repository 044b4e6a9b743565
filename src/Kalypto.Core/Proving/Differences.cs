using System.Numerics;

namespace Kalypto.Core.Proving;

/// <summary>Which pixels of two pictures of one size have ink, and which are visibly other.</summary>
public sealed class Differences
{
    /// <summary>From how far a colour is another one, of 255, as it would be seen on any ground.</summary>
    public const int Tolerance = 16;

    private const int Bits = 64;
    private readonly ulong[] inked;
    private readonly ulong[] other;
    private readonly int stride;

    private Differences(int width, int height, ulong[] inked, ulong[] other)
    {
        (Width, Height, this.inked, this.other) = (width, height, inked, other);
        stride = StrideOf(width);
        (Inked, Count) = (Ones(inked), Ones(other));
    }

    /// <summary>px.</summary>
    public int Width { get; }

    /// <summary>px.</summary>
    public int Height { get; }

    /// <summary>How many pixels have ink in either picture.</summary>
    public int Inked { get; }

    /// <summary>How many pixels are other.</summary>
    public int Count { get; }

    /// <summary>The share of the ink that is other, from 0 to 1.</summary>
    public double Share => Inked == 0 ? 0 : (double)Count / Inked;

    /// <summary>No ink at all.</summary>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static Differences None(int width, int height) => new(width, height, new ulong[StrideOf(width) * height], new ulong[StrideOf(width) * height]);

    /// <summary>Compares two pictures.</summary>
    /// <param name="a">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="b">The same of the other picture.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    /// <exception cref="ArgumentException">They are not of this size.</exception>
    public static Differences Of(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, int width, int height) => None(width, height).With(a, b, new(0, 0, width, height));

    /// <summary>The same with a part of it compared.</summary>
    /// <param name="a">RGBA of the part, not premultiplied, rows without gaps.</param>
    /// <param name="b">The same of the other picture.</param>
    /// <param name="part">Where it lies; within the picture.</param>
    /// <exception cref="ArgumentException">The pictures are not of the size of the part.</exception>
    public Differences With(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, PixelBox part)
    {
        if (a.Length != part.Width * part.Height * 4 || b.Length != a.Length)
        {
            throw new ArgumentException($"Two pictures of {part.Width}x{part.Height} px are compared.");
        }
        var (ink, rest) = ((ulong[])inked.Clone(), (ulong[])other.Clone());
        for (int y = part.Top, at = 0; y < part.Bottom; y++)
        {
            for (var x = part.Left; x < part.Right; x++, at += 4)
            {
                if (a[at + 3] != 0 || b[at + 3] != 0)
                {
                    var (word, bit) = (y * stride + x / Bits, 1UL << (x % Bits));
                    ink[word] |= bit;
                    rest[word] |= Differ(a.Slice(at, 4), b.Slice(at, 4)) ? bit : 0;
                }
            }
        }
        return new(Width, Height, ink, rest);
    }

    /// <summary>The pixels that are other, row by row.</summary>
    public IEnumerable<(int X, int Y)> Pixels()
    {
        for (var word = 0; word < other.Length; word++)
        {
            for (var rest = other[word]; rest != 0; rest &= rest - 1)
            {
                yield return (word % stride * Bits + BitOperations.TrailingZeroCount(rest), word / stride);
            }
        }
    }

    /// <summary>How many pixels are other in a rectangle, and how many have ink; what of it lies outside of the picture has none.</summary>
    public (int Other, int Inked) CountIn(PixelBox box)
    {
        var (count, ink) = (0, 0);
        ForEach(box, (at, mask) => (count, ink) = (count + BitOperations.PopCount(other[at] & mask), ink + BitOperations.PopCount(inked[at] & mask)));
        return (count, ink);
    }

    /// <summary>The same with everything equal in a rectangle.</summary>
    public Differences Without(PixelBox box)
    {
        var rest = (ulong[])other.Clone();
        ForEach(box, (at, mask) => rest[at] &= ~mask);
        return new(Width, Height, inked, rest);
    }

    /// <summary>The same with only that other which is so in a second comparison of the same size too.</summary>
    /// <exception cref="ArgumentException">It is of another size.</exception>
    public Differences And(Differences second)
    {
        if (second.Width != Width || second.Height != Height)
        {
            throw new ArgumentException($"A comparison of {Width}x{Height} px is held against one of {second.Width}x{second.Height}.");
        }
        return new(Width, Height, inked, [.. other.Zip(second.other, (one, two) => one & two)]);
    }

    private static int StrideOf(int width) => (width + Bits - 1) / Bits;

    private static int Ones(ulong[] bits)
    {
        var count = 0;
        foreach (var some in bits)
        {
            count += BitOperations.PopCount(some);
        }
        return count;
    }

    private static bool Differ(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b)
    {
        if (a.SequenceEqual(b))
        {
            return false;
        }
        if (Math.Abs(a[3] - b[3]) > Tolerance)
        {
            return true;
        }
        for (var c = 0; c < 3; c++)
        {
            if (Math.Abs(a[c] * a[3] - b[c] * b[3]) > Tolerance * 255)
            {
                return true;
            }
        }
        return false;
    }

    private void ForEach(PixelBox box, Action<int, ulong> act)
    {
        var (left, top, right, bottom) = (Math.Max(0, box.Left), Math.Max(0, box.Top), Math.Min(Width, box.Right), Math.Min(Height, box.Bottom));
        if (left >= right)
        {
            return;
        }
        var (first, last) = (left / Bits, (right - 1) / Bits);
        for (var y = top; y < bottom; y++)
        {
            for (var word = first; word <= last; word++)
            {
                var mask = ulong.MaxValue;
                if (word == first)
                {
                    mask &= ulong.MaxValue << (left % Bits);
                }
                if (word == last)
                {
                    mask &= ulong.MaxValue >> (Bits - 1 - (right - 1) % Bits);
                }
                act(y * stride + word, mask);
            }
        }
    }
}
