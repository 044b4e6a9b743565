using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>
/// Moves what is drawn so that the crop begins at 0 0, also where it does already: a layer that stands elsewhere in the next draft then gives the same bytes,
/// and no reader has to know what a viewBox with a corner is.
/// </summary>
internal sealed class FromTheOrigin : ISvgRule
{
    private static readonly string[] Effects = ["clip-path", "mask", "filter"];
    private static readonly string[] Paints = ["fill", "stroke"];
    private ExportNode root = new("svg");
    private (double X, double Y) by;
    private Dictionary<string, ExportNode> ids = [];
    private Dictionary<string, string> moved = [];
    private List<ExportNode> added = [];

    public void Apply(ExportNode root, int decimals)
    {
        if (Numbers.List(root["viewBox"]) is not [var x, var y, var width, var height])
        {
            return;
        }
        new FromTheOrigin { root = root, by = (-x, -y) }.Move();
        root["viewBox"] = string.Create(CultureInfo.InvariantCulture, $"0 0 {Numbers.Text(width, 3)} {Numbers.Text(height, 3)}");
    }

    private void Move()
    {
        ids = root.SelfAndDescendants().Where(n => n["id"] is not null).DistinctBy(n => n["id"]).ToDictionary(n => n["id"]!, StringComparer.Ordinal);
        var drawn = root.Children.Where(child => !child.IsText && child.Name != "defs").ToList();
        // What is drawn and shown a second time would be moved twice, so all of it is moved as a whole.
        var shown = drawn.SelectMany(d => d.SelfAndDescendants()).Select(n => n["id"]).OfType<string>().ToHashSet(StringComparer.Ordinal);
        if (drawn.SelectMany(d => d.SelfAndDescendants()).Concat(Definitions.SelectMany(d => d.SelfAndDescendants())).Any(n => n.Name == "use" && n["href"] is ['#', ..] href && shown.Contains(href[1..])))
        {
            root.Replace([.. root.Children.Except(drawn), new ExportNode("g") { ["transform"] = Translate }.With(drawn)]);
            return;
        }
        var children = root.Children.Select(child => child.IsText || child.Name == "defs" ? child : Moved(child)).ToList();
        if (added.Count > 0)
        {
            children.Insert(0, new ExportNode("defs").With(added));
        }
        root.Replace(children);
        // What was copied may not be needed any more where it stood.
        for (var before = -1; before != Definitions.Count();)
        {
            before = Definitions.Count();
            var used = root.ReferredIds();
            foreach (var defs in root.Elements.Where(e => e.Name == "defs"))
            {
                defs.Children.RemoveAll(d => !d.SelfAndDescendants().Any(n => n["id"] is { } id && used.Contains(id)));
            }
        }
    }

    private IEnumerable<ExportNode> Definitions => root.Elements.Where(e => e.Name == "defs").SelectMany(e => e.Children);

    private ExportNode Moved(ExportNode node)
    {
        if (CanShift(node, inherits: Paints.Any(p => Counts(root[p]))))
        {
            Shift(node);
            return node;
        }
        return new ExportNode("g") { ["transform"] = Translate }.With(node);
    }

    private string Translate => $"translate({Numbers.Text(by.X, 6)} {Numbers.Text(by.Y, 6)})";

    /// <summary>True when all that an element and what lies in it is drawn by can be moved.</summary>
    /// <param name="node">The element.</param>
    /// <param name="inherits">True when a paint around it counts in the coordinates of what it paints.</param>
    private bool CanShift(ExportNode node, bool inherits)
    {
        if (node.IsText)
        {
            return true;
        }
        if (node["style"] is { } style && References.IsAnywhere(style) || node.IsPlacedByStyle)
        {
            return false;
        }
        if (node["transform"] is { } transform)
        {
            // What is inside a transform stays as it is, with the paints that it takes from around it.
            return !inherits && Matrix.Parse(transform) is not null;
        }
        if (Paints.Concat(Effects).Any(p => node[p] is { } value && References.Of(p, value).Any(id => !ids.TryGetValue(id, out var definition) || !CanShiftDefinition(definition, 0)))
            || Numbers.Lengths(node["x"]) is { Length: > 1 } && node.Name is not ("text" or "tspan"))
        {
            return false;
        }
        inherits |= Paints.Any(p => Counts(node[p]));
        return node.Name switch
        {
            "g" or "a" or "text" or "tspan" => node.Children.TrueForAll(c => CanShift(c, inherits)),
            "path" or "circle" or "ellipse" or "rect" or "line" or "image" or "svg" => ArePlain(node, "x", "y", "cx", "cy", "x1", "y1", "x2", "y2"),
            // What is used draws in the coordinates of the use, and takes its paints from there.
            "use" => !inherits && ArePlain(node, "x", "y"),
            "defs" => true,
            _ => false,
        };
    }

    private static bool ArePlain(ExportNode node, params string[] names) => names.All(n => node[n] is not { } value || Numbers.Length(value) is not null && !value.EndsWith('%'));

    /// <summary>True for a paint that counts in the coordinates of what it paints.</summary>
    private bool Counts(string? paint) => paint is not null && References.Of("fill", paint).FirstOrDefault() is { } id && ids.TryGetValue(id, out var definition)
        && !(definition.Name is "linearGradient" or "radialGradient" && Along(definition, "gradientUnits") is null or "objectBoundingBox");

    private bool CanShiftDefinition(ExportNode definition, int depth)
    {
        if (depth > 16)
        {
            return false;
        }
        return definition.Name switch
        {
            "linearGradient" or "radialGradient" => Along(definition, "gradientTransform") is not { } own || Matrix.Parse(own) is not null,
            "pattern" => Along(definition, "patternTransform") is not { } own || Matrix.Parse(own) is not null,
            "clipPath" => definition["clipPathUnits"] == "objectBoundingBox" || Inside(definition),
            "mask" => definition["maskContentUnits"] != "objectBoundingBox" && (definition["maskUnits"] != "userSpaceOnUse" || ArePlain(definition, "x", "y") && definition["x"] is not null && definition["y"] is not null) && Inside(definition),
            "filter" => definition["primitiveUnits"] != "objectBoundingBox" && (definition["filterUnits"] != "userSpaceOnUse" || ArePlain(definition, "x", "y") && definition["x"] is not null && definition["y"] is not null)
                && definition.SelfAndDescendants().All(n => n.Name is not ("feTurbulence" or "feImage" or "fePointLight" or "feSpotLight" or "feTile") && ArePlain(n, "x", "y")),
            _ => false,
        };

        bool Inside(ExportNode holder) => (holder["transform"] is not { } own || Matrix.Parse(own) is not null)
            && Effects.All(e => holder[e] is not { } value || References.Of(e, value).All(id => ids.TryGetValue(id, out var next) && CanShiftDefinition(next, depth + 1)))
            && (holder["transform"] is not null || holder.Children.TrueForAll(c => CanShift(c, inherits: false)));
    }

    private void Shift(ExportNode node)
    {
        if (node.IsText)
        {
            return;
        }
        if (node["transform"] is { } transform)
        {
            Put(node, "transform", new Matrix(1, 0, 0, 1, by.X, by.Y) * Matrix.Parse(transform)!.Value);
            return;
        }
        foreach (var property in Paints.Concat(Effects))
        {
            if (node[property] is { } value && References.Of(property, value).Any())
            {
                node[property] = References.Rename(property, value, MovedDefinition);
            }
        }
        switch (node.Name)
        {
            case "path" when node["d"] is { } data:
                node["d"] = PathText.Of(PathTransform.Apply(PathData.Segments(data), new(1, 0, 0, 1, by.X, by.Y)));
                break;
            case "text":
                Add(node, "x", by.X, always: true);
                Add(node, "y", by.Y, always: true);
                break;
            case "rect" or "image" or "use" or "svg":
                Add(node, "x", by.X, always: true);
                Add(node, "y", by.Y, always: true);
                break;
            case "circle" or "ellipse":
                Add(node, "cx", by.X, always: true);
                Add(node, "cy", by.Y, always: true);
                break;
            case "tspan":
                Add(node, "x", by.X);
                Add(node, "y", by.Y);
                break;
            case "line":
                foreach (var (name, distance) in new[] { ("x1", by.X), ("x2", by.X), ("y1", by.Y), ("y2", by.Y) })
                {
                    Add(node, name, distance, always: true);
                }
                break;
            default:
                break;
        }
        if (node.Name is "g" or "a" or "text" or "tspan")
        {
            node.Children.ForEach(Shift);
        }
    }

    /// <summary>A definition that counts in the moved coordinates: itself where it counts from the box of what it paints, else a moved copy.</summary>
    private string MovedDefinition(string id)
    {
        if (moved.TryGetValue(id, out var known))
        {
            return known;
        }
        var definition = ids[id];
        moved[id] = id;
        if (definition.Name is "linearGradient" or "radialGradient" && Along(definition, "gradientUnits") is null or "objectBoundingBox"
            || definition.Name == "clipPath" && definition["clipPathUnits"] == "objectBoundingBox"
            || definition.Name == "filter" && definition["filterUnits"] != "userSpaceOnUse" && !definition.SelfAndDescendants().Skip(1).Any(n => n["x"] is not null || n["y"] is not null))
        {
            return id;
        }
        var copy = definition.Copy();
        foreach (var inner in copy.SelfAndDescendants().Skip(1))
        {
            inner["id"] = null;
        }
        moved[id] = copy["id"] = id + "-moved";
        added.Add(copy);
        switch (copy.Name)
        {
            case "linearGradient" or "radialGradient" or "pattern":
                ShiftPaint(copy, definition);
                break;
            case "clipPath" or "mask":
                foreach (var effect in Effects)
                {
                    if (copy[effect] is { } value && References.Of(effect, value).Any())
                    {
                        copy[effect] = References.Rename(effect, value, MovedDefinition);
                    }
                }
                if (copy["transform"] is { } own)
                {
                    Put(copy, "transform", new Matrix(1, 0, 0, 1, by.X, by.Y) * Matrix.Parse(own)!.Value);
                }
                else
                {
                    copy.Children.ForEach(Shift);
                }
                if (copy["maskUnits"] == "userSpaceOnUse")
                {
                    Add(copy, "x", by.X);
                    Add(copy, "y", by.Y);
                }
                break;
            case "filter":
                foreach (var part in copy.SelfAndDescendants().Where(n => n != copy || copy["filterUnits"] == "userSpaceOnUse").Where(n => n.Name is not ("feOffset" or "feFuncA")))
                {
                    Add(part, "x", by.X);
                    Add(part, "y", by.Y);
                }
                break;
            default:
                break;
        }
        return copy["id"]!;
    }

    private void ShiftPaint(ExportNode copy, ExportNode definition)
    {
        var name = copy.Name == "pattern" ? "patternTransform" : "gradientTransform";
        string[] across = copy.Name switch { "linearGradient" => ["x1", "x2"], "radialGradient" => ["cx", "fx"], _ => [] };
        string[] down = copy.Name switch { "linearGradient" => ["y1", "y2"], "radialGradient" => ["cy", "fy"], _ => [] };
        foreach (var n in across.Concat(down))
        {
            copy[n] ??= Along(definition, n);
        }
        var own = Along(definition, name) is { } text ? Matrix.Parse(text)!.Value : Matrix.Identity;
        // Plain numbers are moved themselves; what is not said, or in shares of something, by a transform.
        if (across.Length > 0 && own == Matrix.Identity && across.Concat(down).All(n => n[0] == 'f' && copy[n] is null || copy[n] is { } value && Numbers.Length(value) is not null && !value.EndsWith('%')))
        {
            foreach (var n in across.Where(n => copy[n] is not null))
            {
                Add(copy, n, by.X);
            }
            foreach (var n in down.Where(n => copy[n] is not null))
            {
                Add(copy, n, by.Y);
            }
            return;
        }
        // The tile of a pattern that counts from the box of what it paints has moved along with that (SVG 1.1, 13.3).
        var back = copy.Name == "pattern" && Along(definition, "patternUnits") is null or "objectBoundingBox" ? new Matrix(1, 0, 0, 1, -by.X, -by.Y) : Matrix.Identity;
        Put(copy, name, new Matrix(1, 0, 0, 1, by.X, by.Y) * own * back);
    }

    /// <summary>What a gradient or pattern says, or else the one that it refers to.</summary>
    private string? Along(ExportNode definition, string name)
    {
        for (var (node, steps) = (definition, 0); node is not null && steps < 16; steps++)
        {
            if (node[name] is { } said)
            {
                return said;
            }
            node = node["href"] is ['#', ..] href ? ids.GetValueOrDefault(href[1..]) : null;
        }
        return null;
    }

    private static void Put(ExportNode node, string name, Matrix m) =>
        node[name] = m == Matrix.Identity ? null : $"matrix({string.Join(' ', new[] { m.A, m.B, m.C, m.D, m.E, m.F }.Select(n => n.ToString("R", CultureInfo.InvariantCulture)))})";

    private static void Add(ExportNode node, string name, double distance, bool always = false)
    {
        if ((node[name] is { } value ? Numbers.Lengths(value) : always ? [0] : null) is { } lengths)
        {
            node[name] = string.Join(' ', lengths.Select(n => (n + distance).ToString("R", CultureInfo.InvariantCulture)));
        }
    }
}
