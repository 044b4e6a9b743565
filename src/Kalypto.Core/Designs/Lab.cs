namespace Kalypto.Core.Designs;

/// <summary>A colour where equal distances look about equal: CIE 1976 L*a*b*, under D65 (CIE 15:2018, 8.2.1).</summary>
/// <param name="L">Lightness, 0 to 100.</param>
/// <param name="A">From green to red.</param>
/// <param name="B">From blue to yellow.</param>
internal readonly record struct Lab(double L, double A, double B)
{
    // White of D65, and the matrix of IEC 61966-2-1.
    private const double WhiteX = 0.95047;
    private const double WhiteZ = 1.08883;

    public static Lab Of(Colour colour)
    {
        var (r, g, b) = (Linear(colour.Red), Linear(colour.Green), Linear(colour.Blue));
        var x = Curve((0.4124 * r + 0.3576 * g + 0.1805 * b) / WhiteX);
        var y = Curve(0.2126 * r + 0.7152 * g + 0.0722 * b);
        var z = Curve((0.0193 * r + 0.1192 * g + 0.9505 * b) / WhiteZ);
        return new(116 * y - 16, 500 * (x - y), 200 * (y - z));
    }

    /// <summary>How different two colours look: about 2 is just seen, 100 is black beside white.</summary>
    public double DistanceTo(Lab other) => Math.Sqrt((L - other.L) * (L - other.L) + (A - other.A) * (A - other.A) + (B - other.B) * (B - other.B));

    private static double Linear(int channel) => channel / 255.0 is var c && c <= 0.04045 ? c / 12.92 : Math.Pow((c + 0.055) / 1.055, 2.4);

    private static double Curve(double t) => t > 216.0 / 24389 ? Math.Cbrt(t) : (24389.0 / 27 * t + 16) / 116;
}
