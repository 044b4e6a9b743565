using System.IO.Compression;
using System.Xml;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>
/// Reads an OpenRaster drawing (baseline and layer stack of the OpenRaster specification) as the same tree that SVG gives:
/// stacks are groups, layers are embedded pictures, composite operators are blend modes or masks.
/// </summary>
internal sealed class OpenRasterReader
{
    private const string MergedName = "mergedimage.png";
    private const string Remedy = "Save the drawing again as OpenRaster and bring that file in";
    private const int MostStackXml = 8 * 1024 * 1024;
    private const int MostEntries = 4_000;
    private const long MostBytes = 64L * 1024 * 1024;
    // W3C Compositing and Blending 1; the names are those of CSS.
    private static readonly HashSet<string> Blends =
    [
        "multiply", "screen", "overlay", "darken", "lighten", "color-dodge", "color-burn", "hard-light", "soft-light",
        "difference", "color", "hue", "saturation", "luminosity",
    ];

    private readonly ZipArchive zip;
    private readonly ReadingLimits limits;
    private readonly List<(ElementBuilder? Element, string Sentence)> notes = [];
    private readonly ElementBuilder root = new("svg", null, 0);
    private readonly ElementBuilder definitions;
    private readonly Dictionary<string, ElementBuilder> pictures = new(StringComparer.Ordinal);
    private long bytes;
    private int elements;
    private int masks;

    private OpenRasterReader(ZipArchive zip, ReadingLimits limits)
    {
        this.zip = zip;
        this.limits = limits;
        definitions = new("defs", root, 0);
    }

    public static DrawingTree Read(ReadOnlyMemory<byte> file, string fallbackName, ReadingLimits limits)
    {
        if (!FileTypes.IsOpenRaster(file.Span))
        {
            throw new DrawingRefusedException("The file is a zip, but no OpenRaster drawing: its first entry does not say image/openraster", Remedy);
        }
        try
        {
            using var zip = new ZipArchive(FileStreams.Open(file), ZipArchiveMode.Read);
            if (zip.Entries.Count > MostEntries)
            {
                throw new DrawingRefusedException($"The file holds more than {MostEntries} entries", "Split the drawing into several files");
            }
            return new OpenRasterReader(zip, limits).Read(fallbackName);
        }
        catch (InvalidDataException e)
        {
            throw new DrawingRefusedException($"The file is not a whole zip: {e.Message.TrimEnd('.')}", Remedy, 0, e);
        }
    }

    private DrawingTree Read(string fallbackName)
    {
        var settings = new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, IgnoreComments = true, IgnoreProcessingInstructions = true, IgnoreWhitespace = true };
        root.Label = fallbackName;
        root.Children.Add(definitions);
        try
        {
            using var reader = XmlReader.Create(new MemoryStream(Entry("stack.xml", MostStackXml), writable: false), settings);
            if (reader.MoveToContent() != XmlNodeType.Element || reader.LocalName != "image")
            {
                throw new DrawingRefusedException("stack.xml does not begin with <image>", Remedy);
            }
            root["viewBox"] = $"0 0 {Number(reader, "w", 0):0.###} {Number(reader, "h", 0):0.###}";
            ReadStack(reader, root, depth: 1);
        }
        catch (XmlException e)
        {
            throw new DrawingRefusedException($"stack.xml is not well-formed: {e.Message.TrimEnd('.')}", Remedy, 0, e);
        }
        return SvgReader.Finish(root, notes, fallbackName, limits);
    }

    /// <summary>Reads what lies in the element at which the reader stands. The first child is the topmost, in SVG the last.</summary>
    private void ReadStack(XmlReader reader, ElementBuilder parent, int depth)
    {
        if (depth > limits.Depth)
        {
            throw new DrawingRefusedException($"Stacks lie more than {limits.Depth} deep in one another", "Take needless outer groups apart");
        }
        var children = new List<(ElementBuilder Element, string Operator)>();
        if (!reader.IsEmptyElement)
        {
            reader.Read();
            while (reader.NodeType != XmlNodeType.EndElement && !reader.EOF)
            {
                if (reader.NodeType == XmlNodeType.Element && reader.LocalName is "stack" or "layer" && ++elements <= limits.Elements)
                {
                    // The stack around everything is the drawing itself.
                    if (depth == 1 && reader.LocalName == "stack")
                    {
                        ReadStack(reader, parent, depth + 1);
                        reader.Read();
                        continue;
                    }
                    var op = (reader.GetAttribute("composite-op") ?? "svg:src-over").Replace("svg:", "", StringComparison.Ordinal);
                    children.Add((ReadNode(reader, parent, depth, op), op));
                }
                else if (elements > limits.Elements)
                {
                    throw new DrawingRefusedException($"The drawing has more than {limits.Elements:N0} layers", "Split it into several files");
                }
                else
                {
                    reader.Skip();
                }
            }
        }
        children.Reverse();
        Compose(parent, children);
    }

    private ElementBuilder ReadNode(XmlReader reader, ElementBuilder parent, int depth, string op)
    {
        var (x, y) = (Number(reader, "x", 0), Number(reader, "y", 0));
        var name = reader.GetAttribute("name");
        var opacity = Math.Clamp(Number(reader, "opacity", 1), 0, 1);
        var hidden = reader.GetAttribute("visibility") == "hidden";
        var locked = reader.GetAttribute("edit-locked") is "true" or "1";
        var isolated = reader.GetAttribute("isolation") == "isolate";
        ElementBuilder element;
        if (reader.LocalName == "layer")
        {
            var source = reader.GetAttribute("src") ?? "";
            reader.Skip();
            // Layers that show one source share its text.
            if (!pictures.TryGetValue(source, out var picture))
            {
                pictures[source] = picture = PictureReader.Image(root, Entry(source, (int)MostBytes), limits, $"“{name ?? source}” ({source})").Image;
            }
            element = new("image", parent, 0);
            element.Attributes.AddRange(picture.Attributes);
            element["x"] = Numbers.Text(x);
            element["y"] = Numbers.Text(y);
        }
        else
        {
            element = new("g", parent, 0);
            if (x != 0 || y != 0)
            {
                element["transform"] = $"translate({Numbers.Text(x)} {Numbers.Text(y)})";
            }
            ReadStack(reader, element, depth + 1);
            reader.Read();
        }
        element.Label = string.IsNullOrWhiteSpace(name) ? null : name.Trim();
        element.Locked = locked;
        element.Declared = [];
        if (hidden)
        {
            element.Declared["display"] = "none";
        }
        if (opacity < 1)
        {
            element.Declared["opacity"] = Numbers.Text(opacity);
        }
        if (isolated)
        {
            element.Declared["isolation"] = "isolate";
        }
        if (Blends.Contains(op))
        {
            element.Declared["mix-blend-mode"] = op;
        }
        else if (op == "plus")
        {
            element.Declared["mix-blend-mode"] = "plus-lighter";
            element.Beyond = "the blend mode plus";
        }
        else if (op is not ("src-over" or "dst-in" or "dst-out" or "src-atop" or "dst-atop"))
        {
            notes.Add((element, $"The way it is laid over the others (svg:{op}) is drawn as plain covering."));
        }
        return element;
    }

    /// <summary>Puts layers into their parent, bottom one first; operators that cut become masks over all that lies below.</summary>
    private void Compose(ElementBuilder parent, List<(ElementBuilder Element, string Operator)> children)
    {
        var below = new List<object>();
        foreach (var (element, op) in children)
        {
            if (op is not ("dst-in" or "dst-out" or "src-atop" or "dst-atop") || element.Declared?.GetValueOrDefault("display") == "none")
            {
                below.Add(element);
                continue;
            }
            var group = new ElementBuilder("g", parent, 0) { Label = $"{(op.StartsWith("dst", StringComparison.Ordinal) ? "cut by" : "under")} {element.Label ?? "a layer"}", Declared = [] };
            group.Children.AddRange(below);
            below = [op switch
            {
                "dst-in" or "dst-out" => Masked(group, element, isInverted: op == "dst-out"),
                "dst-atop" => Atop(parent, element, group),
                _ => Atop(parent, group, element),
            }];
        }
        parent.Children.AddRange(below);
    }

    private ElementBuilder Masked(ElementBuilder group, ElementBuilder shape, bool isInverted)
    {
        group.Declared!["mask"] = $"url(#{Mask(shape, isInverted)})";
        return group;
    }

    /// <summary>One thing laid over another within just what that covers: over it as if it covered wholly, and all of that as far as it covers.</summary>
    private ElementBuilder Atop(ElementBuilder parent, ElementBuilder ground, ElementBuilder above)
    {
        var id = $"ground{++masks}";
        ground["id"] = id;
        var use = new ElementBuilder("use", definitions, 0);
        use["href"] = "#" + id;
        var whole = (root["viewBox"] ?? "").Split(' ');
        var filter = Definition("filter", $"whole{masks}", definitions, ("filterUnits", "userSpaceOnUse"), ("x", "0"), ("y", "0"), ("width", whole[2]), ("height", whole[3]), ("color-interpolation-filters", "sRGB"));
        filter.Children.Add(Definition("feColorMatrix", null, filter, ("type", "matrix"), ("values", "1 0 0 0 0 0 1 0 0 0 0 0 1 0 0 0 0 0 255 0")));
        var covered = new ElementBuilder("g", parent, 0) { Declared = new() { ["filter"] = $"url(#{filter["id"]})" } };
        covered.Children.Add(ground);
        var both = new ElementBuilder("g", parent, 0) { Label = $"{above.Label ?? "a layer"} on {ground.Label ?? "a layer"}", Declared = [] };
        both.Children.AddRange([covered, above]);
        return Masked(both, use, isInverted: false);
    }

    /// <summary>A mask by the alpha of a layer. It is white for masks go by brightness, and inverted where what it covers goes.</summary>
    private string Mask(ElementBuilder shape, bool inverted)
    {
        var number = ++masks;
        var whole = (root["viewBox"] ?? "").Split(' ');
        var filter = Definition("filter", $"alpha{number}", definitions, ("filterUnits", "userSpaceOnUse"), ("x", "0"), ("y", "0"), ("width", whole[2]), ("height", whole[3]),
            ("color-interpolation-filters", "sRGB"));
        filter.Children.Add(Definition("feColorMatrix", null, filter, ("type", "matrix"),
            ("values", inverted ? "0 0 0 -1 1 0 0 0 -1 1 0 0 0 -1 1 0 0 0 0 1" : "0 0 0 1 0 0 0 0 1 0 0 0 0 1 0 0 0 0 0 1")));
        var mask = Definition("mask", $"mask{number}", definitions, ("maskUnits", "userSpaceOnUse"), ("x", "0"), ("y", "0"), ("width", whole[2]), ("height", whole[3]));
        var group = Definition("g", null, mask, ("filter", $"url(#alpha{number})"));
        mask.Children.Add(group);
        group.Children.Add(shape);
        return $"mask{number}";
    }

    private ElementBuilder Definition(string name, string? id, ElementBuilder parent, params (string Name, string Value)[] attributes)
    {
        var element = new ElementBuilder(name, parent, 0);
        foreach (var (key, value) in attributes)
        {
            element[key] = value;
        }
        if (id is not null)
        {
            element["id"] = id;
            definitions.Children.Add(element);
        }
        return element;
    }

    /// <summary>The picture of all layers together that the program saved, a PNG; null where there is none.</summary>
    public static byte[]? Merged(ReadOnlyMemory<byte> file, ReadingLimits limits)
    {
        try
        {
            using var zip = new ZipArchive(FileStreams.Open(file), ZipArchiveMode.Read);
            return zip.GetEntry(MergedName) is null ? null : new OpenRasterReader(zip, limits).Entry(MergedName, (int)MostBytes);
        }
        catch (InvalidDataException)
        {
            return null;
        }
    }

    private byte[] Entry(string name, int most)
    {
        var entry = zip.GetEntry(name) ?? throw new DrawingRefusedException($"“{name}” is missing in the file", Remedy);
        using var source = entry.Open();
        using var target = new MemoryStream();
        var buffer = new byte[81920];
        // The size that a zip says of itself proves nothing.
        for (int read; (read = source.Read(buffer)) > 0;)
        {
            bytes += read;
            if (bytes > MostBytes || target.Length + read > most)
            {
                throw new DrawingRefusedException($"“{name}” is larger than {Math.Min(most, MostBytes) / 1_000_000} MB when it is unpacked", "Split the drawing into several files");
            }
            target.Write(buffer, 0, read);
        }
        return target.ToArray();
    }

    private static double Number(XmlReader reader, string name, double fallback) => reader.GetAttribute(name) is not { } text ? fallback
        : Numbers.List(text) is [var number] ? number : throw new DrawingRefusedException($"In stack.xml, {name}=“{(text.Length > 30 ? text[..30] : text)}” is no number", Remedy);
}
