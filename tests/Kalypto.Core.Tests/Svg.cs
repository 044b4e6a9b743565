using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests;

/// <summary>Short ways to make drawings for tests.</summary>
internal static class Svg
{
    public static DrawingTree Read(string inside, string attributes = "viewBox='0 0 100 100'") => SvgReader.Read(
        Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' {attributes}>{inside}</svg>"), "Drawing");

    /// <summary>A layer by its name; <c>star#2</c> is the second of that name.</summary>
    public static Layer Layer(this DrawingTree drawing, string name) => name.Split('#') is [var bare, var nth]
        ? drawing.Layers.Where(l => l.Name == bare).ElementAt(int.Parse(nth, System.Globalization.CultureInfo.InvariantCulture) - 1) : drawing.Layers.First(l => l.Name == name);

    /// <summary>A design whose layers all have the same shape box, shipping the named layers.</summary>
    public static DesignState Design(string inside, Box shape, params (string Layer, Mark Mark)[] marks)
    {
        var drawing = Read(inside);
        return new(1, "Design", 1, new(drawing, [.. drawing.Layers.Select(_ => (Box?)shape)]),
            marks.ToDictionary(m => drawing.Layer(m.Layer).Ordinal, m => m.Mark));
    }

    /// <summary>A drawing measured without a renderer: boxes from the attributes of rectangles, images and from data-less groups of them.</summary>
    public static MeasuredDrawing Measure(string inside, string attributes = "viewBox='0 0 1000 1000'")
    {
        var drawing = Read(inside, attributes);
        var shapes = new Box?[drawing.Layers.Length];
        foreach (var layer in drawing.Layers.Reverse())
        {
            double Of(string name) => Numbers.Length(layer.Element[name]) ?? 0;
            shapes[layer.Ordinal] = layer.Parent is null ? drawing.Box
                : layer.Children.Count > 0 ? layer.Children.Select(c => shapes[c.Ordinal]).OfType<Box>().Aggregate((Box?)null, (a, b) => a?.Union(b) ?? b)
                : layer.Element.Name == "path" && PathBox(layer.Element["d"] ?? "") is { } box ? box
                : layer.Content == LayerContent.Text ? new(Of("x"), Of("y") - 16, 80, 20) : new(Of("x"), Of("y"), Of("width"), Of("height"));
        }
        return new(drawing, shapes);
    }

    public static DesignState State(this MeasuredDrawing measured, params (string Layer, string Says)[] marks) => new(1, "Design", 1, measured, marks.ToDictionary(
        m => measured.Drawing.Layer(m.Layer).Ordinal, m => m.Says.Split(' ', 2) is var words && words.Length > 1
            ? new Mark(Enum.Parse<Decision>(words[0]), null, Kalypto.Core.Tagging.Tags.Parse(words[1])) : new Mark(Enum.Parse<Decision>(words[0]), null, Kalypto.Core.Tagging.Tags.Empty)));

    /// <summary>The corners of a path of absolute lines.</summary>
    private static Box? PathBox(string d)
    {
        var numbers = Numbers.List(new string([.. d.Select(c => char.IsLetter(c) ? ' ' : c)]));
        if (numbers is not { Length: > 1 })
        {
            return null;
        }
        var (xs, ys) = (numbers.Where((_, i) => i % 2 == 0), numbers.Where((_, i) => i % 2 == 1));
        return Box.FromEdges(xs.Min(), ys.Min(), xs.Max(), ys.Max());
    }
}
