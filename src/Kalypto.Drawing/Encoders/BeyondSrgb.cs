namespace Kalypto.Drawing.Encoders;

/// <summary>
/// Two pictures of the same in Display P3: one that was drawn in sRGB, so that its colours are right but for those of photos and
/// filters that sRGB does not hold; and one that knows these, while what its filters and blends made is another colour.
/// </summary>
internal static class BeyondSrgb
{
    private const int Edge = 3;
    private const int Same = 6;
    private static readonly double[] Linear = [.. Enumerable.Range(0, 256).Select(i => i / 255.0).Select(c => c <= 0.04045 ? c / 12.92 : Math.Pow((c + 0.055) / 1.055, 2.4))];

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

    // CSS Color level 4, section "Sample code for color conversions"; both spaces have one curve.
    private static (int R, int G, int B) ToSrgb(ReadOnlySpan<byte> bgra)
    {
        static double Plain(byte part, byte alpha) => Linear[Math.Min(255, (part * 255 + alpha / 2) / alpha)];
        static int Byte(double light) => (int)Math.Round(255 * (light <= 0.0031308 ? Math.Max(0, 12.92 * light) : Math.Min(1, 1.055 * Math.Pow(light, 1 / 2.4) - 0.055)));
        var (r, g, b) = (Plain(bgra[2], bgra[3]), Plain(bgra[1], bgra[3]), Plain(bgra[0], bgra[3]));
        return (Byte(1.2249401762805598 * r - 0.2249401762805597 * g), Byte(-0.0420569547096881 * r + 1.0420569547096881 * g), Byte(-0.0196375545903344 * r - 0.0786360455506319 * g + 1.0982736001409663 * b));
    }
}
