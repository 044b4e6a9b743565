namespace Kalypto.Core.Formats;

/// <summary>
/// How alike two pictures look: structural similarity (Wang, Bovik, Sheikh and Simoncelli, 2004) of their luma, on a light
/// and on a dark ground, the worse of the two. 1 means equal.
/// </summary>
public static class Likeness
{
    /// <summary>From here on a picture counts as looking the same.</summary>
    public const double Same = 0.985;

    private const int Window = 8;
    private const int Step = 4;
    private const double C1 = 0.01 * 255 * 0.01 * 255;
    private const double C2 = 0.03 * 255 * 0.03 * 255;

    /// <summary>Compares two pictures of one size.</summary>
    /// <param name="a">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="b">The same of the other picture.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static double Of(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, int width, int height)
    {
        if (a.Length != b.Length || a.Length != width * height * 4)
        {
            throw new ArgumentException("The pictures differ in size.", nameof(b));
        }
        var light = OnGround(a, b, width, height, 255);
        return HasAlpha(a) || HasAlpha(b) ? Math.Min(light, OnGround(a, b, width, height, 0)) : light;
    }

    /// <summary>The largest difference and the share of pixels that differ by more than a threshold, from 0 to 1.</summary>
    public static (int Largest, double Share) Difference(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, int threshold)
    {
        var (largest, count) = (0, 0);
        for (var i = 0; i < a.Length; i += 4)
        {
            var worst = 0;
            for (var c = 0; c < 3; c++)
            {
                worst = Math.Max(worst, Math.Abs(a[i + c] * a[i + 3] - b[i + c] * b[i + 3]) / 255);
            }
            worst = Math.Max(worst, Math.Abs(a[i + 3] - b[i + 3]));
            largest = Math.Max(largest, worst);
            count += worst > threshold ? 1 : 0;
        }
        return (largest, a.Length == 0 ? 0 : count / (a.Length / 4.0));
    }

    private static double OnGround(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b, int width, int height, int ground)
    {
        var (x, y) = (Luma(a, ground), Luma(b, ground));
        var (sum, count) = (0.0, 0);
        var (wide, tall) = (Math.Min(Window, width), Math.Min(Window, height));
        for (var top = 0; top == 0 || top + tall <= height; top += Step)
        {
            for (var left = 0; left == 0 || left + wide <= width; left += Step)
            {
                double sx = 0, sy = 0, sxx = 0, syy = 0, sxy = 0;
                for (var row = top; row < top + tall; row++)
                {
                    for (var i = row * width + left; i < row * width + left + wide; i++)
                    {
                        double p = x[i], q = y[i];
                        sx += p;
                        sy += q;
                        sxx += p * p;
                        syy += q * q;
                        sxy += p * q;
                    }
                }
                double n = wide * tall;
                var (mx, my) = (sx / n, sy / n);
                var (vx, vy, cov) = (sxx / n - mx * mx, syy / n - my * my, sxy / n - mx * my);
                // Even windows say nothing of a picture; they would drown what differs.
                if (vx < 1 && vy < 1 && Math.Abs(mx - my) < 1)
                {
                    continue;
                }
                sum += (2 * mx * my + C1) * (2 * cov + C2) / ((mx * mx + my * my + C1) * (vx + vy + C2));
                count++;
            }
        }
        return count == 0 ? 1 : sum / count;
    }

    private static float[] Luma(ReadOnlySpan<byte> rgba, int ground)
    {
        var luma = new float[rgba.Length / 4];
        for (var i = 0; i < luma.Length; i++)
        {
            var (r, g, b, alpha) = (rgba[i * 4], rgba[i * 4 + 1], rgba[i * 4 + 2], rgba[i * 4 + 3] / 255f);
            luma[i] = (0.299f * r + 0.587f * g + 0.114f * b) * alpha + ground * (1 - alpha);
        }
        return luma;
    }

    private static bool HasAlpha(ReadOnlySpan<byte> rgba)
    {
        for (var i = 3; i < rgba.Length; i += 4)
        {
            if (rgba[i] != 255)
            {
                return true;
            }
        }
        return false;
    }
}
