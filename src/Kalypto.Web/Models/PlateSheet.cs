using Kalypto.Core.Handover;

namespace Kalypto.Web.Models;

/// <summary>A plate laid out for one width of the page.</summary>
/// <param name="Id">wide or narrow.</param>
/// <param name="Scale">Units of the sheet for each pt.</param>
/// <param name="Width">The width of the picture on the sheet.</param>
/// <param name="Height">The height of the picture on the sheet.</param>
/// <param name="Margin">From the picture to the middle of the numbers.</param>
/// <param name="Views">Where the numbers stand, for each choice of what is shown.</param>
public sealed record PlateSheet(string Id, double Scale, double Width, double Height, double Margin, IReadOnlyList<PlateView> Views)
{
    /// <summary>Half of a number.</summary>
    public const double Half = 12;

    private const double Gap = 27;

    /// <summary>Lays a plate out.</summary>
    public static PlateSheet Of(string id, Plate plate, double mostWide, double mostTall, double margin, IReadOnlyList<(string Show, Func<Pin, bool> Holds)> choices)
    {
        var scale = Math.Min(mostWide / plate.Width, mostTall / plate.Height);
        var (width, height) = (plate.Width * scale, plate.Height * scale);
        // Pictures are what most look for; a box around much else is the last.
        var pins = plate.Pins.Where(p => p.Places.Length > 0).OrderBy(p => p.Kind == PinKind.Picture ? 0 : p.Kind == PinKind.Words ? 1 : 2).ThenBy(p => p.Number).ToList();
        return new(id, scale, width, height, margin, [.. choices.Select(c => new PlateView(c.Show, PinLayout.Of([.. pins.Where(c.Holds).Select(p => (p.Number, p.Places[0].Scale(scale)))], width, height, margin, Gap)))]);
    }
}
