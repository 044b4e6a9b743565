using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>Reads what shapes are painted with (SVG 2, section 14).</summary>
/// <param name="drawing">The drawing, for the gradients that it defines.</param>
internal sealed class FillReader(DrawingTree drawing)
{
    private const int MostSteps = 8;

    /// <summary>Reads a paint.</summary>
    /// <param name="paint">As it is written.</param>
    /// <param name="opacity">What its colours are multiplied by.</param>
    /// <param name="own">The box of the shape in its own coordinates, without its stroke.</param>
    /// <param name="toScreen">From those to pt of the screen.</param>
    /// <param name="box">The box that is painted, in pt of the screen.</param>
    /// <returns>The fill, null for nothing; and what of it no value says, null for nothing.</returns>
    public (Fill? Fill, string? Beyond) Read(string paint, double opacity, Box own, Matrix toScreen, Box box)
    {
        if (paint is "none" or "transparent" || opacity == 0)
        {
            return (null, null);
        }
        if (!References.IsReference(paint))
        {
            return Colour.Parse(paint) is { } colour ? (new SolidFill(Times(colour, opacity)), null) : (null, $"its colour “{Cut(paint)}” is not understood");
        }
        var gradient = References.Of("fill", paint).FirstOrDefault() is { } id && drawing.Definitions.TryGetValue(id, out var definition) ? definition.Element : null;
        return gradient?.Name switch
        {
            "linearGradient" or "radialGradient" => Gradient(gradient, opacity, own, toScreen, box),
            "pattern" => (null, "it is filled with a pattern"),
            _ => (null, "what it is filled with is not in the drawing"),
        };
    }

    private static string Cut(string text) => text.Length > 40 ? text[..40] + "…" : text;

    private static Colour Times(Colour colour, double opacity) => colour with { Alpha = Math.Round(colour.Alpha * opacity, 4) };

    private (Fill?, string?) Gradient(Element gradient, double opacity, Box own, Matrix toScreen, Box box)
    {
        var chain = new List<Element>();
        for (var next = gradient; next is not null && chain.Count < MostSteps && !chain.Contains(next);
            next = next["href"] is ['#', .. var id] && drawing.Definitions.TryGetValue(id, out var from) ? from.Element : null)
        {
            chain.Add(next);
        }
        string? Said(string name) => chain.Select(g => g[name]).FirstOrDefault(v => v is not null);
        var isByBox = Said("gradientUnits") != "userSpaceOnUse";
        var stops = Stops(chain.Select(g => g.Elements.Where(e => e.Name == "stop").ToList()).FirstOrDefault(s => s.Count > 0) ?? [], opacity);
        if (stops.IsEmpty)
        {
            return (null, null);
        }
        if (stops.Length == 1)
        {
            return (new SolidFill(stops[0].Colour), null);
        }
        if (Matrix.Parse(Said("gradientTransform")) is not { } transform || (isByBox && own.IsEmpty))
        {
            return (null, "its gradient is not understood");
        }
        var toPt = toScreen * (isByBox ? new Matrix(own.Width, 0, 0, own.Height, own.X, own.Y) : Matrix.Identity) * transform;
        double N(string name, double usual, double whole) => Said(name) is not { } value ? usual : value.EndsWith('%') ? (Numbers.Length(value[..^1]) ?? 0) / 100 * (isByBox ? 1 : whole) : Numbers.Length(value) ?? usual;
        double Across(string name, double usual) => N(name, isByBox ? usual : usual * drawing.Box.Width, drawing.Box.Width);
        double Down(string name, double usual) => N(name, isByBox ? usual : usual * drawing.Box.Height, drawing.Box.Height);
        var spread = Said("spreadMethod") ?? "pad";
        var beyond = spread == "reflect" ? "its gradient turns back and forth" : null;
        if (gradient.Name == "linearGradient")
        {
            return (Linear(toPt, (Across("x1", 0), Down("y1", 0)), (Across("x2", 1), Down("y2", 0)), stops, box, spread == "repeat"), beyond);
        }
        var (cx, cy, r) = (Across("cx", 0.5), Down("cy", 0.5), Across("r", 0.5));
        var (x, y) = At(toPt, cx, cy);
        // Upright ellipses only: what a turn or a slant makes of the circle is none unless it stays even.
        var isEven = Math.Abs(toPt.A - toPt.D) < 1e-6 && Math.Abs(toPt.B + toPt.C) < 1e-6;
        var (across, down) = isEven ? (r * Math.Sqrt(toPt.A * toPt.A + toPt.B * toPt.B), r * Math.Sqrt(toPt.A * toPt.A + toPt.B * toPt.B))
            : Math.Abs(toPt.B) + Math.Abs(toPt.C) < 1e-6 ? (r * Math.Abs(toPt.A), r * Math.Abs(toPt.D))
            : Math.Abs(toPt.A) + Math.Abs(toPt.D) < 1e-6 ? (r * Math.Abs(toPt.C), r * Math.Abs(toPt.B)) : (0, 0);
        if (across <= 0 || down <= 0)
        {
            return (null, "its round gradient is slanted");
        }
        var isOff = Math.Abs(Across("fx", cx) - cx) > 1e-6 || Math.Abs(Down("fy", cy) - cy) > 1e-6;
        return (new RadialFill(Round(x - box.X), Round(y - box.Y), Round(across), Round(down), stops), spread == "repeat" ? "its gradient begins again" : isOff ? "its round gradient begins off its middle" : beyond);
    }

    /// <summary>
    /// The same lines of colour at the angle and from the length that CSS draws them by: upright on the steepest change, through the
    /// middle of the box, from corner to corner (CSS Images 3, section 3.1.1).
    /// </summary>
    private static Fill Linear(Matrix toPt, (double X, double Y) from, (double X, double Y) to, ImmutableArray<GradientStop> stops, Box box, bool repeats)
    {
        var (dx, dy) = (to.X - from.X, to.Y - from.Y);
        var along = dx * dx + dy * dy;
        if (along < 1e-12 || toPt.Inverse() is not { } back)
        {
            return new SolidFill(stops[^1].Colour);
        }
        // How far along a point of the screen is: a plane over it, whose slope is what CSS goes by.
        double Along(double x, double y)
        {
            var (px, py) = At(back, x, y);
            return ((px - from.X) * dx + (py - from.Y) * dy) / along;
        }
        var middle = Along(box.X + box.Width / 2, box.Y + box.Height / 2);
        var (slopeX, slopeY) = (Along(box.X + 1, box.Y) - Along(box.X, box.Y), Along(box.X, box.Y + 1) - Along(box.X, box.Y));
        var slope = Math.Sqrt(slopeX * slopeX + slopeY * slopeY);
        var angle = Math.Atan2(slopeX, -slopeY);
        var length = Math.Abs(box.Width * Math.Sin(angle)) + Math.Abs(box.Height * Math.Cos(angle));
        var degrees = Math.Round((angle * 180 / Math.PI + 360) % 360, 2);
        return new LinearFill(degrees == 360 ? 0 : degrees, [.. stops.Select(s => s with { At = Round(0.5 + (s.At - middle) / (slope * length)) })], repeats);
    }

    private static ImmutableArray<GradientStop> Stops(List<Element> stops, double opacity)
    {
        var read = new List<GradientStop>();
        var last = 0.0;
        foreach (var stop in stops)
        {
            var offset = stop["offset"] is not { } text ? 0 : text.EndsWith('%') ? (Numbers.Length(text[..^1]) ?? 0) / 100 : Numbers.Length(text) ?? 0;
            last = Math.Max(last, Math.Clamp(offset, 0, 1));
            var said = stop.Style("stop-opacity");
            var share = said is null ? 1 : said.EndsWith('%') ? (Numbers.Length(said[..^1]) ?? 100) / 100 : Numbers.Length(said) ?? 1;
            var colour = stop.Style("stop-color") is { } written ? Colour.Parse(written == "currentColor" ? stop.Style("color") : written) : null;
            read.Add(new(last, Times(colour ?? new(0, 0, 0, 1), Math.Clamp(share, 0, 1) * opacity)));
        }
        return [.. read];
    }

    private static (double X, double Y) At(Matrix m, double x, double y) => (m.A * x + m.C * y + m.E, m.B * x + m.D * y + m.F);

    private static double Round(double number) => Math.Round(number, 4) + 0.0;
}
