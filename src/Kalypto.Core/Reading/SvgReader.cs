using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading.Normalising;
using Kalypto.Core.Reading.Styles;

namespace Kalypto.Core.Reading;

/// <summary>Reads an SVG file (1.1 or 2) into a drawing whose looks the renderer can keep.</summary>
public static class SvgReader
{
    private const int MostNotes = 500;

    /// <summary>Reads a drawing.</summary>
    /// <param name="file">The bytes of the file. Treated as hostile.</param>
    /// <param name="fallbackName">The name of the whole when the drawing has none, usually the file's name.</param>
    /// <param name="limits">How large it may be; null for <see cref="ReadingLimits.Default"/>.</param>
    /// <exception cref="DrawingRefusedException">The file is not an SVG drawing, is broken, or is over a limit.</exception>
    public static DrawingTree Read(ReadOnlyMemory<byte> file, string fallbackName, ReadingLimits? limits = null)
    {
        limits ??= ReadingLimits.Default;
        var parser = new SvgParser(limits);
        var root = parser.Parse(file);
        List<(ElementBuilder? Element, string Sentence)> notes = [.. parser.Notes];

        Nesting.RefuseDeep(parser.Styles, limits, "The style sheet");
        var sheet = StyleSheetReader.Read(parser.Styles, s => notes.Add((null, s)));
        var cascade = new StyleCascade(sheet.Lines, limits);
        var properties = new CustomProperties();
        var normalisations = Normalisations.All(properties);
        foreach (var element in root.SelfAndDescendants())
        {
            Safety.RefuseDeepNesting(element, limits);
            cascade.Apply(element);
            Safety.LeaveOutOutsideReferences(element, sentence => notes.Add((element, sentence)));
            Safety.RefuseLongFilters(element, limits);
            foreach (var normalisation in normalisations)
            {
                normalisation.Apply(element, sentence => notes.Add((element, sentence)));
            }
            if (sheet.HasFonts && element.Name == "text")
            {
                element.Beyond ??= "a font that the drawing brings along";
            }
        }

        properties.MarkRepeats(root);
        GroupMasks.Rewrite(root);
        TurnedBoxes.Rewrite(root, (element, sentence) =>
        {
            element.Beyond ??= "a paint, clip or mask that counts from a turned box";
            notes.Add((element, sentence));
        });
        if (sheet.IsBeyond)
        {
            root.Beyond = "a style rule that only browsers understand";
            root.Wide = CssColour.NamesWide(parser.Styles) ? Fingerprint.Of(parser.Styles).Hex : null;
        }
        return Finish(root, notes, fallbackName, limits, Fingerprint.Of(file.Span).Hex);
    }

    /// <summary>Makes the drawing out of elements that are read and normalised, whatever format they came from.</summary>
    internal static DrawingTree Finish(ElementBuilder root, IReadOnlyList<(ElementBuilder? Element, string Sentence)> notes, string fallbackName, ReadingLimits limits, string? source = null)
    {
        var (box, unsaid) = BoxOf(root, limits);
        if (unsaid is not null)
        {
            notes = [.. notes, (null, unsaid)];
        }
        var byId = new Dictionary<string, ElementBuilder>();
        foreach (var element in root.SelfAndDescendants())
        {
            if (element["id"] is { } id)
            {
                byId.TryAdd(id, element);
            }
        }
        Safety.RefuseEndlessRepeats(root, byId, limits);

        root.Freeze(ReferredTo(root));
        var tree = new LayerTree(box, limits, byId);
        tree.Build(root, fallbackName);
        return new DrawingTree
        {
            Source = source,
            Root = root.Frozen!,
            Box = box,
            Layers = tree.Layers,
            Screens = tree.Screens,
            Definitions = byId.Where(e => e.Value != root).ToDictionary(e => e.Key, e => new Definition(e.Value.Frozen!, Around(e.Value))),
            Notes = [.. notes.Select(n => new ReadingNote(n.Element is null ? null : tree.OrdinalOf(n.Element), n.Sentence) { IsBeyond = n.Element?.Beyond is not null && n.Sentence != SvgParser.Still }).Distinct().Take(MostNotes)],
        };
    }

    /// <summary>The size in user units: the viewBox where there is one, so that one drawing unit is what the designer drew with.</summary>
    /// <returns>The box, and what is to be said where the drawing itself does not say its size.</returns>
    private static (Box Box, string? Unsaid) BoxOf(ElementBuilder root, ReadingLimits limits)
    {
        const string Remedy = "Give the drawing a viewBox, or a width and height, of its real size";
        Box box;
        string? unsaid = null;
        if (root["viewBox"] is { } text)
        {
            box = Numbers.List(text) is [var x, var y, var w, var h] ? new(x, y, w, h)
                : throw new DrawingRefusedException($"The viewBox “{Naming.PlainText.Clean(text, 60)}” is not four numbers", Remedy, root.Line);
        }
        else if (Side("width") is { } width && Side("height") is { } height)
        {
            box = new(0, 0, width, height);
        }
        else if (DrawnSize.Of(root) is var (right, bottom))
        {
            box = new(0, 0, Side("width") ?? right, Side("height") ?? bottom);
            unsaid = $"The drawing does not say how large it is; it is taken to be as large as what is drawn, {Numbers.Text(box.Width)} × {Numbers.Text(box.Height)}. {Remedy} to have it otherwise.";
        }
        else
        {
            throw new DrawingRefusedException("The drawing does not say how large it is", Remedy, root.Line);
        }
        if (box.IsEmpty)
        {
            throw new DrawingRefusedException($"The drawing is {box.Width} x {box.Height} units large: nothing fits in", Remedy, root.Line);
        }
        if (box.Width > limits.Side || box.Height > limits.Side || Math.Abs(box.X) > 1e7 || Math.Abs(box.Y) > 1e7)
        {
            throw new DrawingRefusedException(
                $"The drawing is {box.Width:0} x {box.Height:0} units large; {limits.Side:0} on a side is the most", Remedy, root.Line);
        }
        return (box, unsaid);

        double? Side(string name) => Numbers.Length(root.Style(name)) ?? Numbers.Length(root[name]);
    }

    private static HashSet<string> ReferredTo(ElementBuilder root)
    {
        var ids = new HashSet<string>();
        foreach (var element in root.SelfAndDescendants())
        {
            foreach (var (name, value) in element.Attributes.Select(a => (a.Name, a.Value)).Concat(element.Declared?.Select(d => (d.Key, d.Value)) ?? []))
            {
                ids.UnionWith(References.Of(name, value));
            }
        }
        return ids;
    }

    private static ImmutableArray<Element> Around(ElementBuilder element)
    {
        var around = new List<Element>();
        for (var e = element.Parent; e?.Parent is not null; e = e.Parent)
        {
            around.Add(e.Frozen!);
        }
        around.Reverse();
        return [.. around];
    }
}
