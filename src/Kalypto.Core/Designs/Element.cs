using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>A node of a drawing as it was read and normalised: an <see cref="Element"/> or a <see cref="TextNode"/>.</summary>
public abstract class Node;

/// <summary>Character data inside an element.</summary>
/// <param name="text">The characters, unescaped.</param>
public sealed class TextNode(string text) : Node
{
    /// <summary>The characters, unescaped.</summary>
    public string Text { get; } = text;
}

/// <summary>A name and a value on an element. Names have no prefix, except <c>xml:space</c> and <c>xml:lang</c>.</summary>
public readonly record struct ElementAttribute(string Name, string Value);

/// <summary>An SVG element of a normalised drawing. Immutable, and compared by <see cref="Fingerprint"/>.</summary>
public sealed class Element : Node
{
    /// <summary>Makes an element and its fingerprint out of the fingerprints of its children.</summary>
    public Element(string name, ImmutableArray<ElementAttribute> attributes, ImmutableArray<Node> children, string? wide = null)
    {
        Name = name;
        Attributes = attributes;
        Children = children;
        Wide = wide;
        References = Designs.References.Of(this);
        Fingerprint = Designs.Fingerprint.Of(this);
    }

    /// <summary>The local name, such as <c>path</c>.</summary>
    public string Name { get; }

    /// <summary>The attributes, in the order of the file.</summary>
    public ImmutableArray<ElementAttribute> Attributes { get; }

    /// <summary>Elements and character data, in the order of the file (the first is painted first).</summary>
    public ImmutableArray<Node> Children { get; }

    /// <summary>The ids that the element itself refers to (not its children), without the <c>#</c>.</summary>
    public ImmutableArray<string> References { get; }

    /// <summary>SHA-256 of the element with all that lies in it. Equal fingerprints mean equal drawings.</summary>
    public Fingerprint Fingerprint { get; }

    /// <summary>Its colours beyond sRGB, as they were written, of which the attributes hold the nearest within; null for none.</summary>
    public string? Wide { get; }

    /// <summary>Where it is in the file.</summary>
    public SourcePlace At { get; init; }

    /// <summary>What about it only the exact engine draws right, such as “text along a path”; null for nothing. No part of the fingerprint.</summary>
    public string? Beyond { get; init; }

    /// <summary>The same element of the file with other content.</summary>
    public Element With(ImmutableArray<ElementAttribute> attributes, ImmutableArray<Node> children) => new(Name, attributes, children, Wide) { At = At, Beyond = Beyond };

    /// <summary>The elements among the children.</summary>
    public IEnumerable<Element> Elements => Children.OfType<Element>();

    /// <summary>The value of an attribute, or null.</summary>
    public string? this[string name]
    {
        get
        {
            foreach (var attribute in Attributes)
            {
                if (attribute.Name == name)
                {
                    return attribute.Value;
                }
            }
            return null;
        }
    }

    /// <summary>The element with all that lies in it, itself first, without recursion (drawings may be deep).</summary>
    public IEnumerable<Element> SelfAndDescendants()
    {
        var open = new Stack<Element>();
        open.Push(this);
        while (open.TryPop(out var element))
        {
            yield return element;
            for (var i = element.Children.Length - 1; i >= 0; i--)
            {
                if (element.Children[i] is Element child)
                {
                    open.Push(child);
                }
            }
        }
    }

    /// <summary>The value of a style property, from the style attribute or else the attribute of that name; or null.</summary>
    public string? Style(string property) => StyleText.Find(this["style"], property) ?? this[property];
}
