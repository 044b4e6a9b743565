using Kalypto.Core.Proving;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Encoders;

/// <summary>A picture that lies over a screen and marks what the quick engine draws otherwise than a browser.</summary>
public static class MarksPicture
{
    // Single pixels are not seen on a screen that is fitted into a page.
    private const int LongestSide = 1000;
    private const int Around = 2;

    // What is other in what ships, and what is other but drawn exactly.
    private static readonly byte[] Left = [0xc2, 0x1f, 0x5b, 0xff];
    private static readonly byte[] Mended = [0x1f, 0x7a, 0x6d, 0xff];

    /// <summary>A PNG of the shape of the screen.</summary>
    public static byte[] Of(ScreenProof proof)
    {
        var shrink = Math.Max(1, (int)Math.Ceiling(Math.Max(proof.All.Width, proof.All.Height) / (double)LongestSide));
        var (width, height) = ((proof.All.Width + shrink - 1) / shrink, (proof.All.Height + shrink - 1) / shrink);
        var rgba = new byte[width * height * 4];
        Mark(proof.All, Mended);
        Mark(proof.Left, Left);
        return PngEncoder.Encode(rgba, width, height, Effort.Quick);

        void Mark(Differences marked, byte[] colour)
        {
            foreach (var (x, y) in marked.Pixels())
            {
                for (var near = Math.Max(0, y / shrink - Around); near <= Math.Min(height - 1, y / shrink + Around); near++)
                {
                    for (var beside = Math.Max(0, x / shrink - Around); beside <= Math.Min(width - 1, x / shrink + Around); beside++)
                    {
                        colour.CopyTo(rgba, (near * width + beside) * 4);
                    }
                }
            }
        }
    }
}
