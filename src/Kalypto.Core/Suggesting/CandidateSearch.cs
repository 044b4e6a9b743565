using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Suggesting;

/// <summary>Walks a drawing from the outside in and finds what looks like an icon, a logo, a photo, a button or a picture.</summary>
/// <param name="measured">The drawing.</param>
/// <param name="drawnAt">Drawing units in one pt.</param>
/// <param name="dismissed">Layers of which the team said that they are none; what lies in them is looked at instead.</param>
internal sealed class CandidateSearch(MeasuredDrawing measured, double drawnAt, IReadOnlySet<int> dismissed)
{
    // All lengths in pt. Icons are drawn on grids from 12 to 64; letters turned into outlines are wide and low.
    private const double LargestIcon = 64;
    private const double SmallestIcon = 8;
    private const double SlimmestIcon = 0.38;
    private const double LineOfText = 1.7;
    private const int MostIconShapes = 60;
    private const double Speck = 7;
    private const int ManySpecks = 15;
    private const int ManyPieces = 20;
    private const int FewColours = 7;

    // Bytes a pixel of a PNG: photos take one and more, flat shapes a small part of that; small pictures have more edge.
    private const double SignBytes = 1.2;
    private const double FlatBytes = 0.15;
    private const double PlainBytes = 0.012;
    private static readonly double[] Grids = [16, 18, 20, 22, 24, 28, 30, 32, 36, 40, 44, 48, 56, 64];
    private readonly List<Suggestion> found = [];
    private readonly Dictionary<Layer, bool> overlapping = [];
    private int[] complex = [];

    /// <summary>Everything found, each layer at most once and none inside another.</summary>
    public ImmutableArray<Suggestion> Run()
    {
        complex = new int[measured.Drawing.Layers.Length];
        foreach (var layer in measured.Drawing.Layers.OrderByDescending(l => l.Depth).Where(l => l.ViewBox is null))
        {
            complex[layer.Ordinal] = layer.Content switch
            {
                LayerContent.Shape => DecisionRule.IsPlain(layer) ? 0 : 1,
                LayerContent.Repeat => IsRepeatOfPlain(layer) ? 0 : 1,
                _ => layer.Children.Sum(c => complex[c.Ordinal]),
            };
        }
        LookInto(measured.Drawing.Layers[0]);
        return [.. WithRows()];
    }

    private void LookInto(Layer parent)
    {
        var open = new Stack<Layer>();
        open.Push(parent);
        while (open.TryPop(out var at))
        {
            var loose = new LooseLayers(at.Children.Where(c => !Skipped(c) && IsLoose(c)).Select(c => (c, BoxOf(c)!.Value, complex[c.Ordinal])));
            foreach (var group in loose.Groups.Where(g => g.Complex > 0 || g.Layers.Length > 1))
            {
                if (!AddScattered(at, group.Layers, group.Box))
                {
                    AddTogether(group.Layers, group.Box);
                }
            }
            var taken = found.SelectMany(s => s.Together).ToHashSet();
            foreach (var child in at.Children.Reverse().Where(c => !taken.Contains(c) && !Skipped(c)))
            {
                if (!dismissed.Contains(child.Ordinal) && Judge(child) is { } suggestion)
                {
                    found.Add(suggestion);
                }
                else if (!Charts.IsOne(child, BoxOf))
                {
                    open.Push(child);
                }
            }
        }
    }

    private static bool Skipped(Layer layer) => layer.Guide || layer.Content == LayerContent.Text;

    private bool IsRepeatOfPlain(Layer layer) => layer.Element["href"] is ['#', .. var id] && measured.Drawing.Definitions.TryGetValue(id, out var definition)
        && !definition.Element.SelfAndDescendants().Any(e => e.Name is "path" or "polygon" or "polyline" or "image" or "use");

    // Beside others in a group of many things, and small enough to be a part of an icon.
    private bool IsLoose(Layer layer) => BoxOf(layer) is { } box && Math.Max(box.Width, box.Height) <= LargestIcon
        && !dismissed.Contains(layer.Ordinal) && !layer.Hidden && layer.Content is LayerContent.Shape or LayerContent.Group or LayerContent.Repeat
        && measured.Contents[layer.Ordinal] is { Texts: 0, Pictures: 0 } && !IsLettering(layer, box)
        && (layer.Parent is { } parent && (measured.Contents[parent.Ordinal].Texts > 0 || !IsIconSized(BoxOf(parent))));

    private void AddTogether(ImmutableArray<Layer> layers, Box box)
    {
        if (layers.Length < 2 || !HasIconForm(box) || layers.All(l => complex[l.Ordinal] == 0) && !layers.Any(l => l.Element.Name is "line" or "circle")
            || layers.All(l => l.Content == LayerContent.Group))
        {
            return;
        }
        var shapes = layers.Sum(l => measured.Contents[l.Ordinal].Shapes);
        found.Add(new(layers[0], "icon", Strength(0.65, box, layers[0]), $"{Size(box)}, {layers.Length} loose layers that touch, {Count(shapes, "shape")}", layers));
    }

    /// <summary>Pieces of a picture that nobody put into a group: many that touch, of many colours, with the larger shapes that they lie on.</summary>
    private bool AddScattered(Layer parent, ImmutableArray<Layer> layers, Box box)
    {
        if (layers.Length < ManyPieces || IsIconSized(box) || !IsColourful(layers))
        {
            return false;
        }
        bool LiesOnIt(Layer layer) => layer.Content == LayerContent.Shape && !layer.Hidden && !dismissed.Contains(layer.Ordinal) && !Skipped(layer) && !DecisionRule.IsPlain(layer) && !layers.Contains(layer)
            && BoxOf(layer) is { } own && own.Intersect(box) is var common && common.Width * common.Height >= 0.5 * own.Width * own.Height && !IsLettering(layer, own);
        ImmutableArray<Layer> all = [.. parent.Children.Where(c => layers.Contains(c) || LiesOnIt(c))];
        var whole = all.Select(BoxOf).OfType<Box>().Aggregate((a, b) => a.Union(b));
        found.Add(new(all[0], "picture", 0.8, $"{Size(whole)}, {all.Length} loose shapes over one another, of many colours", all));
        return true;
    }

    private static bool IsColourful(IEnumerable<Layer> leaves) => leaves.Select(l => l.Element.Style("fill")).OfType<string>().Where(f => f != "none").Distinct(StringComparer.OrdinalIgnoreCase).Skip(FewColours).Any();

    private Suggestion? Judge(Layer layer)
    {
        if (BoxOf(layer) is not { } box || layer.Content == LayerContent.Screen)
        {
            return null;
        }
        var contents = measured.Contents[layer.Ordinal];
        var words = Words(layer);
        if (layer.Hidden && !words.Any(w => Tagging.States.Of(w) is not null))
        {
            return null;
        }
        if (words.Intersect(LogoWords).Any() && contents.Total > 0 && Math.Max(box.Width, box.Height) <= 480)
        {
            return new(layer, "logo", 0.9, $"its name says so, {Size(box)}", []);
        }
        if (layer.Content == LayerContent.Image || contents is { Pictures: 1, Texts: 0, Shapes: <= 4 } && ShareOfPicture(layer, box) > 0.6)
        {
            return Math.Max(box.Width, box.Height) < SmallestIcon ? null
                // A layer of pixels may hold a sign, flat shapes or a plain ground just as well.
                : layer.Element.Name == "image" && EmbeddedPicture.BytesForPixel(layer.Element) is { } bytes && bytes < (IsIconSized(box) ? SignBytes : FlatBytes)
                    ? Flat(layer, box, bytes)
                : new(layer, "photo", 0.95, $"an embedded picture, {Size(box)}{(layer.Element.Name == "image" ? "" : " with its clip or frame")}", []);
        }
        if (contents.Pictures > 0 || contents.Total == 0 || Charts.IsOne(layer, BoxOf))
        {
            return null;
        }
        if (contents.Texts == 0 && Wordmarks.IsOne(layer, BoxOf))
        {
            return new(layer, "logo", 0.7, $"{Size(box)}, letters beside a mark", []);
        }
        return Button(layer, box, contents, words) ?? (contents.Texts == 0 ? Icon(layer, box, contents) : null) ?? Illustration(layer, box, contents);
    }

    private static Suggestion? Flat(Layer layer, Box box, double bytes) => IsIconSized(box)
        ? HasIconForm(box) ? new(layer, "icon", 0.6, $"a picture as small as a sign, {Size(box)}", []) : null
        : bytes < PlainBytes ? null : new(layer, "picture", 0.7, $"an embedded picture of flat shapes, {Size(box)}", []);

    private Suggestion? Icon(Layer layer, Box box, LayerContents contents)
    {
        if (!HasIconForm(box) || IsLettering(layer, box) || contents.Shapes > MostIconShapes || HoldsSeveral(layer) || HoldsLettering(layer))
        {
            return null;
        }
        if (complex[layer.Ordinal] == 0)
        {
            // Two strokes can be a plus; one box or disc alone is made in code, and so is a switch.
            return contents.Shapes < 2 || Math.Max(box.Width, box.Height) > 48 || box.Width > 1.5 * box.Height ? null
                : new(layer, "icon", Strength(0.55, box, layer), $"{Size(box)}, {contents.Shapes} plain shapes", []);
        }
        return new(layer, "icon", Strength(0.7, box, layer), $"{Size(box)}, {Count(contents.Shapes, "shape")}", []);
    }

    private Suggestion? Button(Layer layer, Box box, LayerContents contents, IReadOnlyList<string> words)
    {
        var named = words.Intersect(ButtonWords).Any();
        var state = words.Count > 0 && Tagging.States.Of(words[^1]) is not null && (named || Words(layer.Parent!).Intersect(ButtonWords).Any());
        if (layer.Content != LayerContent.Group || box.Height is < 20 or > 96 || box.Width < 1.2 * box.Height || contents.Total > 12
            || contents.Texts > 2 || contents.Texts == 0 && !state)
        {
            return null;
        }
        var ground = layer.Children.FirstOrDefault(c => c.Content == LayerContent.Shape && BoxOf(c) is { } b && b.Width * b.Height > 0.7 * box.Width * box.Height);
        var rich = ground is not null && (HasEffect(ground.Element) || HasEffect(layer.Element));
        return state || (ground is not null && named && rich)
            ? new(layer, "button", state ? 0.8 : 0.65, $"{Size(box)}, {(state ? "a state of a button" : "a box with words and an effect that code would find hard")}", [])
            : null;
    }

    private Suggestion? Illustration(Layer layer, Box box, LayerContents contents)
    {
        if (Math.Max(box.Width, box.Height) <= LargestIcon || complex[layer.Ordinal] == 0 && !HasManySpecks(layer, contents) || IsLettering(layer, box) || CoversScreen(layer, box, contents))
        {
            return null;
        }
        if (contents.Texts > 0)
        {
            return contents.Texts <= 6 && complex[layer.Ordinal] >= 10 && contents.Texts * 3 <= complex[layer.Ordinal] && Overlap(layer)
                ? new(layer, "picture", 0.6, $"{Size(box)}, {contents.Shapes} shapes over one another, {Count(contents.Texts, "label")}", []) : null;
        }
        if (layer.Content == LayerContent.Shape)
        {
            return layer.Element["d"] is { } d && CurvesIn(d) >= 2 && box.Height > 24
                ? new(layer, "picture", 0.55, $"{Size(box)}, an outline with {CurvesIn(d)} curves", []) : null;
        }
        return IsMosaic(layer, contents) ? new(layer, "picture", 0.85, $"{Size(box)}, {contents.Shapes} shapes of many colours", []) : HasManySpecks(layer, contents) ? new(layer, "picture", 0.7, $"{contents.Shapes} tiny shapes that nobody needs one by one", [])
            : contents.Shapes >= 3 && Overlap(layer) ? new(layer, "picture", contents.Shapes > 15 ? 0.85 : 0.75, $"{Size(box)}, {contents.Shapes} shapes over one another", [])
            : layer.Content == LayerContent.Repeat ? new(layer, "picture", 0.6, $"{Size(box)}, a repeat of {Count(contents.Shapes, "shape")}", []) : null;
    }

    private bool CoversScreen(Layer layer, Box box, LayerContents contents) => measured.ScreenOf(layer) is { } screen
        && screen.Box.Scale(1 / drawnAt) is var whole && box.Intersect(whole) is var common
        && common.Width * common.Height > 0.85 * whole.Width * whole.Height && (contents.Texts > 0 || !HasManySpecks(layer, contents));

    // Pieces that lie side by side in one group, in more colours than a screen has.
    private static bool IsMosaic(Layer layer, LayerContents contents) => contents is { Texts: 0, Pictures: 0, Shapes: >= ManyPieces }
        && layer.Children.Where(c => c.Content == LayerContent.Shape).ToList() is var pieces && pieces.Count >= 0.6 * contents.Shapes && IsColourful(pieces);

    // Leaves so small that they only make sense together, as stars in a sky.
    private bool HasManySpecks(Layer layer, LayerContents contents) => contents is { Texts: 0, Pictures: 0, Shapes: >= ManySpecks }
        && layer.SelfAndDescendants().Where(l => l.Children.Count == 0).ToList() is var leaves
        && leaves.Count(l => BoxOf(l) is { } b && Math.Max(b.Width, b.Height) <= Speck) > 0.8 * leaves.Count;

    /// <summary>True when what lies in a group lies over one another, as in an illustration, rather than side by side, as on a card.</summary>
    private bool Overlap(Layer layer)
    {
        if (overlapping.TryGetValue(layer, out var known))
        {
            return known;
        }
        var whole = BoxOf(layer)!.Value;
        var only = layer;
        while (only.Children is [{ Content: LayerContent.Group } single])
        {
            only = single;
        }
        // A plain box behind everything is a card's ground and says nothing.
        var boxes = only.Children.Where(c => !(DecisionRule.IsPlain(c) && BoxOf(c) is { } b && b.Width * b.Height > 0.85 * whole.Width * whole.Height))
            .Select(BoxOf).OfType<Box>().Where(b => b.Width * b.Height > 0).Take(200).ToList();
        var over = boxes.Count(a => boxes.Any(b => a != b && a.Intersect(b) is { IsEmpty: false } common
            && common.Width * common.Height > 0.2 * Math.Min(a.Width * a.Height, b.Width * b.Height)));
        return overlapping[layer] = boxes.Count > 1 && over >= 0.5 * boxes.Count;
    }

    /// <summary>True for a group of things side by side, each large enough to be something itself: a row of icons, not one.</summary>
    private bool HoldsSeveral(Layer layer)
    {
        var own = layer;
        while (own.Children is [{ Content: LayerContent.Group } single])
        {
            own = single;
        }
        var boxes = own.Children.Where(c => c.Content is LayerContent.Group or LayerContent.Repeat).Select(BoxOf).OfType<Box>()
            .Where(b => Math.Min(b.Width, b.Height) >= SmallestIcon).ToList();
        return boxes.Count > 1 && boxes.All(a => boxes.All(b => a == b || a.Intersect(b).IsEmpty));
    }

    /// <summary>Words turned into outlines: low, wide, of several closed parts beside one another.</summary>
    private bool IsLettering(Layer layer, Box box)
    {
        if (box.Height > 72 || layer.Content is not (LayerContent.Shape or LayerContent.Group) || complex[layer.Ordinal] == 0)
        {
            return false;
        }
        var leaves = layer.SelfAndDescendants().Where(l => l.Children.Count == 0).ToList();
        if (leaves.Any(l => l.Element["d"] is null || l.Element.Style("fill") == "none"))
        {
            return false;
        }
        var parts = leaves.Sum(l => PartsIn(l.Element["d"]!));
        return parts >= 2 && box.Width > LineOfText * box.Height && parts >= box.Width / Math.Max(1, box.Height) * 0.6
            || parts >= 2 && box.Height <= 14 && box.Width > 1.15 * box.Height && layer.Content == LayerContent.Shape;
    }

    // An icon with its label is not an icon: the label is text.
    private bool HoldsLettering(Layer layer) => layer.SelfAndDescendants()
        .Any(l => l != layer && l.Content == LayerContent.Shape && BoxOf(l) is { } box && IsLettering(l, box));

    private double ShareOfPicture(Layer group, Box box) => group.Content == LayerContent.Repeat ? 1 : group.SelfAndDescendants().FirstOrDefault(l => l.Content == LayerContent.Image) is { } image
        && BoxOf(image) is { } picture && picture.Intersect(box) is var common ? common.Width * common.Height / Math.Max(1, box.Width * box.Height) : 0;

    private static double Strength(double start, Box box, Layer layer)
    {
        var side = Math.Max(box.Width, box.Height);
        return start + (Grids.Any(g => Math.Abs(g - side) < 0.6) ? 0.05 : 0) + (Words(layer).Intersect(IconWords).Any() ? 0.15 : 0);
    }

    private IEnumerable<Suggestion> WithRows()
    {
        var icons = new Rows(found.Where(s => s.Kind == "icon").Select(s => BoxOf(s.Layer)).OfType<Box>());
        var keys = measured.RepeatKeys.Where(k => k is not null).GroupBy(k => k!.Value).ToDictionary(g => g.Key, g => g.Count());
        foreach (var suggestion in found)
        {
            if (suggestion.Kind != "icon" || BoxOf(suggestion.Layer) is not { } box)
            {
                yield return suggestion;
                continue;
            }
            var row = icons.Beside(box);
            var places = measured.RepeatKeys[suggestion.Layer.Ordinal] is { } key ? keys[key] : 1;
            yield return suggestion with
            {
                Strength = Math.Min(0.98, suggestion.Strength + (row > 1 ? 0.08 : 0) + (places > 1 ? 0.08 : 0)),
                Why = suggestion.Why + (row > 1 ? $", in a row with {row} others of its size" : "") + (places > 1 ? $", drawn in {places} places" : ""),
            };
        }
    }

    private static bool HasIconForm(Box box) => Math.Max(box.Width, box.Height) is >= SmallestIcon and <= LargestIcon
        && Math.Min(box.Width, box.Height) >= SlimmestIcon * Math.Max(box.Width, box.Height);

    private static bool IsIconSized(Box? box) => box is { } b && Math.Max(b.Width, b.Height) <= LargestIcon;

    private Box? BoxOf(Layer layer) => measured.ShapeOf(layer) is { } shape ? shape.Scale(1 / drawnAt) : null;

    private static bool HasEffect(Element element) => element.References.Length > 0
        || element.Style("filter") is { } filter && filter != "none";

    private static int CurvesIn(string d) => d.Count(c => c is 'C' or 'c' or 'S' or 's' or 'Q' or 'q' or 'A' or 'a' or 'T' or 't');

    private static int PartsIn(string d) => d.Count(c => c is 'M' or 'm');

    private static IReadOnlyList<string> Words(Layer layer) => layer.NameSource is NameSource.Given or NameSource.Id ? NameWords.Split(layer.Name) : [];

    private static string Size(Box box) => $"{Numbers.Text(box.Width, 0)} × {Numbers.Text(box.Height, 0)}";

    private static string Count(int count, string noun) => $"{count} {noun}{(count == 1 ? "" : "s")}";

    private static readonly string[] LogoWords = ["logo", "logotype", "wordmark", "brand", "emblem"];
    private static readonly string[] IconWords = ["icon", "ico", "ic", "glyph", "pictogram"];
    private static readonly string[] ButtonWords = ["button", "btn", "cta"];
}
