using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Tokens;

/// <summary>Gathers the values of all layers that are built in code.</summary>
public static class FoundValues
{
    // Each is held against each.
    private const int MostChildren = 200;
    private static readonly ConditionalWeakTable<DesignState, IReadOnlyList<FoundValue>> Known = [];

    /// <summary>The values of a design, in the order of its layers.</summary>
    public static IReadOnlyList<FoundValue> Of(DesignState design) => Known.GetValue(design, Gather);

    private static List<FoundValue> Gather(DesignState design)
    {
        var found = new List<FoundValue>();
        foreach (var screen in design.Measured.Drawing.Screens)
        {
            var reader = new ValuesReader(design, screen);
            foreach (var layer in design.Measured.LayersOf(screen).Where(l => l.Content != LayerContent.Screen && !l.HiddenHere && !l.Guide && design.MarkOf(l).Decision == Decision.Code))
            {
                // A group has the values of its ground, which may be decided by itself.
                if (reader.Of(layer) is { } values && (layer.Children.Count == 0 || reader.GroundOf(layer) is { } ground && design.MarkOf(ground).Decision != Decision.Code))
                {
                    found.AddRange(In(values, new(design.Id, layer.Ordinal)));
                }
            }
            found.AddRange(Spaces(design, screen));
        }
        return found;
    }

    private static IEnumerable<FoundValue> In(LayerValues values, LayerRef layer)
    {
        foreach (var run in values.Text?.Lines.SelectMany(l => l.Runs) ?? [])
        {
            yield return new(new(TokenKind.Type) { Type = run.Type }, "text", layer, run.Words.Length);
            foreach (var colour in ColoursOf(run.Fill))
            {
                yield return new(new(TokenKind.Colour) { Colour = colour }, run.Fill is SolidFill ? "text" : "gradient", layer);
            }
        }
        foreach (var colour in ColoursOf(values.Fill))
        {
            yield return new(new(TokenKind.Colour) { Colour = colour }, values.Fill is SolidFill ? "ground" : "gradient", layer);
        }
        if (values.Border is { } border)
        {
            foreach (var colour in ColoursOf(border.Fill))
            {
                yield return new(new(TokenKind.Colour) { Colour = colour }, "line", layer);
            }
            if (border.Fill is SolidFill)
            {
                yield return new(new(TokenKind.Border) { Border = border }, "line", layer);
            }
        }
        // A box that is round all over says its own height, not a radius of the design.
        if (values is { Radii: { AreNone: false, AreOne: true } radii } && radii.UpperLeft < Math.Min(values.Box.Width, values.Box.Height) / 2 - 0.01)
        {
            yield return new(new(TokenKind.Radius) { Length = Math.Round(radii.UpperLeft, 2) }, "corners", layer);
        }
        if (!values.Shadows.IsEmpty)
        {
            yield return new(new(TokenKind.Shadow) { Shadows = values.Shadows }, "shadow", layer);
        }
    }

    private static IEnumerable<Colour> ColoursOf(Fill? fill) => (fill switch
    {
        SolidFill solid => [solid.Colour],
        LinearFill linear => linear.Stops.Select(s => s.Colour),
        RadialFill radial => radial.Stops.Select(s => s.Colour),
        _ => Array.Empty<Colour>().AsEnumerable(),
    }).Where(c => c.Alpha > 0).Distinct();

    // From each layer to the next in its group, across or down: what is kept again and again is meant.
    private static IEnumerable<FoundValue> Spaces(DesignState design, Screen screen)
    {
        foreach (var group in design.Measured.LayersOf(screen).Where(l => l.Children.Count is > 1 and <= MostChildren && !l.HiddenHere))
        {
            var boxes = group.Children.Where(c => !c.Hidden && !c.Guide && design.MarkOf(c).Decision is Decision.Code or Decision.Ship).Select(c => (Layer: c, Box: design.PointsOf(c))).Where(c => c.Box is not null).Select(c => (c.Layer, c.Box!.Value)).ToList();
            foreach (var (layer, box) in boxes)
            {
                var right = boxes.Where(o => o.Value.X >= box.Right && o.Value.Y < box.Bottom && o.Value.Bottom > box.Y).Select(o => (double?)(o.Value.X - box.Right)).Min();
                var below = boxes.Where(o => o.Value.Y >= box.Bottom && o.Value.X < box.Right && o.Value.Right > box.X).Select(o => (double?)(o.Value.Y - box.Bottom)).Min();
                foreach (var gap in new[] { right, below }.OfType<double>().Where(g => g is >= 2 and <= 96 && Math.Abs(g - Math.Round(g)) < 0.1))
                {
                    yield return new(new(TokenKind.Space) { Length = Math.Round(gap) }, "between", new(design.Id, layer.Ordinal));
                }
            }
        }
    }
}
