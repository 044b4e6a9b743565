using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>An element while it is being read and normalised; frozen into an <see cref="Element"/> at the end.</summary>
internal sealed class ElementBuilder(string name, ElementBuilder? parent, int line, int column = 0)
{
    public string Name { get; set; } = name;
    public ElementBuilder? Parent { get; } = parent;
    public int Line { get; } = line;
    public int Column { get; } = column;

    /// <summary>What about it only the exact engine draws right.</summary>
    public string? Beyond { get; set; }

    /// <summary>Its colours beyond sRGB, as they were written.</summary>
    public string? Wide { get; set; }
    public int Depth { get; } = parent is null ? 1 : parent.Depth + 1;
    public List<ElementAttribute> Attributes { get; } = [];

    /// <summary>Children: <see cref="ElementBuilder"/> or string.</summary>
    public List<object> Children { get; set; } = [];

    public string? Label { get; set; }
    public bool Locked { get; set; }
    public bool Guide { get; set; }
    public Element? Frozen { get; private set; }

    /// <summary>Declarations out of style sheets and the style attribute, once the cascade has run.</summary>
    public Dictionary<string, string>? Declared { get; set; }

    public IEnumerable<ElementBuilder> Elements => Children.OfType<ElementBuilder>();

    public string? this[string attribute]
    {
        get
        {
            foreach (var a in Attributes)
            {
                if (a.Name == attribute)
                {
                    return a.Value;
                }
            }
            return null;
        }
        set
        {
            var at = Attributes.FindIndex(a => a.Name == attribute);
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

    /// <summary>Its place among the elements of its parent, from 1; counted for all of them at once.</summary>
    public int Position
    {
        get
        {
            if (position == 0)
            {
                var (n, before) = (0, (ElementBuilder?)null);
                foreach (var sibling in Parent?.Elements ?? [this])
                {
                    sibling.position = ++n;
                    sibling.previous = before;
                    before = sibling;
                }
                (Parent ?? this).elementCount = n;
            }
            return position;
        }
    }

    /// <summary>Its place from the end, from 1.</summary>
    public int PositionFromEnd => Position is var n ? (Parent ?? this).elementCount - n + 1 : 0;

    /// <summary>The element before it in its parent; null for the first.</summary>
    public ElementBuilder? Previous => Position > 1 ? previous : null;

    private int position;
    private ElementBuilder? previous;
    private int elementCount;

    public string? Style(string property) =>
        Declared?.GetValueOrDefault(property) ?? this[property];

    public IEnumerable<ElementBuilder> SelfAndDescendants()
    {
        var open = new Stack<ElementBuilder>();
        open.Push(this);
        while (open.TryPop(out var element))
        {
            yield return element;
            for (var i = element.Children.Count - 1; i >= 0; i--)
            {
                if (element.Children[i] is ElementBuilder child)
                {
                    open.Push(child);
                }
            }
        }
    }

    /// <summary>Makes the immutable element. Depth is limited by the reader, so that this may recurse.</summary>
    public Element Freeze(IReadOnlySet<string> referredTo)
    {
        var attributes = ImmutableArray.CreateBuilder<ElementAttribute>(Attributes.Count);
        foreach (var attribute in Attributes)
        {
            if (attribute.Name is "style" or "class" || (attribute.Name == "id" && !referredTo.Contains(attribute.Value)))
            {
                continue;
            }
            attributes.Add(attribute);
        }
        if (Declared is { Count: > 0 })
        {
            attributes.Add(new("style", StyleText.Write(Declared)));
        }
        var children = ImmutableArray.CreateBuilder<Node>(Children.Count);
        foreach (var child in Children)
        {
            children.Add(child is ElementBuilder element ? element.Freeze(referredTo) : new TextNode((string)child));
        }
        return Frozen = new Element(Name, attributes.DrainToImmutable(), children.DrainToImmutable(), Wide) { At = Column > 0 ? new(Line, Column) : default, Beyond = Beyond };
    }
}
