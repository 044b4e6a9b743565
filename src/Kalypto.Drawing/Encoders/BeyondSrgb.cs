using Kalypto.Core.Designs;

namespace Kalypto.Drawing.Encoders;

/// <summary>
/// Two pictures of the same in Display P3: one that was drawn in sRGB, so that its colours are right but for those of photos and
/// filters that sRGB does not hold; and one that knows these, while what its filters and blends made is another colour.
/// </summary>
internal static class BeyondSrgb
{
    private const int Edge = 3;
    private const int Same = 6;
    private static readonly double[] Linear = [.. Enumerable.Range(0, 256).Select(i => DisplayP3.Light(i / 255.0))];

    /// <summary>Takes a colour out of the second picture where the first one stands at the edge of sRGB, and both are the same there.</summary>
    /// <param name="first">BGRA, premultiplied; what is restored is written into it.</param>
    /// <param name="second">The same of the other picture.</param>
    public static void Restore(Span<byte> first, ReadOnlySpan<byte> second)
    {
        for (var at = 0; at + 4 <= first.Length; at += 4)
        {
            var one = first.Slice(at, 4);
            var two = second.Slice(at, 4);
            if (one[3] == 0 || two[3] == 0 || one.SequenceEqual(two) || Math.Abs(one[3] - two[3]) > Same)
            {
                continue;
            }
            var (here, there) = (ToSrgb(one), ToSrgb(two));
            if (IsAtEdge(here) && Math.Abs(here.R - there.R) <= Same && Math.Abs(here.G - there.G) <= Same && Math.Abs(here.B - there.B) <= Same)
            {
                two.CopyTo(one);
            }
        }
    }

    private static bool IsAtEdge((int R, int G, int B) c) => Math.Min(c.R, Math.Min(c.G, c.B)) <= Edge || Math.Max(c.R, Math.Max(c.G, c.B)) >= 255 - Edge;

    private static (int R, int G, int B) ToSrgb(ReadOnlySpan<byte> bgra)
    {
        static double Plain(byte part, byte alpha) => Linear[Math.Min(255, (part * 255 + alpha / 2) / alpha)];
        static int Byte(double value) => (int)Math.Round(255 * Math.Clamp(value, 0, 1));
        var (r, g, b) = DisplayP3.ToSrgb(Plain(bgra[2], bgra[3]), Plain(bgra[1], bgra[3]), Plain(bgra[0], bgra[3]));
        return (Byte(r), Byte(g), Byte(b));
    }
}
