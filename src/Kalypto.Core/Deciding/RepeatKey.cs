using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Deciding;

/// <summary>Tells the drawing of a layer apart from all others, wherever it lies and whatever it is called.</summary>
public static class RepeatKey
{
    private const int Decimals = 2;
    private static readonly HashSet<string> Plain = ["rect", "circle", "ellipse", "line"];
    private static readonly HashSet<string> Places = ["x", "y", "cx", "cy", "x1", "y1", "x2", "y2", "fx", "fy"];
    private static readonly string[] Inherited = ["fill", "stroke", "color", "font", "opacity", "text-", "letter-", "paint-", "clip-rule", "marker"];
    private static readonly HashSet<string> Paints = ["fill", "stroke", "color", "stop-color", "flood-color", "lighting-color"];
    private static readonly ConditionalWeakTable<Element, Relative> Known = [];
    private static readonly ConditionalWeakTable<Element, Relative> KnownForms = [];

    private sealed record Relative(Fingerprint Print, double X, double Y);

    /// <summary>The key; null for what is never shared: screens, guides, text, and plain boxes and lines.</summary>
    public static Fingerprint? Of(DrawingTree drawing, Layer layer)
    {
        if (layer.Content is LayerContent.Screen or LayerContent.Text || layer.Guide || layer.Parent is null
            || !layer.Element.SelfAndDescendants().Any(e => (e.Name, e["d"] ?? e["points"]) is ("path" or "polygon" or "polyline", { Length: > 0 }) or ("image" or "use", _)))
        {
            return null;
        }
        using var hash = new FingerprintBuilder();
        var linear = Matrix.Identity;
        foreach (var around in layer.DrawnAncestors())
        {
            linear = (Matrix.Parse(around.Element["transform"]) ?? Matrix.Identity) * linear;
            foreach (var (name, value) in Looks(around.Element))
            {
                if (Inherited.Any(i => name.StartsWith(i, StringComparison.Ordinal)))
                {
                    hash.Add(name).Add(value);
                }
            }
        }
        hash.Add(Linear(linear));
        return hash.Add(Find(drawing, layer.Element, isForm: false).Print.Hex).Build();
    }

    /// <summary>What an element draws with all that lies in it, wherever it lies and whatever it is called; what it inherits does not count.</summary>
    public static Fingerprint PrintOf(DrawingTree drawing, Element element) => Find(drawing, element, isForm: false).Print;

    /// <summary>What an element draws whatever it is painted with: equal for a picture and the same one in other colours.</summary>
    public static Fingerprint FormOf(DrawingTree drawing, Element element) => Find(drawing, element, isForm: true).Print;

    private static Relative Find(DrawingTree drawing, Element element, bool isForm)
    {
        var known = isForm ? KnownForms : Known;
        if (!known.TryGetValue(element, out var found))
        {
            found = Make(drawing, element, isForm);
            known.AddOrUpdate(element, found);
        }
        return found;
    }

    /// <summary>An element around its own first point, which is told in the space of its parent. Depth is limited by the reader.</summary>
    private static Relative Make(DrawingTree drawing, Element element, bool isForm)
    {
        var inside = element.Elements.Where(e => e.Name != "defs").Select(e => Find(drawing, e, isForm)).ToList();
        var start = StartOf(element) ?? (inside.Count > 0 ? (inside[0].X, inside[0].Y) : (X: 0, Y: 0));
        using var hash = new FingerprintBuilder();
        hash.Add(Plain.Contains(element.Name) ? "shape " + element.Name : element.Name);
        foreach (var (name, value) in Looks(element).OrderBy(a => a.Name, StringComparer.Ordinal))
        {
            hash.Add(name).Add(isForm && Paints.Contains(name) ? value == "none" ? value : "painted" : Moved(drawing, element, name, value, start));
        }
        foreach (var child in inside)
        {
            hash.Add(child.Print.Hex).Add(Text(child.X - start.X)).Add(Text(child.Y - start.Y));
        }
        foreach (var text in element.Children.OfType<TextNode>())
        {
            hash.Add(text.Text);
        }
        var print = hash.Build();
        var matrix = Matrix.Parse(element["transform"]) ?? Matrix.Identity;
        return new(
            matrix.OnlyMoves ? print : Fingerprint.Of(Linear(matrix), print.Hex),
            matrix.A * start.X + matrix.C * start.Y + matrix.E, matrix.B * start.X + matrix.D * start.Y + matrix.F);
    }

    private static (double X, double Y)? StartOf(Element element) => element.Name switch
    {
        "path" => PathData.Start(element["d"] ?? ""),
        "polygon" or "polyline" => Numbers.List(element["points"]) is [var x, var y, ..] ? (x, y) : null,
        "circle" or "ellipse" or "radialGradient" => (Number(element, "cx"), Number(element, "cy")),
        "line" => (Number(element, "x1"), Number(element, "y1")),
        "rect" or "image" or "use" or "text" or "tspan" or "svg" => (Number(element, "x"), Number(element, "y")),
        _ => null,
    };

    private static IEnumerable<(string Name, string Value)> Looks(Element element) => element.Attributes
        .Where(a => a.Name is not ("id" or "transform" or "style"))
        .Select(a => (a.Name, a.Value))
        .Concat(StyleText.Parse(element["style"] ?? "").Select(d => (d.Name, d.Value)));

    private static string Moved(DrawingTree drawing, Element element, string name, string value, (double X, double Y) start)
    {
        if (name == "d")
        {
            return PathData.FromOwnStart(value, Decimals);
        }
        if (name == "points" && Numbers.List(value) is { } points)
        {
            return string.Join(' ', points.Select((p, i) => Text(p - (i % 2 == 0 ? start.X : start.Y))));
        }
        if (Places.Contains(name) && Numbers.Length(value) is { } place)
        {
            return Text(place - (name.Contains('x', StringComparison.Ordinal) ? start.X : start.Y));
        }
        foreach (var id in element.References.Where(id => value.Contains('#' + id, StringComparison.Ordinal)))
        {
            // Equal gradients, clips and masks under other ids are equal.
            if (drawing.Definitions.TryGetValue(id, out var definition))
            {
                value = value.Replace('#' + id, Referred(drawing, definition.Element, start), StringComparison.Ordinal);
            }
        }
        return value;
    }

    private static string Referred(DrawingTree drawing, Element definition, (double X, double Y) start)
    {
        var user = definition.Attributes.Any(a => a.Value == "userSpaceOnUse") || definition.Name == "clipPath";
        if (!user || definition.Elements.Any(e => e.References.Length > 0))
        {
            return new Element(definition.Name, [.. definition.Attributes.Where(a => a.Name != "id")], definition.Children).Fingerprint.Hex;
        }
        using var hash = new FingerprintBuilder();
        hash.Add(definition.Name);
        foreach (var (name, value) in definition.Attributes.Where(a => a.Name != "id"))
        {
            hash.Add(name).Add(name == "gradientTransform" && Matrix.Parse(value) is { } m ? $"{Linear(m)} {Text(m.E - start.X)} {Text(m.F - start.Y)}"
                : Places.Contains(name) && definition["gradientTransform"] is null && Numbers.Length(value) is { } place
                ? Text(place - (name.Contains('x', StringComparison.Ordinal) ? start.X : start.Y)) : value);
        }
        foreach (var child in definition.Elements)
        {
            if (child.Name == "stop")
            {
                hash.Add(child.Fingerprint.Hex);
                continue;
            }
            var relative = Find(drawing, child, isForm: false);
            hash.Add(relative.Print.Hex).Add(Text(relative.X - start.X)).Add(Text(relative.Y - start.Y));
        }
        return hash.Build().Hex;
    }

    private static double Number(Element element, string name) => Numbers.Length(element[name]) ?? 0;

    private static string Linear(Matrix m) => $"{Numbers.Text(m.A, 4)} {Numbers.Text(m.B, 4)} {Numbers.Text(m.C, 4)} {Numbers.Text(m.D, 4)}";

    private static string Text(double number) => Numbers.Text(number, Decimals);
}
