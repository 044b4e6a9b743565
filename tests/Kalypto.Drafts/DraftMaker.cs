using System.Globalization;
using System.Xml.Linq;

namespace Kalypto.Drafts;

/// <summary>
/// Makes the next draft of a drawing by edits, and knows of each layer which it was: the same number gives the same draft.
/// The truth stands in an attribute of a namespace that is not read.
/// </summary>
public sealed class DraftMaker
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly XName Truth = XNamespace.Get("urn:truth") + "key";
    private static readonly string[] Containers = ["svg", "g", "a", "switch"];
    private static readonly string[] Kinds = ["path", "rect", "circle", "ellipse", "line", "polyline", "polygon", "text", "image", "use"];
    private static readonly string[] Words = ["dusk", "comet", "ticket", "lens", "orbit", "aurora", "dome", "meteor", "guide", "visit", "badge", "crater", "season", "window"];
    private static readonly string[] Colours = ["#b8402a", "#2c6e54", "#e0a83c", "#173a45", "#7a4fb0", "#f3e9d2"];
    private static readonly string[] Paths = ["h16v10l-8 6-8-6z", "c5 0 8 3 8 8s-3 8-8 8-8-3-8-8 3-8 8-8z", "l8-12 8 12zm4 4h8", "c6-3 9 0 12 4s-2 9-7 9-8-6-5-13z"];
    private const string Photo = "data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAYAAAD0In+KAAAAEElEQVR42mNk+M9Qz8DAwAAAB4gBgcg8iGsAAAAASUVORK5CYII=";
    private readonly Random random;
    private readonly XDocument document;
    private int added;

    /// <summary>What one edit does to one layer.</summary>
    public enum Edit { Rename, Move, Regroup, Ungroup, Wrap, Flatten, Recolour, Redraw, Resize, Delete, Add, Duplicate, Reorder, Say, Replace }

    /// <summary>What a program does to the whole file.</summary>
    public enum Saving { AsEver, NewIds, DefaultNames, Moved, Doubled, Wrapped, Ungrouped, IdsAndMoved, NamesAndIds }

    public DraftMaker(string svg, int seed)
    {
        random = new(seed);
        document = XDocument.Parse(svg, LoadOptions.PreserveWhitespace);
        foreach (var (i, layer) in Layers().ToList().Index())
        {
            layer.SetAttributeValue(Truth, $"k{i}");
        }
        Before = Write();
    }

    /// <summary>The drawing before, and the key of each layer by ordinal.</summary>
    public (string Svg, string[] Keys) Before { get; }

    /// <summary>The drawing now, and the key of each layer by ordinal; keys that are not in <see cref="Before"/> are new.</summary>
    public (string Svg, string[] Keys) After => Write();

    /// <summary>Does some edits by chance.</summary>
    public DraftMaker Mix(int edits)
    {
        var all = Enum.GetValues<Edit>();
        for (var i = 0; i < edits; i++)
        {
            Do(all[random.Next(all.Length)]);
        }
        return this;
    }

    /// <summary>Does one edit to a layer by chance.</summary>
    public DraftMaker Do(Edit edit)
    {
        var layers = Layers().Skip(1).Where(l => l.Name.LocalName != "svg").ToList();
        var groups = layers.Where(l => l.Name.LocalName == "g").ToList();
        bool Is(XElement layer) => edit switch
        {
            Edit.Ungroup or Edit.Flatten => layer.Name.LocalName == "g" && IsPlain(layer),
            Edit.Redraw => layer.Name.LocalName == "path",
            Edit.Recolour => layer.DescendantsAndSelf().Any(e => e.Name.LocalName is "path" or "rect" or "circle"),
            Edit.Say => layer.Name.LocalName == "text",
            Edit.Replace => layer.Name.LocalName == "image",
            Edit.Delete => layer.Descendants().Count() < 20,
            _ => true,
        };
        var fitting = layers.Where(Is).ToList();
        if (fitting.Count > 0)
        {
            Change(edit, fitting[random.Next(fitting.Count)], groups);
        }
        return this;
    }

    /// <summary>Saves the whole file as some program would.</summary>
    public DraftMaker Save(Saving saving)
    {
        var root = document.Root!;
        switch (saving)
        {
            case Saving.NewIds: NewIds(); break;
            case Saving.DefaultNames: DefaultNames(); break;
            case Saving.NamesAndIds: NewIds(); DefaultNames(); break;
            case Saving.IdsAndMoved: NewIds(); Save(Saving.Moved); break;
            case Saving.Doubled: Double(root); break;
            case Saving.Moved:
                var box = root.Attribute("viewBox")!.Value.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries).Select(Number).ToArray();
                foreach (var layer in Inside(root).ToList())
                {
                    Shift(layer, 137, 64);
                }
                root.SetAttributeValue("viewBox", FormattableString.Invariant($"{box[0]} {box[1]} {box[2] + 200} {box[3] + 100}"));
                break;
            case Saving.Wrapped:
                var outer = new XElement(Svg + "g");
                var inside = Inside(root).ToList();
                if (inside.Count == 0)
                {
                    break;
                }
                inside[0].AddBeforeSelf(outer);
                inside.ForEach(i => i.Remove());
                outer.Add(inside);
                break;
            case Saving.Ungrouped:
                foreach (var group in Layers().Where(l => l.Name.LocalName == "g" && IsPlain(l)).Reverse().ToList())
                {
                    Dissolve(group);
                }
                break;
        }
        return this;
    }

    /// <summary>Turns texts into outlines, as "convert all text" does: one path for each, which fills the box that the text had.</summary>
    /// <param name="boxes">The boxes of the layers of <see cref="Before"/> by ordinal, in drawing units.</param>
    /// <param name="keepsNames">False where the program drops ids and names of what it converts.</param>
    public DraftMaker Outline(IReadOnlyList<Core.Designs.Box?> boxes, bool keepsNames)
    {
        foreach (var (i, text) in Layers().ToList().Index().Where(l => l.Item.Name.LocalName == "text").ToList())
        {
            if (boxes[i] is not { } box || OriginOf(text) is not { } origin)
            {
                continue;
            }
            var (left, top, letters) = (box.X - origin.X, box.Y - origin.Y, Math.Max(1, text.Value.Trim().Length));
            var step = box.Width / letters;
            var path = new XElement(Svg + "path", text.Attributes().Where(a => a.Name == Truth || a.Name.LocalName is "class" or "fill" or "style" or "transform" || keepsNames && a.Name.LocalName is "id" or "data-name"),
                new XAttribute("d", string.Concat(Enumerable.Range(0, letters).Select(l => FormattableString.Invariant($"M{left + l * step:0.##} {top:0.##}h{step * 0.8:0.##}v{box.Height:0.##}h{-step * (0.3 + text.Value[l % text.Value.Length] % 5 * 0.1):0.##}z")))));
            text.ReplaceWith(path);
        }
        return this;
    }

    // Where the numbers of a layer count from; null where it is turned or scaled.
    private static (double X, double Y)? OriginOf(XElement layer)
    {
        var (x, y) = (0.0, 0.0);
        foreach (var around in layer.AncestorsAndSelf())
        {
            var matrix = Core.Designs.Matrix.Parse(around.Attribute("transform")?.Value) ?? Core.Designs.Matrix.Identity;
            if (!matrix.OnlyMoves)
            {
                return null;
            }
            var isInner = around.Name.LocalName == "svg" && around.Parent is not null;
            (x, y) = (x + matrix.E + (isInner ? Number(around.Attribute("x")?.Value ?? "0") : 0), y + matrix.F + (isInner ? Number(around.Attribute("y")?.Value ?? "0") : 0));
        }
        return (x, y);
    }

    private void Change(Edit edit, XElement layer, List<XElement> groups)
    {
        switch (edit)
        {
            case Edit.Rename:
                Name(layer, $"{Words[random.Next(Words.Length)]} {Words[random.Next(Words.Length)]}");
                break;
            case Edit.Move:
                Shift(layer, random.Next(-60, 61), random.Next(-60, 61));
                break;
            case Edit.Regroup:
                var others = groups.Where(g => g != layer && !g.Ancestors().Contains(layer) && IsPlain(g) && g.Parent == layer.Parent).ToList();
                if (others.Count > 0)
                {
                    layer.Remove();
                    others[random.Next(others.Count)].Add(layer);
                }
                break;
            case Edit.Ungroup:
                Dissolve(layer);
                break;
            case Edit.Wrap:
                var wrap = new XElement(Svg + "g");
                layer.AddBeforeSelf(wrap);
                layer.Remove();
                wrap.Add(layer);
                break;
            case Edit.Flatten:
                foreach (var group in layer.Descendants(Svg + "g").Where(IsPlain).Reverse().ToList())
                {
                    Dissolve(group);
                }
                break;
            case Edit.Recolour:
                foreach (var shape in layer.DescendantsAndSelf().Where(e => e.Name.LocalName is "path" or "rect" or "circle"))
                {
                    shape.SetAttributeValue("style", $"{shape.Attribute("style")?.Value};fill:{Colours[random.Next(Colours.Length)]}".TrimStart(';'));
                }
                break;
            case Edit.Redraw:
                var start = Core.Shapes.PathData.Start(layer.Attribute("d")?.Value ?? "");
                layer.SetAttributeValue("d", FormattableString.Invariant($"M{start?.X ?? 0} {start?.Y ?? 0}") + Paths[random.Next(Paths.Length)]);
                break;
            case Edit.Resize:
                layer.SetAttributeValue("transform", $"{layer.Attribute("transform")?.Value} scale(1.25)".Trim());
                break;
            case Edit.Delete:
                layer.Remove();
                break;
            case Edit.Add:
                layer.AddAfterSelf(new XElement(Svg + "path", new XAttribute("d", "M0 0" + Paths[random.Next(Paths.Length)]), new XAttribute("fill", Colours[random.Next(Colours.Length)]),
                    new XAttribute("transform", $"translate({random.Next(300)} {random.Next(600)})"), random.Next(2) == 0 ? new XAttribute("data-name", Words[random.Next(Words.Length)]) : null));
                break;
            case Edit.Duplicate:
                var copy = new XElement(layer);
                foreach (var inside in copy.DescendantsAndSelf())
                {
                    inside.Attribute(Truth)?.Remove();
                    inside.Attribute("id")?.Remove();
                }
                layer.AddAfterSelf(copy);
                Shift(copy, random.Next(8, 60), random.Next(0, 60));
                break;
            case Edit.Reorder:
                if (layer.ElementsAfterSelf().FirstOrDefault(IsLayer) is { } next)
                {
                    layer.Remove();
                    next.AddAfterSelf(layer);
                }
                break;
            case Edit.Say:
                layer.Value = $"{Words[random.Next(Words.Length)]} at {random.Next(7, 12)}";
                break;
            case Edit.Replace:
                layer.Attributes().Where(a => a.Name.LocalName == "href").Remove();
                layer.SetAttributeValue("href", Photo);
                break;
        }
    }

    private static void Name(XElement layer, string name)
    {
        layer.Elements(Svg + "title").Remove();
        layer.SetAttributeValue("data-name", name);
    }

    private static void Shift(XElement layer, double x, double y)
    {
        if (layer.Name.LocalName == "svg")
        {
            layer.SetAttributeValue("x", Number(layer.Attribute("x")?.Value ?? "0") + x);
            layer.SetAttributeValue("y", Number(layer.Attribute("y")?.Value ?? "0") + y);
            return;
        }
        layer.SetAttributeValue("transform", FormattableString.Invariant($"translate({x} {y}) {layer.Attribute("transform")?.Value}").Trim());
    }

    // Taken apart without a change of what is seen.
    private static void Dissolve(XElement group)
    {
        var transform = group.Attribute("transform")?.Value;
        foreach (var child in group.Elements().ToList())
        {
            child.Remove();
            if (transform is not null && IsLayer(child))
            {
                child.SetAttributeValue("transform", $"{transform} {child.Attribute("transform")?.Value}".Trim());
            }
            if (child.Name.LocalName != "title")
            {
                group.AddBeforeSelf(child);
            }
        }
        group.Remove();
    }

    private static bool IsPlain(XElement group) => group.Attributes().All(a => a.IsNamespaceDeclaration || a.Name.LocalName is "id" or "transform" or "label" or "key" or "data-name") && Inside(group).Any();

    private void NewIds()
    {
        var names = new Dictionary<string, string>();
        foreach (var element in document.Descendants().Where(e => e.Attribute("id") is not null))
        {
            var id = element.Attribute("id")!.Value;
            if (IsLayer(element) && !HasOtherName(element))
            {
                // What was named by its id keeps the name.
                element.SetAttributeValue("data-name", id);
            }
            names[id] = $"n{names.Count + 1000}";
            element.SetAttributeValue("id", names[id]);
        }
        foreach (var attribute in document.Descendants().SelectMany(e => e.Attributes()).Where(a => a.Value.Contains('#', StringComparison.Ordinal)))
        {
            attribute.Value = References().Replace(attribute.Value, found => names.TryGetValue(found.Groups[1].Value, out var id) ? $"#{id}" : found.Value);
        }
        foreach (var style in document.Descendants(Svg + "style"))
        {
            style.Value = References().Replace(style.Value, found => names.TryGetValue(found.Groups[1].Value, out var id) ? $"#{id}" : found.Value);
        }
    }

    private static System.Text.RegularExpressions.Regex References() => new("#([A-Za-z_][\\w.-]*)");

    private static bool HasOtherName(XElement element) => element.Attribute("data-name") is not null || element.Element(Svg + "title") is not null;

    private void DefaultNames()
    {
        foreach (var (i, layer) in Layers().Skip(1).ToList().Index())
        {
            Name(layer, layer.Name.LocalName switch { "g" => $"Group {i}", "svg" => layer.Attribute("data-name")?.Value ?? $"Frame {i}", _ => $"{layer.Name.LocalName} {i}" });
        }
    }

    // As if drawn again on a board of twice the size, number by number.
    private static void Double(XElement root)
    {
        foreach (var element in root.DescendantsAndSelf())
        {
            var inUnits = element.Attribute("clipPathUnits")?.Value == "objectBoundingBox" || element.Parent?.Attribute("clipPathUnits")?.Value == "objectBoundingBox"
                || element.Name.LocalName is "linearGradient" or "radialGradient" && element.Attribute("gradientUnits")?.Value != "userSpaceOnUse" || element.Name.LocalName is "filter" or "stop";
            foreach (var attribute in element.Attributes().Where(_ => !inUnits))
            {
                attribute.Value = attribute.Name.LocalName switch
                {
                    "x" or "y" or "width" or "height" or "cx" or "cy" or "r" or "rx" or "ry" or "x1" or "y1" or "x2" or "y2" or "fx" or "fy" or "font-size" or "stroke-width" or "points" or "viewBox"
                        or "stroke-dasharray" or "letter-spacing" or "dx" or "dy" or "stdDeviation" => Numeric().Replace(attribute.Value, m => Twice(m.Value)),
                    "d" => string.Join(' ', Core.Shapes.PathData.Segments(attribute.Value).Select(s => $"{s.Command}{string.Join(' ', s.Values.Select((v, i) =>
                        (s.Command == 'A' && i is >= 2 and <= 4 ? v : v * 2).ToString("0.####", CultureInfo.InvariantCulture)))}")),
                    "transform" or "gradientTransform" => TwiceMoved(attribute.Value),
                    "style" => Pixels().Replace(attribute.Value, m => Twice(m.Groups[1].Value) + "px"),
                    _ => attribute.Value,
                };
            }
        }
        foreach (var style in root.Descendants(Svg + "style"))
        {
            style.Value = Pixels().Replace(style.Value, m => Twice(m.Groups[1].Value) + "px");
            style.Value = new System.Text.RegularExpressions.Regex("(stroke-width|letter-spacing): *([\\d.]+)(?=[; }])").Replace(style.Value, m => $"{m.Groups[1].Value}: {Twice(m.Groups[2].Value)}");
        }
    }

    private static string TwiceMoved(string transform) => new System.Text.RegularExpressions.Regex("(translate|matrix|rotate)\\(([^)]*)\\)").Replace(transform, found =>
    {
        var numbers = found.Groups[2].Value.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries);
        var from = found.Groups[1].Value switch { "translate" => 0, "matrix" => 4, _ => 1 };
        return $"{found.Groups[1].Value}({string.Join(' ', numbers.Select((n, i) => i >= from ? Twice(n) : n))})";
    });

    private static System.Text.RegularExpressions.Regex Numeric() => new("-?\\d*\\.?\\d+(?:[eE][-+]?\\d+)?");

    private static System.Text.RegularExpressions.Regex Pixels() => new("(-?\\d*\\.?\\d+)px");

    private static string Twice(string number) => (Number(number) * 2).ToString("0.####", CultureInfo.InvariantCulture);

    private static double Number(string text) => double.Parse(text.Replace("px", "", StringComparison.Ordinal), CultureInfo.InvariantCulture);

    private (string Svg, string[] Keys) Write() =>
        (document.ToString(SaveOptions.DisableFormatting), [.. Layers().Select(l => l.Attribute(Truth)?.Value ?? $"new{added++}")]);

    // In the order in which they are read.
    private IEnumerable<XElement> Layers()
    {
        IEnumerable<XElement> Walk(XElement layer) => Inside(layer).SelectMany(Walk).Prepend(layer);
        return Walk(document.Root!);
    }

    private static IEnumerable<XElement> Inside(XElement layer) => Containers.Contains(layer.Name.LocalName) ? layer.Elements().Where(IsLayer) : [];

    private static bool IsLayer(XElement element) => element.Name.Namespace == Svg && (Containers.Contains(element.Name.LocalName) || Kinds.Contains(element.Name.LocalName));
}
