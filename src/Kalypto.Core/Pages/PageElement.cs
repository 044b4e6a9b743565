using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>An element of a page while it is put together.</summary>
internal sealed class PageElement(string tag)
{
    public string Tag { get; set; } = tag;

    public List<KeyValuePair<string, string>> Attributes { get; } = [];

    /// <summary>Where it was drawn, in pt.</summary>
    public Box Box { get; set; }

    /// <summary>Its margins.</summary>
    public Sides Margin { get; set; }

    /// <summary>Its paddings.</summary>
    public Sides Padding { get; set; }

    /// <summary>How it is laid out and painted, but for margins and paddings.</summary>
    public List<(string Property, string Value)> Style { get; } = [];

    /// <summary>How its words are set otherwise than those around it.</summary>
    public List<(string Property, string Value)> Type { get; } = [];

    public List<PageElement> Children { get; } = [];

    /// <summary>Its words; null for none.</summary>
    public TextValue? Words { get; set; }

    /// <summary>True when its lines are broken where they were drawn, false when that comes about by its width.</summary>
    public bool BreaksLines { get; set; }

    /// <summary>The layer that it shows; null for one that only keeps others together.</summary>
    public PagePart? Part { get; set; }

    /// <summary>The layer of its words, where they stand in a box that is another; null for none.</summary>
    public PagePart? WordsPart { get; set; }

    /// <summary>The group that it stands for; null for none.</summary>
    public PageGroup? Group { get; set; }

    public bool IsList { get; set; }

    /// <summary>The same element where the window is narrow; null where there is one page for all.</summary>
    public PageElement? Narrow { get; private set; }

    /// <summary>What is read aloud instead of a picture.</summary>
    public string Alt { get; set; } = "";

    /// <summary>The classes, once they have names.</summary>
    public List<string> Classes { get; } = [];

    public IEnumerable<PageElement> All => Children.SelectMany(c => c.All).Prepend(this);

    /// <summary>True for a box that is painted, so that a room at its ends lies inside it.</summary>
    public bool IsPainted => Part is { Kind: PartKind.Box };

    /// <summary>The element whose children keep off its ends: this one, or one inside where this one is painted.</summary>
    public PageElement Inset(string? left, string? right)
    {
        if (!IsPainted || (left is null && right is null))
        {
            Around(left, right);
            return this;
        }
        var inner = new PageElement("div") { Box = Box, Margin = new(null, right, null, left) };
        Children.Add(inner);
        return inner;
    }

    /// <summary>Keeps off the ends: by its own margins, or by those of its first and last child where it is painted.</summary>
    public void Around(string? left, string? right)
    {
        var (first, last) = IsPainted && Children.Count > 0 ? (Children[0], Children[^1]) : (this, this);
        first.Margin = first.Margin with { Left = left ?? first.Margin.Left };
        last.Margin = last.Margin with { Right = right ?? last.Margin.Right };
    }

    /// <summary>Pairs it and all in it with the elements of a narrow page; false where they are not the same words and pictures in the same elements.</summary>
    public bool Pair(PageElement narrow)
    {
        if (Tag != narrow.Tag || Children.Count != narrow.Children.Count || Words?.Words.Replace('\n', ' ') != narrow.Words?.Words.Replace('\n', ' ')
            || (Tag == "img" && !string.Equals(Part?.Name, narrow.Part?.Name, StringComparison.OrdinalIgnoreCase)) || !Children.Zip(narrow.Children).All(c => c.First.Pair(c.Second)))
        {
            return false;
        }
        Narrow = narrow;
        return true;
    }

    /// <summary>All that its own rule says.</summary>
    public IReadOnlyList<(string Property, string Value)> Declarations => [.. Margin.Declarations("margin"), .. Padding.Declarations("padding"), .. Style];

    /// <summary>Says a property, instead of what was said of it before.</summary>
    public void Set(string property, string value)
    {
        var at = Style.FindIndex(s => s.Property == property);
        if (at < 0)
        {
            Style.Add((property, value));
        }
        else
        {
            Style[at] = (property, value);
        }
    }
}
