using Kalypto.Core.Designs;

namespace Kalypto.Core.Pages;

/// <summary>Writes lengths of a page.</summary>
internal static class Lengths
{
    // pt: a distance that stays whatever the width.
    private const double Firm = 24;

    /// <summary>A length: <c>0</c>, <c>14px</c>, <c>14.5px</c>.</summary>
    public static string Px(double length) => Math.Abs(length) < 0.05 ? "0" : Numbers.Text(Math.Round(length, 2), 2) is var text && text is "0" or "-0" ? "0" : text + "px";

    /// <summary>A length, or null for none to speak of.</summary>
    public static string? Some(double length) => Math.Abs(length) < 0.3 ? null : Px(length);

    /// <summary>A distance to the side that gets narrower with the box around it; null for none to speak of.</summary>
    /// <param name="distance">In pt.</param>
    /// <param name="of">The width of the box around it, in pt.</param>
    public static string? Aside(double distance, double of) => distance <= Firm || of <= 0 ? Some(distance) : $"min({Px(distance)}, {Numbers.Text(Math.Ceiling(distance / of * 100), 0)}%)";

    /// <summary>A width in fr, or a share to grow by.</summary>
    public static string Share(double width) => Numbers.Text(Math.Round(width, 1), 1);

    /// <summary>What keeps the content of a page in its middle once the window is wider than the drawing, and off its edges where it is narrower.</summary>
    /// <param name="edge">From the edge of the screen to the content, in pt.</param>
    /// <param name="width">The width of the screen, in pt.</param>
    public static string Gutter(double edge, double width)
    {
        // What is drawn for a phone is shown on wider ones, too.
        const double Widest = 480, Narrowest = 20;
        var (least, half) = width < 600 ? (edge, (Widest - 2 * edge) / 2) : (Math.Min(edge, Narrowest), width / 2 - edge);
        return $"max({Px(least)}, calc(50% - {Px(half)}))";
    }
}
