using Kalypto.Core.Naming;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>Gives the elements of a page the tags that say what they are (HTML, 4.3 and 4.4), by tags, names, sizes and order.</summary>
internal sealed class Meanings(PageElement body, TypeStyles types, IReadOnlyList<PageLink> links)
{
    private const int LongestHeading = 80;
    private const int FewestLetters = 3;
    private static readonly string[] NavigationWords = ["nav", "navigation", "menu", "tabs", "tabbar"];
    private static readonly string[] ButtonWords = ["button", "btn", "cta"];

    /// <summary>What was found out, and by what: for people.</summary>
    public List<PageNote> Notes { get; } = [];

    /// <summary>Gives them.</summary>
    public void Give()
    {
        Merge(body);
        foreach (var element in body.All.ToList())
        {
            Said(element);
        }
        Navigation();
        Buttons(body, isInside: false);
        Links(body, isInside: false);
        Lead();
        Headings();
        Lists();
        Sections();
        Inline(body, isInside: false);
    }

    /// <summary>The words of an element's name.</summary>
    public static IReadOnlyList<string> NameOf(PageElement element) => NameWords.Split(element.Group?.Name is { Length: > 0 } group ? group : element.Part?.Name ?? "");

    // Words alone in a box are words with a box.
    private static void Merge(PageElement element)
    {
        foreach (var child in element.Children)
        {
            Merge(child);
        }
        if (element is { Tag: "div", Part: not null, Children: [{ Tag: "p", Words: not null, Margin.Top: null } words] } && words.Style.TrueForAll(s => s.Property is "text-align" or "white-space")
            && words.Margin is { Left: null or "0", Right: null or "0" })
        {
            element.Tag = "p";
            element.Words = words.Words;
            element.WordsPart = words.Part;
            element.BreaksLines = words.BreaksLines;
            foreach (var (property, value) in words.Style)
            {
                element.Set(property, value);
            }
            element.Style.RemoveAll(s => s is { Property: "display", Value: "flex" } or { Property: "flex-direction" });
            element.Children.Clear();
        }
    }

    private static void Said(PageElement element)
    {
        if ((element.Group?.Said.As ?? element.Part?.Said.As) is { } tag && element.Tag is "p" or "div" or "section")
        {
            element.Tag = tag;
        }
        if ((element.Group?.Said.Href ?? element.Part?.Said.Href) is { } href && element.Tag is not "img")
        {
            element.Tag = "a";
            element.Attributes.Add(new("href", href));
        }
    }

    private void Navigation()
    {
        foreach (var element in body.All.Where(e => e.Tag is "div" or "header" or "footer" or "nav").ToList())
        {
            var isNamed = NameOf(element).Intersect(NavigationWords).Any() || (NameOf(element).Contains("tab") && NameOf(element).Contains("bar"));
            var items = Items(element);
            var isBar = element.Tag is "header" or "footer" && items.Count is >= 3 and <= 6 && items.TrueForAll(i => i.Children.Count == 2 && i.All.Any(e => e.Tag == "img") && i.All.Any(e => e.Words is not null));
            if (element.Tag != "nav" && !((isNamed || isBar) && items.Count(i => i.All.Any(e => e.Words is not null || e.Tag == "img")) >= 2 && !body.All.Any(e => e.Tag == "nav" && e.All.Contains(element))))
            {
                continue;
            }
            if (element.Tag != "nav")
            {
                Tell(element, "nav", isNamed ? "its name says so" : "pictures with words beside one another, along an edge");
            }
            element.Tag = "nav";
            foreach (var item in items.Where(i => i.Tag is "div" or "p" && i.All.Any(e => e.Words is not null || e.Tag == "img")))
            {
                Link(item);
            }
        }
    }

    private static List<PageElement> Items(PageElement element) => element.Children is [{ Tag: "div" } only] ? Items(only) : element.Children;

    private void Buttons(PageElement element, bool isInside)
    {
        var isButton = element.Tag == "button";
        if (!isInside && element.Tag is "div" or "p" && !element.All.Skip(1).Any(e => e.Tag is "a" or "button" or "nav"))
        {
            var isNamed = NameOf(element).Intersect(ButtonWords).Any() && element.All.Skip(1).Count() <= 6;
            var isLike = element.Part is { Kind: PartKind.Box } part && element.Box.Height is >= 40 and <= 72 && element.Box.Width <= 480 && IsRound(part, element.Box.Height)
                && (element.Words is { Lines.Length: 1 } || (element.Children is [{ Tag: "img" }] && Math.Abs(element.Box.Width - element.Box.Height) < 2));
            if (isNamed || isLike)
            {
                Tell(element, "button", isNamed ? "its name says so" : "words or an icon alone in a box with round ends, as high as a finger");
                element.Tag = "button";
                isButton = true;
            }
        }
        if (isButton && !element.Attributes.Exists(a => a.Key == "type"))
        {
            element.Attributes.Add(new("type", "button"));
        }
        foreach (var child in element.Children)
        {
            Buttons(child, isInside || isButton || element.Tag == "a");
        }
    }

    private static bool IsRound(PagePart part, double height) => part.Values is { Radii: { AreNone: false } radii } && radii.UpperLeft >= height * 0.2;

    private void Links(PageElement element, bool isInside)
    {
        if (!isInside && element.Tag is "p" or "div" && (NameOf(element).Contains("link") || element.Words?.Main.Type.Decoration == "underline") && !element.All.Skip(1).Any(e => e.Tag is "a" or "button"))
        {
            Tell(element, "a", NameOf(element).Contains("link") ? "its name says so" : "its words are underlined");
            Link(element);
        }
        foreach (var child in element.Children)
        {
            Links(child, isInside || element.Tag is "a" or "button");
        }
    }

    // Links and buttons whose words are the name of another screen lead there.
    private void Lead()
    {
        foreach (var element in body.All.Where(e => e.Tag is "a" or "button").ToList())
        {
            var words = string.Join(' ', element.All.Select(e => e.Words?.Words.Trim()).OfType<string>());
            var at = element.Attributes.FindIndex(a => a.Key == "href");
            if ((at >= 0 && element.Attributes[at].Value != "#") || words.Length == 0 || links.FirstOrDefault(l => string.Equals(l.Name, words, StringComparison.OrdinalIgnoreCase)) is not { } link)
            {
                continue;
            }
            element.Attributes.RemoveAll(a => a.Key is "href" or "type");
            element.Tag = "a";
            element.Attributes.Add(new("href", link.Address));
            if (link.IsHere)
            {
                element.Attributes.Add(new("aria-current", "page"));
            }
            Tell(element, "a", $"its words are the name of the screen “{link.Name}”");
        }
    }

    private static void Link(PageElement element)
    {
        element.Tag = "a";
        if (!element.Attributes.Exists(a => a.Key == "href"))
        {
            element.Attributes.Add(new("href", element.Group?.Said.Href ?? element.Part?.Said.Href ?? "#"));
        }
    }

    private static bool IsLarger(TypeStyle type, double than) => type.Size >= than * 1.3 || (type.Size > than * 1.1 && type.Weight >= 550);

    // The largest words are the first heading, smaller ones are below it; none is skipped on the way down.
    private void Headings()
    {
        var size = types.Most?.Type.Size ?? 0;
        var said = body.All.Any(e => e.Tag == "h1");
        List<PageElement> words = [.. Outside(body).Where(e => e.Words is not null)];
        List<PageElement> open = [.. words.Where(e => e.Tag == "p" && IsLarger(e.Words!.Main.Type, size) && e.Words.Words.Length <= LongestHeading && !e.Words.Words.TrimEnd().EndsWith('.') && e.Words.Words.Count(char.IsLetter) >= FewestLetters)];
        if (!said && (open.Count > 0 ? open.MaxBy(e => e.Words!.Main.Type.Size) : words.Where(e => e.Tag == "p").MaxBy(e => e.Words!.Main.Type.Size)) is { } largest)
        {
            largest.Tag = "h1";
            Tell(largest, "h1", "the largest words of the screen");
        }
        // The headings above the one at hand, the first one first.
        var above = new Stack<(double Size, int Level)>();
        foreach (var element in words)
        {
            var own = element.Words!.Main.Type.Size;
            if (element.Tag is ['h', >= '1' and <= '6'])
            {
                var level = element.Tag[1] - '0';
                while (above.TryPeek(out var last) && last.Level >= level)
                {
                    above.Pop();
                }
                above.Push((own, level));
            }
            else if (above.Count > 0 && open.Contains(element))
            {
                while (above.Count > 1 && above.Peek().Size <= own)
                {
                    above.Pop();
                }
                above.Push((own, Math.Min(above.Peek().Level + 1, 4)));
                element.Tag = $"h{above.Peek().Level}";
                Tell(element, element.Tag, "larger than the words around it");
            }
        }
    }

    private static IEnumerable<PageElement> Outside(PageElement element) => element.Tag is "nav" or "button" or "a" ? [] : element.Children.SelectMany(Outside).Prepend(element);

    private void Lists()
    {
        foreach (var element in body.All.Where(e => e.IsList && e.Tag == "div" && e.Children.Count > 1).ToList())
        {
            if (element.Children.TrueForAll(c => c.Tag is "div" or "p") && element.Children.Exists(c => c.All.Any(e => e.Words is not null)))
            {
                element.Tag = "ul";
                element.Children.ForEach(c => c.Tag = "li");
                Tell(element, "ul", $"{element.Children.Count} that look alike");
            }
        }
    }

    private void Sections()
    {
        foreach (var main in body.Children.Where(c => c.Tag == "main"))
        {
            foreach (var child in main.Children.Where(c => c.Tag == "div" && c.All.Any(e => e.Tag is "h1" or "h2") && c.All.Count(e => e.Words is not null) > 1))
            {
                child.Tag = "section";
            }
        }
        foreach (var element in body.All.Where(e => e.Tag == "div" && e.Children is [{ Tag: "img", Box: { Width: >= 120, Height: >= 80 } }, { Tag: "p" }]).ToList())
        {
            element.Tag = "figure";
            element.Children[1].Tag = "figcaption";
        }
    }

    // Buttons hold phrases only (HTML, 4.10.6), and words inside a link or button are no paragraphs.
    private static void Inline(PageElement element, bool isInside)
    {
        if (isInside && element.Tag is "p" or "div" or "ul" or "li" or "figure" or "figcaption" or "section")
        {
            element.Tag = "span";
        }
        foreach (var child in element.Children)
        {
            Inline(child, isInside || element.Tag is "a" or "button");
        }
    }

    private void Tell(PageElement element, string tag, string why)
    {
        if ((element.Group?.Layer ?? element.Part?.Layer) is { } layer)
        {
            Notes.Add(new(layer, tag, why));
        }
    }
}
