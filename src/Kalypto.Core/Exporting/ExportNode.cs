using Kalypto.Core.Designs;
using Kalypto.Core.Shapes;

namespace Kalypto.Core.Exporting;

/// <summary>An element on its way out: what the rules of <see cref="SvgExport"/> work on.</summary>
internal sealed class ExportNode(string name)
{
    private static readonly HashSet<string> PlacesInStyles = ["transform", "translate", "rotate", "scale", "offset", "offset-path"];

    /// <summary>The local name; empty for character data.</summary>
    public string Name { get; set; } = name;

    /// <summary>The characters of a node without a name.</summary>
    public string Text { get; private init; } = "";

    /// <summary>True for what only the exact engine draws right.</summary>
    public bool IsBeyond { get; private init; }

    /// <summary>The attributes in order.</summary>
    public List<KeyValuePair<string, string>> Attributes { get; } = [];

    public List<ExportNode> Children { get; private set; } = [];

    public bool IsText => Name.Length == 0;

    public IEnumerable<ExportNode> Elements => Children.Where(c => !c.IsText);

    /// <summary>The value of an attribute; setting null takes it away.</summary>
    public string? this[string attribute]
    {
        get
        {
            foreach (var (name, value) in Attributes)
            {
                if (name == attribute)
                {
                    return value;
                }
            }
            return null;
        }
        set
        {
            var at = Attributes.FindIndex(a => a.Key == attribute);
            if (value is null)
            {
                if (at >= 0)
                {
                    Attributes.RemoveAt(at);
                }
            }
            else if (at >= 0)
            {
                Attributes[at] = new(attribute, value);
            }
            else
            {
                Attributes.Add(new(attribute, value));
            }
        }
    }

    /// <summary>A copy of an element with all in it.</summary>
    public static ExportNode Of(Element element)
    {
        var node = new ExportNode(element.Name) { IsBeyond = element.Beyond is not null };
        node.Attributes.AddRange(element.Attributes.Select(a => KeyValuePair.Create(a.Name, a.Value)));
        node.Children.AddRange(element.Children.Select(c => c is Element inner ? Of(inner) : OfText(((TextNode)c).Text)));
        return node;
    }

    /// <summary>Character data.</summary>
    public static ExportNode OfText(string text) => new("") { Text = text };

    /// <summary>The same with all in it, to be changed by itself.</summary>
    public ExportNode Copy()
    {
        if (IsText)
        {
            return OfText(Text);
        }
        var copy = new ExportNode(Name) { IsBeyond = IsBeyond }.With(Children.Select(c => c.Copy()));
        copy.Attributes.AddRange(Attributes);
        return copy;
    }

    public ExportNode With(params IEnumerable<ExportNode> children)
    {
        Children.AddRange(children);
        return this;
    }

    public void Replace(List<ExportNode> children) => Children = children;

    /// <summary>Itself and all elements in it, outer ones first.</summary>
    public IEnumerable<ExportNode> SelfAndDescendants()
    {
        var open = new Stack<ExportNode>();
        open.Push(this);
        while (open.TryPop(out var node))
        {
            yield return node;
            for (var i = node.Children.Count - 1; i >= 0; i--)
            {
                if (!node.Children[i].IsText)
                {
                    open.Push(node.Children[i]);
                }
            }
        }
    }

    /// <summary>The outline of a basic shape; null for what is none.</summary>
    /// <summary>True for one that its style moves, turns or scales: a <c>transform</c> attribute would say nothing then (CSS Transforms 1, 9; Motion Path 1).</summary>
    public bool IsPlacedByStyle => this["style"] is { } style && StyleText.Parse(style).Any(d => PlacesInStyles.Contains(d.Name));

    public List<PathSegment>? Outline() => ShapeOutline.Of(Name, Attributes);

    /// <summary>All ids that something in it refers to.</summary>
    public HashSet<string> ReferredIds() => [.. SelfAndDescendants().SelectMany(n => n.Attributes).SelectMany(a => References.Of(a.Key, a.Value))];

    /// <summary>The number of an attribute, or a fallback.</summary>
    public double Number(string attribute, double fallback = 0) => Numbers.Length(this[attribute]) ?? fallback;
}
