using System.Buffers.Binary;
using System.IO.Compression;
using System.Runtime.CompilerServices;

namespace Kalypto.Core.Designs;

/// <summary>The size of a picture inside a drawing, read from the head of its data.</summary>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
public readonly record struct EmbeddedPicture(int Width, int Height)
{
    private const int MostHead = 400_000;
    private const int MostProfile = 200_000;
    private const int InksOfPrint = 4;
    private const string Png = "data:image/png;base64,";
    private static readonly ConditionalWeakTable<Element, object> Known = [];
    private static readonly object None = new();

    /// <summary>The size of the PNG, JPEG or GIF in an image element; null when it is none of them or cannot be read.</summary>
    public static EmbeddedPicture? Of(Element image) =>
        Known.GetValue(image, i => Read(i) is { } size ? size : None) is EmbeddedPicture known ? known : null;

    /// <summary>Bytes of data for each pixel of the PNG in an image element, which tell flat shapes from photos; null where it is no PNG.</summary>
    public static double? BytesForPixel(Element image) =>
        image["href"] is { } href && href.StartsWith(Png, StringComparison.Ordinal) && Of(image) is var (width, height) && width > 0 && height > 0 ? (href.Length - Png.Length) * 0.75 / width / height : null;

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

    /// <summary>
    /// True for a picture in Base64 that says in its head that it is to be turned (EXIF), or that its colours are not those of
    /// sRGB: a profile of others, code points or a gamma (PNG), or colours for print.
    /// </summary>
    public static bool HasOwnColours(ReadOnlySpan<char> base64)
    {
        var head = HeadOf(base64);
        return head.IndexOf("Exif\0\0"u8) is >= 0 and var exif && IsTurned(head[(exif + 6)..]) || ColoursOf(head) != Colours.Srgb;
    }

    /// <summary>True for a picture in Base64 that says in its head in which colours other than those of sRGB it is: they may lie beyond it.</summary>
    public static bool HasProfile(ReadOnlySpan<char> base64) => ColoursOf(HeadOf(base64)) == Colours.Own;

    private enum Colours
    {
        Srgb,
        Gamma,
        Own,
    }

    private static ReadOnlySpan<byte> HeadOf(ReadOnlySpan<char> base64)
    {
        var text = base64[..(Math.Min(base64.Length, MostHead) / 4 * 4)];
        var bytes = new byte[text.Length];
        return Convert.TryFromBase64Chars(text, bytes, out var count) ? bytes.AsSpan(0, count) : [];
    }

    private static Colours ColoursOf(ReadOnlySpan<byte> head) => head.Length > 8 && head[1..4].SequenceEqual("PNG"u8) ? ColoursOfPng(head) : ColoursOfJpeg(head);

    // PNG, third edition, 4.3: code points go before a profile, that before the chunk for sRGB, and that before a gamma.
    private static Colours ColoursOfPng(ReadOnlySpan<byte> head)
    {
        var (isSrgb, hasGamma, profile) = (false, false, (bool?)null);
        foreach (var chunk in new PngChunks(head))
        {
            if (chunk.Name.SequenceEqual("IDAT"u8))
            {
                break;
            }
            if (chunk.Name.SequenceEqual("cICP"u8))
            {
                return chunk.Data is [1, 13, ..] ? Colours.Srgb : Colours.Own;
            }
            profile = chunk.Name.SequenceEqual("iCCP"u8) ? !ColourProfile.IsSrgb(Inflated(chunk.Data)) : profile;
            isSrgb |= chunk.Name.SequenceEqual("sRGB"u8);
            hasGamma |= chunk.Name.SequenceEqual("gAMA"u8);
        }
        return profile is { } isOwn ? isOwn ? Colours.Own : Colours.Srgb : hasGamma && !isSrgb ? Colours.Gamma : Colours.Srgb;
    }

    private static byte[] Inflated(ReadOnlySpan<byte> named)
    {
        // A name, a zero, the way it is packed, and the profile.
        var start = named.IndexOf((byte)0) + 2;
        if (start < 2 || start > named.Length)
        {
            return [];
        }
        try
        {
            using var zlib = new ZLibStream(new MemoryStream(named[start..].ToArray()), CompressionMode.Decompress);
            var profile = new byte[MostProfile];
            return profile[..zlib.ReadAtLeast(profile, MostProfile, throwOnEndOfStream: false)];
        }
        catch (InvalidDataException)
        {
            return [];
        }
    }

    // ITU T.81 with ICC.1, B.4: a profile lies in segments APP2, of which the first holds what tells it.
    private static Colours ColoursOfJpeg(ReadOnlySpan<byte> head)
    {
        var name = "ICC_PROFILE\0"u8;
        return FrameOf(head) is { Parts: InksOfPrint } ? Colours.Own : head.IndexOf(name) is >= 0 and var at && head.Length >= at + name.Length + 2 && !ColourProfile.IsSrgb(head[(at + name.Length + 2)..]) ? Colours.Own : Colours.Srgb;
    }

    // The first directory of EXIF (TIFF 6.0): tag 0x0112 is the orientation, 1 for upright.
    private static bool IsTurned(ReadOnlySpan<byte> tiff)
    {
        if (tiff.Length < 10)
        {
            return false;
        }
        var isLittle = tiff[0] == 'I';
        int Short(ReadOnlySpan<byte> at) => isLittle ? BinaryPrimitives.ReadUInt16LittleEndian(at) : BinaryPrimitives.ReadUInt16BigEndian(at);
        var start = isLittle ? BinaryPrimitives.ReadUInt32LittleEndian(tiff[4..]) : BinaryPrimitives.ReadUInt32BigEndian(tiff[4..]);
        if (start > tiff.Length - 2)
        {
            return false;
        }
        var entries = Short(tiff[(int)start..]);
        for (var i = 0; i < entries && start + 2 + (i + 1) * 12 <= tiff.Length; i++)
        {
            var entry = tiff.Slice((int)start + 2 + i * 12, 12);
            if (Short(entry) == 0x0112)
            {
                return Short(entry[8..]) > 1;
            }
        }
        return false;
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
        return FrameOf(head) is var (width, height, _) ? new(width, height) : null;
    }

    // JPEG: markers with a length, until the start of frame, which holds height and width (ITU T.81, B.2.2).
    private static (int Width, int Height, int Parts)? FrameOf(ReadOnlySpan<byte> head)
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
                return (BinaryPrimitives.ReadUInt16BigEndian(head[(at + 7)..]), BinaryPrimitives.ReadUInt16BigEndian(head[(at + 5)..]), head[at + 9]);
            }
            at += 2 + BinaryPrimitives.ReadUInt16BigEndian(head[(at + 2)..]);
        }
        return null;
    }
}
