using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>
/// Gives shapes that are turned or lean gradients in plain coordinates, where theirs count from the shape's box: the
/// renderer takes the box of what is turned for larger than it is. What cannot be rewritten so is told.
/// </summary>
internal sealed class TurnedBoxes
{
    private const double Straight = 1e-9;
    private const int MostSteps = 8;
    private static readonly string[] Places = ["x1", "y1", "x2", "y2", "cx", "cy", "r", "fx", "fy"];
    private static readonly string[] NotOfTheShape = ["id", "style", "class", "transform", "fill", "stroke"];
    private readonly Dictionary<string, ElementBuilder> ids = new(StringComparer.Ordinal);
    private readonly Dictionary<(string Id, Box Box), string> made = [];
    private readonly Dictionary<string, bool> repeated = new(StringComparer.Ordinal);
    private readonly Action<ElementBuilder, string> note;
    private readonly ElementBuilder definitions;

    private TurnedBoxes(ElementBuilder root, Action<ElementBuilder, string> note)
    {
        this.note = note;
        definitions = new("defs", root, root.Line);
        foreach (var element in root.SelfAndDescendants())
        {
            if (element["id"] is { } id)
            {
                ids.TryAdd(id, element);
            }
        }
    }

    /// <summary>Rewrites a drawing whose styles are worked out.</summary>
    /// <param name="root">The drawing.</param>
    /// <param name="note">Takes a sentence on what cannot be kept, with the element that it is about.</param>
    public static void Rewrite(ElementBuilder root, Action<ElementBuilder, string> note)
    {
        var boxes = new TurnedBoxes(root, note);
        if (!boxes.ids.Values.Any(e => e.Name is "linearGradient" or "radialGradient" or "clipPath" or "mask" or "pattern"))
        {
            return;
        }
        boxes.Walk(root, Matrix.Identity, null, null);
        if (boxes.definitions.Children.Count > 0)
        {
            root.Children.Insert(0, boxes.definitions);
        }
    }

    private void Walk(ElementBuilder element, Matrix matrix, string? fill, string? stroke)
    {
        if (element.Name is "defs" or "clipPath" or "mask" or "pattern" or "symbol" or "marker" or "linearGradient" or "radialGradient" or "filter")
        {
            return;
        }
        matrix *= Matrix.Parse(element["transform"]) ?? Matrix.Identity;
        (fill, stroke) = (element.Style("fill") ?? fill, element.Style("stroke") ?? stroke);
        var isTurned = Math.Abs(matrix.B) > Straight || Math.Abs(matrix.C) > Straight;
        if (isTurned && Properties.Shapes.Contains(element.Name))
        {
            Repaint(element, "fill", fill);
            Repaint(element, "stroke", stroke);
        }
        else if (isTurned && element.Name is "text" && (CountsFromBox(fill) || CountsFromBox(stroke)))
        {
            note(element, "A gradient on turned text counts from the box of the text, which is drawn larger than it is; give the gradient plain coordinates.");
        }
        else if (isTurned && element.Name is "use" && Repeated(element, fill, stroke))
        {
            note(element, "A gradient in something repeated and turned counts from its box, which is drawn larger than it is; give the gradient plain coordinates.");
        }
        if (isTurned && (IsOfBox(element.Style("clip-path"), "clipPathUnits") || IsOfBox(element.Style("mask"), "maskContentUnits")))
        {
            note(element, "A clip or mask on something turned counts from its box, which is drawn larger than it is; give it plain coordinates.");
        }
        foreach (var child in element.Elements)
        {
            Walk(child, matrix, fill, stroke);
        }
    }

    /// <summary>True when something in what is repeated is painted over its box. Each is looked through once, however often it is repeated.</summary>
    private bool Repeated(ElementBuilder use, string? fill, string? stroke)
    {
        if (CountsFromBox(fill) || CountsFromBox(stroke))
        {
            return true;
        }
        if (use["href"] is not ['#', .. var id] || !ids.TryGetValue(id, out var target))
        {
            return false;
        }
        if (!repeated.TryGetValue(id, out var counts))
        {
            repeated[id] = counts = target.SelfAndDescendants().Any(e => CountsFromBox(e.Style("fill")) || CountsFromBox(e.Style("stroke")));
        }
        return counts;
    }

    private void Repaint(ElementBuilder element, string property, string? paint)
    {
        if (paint is null || !CountsFromBox(paint))
        {
            return;
        }
        var shape = element.Attributes.Where(a => !NotOfTheShape.Contains(a.Name)).Select(a => KeyValuePair.Create(a.Name, a.Value));
        if (ShapeOutline.Of(element.Name, shape) is not { } outline || PathBounds.Of(outline) is not { IsEmpty: false } box)
        {
            return;
        }
        var id = IdOf(paint)!;
        if (!made.TryGetValue((id, box), out var name))
        {
            made[(id, box)] = name = Make(id, box);
        }
        var value = $"url(#{name}){paint[(paint.IndexOf(')', StringComparison.Ordinal) + 1)..]}";
        if (element.Declared?.ContainsKey(property) == true)
        {
            element.Declared[property] = value;
        }
        else
        {
            element[property] = value;
        }
    }

    /// <summary>The same gradient over this box, in the coordinates of the shape.</summary>
    private string Make(string id, Box box)
    {
        var chain = Chain(id);
        string? Said(string attribute) => chain.Select(g => g[attribute]).FirstOrDefault(v => v is not null);
        var name = $"{id}-{made.Count + 1}";
        while (ids.ContainsKey(name))
        {
            name += "-";
        }
        var copy = new ElementBuilder(chain[0].Name, definitions, chain[0].Line);
        copy["id"] = name;
        copy["href"] = $"#{id}";
        copy["gradientUnits"] = "userSpaceOnUse";
        var matrix = new Matrix(box.Width, 0, 0, box.Height, box.X, box.Y) * (Matrix.Parse(Said("gradientTransform")) ?? Matrix.Identity);
        copy["gradientTransform"] = $"matrix({string.Join(' ', new[] { matrix.A, matrix.B, matrix.C, matrix.D, matrix.E, matrix.F }.Select(n => Numbers.Text(n)))})";
        foreach (var attribute in Places)
        {
            var isLinear = attribute is "x1" or "y1" or "x2" or "y2";
            var usual = attribute switch { "x2" => "1", "x1" or "y1" or "y2" => "0", "cx" or "cy" or "r" => ".5", _ => null };
            if (isLinear == (copy.Name == "linearGradient") && (Said(attribute) ?? usual) is { } said)
            {
                copy[attribute] = said.EndsWith('%') && Numbers.Length(said[..^1]) is { } percent ? Numbers.Text(percent / 100) : said;
            }
        }
        definitions.Children.Add(copy);
        ids[name] = copy;
        return name;
    }

    private bool CountsFromBox(string? paint) => IdOf(paint) is { } id && Chain(id) is [{ Name: "linearGradient" or "radialGradient" }, ..] chain
        && chain.Select(g => g["gradientUnits"]).FirstOrDefault(u => u is not null) != "userSpaceOnUse";

    private bool IsOfBox(string? reference, string units) => IdOf(reference) is { } id && ids.TryGetValue(id, out var found) && found[units] == "objectBoundingBox";

    private static string? IdOf(string? paint) => paint is null ? null : References.Of("fill", paint).FirstOrDefault();

    private List<ElementBuilder> Chain(string id)
    {
        var chain = new List<ElementBuilder>();
        for (var next = ids.GetValueOrDefault(id); next is not null && chain.Count < MostSteps && !chain.Contains(next); next = next["href"] is ['#', .. var more] ? ids.GetValueOrDefault(more) : null)
        {
            chain.Add(next);
        }
        return chain;
    }
}
