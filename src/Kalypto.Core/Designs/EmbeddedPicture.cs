using System.Buffers.Binary;
using System.Runtime.CompilerServices;

namespace Kalypto.Core.Designs;

/// <summary>The size of a picture inside a drawing, read from the head of its data.</summary>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
public readonly record struct EmbeddedPicture(int Width, int Height)
{
    private const int MostHead = 400_000;
    private static readonly ConditionalWeakTable<Element, object> Known = [];
    private static readonly object None = new();

    /// <summary>The size of the PNG, JPEG or GIF in an image element; null when it is none of them or cannot be read.</summary>
    public static EmbeddedPicture? Of(Element image) =>
        Known.GetValue(image, i => Read(i) is { } size ? size : None) is EmbeddedPicture known ? known : null;

    private static EmbeddedPicture? Read(Element image)
    {
        var href = image["href"];
        var comma = href?.IndexOf(',', StringComparison.Ordinal) ?? -1;
        if (href is null || comma < 0 || !href.StartsWith("data:", StringComparison.Ordinal))
        {
            return null;
        }
        var length = Math.Min(href.Length - comma - 1, MostHead) / 4 * 4;
        var text = href.AsSpan(comma + 1, length);
        var bytes = new byte[length];
        if (!Convert.TryFromBase64Chars(text, bytes, out var count))
        {
            return null;
        }
        return Of(bytes.AsSpan(0, count));
    }

    /// <summary>The size that the first bytes of a PNG, JPEG or GIF tell; null when it is none of them or cannot be read.</summary>
    public static EmbeddedPicture? Of(ReadOnlySpan<byte> head)
    {
        if (head.Length >= 24 && head[1..4].SequenceEqual("PNG"u8))
        {
            return new(BinaryPrimitives.ReadInt32BigEndian(head[16..]), BinaryPrimitives.ReadInt32BigEndian(head[20..]));
        }
        if (head.Length >= 10 && head[..3].SequenceEqual("GIF"u8))
        {
            return new(BinaryPrimitives.ReadUInt16LittleEndian(head[6..]), BinaryPrimitives.ReadUInt16LittleEndian(head[8..]));
        }
        return Jpeg(head);
    }

    // JPEG: markers with a length, until the start of frame, which holds height and width (ITU T.81, B.2.2).
    private static EmbeddedPicture? Jpeg(ReadOnlySpan<byte> head)
    {
        if (head.Length < 4 || head[0] != 0xff || head[1] != 0xd8)
        {
            return null;
        }
        for (var at = 2; at + 9 < head.Length && head[at] == 0xff;)
        {
            var marker = head[at + 1];
            if (marker is >= 0xc0 and <= 0xcf and not (0xc4 or 0xc8 or 0xcc))
            {
                return new(BinaryPrimitives.ReadUInt16BigEndian(head[(at + 7)..]), BinaryPrimitives.ReadUInt16BigEndian(head[(at + 5)..]));
            }
            at += 2 + BinaryPrimitives.ReadUInt16BigEndian(head[(at + 2)..]);
        }
        return null;
    }
}
