using System.Globalization;

namespace Kalypto.Core.Pages;

/// <summary>Makes links of words as high as a fingertip (WCAG 2.2, 2.5.8), without moving anything.</summary>
internal static class Targets
{
    // CSS px.
    private const double Least = 24;

    /// <summary>Makes them so in an element.</summary>
    public static void Give(PageElement body)
    {
        foreach (var link in body.All.Where(e => e.Tag is "a" or "button" && e.Box.Height > 0 && e.Box.Height < Least))
        {
            var more = Math.Ceiling((Least - link.Box.Height) / 2);
            link.Padding = link.Padding with { Top = Plus(link.Padding.Top, more), Bottom = Plus(link.Padding.Bottom, more) };
            link.Margin = link.Margin with { Top = Plus(link.Margin.Top, -more), Bottom = Plus(link.Margin.Bottom, -more) };
            if (link.Box.Width < Least && link.Words is not null)
            {
                // Aside only where its distance to what stands beside it is one length.
                var side = Math.Ceiling((Least - link.Box.Width) / 2);
                var (left, right) = (IsPlain(link.Margin.Left), IsPlain(link.Margin.Right));
                link.Padding = link.Padding with { Left = left ? Plus(link.Padding.Left, side) : link.Padding.Left, Right = right ? Plus(link.Padding.Right, side) : link.Padding.Right };
                link.Margin = link.Margin with { Left = left ? Plus(link.Margin.Left, -side) : link.Margin.Left, Right = right ? Plus(link.Margin.Right, -side) : link.Margin.Right };
            }
        }
    }

    private static bool IsPlain(string? length) => length is null || (length.EndsWith("px", StringComparison.Ordinal) && !length.Contains('(', StringComparison.Ordinal));

    private static string Plus(string? length, double more) => Lengths.Px((length is not null && double.TryParse(length.Replace("px", "", StringComparison.Ordinal), CultureInfo.InvariantCulture, out var px) ? px : 0) + more);
}
