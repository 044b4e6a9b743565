namespace Kalypto.Core.Rendering;

/// <summary>What quick files of a layer weighed when it was looked at: the measure for what all files of it will weigh.</summary>
/// <param name="Png">As PNG.</param>
/// <param name="Jpeg">As JPEG of quality 82.</param>
/// <param name="WebP">As WebP of quality 80.</param>
/// <param name="Png8">As PNG of 256 colours.</param>
/// <param name="Gif">As GIF.</param>
public sealed record SeenWeights(SeenWeights.Measure Png, SeenWeights.Measure Jpeg, SeenWeights.Measure WebP, SeenWeights.Measure Png8, SeenWeights.Measure Gif)
{
    // A shape of edges alone grows with its outline, a photo with its area; beyond is chance.
    private const double LeastGrowth = 0.35;
    private const double MostGrowth = 2;

    /// <summary>What one format weighed, in bytes, without what every file of it has.</summary>
    /// <param name="Scale">px per drawing unit.</param>
    /// <param name="Full">At this scale.</param>
    /// <param name="Half">At half of it.</param>
    /// <param name="Quarter">At a quarter of it.</param>
    public readonly record struct Measure(double Scale, double Full, double Half, double Quarter)
    {
        /// <summary>The weight in bytes at another scale, px per drawing unit.</summary>
        public double At(double scale) => scale / Scale is var share && share >= 0.5 ? Full * Math.Pow(share, Growth(Half, Full)) : Half * Math.Pow(share * 2, Growth(Quarter, Half));

        // The power of the scale that the weight grows with: 1 for outlines, 2 for what is full of detail.
        private static double Growth(double less, double more) => Math.Clamp(Math.Log2(Math.Max(1, more) / Math.Max(1, less)), LeastGrowth, MostGrowth);
    }

    /// <summary>The same, measured in units of which so many px are one unit of what it was measured in.</summary>
    public SeenWeights In(double pixels)
    {
        Measure Of(Measure measure) => measure with { Scale = measure.Scale * pixels };
        return new(Of(Png), Of(Jpeg), Of(WebP), Of(Png8), Of(Gif));
    }

    /// <summary>All of it as numbers, to keep it.</summary>
    public double[] Numbers => [.. new[] { Png, Jpeg, WebP, Png8, Gif }.SelectMany(m => new[] { m.Scale, m.Full, m.Half, m.Quarter })];

    /// <summary>Reads the numbers back; null for others.</summary>
    public static SeenWeights? Read(double[]? numbers) => numbers is { Length: 20 } n ? new(At(n, 0), At(n, 4), At(n, 8), At(n, 12), At(n, 16)) : null;

    private static Measure At(double[] numbers, int at) => new(numbers[at], numbers[at + 1], numbers[at + 2], numbers[at + 3]);
}
