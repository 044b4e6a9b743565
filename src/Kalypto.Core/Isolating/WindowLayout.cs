using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>
/// How a browser lays out what it draws: a unit of the drawing is one px of CSS, however many px the picture has, as on a screen
/// of that density; for what CSS counts in px, such as shadows of words, does not grow with a view box. A window is whole px
/// large, so a little more of the drawing may lie in it.
/// </summary>
/// <param name="Whole">The rectangle in the window, in drawing units.</param>
/// <param name="Wide">The width of the window in px of CSS.</param>
/// <param name="Tall">The height of the window in px of CSS.</param>
/// <param name="ShownWide">The width of what is asked for, in px of CSS.</param>
/// <param name="ShownTall">The height of what is asked for, in px of CSS.</param>
public sealed record WindowLayout(Box Whole, int Wide, int Tall, double ShownWide, double ShownTall)
{
    // px of a picture in a px of CSS: more than any screen has, and fewer than those of a picture in which nothing small is seen.
    private const double MostDense = 32;
    private const double LeastDense = 1;

    /// <summary>A layout for a picture.</summary>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width of the picture in px.</param>
    /// <param name="height">The height of the picture in px.</param>
    public static WindowLayout Of(Box crop, double width, double height)
    {
        var density = width / crop.Width;
        var across = density > MostDense ? density / MostDense : density < LeastDense ? density : 1;
        // A picture that is stretched otherwise than the drawing is stretched in the window.
        var down = across * (height / crop.Height) / density;
        var (shownWide, shownTall) = (crop.Width * across, crop.Height * down);
        var (wide, tall) = (Math.Max(1, (int)Math.Ceiling(shownWide - 1e-6)), Math.Max(1, (int)Math.Ceiling(shownTall - 1e-6)));
        return new(crop with { Width = wide / across, Height = tall / down }, wide, tall, shownWide, shownTall);
    }
}
