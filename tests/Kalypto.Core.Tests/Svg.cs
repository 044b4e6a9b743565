using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests;

/// <summary>Short ways to make drawings for tests.</summary>
internal static class Svg
{
    public static DrawingTree Read(string inside, string attributes = "viewBox='0 0 100 100'") => SvgReader.Read(
        Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' {attributes}>{inside}</svg>"), "Drawing");

    public static Layer Layer(this DrawingTree drawing, string name) => drawing.Layers.First(l => l.Name == name);

    /// <summary>A design whose layers all have the same shape box, shipping the named layers.</summary>
    public static DesignState Design(string inside, Box shape, params (string Layer, Mark Mark)[] marks)
    {
        var drawing = Read(inside);
        return new(1, "Design", 1, new(drawing, [.. drawing.Layers.Select(_ => (Box?)shape)]),
            marks.ToDictionary(m => drawing.Layer(m.Layer).Ordinal, m => m.Mark));
    }
}
