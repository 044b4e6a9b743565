using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Reading;

/// <summary>Finds the layers and the screens in the elements of a drawing.</summary>
internal sealed partial class LayerTree(Box box, ReadingLimits limits, IReadOnlyDictionary<string, ElementBuilder> byId)
{
    private const int LongestName = 200;

    // A watch is 162 pt wide, the largest icons are smaller.
    private const double LeastScreen = 120;
    private const double MostlyScreens = 0.4;
    private readonly List<Layer> layers = [];
    private readonly List<Screen> screens = [];
    private readonly HashSet<string> screenNames = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<ElementBuilder, int> ordinals = [];

    public ImmutableArray<Layer> Layers => [.. layers];

    public ImmutableArray<Screen> Screens => [.. screens];

    /// <summary>The ordinal of the layer that an element belongs to; null inside definitions.</summary>
    public int? OrdinalOf(ElementBuilder element)
    {
        for (var e = element; e is not null; e = e.Parent)
        {
            if (ordinals.TryGetValue(e, out var ordinal))
            {
                return ordinal;
            }
            if (SvgNames.Definitions.Contains(e.Name))
            {
                return null;
            }
        }
        return 0;
    }

    public void Build(ElementBuilder root, string fallbackName)
    {
        var nested = ScreensIn(root);
        Add(root, null, nested, fallbackName);
        foreach (var screen in nested)
        {
            var frame = new Box(
                Numbers.Length(screen["x"]) ?? 0, Numbers.Length(screen["y"]) ?? 0,
                Side(screen["width"], box.Width), Side(screen["height"], box.Height));
            AddScreen(layers[ordinals[screen]], frame);
        }
        if (nested.Count == 0)
        {
            foreach (var view in root.SelfAndDescendants().Where(e => e.Name == "view").ToList())
            {
                if (Numbers.List(view["viewBox"]) is [var x, var y, > 0 and var w, > 0 and var h])
                {
                    var frame = new Box(x, y, w, h);
                    var layer = new Layer
                    {
                        Ordinal = layers.Count,
                        Parent = null,
                        Name = Clip(view.Label ?? view["id"] ?? "Screen"),
                        NameSource = view.Label is null ? NameSource.Id : NameSource.Given,
                        Content = LayerContent.Screen,
                        Element = root.Frozen!,
                        Hidden = false,
                        Locked = false,
                        Guide = false,
                        ViewBox = frame,
                    };
                    layers.Add(layer);
                    AddScreen(layer, frame);
                }
            }
        }
        if (screens.Count == 0)
        {
            AddScreen(layers[0], box);
        }
    }

    /// <summary>
    /// The drawings inside the drawing that are screens: those that make up most of it, or have nothing but words beside them. Others
    /// are icons and pictures on a screen, which is the drawing then.
    /// </summary>
    private HashSet<ElementBuilder> ScreensIn(ElementBuilder root)
    {
        var frames = root.Elements.Where(e => e.Name == "svg").Select(e => (Element: e, Wide: Side(e["width"], box.Width), Tall: Side(e["height"], box.Height))).ToList();
        if (!root.Elements.Any(e => SvgNames.IsLayer(e.Name) && e.Name is not ("svg" or "text")))
        {
            return [.. frames.Select(f => f.Element)];
        }
        var large = frames.Where(f => f.Wide >= LeastScreen && f.Tall >= LeastScreen).ToList();
        var screens = large.Count > 0 ? large : frames;
        return screens.Sum(f => f.Wide * f.Tall) >= MostlyScreens * box.Width * box.Height ? [.. screens.Select(f => f.Element)] : [];
    }

    private void Add(ElementBuilder element, Layer? parent, HashSet<ElementBuilder> screenElements, string fallbackName, bool isUnseen = false)
    {
        // What is not to be seen may hold what is (SVG 2, 11.6), other than what is not displayed.
        isUnseen = element.Style("visibility") is { } said and not "inherit" ? said is "hidden" or "collapse" : isUnseen;
        var isHidden = element.Style("display") == "none" || (isUnseen && !element.SelfAndDescendants().Skip(1).Any(e => e.Style("visibility") == "visible"));
        var content = parent is null || screenElements.Contains(element) ? LayerContent.Screen : ContentOf(element);
        var (whole, source) = NameOf(element, content, fallbackName);
        var (name, tags) = source == NameSource.Words ? (whole, null) : DrawnTags.Split(whole);
        var layer = new Layer
        {
            Ordinal = layers.Count,
            Parent = parent,
            Name = Clip(name),
            TagText = tags,
            NameSource = source,
            Content = content,
            Element = element.Frozen!,
            Hidden = isHidden,
            Locked = element.Locked,
            Guide = element.Guide || (source != NameSource.Words && GuideName().IsMatch(name) && !HasContent(element)),
        };
        ordinals[element] = layer.Ordinal;
        layers.Add(layer);
        parent?.ChildList.Add(layer);
        if (content != LayerContent.Text && SvgNames.Containers.Contains(element.Name))
        {
            foreach (var child in element.Elements.Where(e => SvgNames.IsLayer(e.Name)))
            {
                Add(child, layer, screenElements, fallbackName, isUnseen && !isHidden);
            }
        }
    }

    private void AddScreen(Layer layer, Box frame)
    {
        if (screens.Count >= limits.Screens)
        {
            throw new DrawingRefusedException($"The drawing has more than {limits.Screens} screens", "Split it into several files");
        }
        screens.Add(new(FreeName.Of(layer.Name, screenNames.Contains, " "), frame, layer));
        screenNames.Add(screens[^1].Name);
    }

    private LayerContent ContentOf(ElementBuilder element) => element.Name switch
    {
        "text" => LayerContent.Text,
        "image" => LayerContent.Image,
        _ when element[LayerText.Words] is not null => LayerContent.Text,
        _ => SvgNames.Containers.Contains(element.Name) ? IsForeignPhoto(element) ? LayerContent.Image : LayerContent.Group
            // A shape that a photo fills is a photo with the shape for its frame.
            : PatternPicture.Of(element.Frozen!, id => byId.GetValueOrDefault(id)?.Frozen) is not null ? LayerContent.Image
            : element.Name == "use" ? LayerContent.Repeat : LayerContent.Shape,
    };

    // A photo as the background of a page inside the drawing, with nothing beside it.
    private static bool IsForeignPhoto(ElementBuilder element) => element.Elements.Any(e => e[ForeignContent.Photo] is not null) && !element.Elements.Any(e => SvgNames.IsLayer(e.Name));

    private static (string Name, NameSource Source) NameOf(ElementBuilder element, LayerContent content, string fallbackName)
    {
        if (element.Label is { } label)
        {
            return (label, NameSource.Given);
        }
        if (element.Parent is null)
        {
            return (fallbackName, NameSource.Given);
        }
        if (element["id"] is { Length: > 0 } id)
        {
            return (id, NameSource.Id);
        }
        if (content == LayerContent.Text && Words(element) is { Length: > 0 } words)
        {
            return (words, NameSource.Words);
        }
        return (content switch
        {
            LayerContent.Group => "group",
            LayerContent.Repeat => "repeat",
            LayerContent.Screen => "screen",
            _ => element.Name,
        }, NameSource.None);
    }

    private static string Words(ElementBuilder text) => text[LayerText.Words] ?? WhiteSpace()
        .Replace(string.Concat(text.SelfAndDescendants().SelectMany(e => e.Children.OfType<string>())), " ").Trim();

    private static double Side(string? length, double whole) => Numbers.Length(length) switch
    {
        > 0 and var side => side,
        _ => whole,
    };

    // Guides are lines and areas: a “grid” of words or photos is one of the product.
    private static bool HasContent(ElementBuilder element) => element.SelfAndDescendants().Any(e => e.Name is "text" or "image");

    private static string Clip(string name) => PlainText.Clean(name, LongestName, "…");

    [GeneratedRegex(@"^(guides?|grids?|columns?|(layout|baseline|column)[ _-]?(grid|guides?))$", RegexOptions.IgnoreCase)]
    private static partial Regex GuideName();

    [GeneratedRegex(@"\s+")]
    private static partial Regex WhiteSpace();
}
