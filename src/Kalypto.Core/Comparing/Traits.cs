using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Comparing;

/// <summary>What is known of each layer of one draft, by ordinal, as numbers that are equal for what is equal in both drafts; 0 for none.</summary>
internal sealed class Traits
{
    private static readonly string[] Paints = ["fill", "stroke", "font-family", "font-weight", "font-style", "opacity", "filter", "mask", "clip-path", "color", "display", "visibility"];
    private readonly Dictionary<string, int> numbers;

    /// <summary>Works them out.</summary>
    /// <param name="measured">The draft as the file has it.</param>
    /// <param name="numbers">Numbers of texts, shared by both drafts.</param>
    public Traits(MeasuredDrawing measured, Dictionary<string, int> numbers)
    {
        this.numbers = numbers;
        var drawing = measured.Drawn;
        Layers = [.. drawing.Layers];
        Count = Layers.Length;
        Contents = new(this);
        (Parent, End, Depth, Place) = (new int[Count], new int[Count], new int[Count], new int[Count]);
        (Print, Form, Outline, Own, Name, Id, Shell) = (new int[Count], new int[Count], new int[Count], new int[Count], new int[Count], new int[Count], new int[Count]);
        Box = new Box?[Count];
        foreach (var layer in Layers)
        {
            var o = layer.Ordinal;
            Parent[o] = layer.Parent?.Ordinal ?? -1;
            Depth[o] = layer.Parent is { } parent ? Depth[parent.Ordinal] + 1 : 0;
            Box[o] = layer.ViewBox ?? (o < measured.Shapes.Count ? measured.Shapes[o] : null);
            var isOwn = layer.NameSource is NameSource.Given or NameSource.Id;
            Name[o] = isOwn && !measured.IsNotNamed(layer) ? Number("name " + layer.Name) : 0;
            Id[o] = isOwn && Name[o] == 0 ? Number("id " + layer.Name) : 0;
            Shell[o] = Number($"shell {layer.Element.Name} {string.Join(' ', layer.Element.Attributes.Where(a => a.Name is not ("id" or "class")).Select(a => $"{a.Name}={a.Value}"))}");
            Print[o] = layer.ViewBox is null ? Number(RepeatKey.PrintOf(drawing, layer.Element).Hex) : 0;
            for (var i = 0; i < layer.Children.Count; i++)
            {
                Place[layer.Children[i].Ordinal] = i;
            }
        }
        for (var o = Count - 1; o >= 0; o--)
        {
            var children = Layers[o].Children;
            End[o] = children.Count == 0 ? o + 1 : End[children[^1].Ordinal];
            if (Layers[o].ViewBox is not null)
            {
                continue;
            }
            var element = Layers[o].Element;
            var outline = $"{element.Name} {Layers[o].Content switch
            {
                LayerContent.Text => LayerText.Of(Layers[o]),
                LayerContent.Image => "",
                LayerContent.Repeat => drawing.Definitions.TryGetValue((element["href"] ?? "").TrimStart('#'), out var repeated) ? RepeatKey.PrintOf(drawing, repeated.Element).Hex : "",
                _ => Commands(element),
            }}";
            var paints = string.Join(';', Paints.Select(p => element.Style(p) is { } value ? Paint(drawing, value) : ""));
            Own[o] = Number($"own {element.Name} {paints}");
            Outline[o] = Number($"outline {outline} {string.Join(' ', children.Select(c => Outline[c.Ordinal]))}");
            Form[o] = Number($"form {(Layers[o].Content == LayerContent.Text ? element.Name : outline)} {paints} {string.Join(' ', children.Select(c => Form[c.Ordinal]))}");
        }
    }

    private int Number(string text)
    {
        if (!numbers.TryGetValue(text, out var number))
        {
            numbers[text] = number = numbers.Count + 1;
        }
        return number;
    }

    /// <summary>Takes the names of some layers for what a program gave.</summary>
    public void Demote(Func<Layer, bool> isByProgram)
    {
        foreach (var layer in Layers.Where(l => Name[l.Ordinal] > 0 && isByProgram(l)))
        {
            (Name[layer.Ordinal], Id[layer.Ordinal]) = (0, Number("id " + layer.Name));
        }
    }

    public Layer[] Layers { get; }

    /// <summary>What lies in its containers.</summary>
    public RowContents Contents { get; }

    public int Count { get; }

    /// <summary>The layer around; -1 for none.</summary>
    public int[] Parent { get; }

    /// <summary>The ordinal behind the last layer inside.</summary>
    public int[] End { get; }

    public int[] Depth { get; }

    /// <summary>The place among the siblings.</summary>
    public int[] Place { get; }

    /// <summary>What is drawn, wherever it lies.</summary>
    public int[] Print { get; }

    /// <summary>The form and its paints, whatever its size.</summary>
    public int[] Form { get; }

    /// <summary>The form alone; of a text its words.</summary>
    public int[] Outline { get; }

    /// <summary>The paints that stand on it, whatever lies in it.</summary>
    public int[] Own { get; }

    /// <summary>What is written on it, its place among it, whatever lies in it.</summary>
    public int[] Shell { get; }

    /// <summary>A name that people gave.</summary>
    public int[] Name { get; }

    /// <summary>A name or id that a program gave, of a layer that people gave none.</summary>
    public int[] Id { get; }

    /// <summary>The shape box in drawing units; null for none.</summary>
    public Box?[] Box { get; }

    /// <summary>True when <paramref name="inner"/> lies in <paramref name="outer"/> or is it.</summary>
    public bool Holds(int outer, int inner) => outer <= inner && inner < End[outer];

    /// <summary>True for what holds other layers.</summary>
    public bool IsContainer(int ordinal) => Layers[ordinal].Content is LayerContent.Group or LayerContent.Screen;

    // The curves of a path and the number of points stay when it is moved, drawn larger, or written in another way.
    private static string Commands(Element element) => element.Name switch
    {
        "path" => string.Concat(PathData.Segments(element["d"] ?? "").Select(s => s.Command)),
        "polygon" or "polyline" => $"{Numbers.List(element["points"])?.Length}",
        _ => "",
    };

    private static string Paint(DrawingTree drawing, string value)
    {
        var from = value.IndexOf("url(#", StringComparison.Ordinal);
        return from < 0 ? value : drawing.Definitions.TryGetValue(value[(from + 5)..].TrimEnd(')'), out var definition) ? $"{definition.Element.Name} {Stops(drawing, definition.Element)}" : "url";
    }

    // The colours of a gradient, which may take them from another one.
    private static string Stops(DrawingTree drawing, Element gradient, int depth = 0)
    {
        var stops = string.Join(' ', gradient.Elements.Where(e => e.Name == "stop").Select(s => $"{s["offset"]} {s.Style("stop-color")} {s.Style("stop-opacity")}"));
        return stops.Length == 0 && depth < 8 && gradient["href"] is ['#', .. var id] && drawing.Definitions.TryGetValue(id, out var other) ? Stops(drawing, other.Element, depth + 1) : stops;
    }
}
