namespace Kalypto.Core.Designs;

/// <summary>Display P3 beside sRGB: the curve is one, the primaries are others (CSS Color level 4, section "Sample code for color conversions").</summary>
public static class DisplayP3
{
    /// <summary>The light of a value of either, 0 to 1.</summary>
    public static double Light(double value) => value <= 0.04045 ? value / 12.92 : Math.Pow((value + 0.055) / 1.055, 2.4);

    /// <summary>The value of light in either; beyond 0 to 1 for colours that it does not hold.</summary>
    public static double Value(double light) => light <= 0.0031308 ? 12.92 * light : 1.055 * Math.Pow(light, 1 / 2.4) - 0.055;

    /// <summary>Values of sRGB for the light of a colour in Display P3; beyond 0 to 1 for colours that sRGB lacks.</summary>
    public static (double R, double G, double B) ToSrgb(double r, double g, double b) => (
        Value(1.2249401762805598 * r - 0.2249401762805597 * g),
        Value(-0.0420569547096881 * r + 1.0420569547096881 * g),
        Value(-0.0196375545903344 * r - 0.0786360455506319 * g + 1.0982736001409663 * b));
}
