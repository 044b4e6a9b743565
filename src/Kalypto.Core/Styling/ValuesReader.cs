using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Styling;

/// <summary>Reads the values of the layers of a screen.</summary>
/// <param name="design">The design.</param>
/// <param name="screen">A screen of it, whose upper left corner all boxes count from.</param>
public sealed class ValuesReader(DesignState design, Screen screen)
{
    // pt: what a box may stick out of another that it fills.
    private const double Slack = 0.75;
    private const int MostSteps = 8;

    private readonly DrawingTree drawing = design.Measured.Drawing;
    private readonly FillReader fills = new(design.Measured.Drawing);
    private readonly Matrix toPoints = new(1 / design.DrawnAt, 0, 0, 1 / design.DrawnAt, -screen.Box.X / design.DrawnAt, -screen.Box.Y / design.DrawnAt);

    /// <summary>The values of a layer; null for one without a place. Of a group, those of the box that it stands on.</summary>
    public LayerValues? Of(Layer layer)
    {
        if (design.PointsOf(layer) is not { } shape)
        {
            return null;
        }
        var corner = design.ToPoints(screen.Box);
        var box = Rounded(shape with { X = shape.X - corner.X, Y = shape.Y - corner.Y });
        var placed = LayerPlace.Of(layer) is { } place ? toPoints * place : (Matrix?)null;
        var style = ComputedStyle.Of(layer);
        var values = layer.Content switch
        {
            LayerContent.Text when layer.Element.Name == "text" => placed is { } m ? TextOf(layer.Element, style, m, box) : null,
            LayerContent.Shape or LayerContent.Repeat => placed is { } m ? ShapeOf(layer.Element, style, m, MostSteps) : null,
            LayerContent.Image => new(box) { Beyond = ["it is a picture"] },
            _ => GroundOf(layer) is { } ground && Of(ground) is { } of ? of with { Box = box } : null,
        } ?? new(box) { Beyond = layer.Children.Count > 0 ? [] : ["its shape is no box"] };
        return WithEffects(values with { Opacity = Math.Round(style.Opacity, 4) }, layer, placed);
    }

    /// <summary>The box that a group stands on: a shape as large as itself, beneath all else in it; null for none.</summary>
    public Layer? GroundOf(Layer group) => group.Children.FirstOrDefault(c => !c.Hidden && !c.Guide) is { Content: LayerContent.Shape or LayerContent.Repeat } first
        && design.PointsOf(group) is { } all && design.PointsOf(first) is { } box && IsAbout(all, box) ? first : null;

    private static bool IsAbout(Box a, Box b) => Math.Abs(a.X - b.X) < Slack && Math.Abs(a.Y - b.Y) < Slack && Math.Abs(a.Right - b.Right) < Slack && Math.Abs(a.Bottom - b.Bottom) < Slack;

    private LayerValues? ShapeOf(Element element, ComputedStyle style, Matrix placed, int left)
    {
        if (element.Name is "use" or "g" or "symbol" or "a" or "svg")
        {
            // A repeat of one shape is that shape, moved.
            if (left == 0)
            {
                return null;
            }
            var inside = element.Name == "use"
                ? element["href"] is ['#', .. var id] && drawing.Definitions.TryGetValue(id, out var definition) ? definition.Element : null
                : element.Elements.Where(e => e.Name is not ("defs" or "title" or "desc" or "metadata")).ToList() is [var only] ? only : null;
            var moved = element.Name == "use" ? placed * new Matrix(1, 0, 0, 1, Numbers.Length(element["x"]) ?? 0, Numbers.Length(element["y"]) ?? 0) : placed;
            return inside is not null && LayerPlace.Own(inside) is { } own ? ShapeOf(inside, style.In(inside), moved * own, left - 1) : null;
        }
        if (ShapeOutline.Of(element.Name, element.Attributes.Select(a => KeyValuePair.Create(a.Name, a.Value))) is not { Count: > 0 } path || PathBounds.Of(path) is not { } drawn)
        {
            return null;
        }
        var (upright, turn, back) = Upright(placed);
        var isStroked = style.Stroke is not ("none" or "transparent") && style.StrokeWidth > 0 && style.StrokeOpacity > 0;
        var scale = Math.Sqrt(Math.Abs(placed.A * placed.D - placed.B * placed.C));
        var width = isStroked ? style.StrokeWidth * scale : 0;
        var outline = PathTransform.Apply(path, upright);
        var bounds = PathBounds.Of(outline)!.Value;
        var (box, shift) = (bounds, (X: 0.0, Y: 0.0));
        if (turn != 0)
        {
            // A box is turned around its middle.
            var (mx, my) = (bounds.X + bounds.Width / 2, bounds.Y + bounds.Height / 2);
            shift = (back.A * mx + back.C * my - mx, back.B * mx + back.D * my - my);
            box = bounds with { X = bounds.X + shift.X, Y = bounds.Y + shift.Y };
        }
        var toBox = new Matrix(1, 0, 0, 1, shift.X, shift.Y) * upright;
        var beyond = new List<string>();
        if (bounds.IsEmpty && isStroked && (bounds.Width > 0) != (bounds.Height > 0))
        {
            return LineOf(style, box, width, drawn, toBox, turn);
        }
        var rounded = RoundedBox.Of(outline);
        var (fill, whyFill) = fills.Read(style.Fill, style.FillOpacity, drawn, toBox, box);
        var (stroke, whyStroke) = isStroked ? fills.Read(style.Stroke, style.StrokeOpacity, drawn, toBox, box) : (null, null);
        beyond.AddRange(new[] { whyFill, whyStroke }.OfType<string>());
        var outer = box.Inflate(stroke is null ? 0 : width / 2);
        if (rounded is null && stroke is not null)
        {
            beyond.Add("its outline is no box, so its line is none that code draws around a box");
        }
        double Corner(double radius) => radius > 0 ? Math.Round(radius + (stroke is null ? 0 : width / 2), 3) : 0;
        return new(Rounded(outer))
        {
            Turn = Math.Round(turn, 3),
            Fill = fill,
            Border = stroke is null ? null : new(stroke, Math.Round(width, 3), DashesOf(style, scale)),
            Radii = rounded is { } r ? new(Corner(r.UpperLeft), Corner(r.UpperRight), Corner(r.LowerRight), Corner(r.LowerLeft)) : default,
            Outline = rounded is null ? PlainText(PathTransform.Apply(outline, new(1, 0, 0, 1, -bounds.X, -bounds.Y))) : null,
            Beyond = [.. beyond],
        };
    }

    // A line is a box as thin as its stroke.
    private LayerValues LineOf(ComputedStyle style, Box box, double width, Box own, Matrix toBox, double turn)
    {
        var reach = style.LineCap == "butt" ? 0 : width / 2;
        var isLevel = box.Width > 0;
        var around = isLevel ? Box.FromEdges(box.X - reach, box.Y - width / 2, box.Right + reach, box.Y + width / 2) : Box.FromEdges(box.X - width / 2, box.Y - reach, box.X + width / 2, box.Bottom + reach);
        var (fill, why) = fills.Read(style.Stroke, style.StrokeOpacity, own, toBox, around);
        var beyond = new List<string>(new[] { why }.OfType<string>());
        if (style.Dashes is not null)
        {
            beyond.Add("its line is dashed");
        }
        return new(Rounded(around)) { Fill = fill, Turn = Math.Round(turn, 3), Radii = style.LineCap == "round" ? Radii.All(Math.Round(width / 2, 3)) : default, Beyond = [.. beyond] };
    }

    private static ImmutableArray<double> DashesOf(ComputedStyle style, double scale) => Numbers.List(style.Dashes?.Replace("px", "", StringComparison.Ordinal)) is { } dashes ? [.. dashes.Select(d => Math.Round(d * scale, 3))] : [];

    private LayerValues TextOf(Element element, ComputedStyle style, Matrix placed, Box box)
    {
        var (_, turn, _) = Upright(placed);
        var (text, beyond) = new TextReader(fills, placed, box).Read(element, style);
        return new(box) { Text = text, Turn = Math.Round(turn, 3), Beyond = turn != 0 ? [.. beyond, "its words are turned"] : [.. beyond] };
    }

    /// <summary>A transform without the turn in it; the turn, in degrees, and what turns back.</summary>
    private static (Matrix Upright, double Turn, Matrix Back) Upright(Matrix m)
    {
        var isEven = Math.Abs(m.A * m.C + m.B * m.D) < 1e-6 * Math.Max(1, Math.Abs(m.A * m.D));
        var angle = Math.Atan2(m.B, m.A);
        var degrees = angle * 180 / Math.PI;
        // A quarter turn of a box is a box.
        if (!isEven || Math.Abs(degrees / 90 - Math.Round(degrees / 90)) < 1e-6)
        {
            return (m, 0, Matrix.Identity);
        }
        var (sin, cos) = Math.SinCos(angle);
        return (new Matrix(cos, -sin, sin, cos, 0, 0) * m, degrees, new(cos, sin, -sin, cos, 0, 0));
    }

    private LayerValues WithEffects(LayerValues values, Layer layer, Matrix? placed)
    {
        var beyond = values.Beyond.ToList();
        var scale = placed is { } m ? Math.Sqrt(Math.Abs(m.A * m.D - m.B * m.C)) : 1 / design.DrawnAt;
        var (shadows, blur) = (values.Shadows, values.Blur);
        if (FilterOf(layer.Element) is { } filter)
        {
            var effect = EffectReader.Of(References.Of("filter", filter).FirstOrDefault() is { } id && drawing.Definitions.TryGetValue(id, out var definition) ? definition.Element : null);
            if (effect.IsKnown)
            {
                double R(double length) => Math.Round(length * scale, 3);
                shadows = [.. effect.Shadows.Select(s => s with { X = R(s.X), Y = R(s.Y), Blur = R(s.Blur), Spread = R(s.Spread) })];
                blur = R(effect.Blur);
            }
            else
            {
                beyond.Add("it has an effect that is neither a shadow nor a blur");
            }
        }
        if (layer.DrawnAncestors().Prepend(layer).Where(l => l.Content != LayerContent.Screen).FirstOrDefault(l => Cuts(l, values.Box)) is { } cutter)
        {
            beyond.Add(cutter == layer ? "it is cut by an outline" : $"it is cut by the outline of “{design.NameOf(cutter)}”");
        }
        if (drawing.Root.Beyond is { } unread)
        {
            beyond.Add(unread);
        }
        var blend = layer.Element.Style("mix-blend-mode") is { } mode and not "normal" ? mode : null;
        return values with { Shadows = shadows, Blur = blur, Blend = blend, Beyond = [.. beyond] };
    }

    // Of a repeat of one shape, that of the shape counts as well.
    private string? FilterOf(Element element)
    {
        for (var step = 0; step < MostSteps; step++)
        {
            if (element.Style("filter") is { } filter && filter != "none")
            {
                return filter;
            }
            var inside = element.Name == "use" ? element["href"] is ['#', .. var id] && drawing.Definitions.TryGetValue(id, out var definition) ? definition.Element : null
                : element.Name is "g" or "symbol" or "a" or "svg" && step > 0 && element.Elements.Where(e => e.Name is not ("defs" or "title" or "desc" or "metadata")).ToList() is [var only] ? only : null;
            if (inside is null)
            {
                return null;
            }
            element = inside;
        }
        return null;
    }

    // An outline around all of a box does not cut it.
    private bool Cuts(Layer by, Box box)
    {
        if (by.Element.Style("mask") is not (null or "none"))
        {
            return true;
        }
        if (by.Element.Style("clip-path") is not { } clip || clip == "none")
        {
            return false;
        }
        if (References.Of("clip-path", clip).FirstOrDefault() is not { } id || !drawing.Definitions.TryGetValue(id, out var definition) || LayerPlace.Of(by) is not { } place)
        {
            return true;
        }
        return definition.Element["clipPathUnits"] == "objectBoundingBox" || definition.Element.Elements.ToList() is not [var only] || LayerPlace.Own(only) is not { } own
            || ShapeOutline.Of(only.Name, only.Attributes.Select(a => KeyValuePair.Create(a.Name, a.Value))) is not { } path
            || RoundedBox.Of(PathTransform.Apply(path, toPoints * place * own)) is not { UpperLeft: 0, UpperRight: 0, LowerRight: 0, LowerLeft: 0 } around
            || around.Box.Inflate(Slack) is var wide && (wide.X > box.X || wide.Y > box.Y || wide.Right < box.Right || wide.Bottom < box.Bottom);
    }

    private static Box Rounded(Box box) => new(Math.Round(box.X, 3) + 0.0, Math.Round(box.Y, 3) + 0.0, Math.Round(box.Width, 3), Math.Round(box.Height, 3));

    private static string PlainText(IEnumerable<PathSegment> path) => string.Concat(path.Select(s => s.Command + string.Join(' ', s.Values.Select(v => Numbers.Text(v, 3)))));
}
