using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Library;

/// <summary>The few colours that a picture is made of, the largest first.</summary>
public static class MainColours
{
    /// <summary>The most colours that are kept of a picture.</summary>
    public const int Most = 5;

    private const int Bits = 4;
    private const double Same = 12;
    private const double LeastShare = 0.04;

    /// <summary>Finds them.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps. What is transparent counts for nothing.</param>
    public static ImmutableArray<MainColour> Of(ReadOnlySpan<byte> rgba)
    {
        var bins = new Dictionary<int, (double Weight, double Red, double Green, double Blue)>();
        var all = 0.0;
        for (var i = 0; i + 3 < rgba.Length; i += 4)
        {
            var weight = rgba[i + 3] / 255.0;
            if (weight == 0)
            {
                continue;
            }
            all += weight;
            var bin = rgba[i] >> (8 - Bits) << (2 * Bits) | rgba[i + 1] >> (8 - Bits) << Bits | rgba[i + 2] >> (8 - Bits);
            var (w, r, g, b) = bins.GetValueOrDefault(bin);
            bins[bin] = (w + weight, r + weight * rgba[i], g + weight * rgba[i + 1], b + weight * rgba[i + 2]);
        }
        // A colour takes in what looks like it, the smaller the sooner: blurred edges and shades.
        var main = new List<(Lab Lab, Colour Colour, double Weight)>();
        foreach (var (w, r, g, b) in bins.OrderByDescending(x => x.Value.Weight).ThenBy(x => x.Key).Select(x => x.Value))
        {
            var colour = new Colour((int)Math.Round(r / w), (int)Math.Round(g / w), (int)Math.Round(b / w), 1);
            var lab = Lab.Of(colour);
            var near = main.FindIndex(m => m.Lab.DistanceTo(lab) < Same);
            if (near < 0)
            {
                main.Add((lab, colour, w));
            }
            else
            {
                main[near] = main[near] with { Weight = main[near].Weight + w };
            }
        }
        return [.. main.OrderByDescending(m => m.Weight).Where(m => m.Weight >= LeastShare * all).Take(Most).Select(m => new MainColour(m.Colour.ToHex(), Math.Round(m.Weight / all, 3)))];
    }
}
