using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>Takes the opacity of a box into its colours, for what lies in the box has its own.</summary>
internal static class Faded
{
    /// <summary>The same values, wholly opaque, in fainter colours.</summary>
    public static LayerValues Of(LayerValues values) => values.Opacity >= 1 ? values : values with
    {
        Opacity = 1,
        Fill = Of(values.Fill, values.Opacity),
        Border = values.Border is { } border ? border with { Fill = Of(border.Fill, values.Opacity)! } : null,
        Shadows = [.. values.Shadows.Select(s => s with { Colour = Of(s.Colour, values.Opacity) })],
    };

    private static Fill? Of(Fill? fill, double by) => fill switch
    {
        SolidFill solid => new SolidFill(Of(solid.Colour, by)),
        LinearFill linear => linear with { Stops = Of(linear.Stops, by) },
        RadialFill radial => radial with { Stops = Of(radial.Stops, by) },
        _ => fill,
    };

    private static ImmutableArray<GradientStop> Of(ImmutableArray<GradientStop> stops, double by) => [.. stops.Select(s => s with { Colour = Of(s.Colour, by) })];

    private static Colour Of(Colour colour, double by) => colour with { Alpha = Math.Round(colour.Alpha * by, 4) };
}
