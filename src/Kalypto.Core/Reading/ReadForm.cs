using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>
/// A drawing that was read, as bytes that go from one process to another: every text once, then elements in document order,
/// layers, screens, references and notes. Only the same build of this core reads it back.
/// </summary>
public static class ReadForm
{
    private const int NoParent = -1;

    /// <summary>Writes a drawing.</summary>
    /// <exception cref="DrawingRefusedException">It comes to more bytes than <paramref name="most"/>.</exception>
    public static byte[] Write(DrawingTree drawing, long most)
    {
        var (texts, elements) = (new Dictionary<string, int>(StringComparer.Ordinal), new Dictionary<Element, int>(ReferenceEqualityComparer.Instance));
        using var body = new MemoryStream();
        using var head = new MemoryStream();
        using (var to = new BinaryWriter(body, System.Text.Encoding.UTF8, leaveOpen: true))
        using (var words = new BinaryWriter(head, System.Text.Encoding.UTF8, leaveOpen: true))
        {
            WriteElements();
            to.Write7BitEncodedInt(drawing.Layers.Length);
            foreach (var layer in drawing.Layers)
            {
                to.Write7BitEncodedInt(layer.Parent?.Ordinal + 1 ?? 0);
                to.Write7BitEncodedInt(elements[layer.Element]);
                Text(layer.Name);
                Text(layer.TagText);
                to.Write((byte)layer.NameSource);
                to.Write((byte)layer.Content);
                to.Write((byte)((layer.Hidden ? 1 : 0) | (layer.Locked ? 2 : 0) | (layer.Guide ? 4 : 0) | (layer.ViewBox is null ? 0 : 8)));
                if (layer.ViewBox is { } view)
                {
                    WriteBox(view);
                }
            }
            Text(drawing.Source);
            WriteBox(drawing.Box);
            to.Write7BitEncodedInt(drawing.Screens.Length);
            foreach (var screen in drawing.Screens)
            {
                Text(screen.Name);
                WriteBox(screen.Box);
                to.Write7BitEncodedInt(screen.Root.Ordinal);
            }
            to.Write7BitEncodedInt(drawing.Definitions.Count);
            foreach (var (id, definition) in drawing.Definitions)
            {
                Text(id);
                to.Write7BitEncodedInt(elements[definition.Element]);
            }
            to.Write7BitEncodedInt(drawing.Notes.Length);
            foreach (var note in drawing.Notes)
            {
                to.Write7BitEncodedInt(note.Layer + 1 ?? 0);
                Text(note.Sentence);
                to.Write(note.IsBeyond);
            }

            void Text(string? text)
            {
                var index = 0;
                if (text is not null && !texts.TryGetValue(text, out index))
                {
                    texts.Add(text, index = texts.Count + 1);
                    words.Write(text);
                }
                to.Write7BitEncodedInt(index);
                if (head.Length + body.Length > most)
                {
                    throw new DrawingRefusedException($"Read out, the drawing comes to more than {most / 1_000_000} MB", "Leave out styles and effects that are repeated on thousands of elements");
                }
            }

            void WriteBox(Box box)
            {
                to.Write(box.X);
                to.Write(box.Y);
                to.Write(box.Width);
                to.Write(box.Height);
            }

            // Children before what they lie in, so that reading makes each once and needs no recursion.
            void WriteElements()
            {
                var open = new Stack<(Element Element, int Next)>();
                open.Push((drawing.Root, 0));
                while (open.TryPop(out var at))
                {
                    var next = at.Next;
                    while (next < at.Element.Children.Length && at.Element.Children[next] is not Element)
                    {
                        next++;
                    }
                    if (next < at.Element.Children.Length)
                    {
                        open.Push((at.Element, next + 1));
                        open.Push(((Element)at.Element.Children[next], 0));
                        continue;
                    }
                    elements.Add(at.Element, elements.Count);
                    Text(at.Element.Name);
                    to.Write7BitEncodedInt(at.Element.At.Line);
                    to.Write7BitEncodedInt(at.Element.At.Column);
                    Text(at.Element.Beyond);
                    Text(at.Element.Wide);
                    to.Write7BitEncodedInt(at.Element.Attributes.Length);
                    foreach (var (name, value) in at.Element.Attributes)
                    {
                        Text(name);
                        Text(value);
                    }
                    to.Write7BitEncodedInt(at.Element.Children.Length);
                    foreach (var child in at.Element.Children)
                    {
                        Text((child as TextNode)?.Text);
                        if (child is Element inner)
                        {
                            to.Write7BitEncodedInt(elements[inner]);
                        }
                    }
                }
            }
        }
        using var whole = new MemoryStream((int)(head.Length + body.Length) + 16);
        using var count = new BinaryWriter(whole);
        count.Write(texts.Count);
        count.Write(elements.Count);
        head.WriteTo(whole);
        body.WriteTo(whole);
        return whole.ToArray();
    }

    /// <summary>Reads a drawing back.</summary>
    /// <exception cref="InvalidDataException">The bytes are not what <see cref="Write"/> wrote.</exception>
    public static DrawingTree Read(byte[] bytes)
    {
        try
        {
            using var from = new BinaryReader(new MemoryStream(bytes, writable: false));
            return Read(from);
        }
        catch (Exception e) when (e is EndOfStreamException or IOException or IndexOutOfRangeException or ArgumentException or FormatException or OverflowException)
        {
            throw new InvalidDataException("A drawing that was read is broken.", e);
        }
    }

    private static DrawingTree Read(BinaryReader from)
    {
        var (texts, elements) = (new string?[from.ReadInt32() + 1], new Element[from.ReadInt32()]);
        for (var i = 1; i < texts.Length; i++)
        {
            texts[i] = from.ReadString();
        }
        var parents = new int[elements.Length];
        Array.Fill(parents, NoParent);
        for (var i = 0; i < elements.Length; i++)
        {
            elements[i] = ReadElement(i);
        }
        var layers = ImmutableArray.CreateBuilder<Layer>(from.Read7BitEncodedInt());
        for (var ordinal = 0; ordinal < layers.Capacity; ordinal++)
        {
            var parent = from.Read7BitEncodedInt() is > 0 and var p ? layers[p - 1] : null;
            var element = elements[from.Read7BitEncodedInt()];
            // Workers have no tables of letters, so letters and their marks are put together here (NFC).
            var (name, tags, source, content, flags) = (Text()!.Normalize(), Text()?.Normalize(), (NameSource)from.ReadByte(), (LayerContent)from.ReadByte(), from.ReadByte());
            var layer = new Layer
            {
                Ordinal = ordinal,
                Parent = parent,
                Name = name,
                TagText = tags,
                NameSource = source,
                Content = content,
                Element = element,
                Hidden = (flags & 1) != 0,
                Locked = (flags & 2) != 0,
                Guide = (flags & 4) != 0,
                ViewBox = (flags & 8) != 0 ? ReadBox() : null,
            };
            layers.Add(layer);
            parent?.ChildList.Add(layer);
        }
        var file = Text();
        var box = ReadBox();
        var all = layers.MoveToImmutable();
        var screens = new Screen[from.Read7BitEncodedInt()];
        for (var i = 0; i < screens.Length; i++)
        {
            screens[i] = new(Text()!.Normalize(), ReadBox(), all[from.Read7BitEncodedInt()]);
        }
        var definitions = new Dictionary<string, Definition>();
        for (var left = from.Read7BitEncodedInt(); left > 0; left--)
        {
            var (id, index) = (Text()!, from.Read7BitEncodedInt());
            definitions.Add(id, new(elements[index], Around(index)));
        }
        var notes = new ReadingNote[from.Read7BitEncodedInt()];
        for (var i = 0; i < notes.Length; i++)
        {
            notes[i] = new(from.Read7BitEncodedInt() is > 0 and var layer ? layer - 1 : null, Text()!) { IsBeyond = from.ReadBoolean() };
        }
        return new() { Source = file, Root = elements[^1], Box = box, Layers = all, Screens = [.. screens], Definitions = definitions, Notes = [.. notes] };

        string? Text() => texts[from.Read7BitEncodedInt()];

        Box ReadBox() => new(from.ReadDouble(), from.ReadDouble(), from.ReadDouble(), from.ReadDouble());

        Element ReadElement(int index)
        {
            var name = Text()!;
            var place = new SourcePlace(from.Read7BitEncodedInt(), from.Read7BitEncodedInt());
            var (beyond, wide) = (Text(), Text());
            var attributes = ImmutableArray.CreateBuilder<ElementAttribute>(from.Read7BitEncodedInt());
            for (var i = 0; i < attributes.Capacity; i++)
            {
                attributes.Add(new(Text()!, Text()!));
            }
            var children = ImmutableArray.CreateBuilder<Node>(from.Read7BitEncodedInt());
            for (var i = 0; i < children.Capacity; i++)
            {
                if (Text() is { } text)
                {
                    children.Add(new TextNode(text));
                    continue;
                }
                var child = from.Read7BitEncodedInt();
                parents[child] = index;
                children.Add(elements[child]);
            }
            return new(name, attributes.MoveToImmutable(), children.MoveToImmutable(), wide) { At = place, Beyond = beyond };
        }

        // Outermost first, without the root.
        ImmutableArray<Element> Around(int index)
        {
            var around = new List<Element>();
            for (var at = parents[index]; at >= 0 && parents[at] >= 0; at = parents[at])
            {
                around.Add(elements[at]);
            }
            around.Reverse();
            return [.. around];
        }
    }
}
