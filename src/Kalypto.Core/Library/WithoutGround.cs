namespace Kalypto.Core.Library;

/// <summary>Takes the plain ground away on which a picture was saved: an icon on white looks like the icon alone.</summary>
public static class WithoutGround
{
    // Pixels of the edge that differ by less are of the ground, for JPEG blurs it; from a difference of this many on a pixel is ink as a whole.
    private const int Noise = 12;
    private const int Whole = 64;

    // How much of the edge has to be ground: a picture may touch it.
    private const double LeastOfEdge = 0.9;

    /// <summary>The picture without its ground; null where it lets through already, or where its edge is of no one colour.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static byte[]? Of(ReadOnlySpan<byte> rgba, int width, int height)
    {
        if (width < 3 || height < 3)
        {
            return null;
        }
        var ground = rgba[..4];
        var (edge, same) = (0, 0);
        for (var y = 0; y < height; y++)
        {
            for (var x = 0; x < width; x += y == 0 || y == height - 1 ? 1 : width - 1)
            {
                var pixel = rgba.Slice((y * width + x) * 4, 4);
                edge++;
                same += Difference(pixel, ground) < Noise ? 1 : 0;
                if (pixel[3] < byte.MaxValue)
                {
                    return null;
                }
            }
        }
        if (same < edge * LeastOfEdge)
        {
            return null;
        }
        var left = rgba.ToArray();
        for (var i = 0; i < left.Length; i += 4)
        {
            var difference = Difference(rgba.Slice(i, 4), ground);
            left[i + 3] = (byte)(difference < Noise ? 0 : Math.Min(byte.MaxValue, difference * byte.MaxValue / Whole));
        }
        return left;
    }

    private static int Difference(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b) => Math.Max(Math.Abs(a[0] - b[0]), Math.Max(Math.Abs(a[1] - b[1]), Math.Abs(a[2] - b[2])));
}
