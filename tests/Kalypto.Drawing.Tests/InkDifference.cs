namespace Kalypto.Drawing.Tests;

/// <summary>How much of the ink of two pictures of one size is visibly other.</summary>
internal static class InkDifference
{
    // From how far a colour is another one, of 255, as it would be seen on any ground.
    private const int Tolerance = 16;

    /// <summary>The share of the pixels with ink in either that differ, from 0 to 1. RGBA, not premultiplied, rows without gaps.</summary>
    public static double Of(byte[] a, byte[] b)
    {
        Assert.Equal(a.Length, b.Length);
        var inked = a.Chunk(4).Zip(b.Chunk(4)).Where(p => p.First[3] > 0 || p.Second[3] > 0).ToList();
        return inked.Count == 0 ? 0 : inked.Count(p => Differs(p.First, p.Second)) / (double)inked.Count;
    }

    private static bool Differs(byte[] a, byte[] b) => Math.Abs(a[3] - b[3]) > Tolerance
        || Enumerable.Range(0, 3).Any(c => Math.Abs(a[c] * a[3] - b[c] * b[3]) > Tolerance * 255);
}
