using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting;

/// <summary>
/// A text of a layer that is to become outlines, so that readers need no font. All else of the layer stays as it is written:
/// a renderer draws the text alone, in its own coordinates, and what comes of it takes its place.
/// </summary>
public sealed class OutlinedText
{
    // What lies further from where a text begins, in letters, is not on any screen.
    private const double MostLetters = 100;
    private const double LongestSide = 30_000;

    // px of a page that a browser prints; paper has its limits.
    private const double LongestPage = 4_000;

    // What renderers write of letters counts in 256ths, so small ones are drawn large.
    private const double DrawnHigh = 128;
    private const string ShapeRendering = "shape-rendering";
    private static readonly string[] Paints = ["fill", "stroke", "fill-opacity", "stroke-opacity", "stroke-width", "stroke-dasharray", "stroke-linecap", "stroke-linejoin", "stroke-miterlimit", "stroke-dashoffset", "paint-order", "fill-rule"];
    // Painted by other colours than the letters.
    private static readonly string[] OwnPaints = ["text-decoration-color", "text-emphasis"];
    private static readonly HashSet<string> Lengths = ["x", "y", "dx", "dy", "font-size", "letter-spacing", "word-spacing", "textLength", "baseline-shift", "line-height"];
    private static readonly HashSet<string> OfTheElement = ["transform", "opacity", "clip-path", "mask", "filter", "id", "display"];
    private static readonly HashSet<string> Styles = ["opacity", "clip-path", "mask", "filter", "mix-blend-mode", "isolation", "transform", "display"];

    private readonly ExportNode text;
    private readonly Box box;
    private readonly double scale;
    private readonly bool isPlain;
    private readonly bool isCrisp;
    private readonly string prefix;

    private OutlinedText(ExportNode text, Box box, double scale, WindowLayout? layout, (bool IsPlain, bool IsCrisp) paint, string prefix, string document)
    {
        (this.text, this.box, this.scale, (isPlain, isCrisp), this.prefix) = (text, box, scale, paint, prefix);
        (Layout, Document) = (layout, document);
    }

    /// <summary>A document that shows the text alone.</summary>
    public string Document { get; }

    /// <summary>The width of the document in px.</summary>
    public double Width => box.Width * scale;

    /// <summary>The height of the document in px.</summary>
    public double Height => box.Height * scale;

    /// <summary>True for a text that only the exact engine sets right.</summary>
    public bool IsExact => Layout is not null;

    /// <summary>How a browser lays out the document of a text that only it sets right; null for all others.</summary>
    public WindowLayout? Layout { get; }

    /// <summary>True for a text that stays text: an emoji is a small picture in a font of its own, which every system brings, and has no outlines.</summary>
    public static bool HasEmoji(string text) => text.EnumerateRunes().Any(r => r.Value is >= 0x1F000 and < 0x20000 or 0xFE0F);

    /// <summary>The texts of a layer that become outlines.</summary>
    /// <param name="tree">The layer; its texts are replaced in it.</param>
    /// <param name="crop">The rectangle that is shown, in drawing units.</param>
    /// <param name="isExact">True for a layer that the exact engine draws.</param>
    public static IReadOnlyList<OutlinedText> AllOf(ExportTree tree, Box crop, bool isExact = false)
    {
        var found = new List<OutlinedText>();
        foreach (var node in tree.All)
        {
            Walk(node, [], node == tree.Drawn ? Matrix.Identity : null);
        }
        return found;

        void Walk(ExportNode node, List<ExportNode> around, Matrix? matrix)
        {
            // What is defined is drawn elsewhere, wherever that is; so is what a box of its own moves.
            matrix = node.Name is "svg" && around.Count > 0 || Shown(node) is false ? null
                : matrix is { } outer ? node["transform"] is { } own ? Matrix.Parse(own) is { } m ? outer * m : null : outer : null;
            if (node.Name == "text")
            {
                if (!node.SelfAndDescendants().Any(n => n.Children.Exists(c => c.IsText && HasEmoji(c.Text))))
                {
                    found.Add(Of(node, around, tree, matrix?.Inverse()?.BoundsOf(crop), matrix is { } at ? Math.Sqrt(Math.Abs(at.A * at.D - at.B * at.C)) : 1, isExact, found.Count));
                }
                return;
            }
            around.Add(node);
            foreach (var child in node.Elements)
            {
                Walk(child, around, matrix);
            }
            around.RemoveAt(around.Count - 1);
        }

        static bool Shown(ExportNode node) => node.Name is not ("defs" or "symbol" or "clipPath" or "mask" or "pattern" or "marker");
    }

    /// <summary>Puts outlines in the place of the text.</summary>
    /// <param name="outlines">What a renderer made of <see cref="Document"/>.</param>
    public void Replace(DrawingTree outlines)
    {
        var drawn = outlines.Root.Elements.Select(ExportNode.Of).ToList();
        var ids = drawn.SelectMany(d => d.SelfAndDescendants()).Where(n => n["id"] is not null).DistinctBy(n => n["id"]).ToDictionary(n => n["id"]!, StringComparer.Ordinal);
        var letters = new ExportNode("g") { ["transform"] = FormattableString.Invariant($"translate({Numbers.Text(box.X, 6)} {Numbers.Text(box.Y, 6)}) scale({Numbers.Text(1 / scale, 9)})") };
        letters.With(drawn.Where(d => d.Name != "defs").Select(d => Joined(d, ids)));
        if (isPlain && letters.SelfAndDescendants().All(n => n.Name is ("g" or "path") && n["clip-path"] is null && n["mask"] is null))
        {
            // What paints the text paints its letters.
            text.Name = "path";
            text["d"] = string.Concat(letters.SelfAndDescendants().Where(n => n["d"] is not null).Select(n => PathText.Of(PathTransform.Apply(PathData.Segments(n["d"]!), new(1 / scale, 0, 0, 1 / scale, box.X, box.Y)))));
            text["fill-rule"] = "nonzero";
            text.Attributes.RemoveAll(a => Lengths.Contains(a.Key) || a.Key is "lengthAdjust" or "rotate" or "xml:space");
            text[ShapeRendering] = isCrisp ? "auto" : null;
            text.Replace([]);
            return;
        }
        // What lies around the text holds for letters that say nothing else.
        foreach (var property in new[] { "stroke", "fill-rule", "fill-opacity", "stroke-opacity", "stroke-dasharray" })
        {
            letters[property] = Properties.Inherited[property];
        }
        var definitions = new List<ExportNode>();
        for (var used = letters.ReferredIds(); used.FirstOrDefault(id => ids.ContainsKey(id) && !definitions.Exists(d => d["id"] == id)) is { } id; used.UnionWith(ids[id].ReferredIds()))
        {
            definitions.Add(ids[id]);
        }
        foreach (var node in letters.SelfAndDescendants().Concat(definitions.SelectMany(d => d.SelfAndDescendants())).ToList())
        {
            foreach (var (name, value) in node.Attributes.ToList())
            {
                node[name] = name == "id" ? prefix + value : References.Of(name, value).Any() ? References.Rename(name, value, id => prefix + id) : value;
            }
        }
        text.Name = "g";
        var kept = text.Attributes.Where(a => OfTheElement.Contains(a.Key) || a.Key == "style").ToList();
        text.Attributes.Clear();
        text.Attributes.AddRange(kept);
        text[ShapeRendering] = isCrisp ? "auto" : null;
        text.Replace(definitions.Count == 0 ? [letters] : [new ExportNode("defs").With(definitions), letters]);
    }

    private static OutlinedText Of(ExportNode text, IReadOnlyList<ExportNode> around, ExportTree tree, Box? shown, double drawnAt, bool isExact, int number)
    {
        isExact = (isExact || text.SelfAndDescendants().Any(n => n.IsBeyond)) && shown is not null;
        var size = around.Append(text).Select(n => Numbers.Length(n["font-size"])).LastOrDefault(s => s is > 0) ?? 16;
        var (x, y) = (Numbers.List(text["x"]) is [var tx, ..] ? tx : 0, Numbers.List(text["y"]) is [var ty, ..] ? ty : 0);
        var box = shown is { } s ? s.Inflate(Math.Max(s.Width, s.Height) / 4 + size) : new Box(x - size * MostLetters, y - size * MostLetters, 2 * size * MostLetters, 2 * size * MostLetters);
        var scale = Math.Min(DrawnHigh / size, LongestSide / Math.Max(box.Width, box.Height));
        // Laid out as large as it is in the drawing; what is printed of it is only then made larger.
        var fits = Math.Min(1, LongestPage / (drawnAt * Math.Max(box.Width, box.Height)));
        var layout = isExact ? WindowLayout.Of(box.Scale(drawnAt), box.Width * drawnAt * fits, box.Height * drawnAt * fits) : null;
        var inner = new ExportNode("text").With(text.Children.Select(c => c.Copy()));
        inner.Attributes.AddRange(text.Attributes.Where(a => !OfTheElement.Contains(a.Key)).Select(Bare));
        // Painted alike all over, only the form of the letters is asked for; what counts from the box of the text is painted by the renderer.
        var isPlain = !text.SelfAndDescendants().Skip(1).Any(n => Paints.Any(p => n[p] is not null) || n["style"] is not null)
            && !around.Append(text).Any(n => n["style"] is { } style && (References.IsAnywhere(style) || OwnPaints.Any(p => style.Contains(p, StringComparison.Ordinal)))) && !CountsFromBox(tree, around.Append(text));
        foreach (var outer in around.Reverse())
        {
            var group = new ExportNode("g").With(inner);
            group.Attributes.AddRange(outer.Attributes.Where(a => a.Key == "style" || Properties.Inherited.ContainsKey(a.Key) || a.Key is "xml:space" or "xml:lang" or "lang").Select(Bare));
            inner = group;
        }
        if (isPlain)
        {
            inner.SelfAndDescendants().ToList().ForEach(n => n.Attributes.RemoveAll(a => Paints.Contains(a.Key)));
        }
        // Some renderers round the form of letters to parts of a unit, so the numbers themselves are made large where all of them are plain.
        var isLarge = isPlain && !isExact && Enlarge(inner, scale);
        var seen = isLarge ? box.Scale(scale) : box;
        seen = layout?.Whole.Scale(1 / drawnAt) ?? seen;
        var root = new ExportNode("svg") { ["viewBox"] = FormattableString.Invariant($"{seen.X} {seen.Y} {seen.Width} {seen.Height}") };
        root["width"] = Numbers.Text(layout?.Wide ?? box.Width * scale, 6);
        root["height"] = Numbers.Text(layout?.Tall ?? box.Height * scale, 6);
        root.With(new ExportNode("defs").With(Referred(inner, tree)), inner);
        var document = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\"");
        ExportWriter.WriteInside(document, root, null);
        // How shapes are drawn means nothing to letters.
        var isCrisp = around.Append(text).Any(n => n[ShapeRendering] is not (null or "auto"));
        return new(text, box, scale, layout, (isPlain, isCrisp), $"text{number}-", document.ToString());
    }

    /// <summary>True when a paint of the text counts from its box, which its letters do not have.</summary>
    private static bool CountsFromBox(ExportTree tree, IEnumerable<ExportNode> around)
    {
        foreach (var paint in new[] { "fill", "stroke" })
        {
            if (around.Select(n => n[paint]).LastOrDefault(p => p is not null) is { } said && References.Of(paint, said).FirstOrDefault() is { } id
                && !(tree.All.SelectMany(n => n.SelfAndDescendants()).FirstOrDefault(n => n["id"] == id) is { } definition && definition["gradientUnits"] == "userSpaceOnUse"))
            {
                return true;
            }
        }
        return false;
    }

    /// <summary>Makes every length of a text larger; false, and nothing is changed, where one is not a plain number.</summary>
    private static bool Enlarge(ExportNode node, double times)
    {
        var all = node.SelfAndDescendants().ToList();
        if (all.Exists(n => n["style"] is not null || n.Name is not ("g" or "text" or "tspan") || n["transform"] is not null
            || n.Attributes.Exists(a => Lengths.Contains(a.Key) && a.Value is not ("normal" or "baseline") && !IsOfTheFont(a.Value) && Plain(a.Value) is null)))
        {
            return false;
        }
        foreach (var (each, name, value) in all.SelectMany(n => n.Attributes.Where(a => Lengths.Contains(a.Key)).Select(a => (n, a.Key, a.Value))).ToList())
        {
            each[name] = Plain(value) is { } numbers ? string.Join(' ', numbers.Select(n => (n * times).ToString("R", System.Globalization.CultureInfo.InvariantCulture))) : value;
        }
        node["font-size"] ??= (16 * times).ToString("R", System.Globalization.CultureInfo.InvariantCulture);
        return true;
    }

    // Parts of the size of the letters are as large in large ones.
    private static bool IsOfTheFont(string length) => length.EndsWith("em", StringComparison.Ordinal) && Numbers.List(length[..^2]) is [_];

    // Style sheets write units of the drawing as px.
    private static double[]? Plain(string lengths) => Numbers.List(lengths.Replace("px", "", StringComparison.Ordinal));

    /// <summary>What a text refers to, with what that refers to; texts in there are not drawn.</summary>
    private static List<ExportNode> Referred(ExportNode node, ExportTree tree)
    {
        var open = new Stack<string>(node.ReferredIds());
        var seen = new HashSet<string>(StringComparer.Ordinal);
        var found = new List<ExportNode>();
        while (open.TryPop(out var id))
        {
            if (seen.Add(id) && tree.All.SelectMany(n => n.SelfAndDescendants()).FirstOrDefault(n => n["id"] == id) is { } definition)
            {
                found.Add(definition.Copy());
                foreach (var next in definition.ReferredIds())
                {
                    open.Push(next);
                }
            }
        }
        return found;
    }

    private static KeyValuePair<string, string> Bare(KeyValuePair<string, string> attribute) => attribute.Key != "style" ? attribute
        : new("style", StyleText.Write(StyleText.Parse(attribute.Value).Where(d => !Styles.Contains(d.Name)).Select(d => KeyValuePair.Create(d.Name, d.Value))));

    /// <summary>Letters that are shown by reference, as one path for all that are painted alike.</summary>
    private static ExportNode Joined(ExportNode node, Dictionary<string, ExportNode> ids)
    {
        var children = new List<ExportNode>();
        var data = new StringBuilder();
        void Flush()
        {
            if (data.Length > 0)
            {
                children.Add(new ExportNode("path") { ["d"] = data.ToString() });
                data.Clear();
            }
        }
        foreach (var child in node.Elements)
        {
            if (child.Name == "use" && child["href"] is ['#', ..] href && ids.TryGetValue(href[1..], out var letter) && child["transform"] is null
                && letter.SelfAndDescendants().Where(n => n.Name is not ("g" or "symbol")).ToList() is var parts && parts.TrueForAll(p => p.Name == "path" && p["transform"] is null))
            {
                var to = new Matrix(1, 0, 0, 1, child.Number("x"), child.Number("y"));
                foreach (var part in parts.Where(p => !string.IsNullOrWhiteSpace(p["d"])))
                {
                    data.Append(PathText.Of(PathTransform.Apply(PathData.Segments(part["d"]!), to)));
                }
                continue;
            }
            Flush();
            children.Add(Joined(child, ids));
        }
        Flush();
        node.Replace(children);
        return node;
    }
}
