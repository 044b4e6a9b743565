using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>Recognises what a screen is for by its size.</summary>
public static class DeviceSizes
{
    // Widths in pt that phones, tablets and windows really have; a drawing is often two or three times as wide.
    private static readonly (string Name, double Least, double Most, double Slimmest, double Widest)[] Devices =
    [
        ("phone", 320, 440, 0.4, 0.68), ("tablet", 600, 1032, 0.6, 0.85), ("desktop", 1024, 1920, 0.9, 2.4),
    ];

    private static readonly int[] DrawnScales = [1, 2, 3];

    /// <summary><c>phone</c>, <c>tablet</c> or <c>desktop</c>; null when the size is of none. A long page counts by its width.</summary>
    /// <param name="size">The screen in pt.</param>
    public static string? Of(Box size)
    {
        var proportion = size.Width / Math.Max(1, size.Height);
        return Devices.Where(d => size.Width >= d.Least && size.Width <= d.Most && proportion <= d.Widest && (proportion >= d.Slimmest || size.Height > size.Width * 2))
            .Select(d => d.Name).FirstOrDefault()
            // A phone or tablet on its side.
            ?? (size.Height is >= 320 and <= 440 && size.Width is >= 560 and <= 960 ? "phone" : null);
    }

    /// <summary>True when a rectangle has the proportions of a device at 1x, 2x or 3x.</summary>
    /// <param name="box">In drawing units.</param>
    public static bool HasDeviceProportions(Box box) => DrawnScales.Any(s => Of(box.Scale(1.0 / s)) is not null);

    /// <summary>
    /// How many drawing units are one point, guessed from the screens: 750 wide is a phone of 375 at 2x, and 1125 one at 3x.
    /// </summary>
    /// <param name="screens">The screens in drawing units.</param>
    public static double DrawnAt(IReadOnlyList<Box> screens) => screens.Select(ScaleOf).GroupBy(s => s)
        .OrderByDescending(g => g.Count()).ThenBy(g => g.Key).Select(g => g.Key).FirstOrDefault(1);

    // A phone's proportions at a whole multiple of a phone's width; no tablet is that slim, and no page ends that evenly.
    private static double ScaleOf(Box screen) => Of(screen) != "phone" && screen.Width / screen.Height is >= 0.4 and < 0.6
        && DrawnScales.Skip(1).FirstOrDefault(s => Of(screen.Scale(1.0 / s)) == "phone" && screen.Width % s == 0 && screen.Height % s == 0) is > 1 and var scale ? scale : 1;
}
