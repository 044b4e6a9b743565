using System.Buffers.Binary;

namespace Kalypto.Core.Fonts;

/// <summary>Takes a collection of fonts (TTC, OTC), which share their tables, apart into fonts that stand by themselves (OpenType 1.9, "Font Collections").</summary>
public static class FontCollection
{
    /// <summary>The most fonts of a collection.</summary>
    public const int Most = 32;

    /// <summary>The most bytes of all its fonts, each with the tables that it shares.</summary>
    public const int MostBytes = 3 * FontFile.MostBytes;

    private const int Header = 12;
    private const int Record = 16;

    /// <summary>True for what says at its beginning that it is a collection.</summary>
    public static bool Is(ReadOnlySpan<byte> file) => file.StartsWith("ttcf"u8);

    /// <summary>Its fonts, in order, each as TTF or OTF.</summary>
    /// <param name="file">The collection. Treated as hostile.</param>
    /// <exception cref="FontRefusedException">It is broken, or has more than it may.</exception>
    public static IReadOnlyList<byte[]> FontsOf(ReadOnlyMemory<byte> file)
    {
        var bytes = file.Span;
        var count = bytes.Length >= Header ? BinaryPrimitives.ReadUInt32BigEndian(bytes[8..]) : 0;
        if (count == 0 || bytes.Length < Header + 4 * (long)count)
        {
            throw FontFile.Broken();
        }
        if (count > Most)
        {
            throw TooMuch($"The collection has more than {Most} fonts");
        }
        var (fonts, total) = (new List<byte[]>(), 0L);
        for (var i = 0; i < count; i++)
        {
            var begins = BinaryPrimitives.ReadUInt32BigEndian(bytes[(Header + 4 * i)..]);
            if (begins > bytes.Length - Header)
            {
                throw FontFile.Broken();
            }
            var tables = FontFile.Tables(file, (int)begins);
            var length = Header + tables.Sum(t => Record + Aligned(t.Value.Length));
            if (length > FontFile.MostBytes || (total += length) > MostBytes)
            {
                throw TooMuch($"The fonts of the collection have more than {FontFile.MostBytes / 1_000_000} MB each or {MostBytes / 1_000_000} MB together");
            }
            fonts.Add(Alone(bytes.Slice((int)begins, Header), tables, (int)length));
        }
        return fonts;
    }

    private static byte[] Alone(ReadOnlySpan<byte> header, IReadOnlyDictionary<string, ReadOnlyMemory<byte>> tables, int length)
    {
        var font = new byte[length];
        header.CopyTo(font);
        BinaryPrimitives.WriteUInt16BigEndian(font.AsSpan(4), (ushort)tables.Count);
        var (record, at) = (Header, Header + Record * tables.Count);
        foreach (var (tag, table) in tables.OrderBy(t => t.Key, StringComparer.Ordinal))
        {
            System.Text.Encoding.Latin1.GetBytes(tag, font.AsSpan(record));
            table.Span.CopyTo(font.AsSpan(at));
            BinaryPrimitives.WriteUInt32BigEndian(font.AsSpan(record + 4), SumOf(font.AsSpan(at, (int)Aligned(table.Length))));
            BinaryPrimitives.WriteUInt32BigEndian(font.AsSpan(record + 8), (uint)at);
            BinaryPrimitives.WriteUInt32BigEndian(font.AsSpan(record + 12), (uint)table.Length);
            (record, at) = (record + Record, at + (int)Aligned(table.Length));
        }
        return font;
    }

    private static uint SumOf(ReadOnlySpan<byte> table)
    {
        var sum = 0u;
        for (var i = 0; i < table.Length; i += 4)
        {
            sum = unchecked(sum + BinaryPrimitives.ReadUInt32BigEndian(table[i..]));
        }
        return sum;
    }

    private static long Aligned(int length) => (length + 3L) / 4 * 4;

    private static FontRefusedException TooMuch(string what) => new(what, "Save those that are needed one by one as TTF or OTF");
}
