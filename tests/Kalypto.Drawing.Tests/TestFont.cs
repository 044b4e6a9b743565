using System.Buffers.Binary;
using System.IO.Compression;
using System.Text;

namespace Kalypto.Drawing.Tests;

/// <summary>Fonts for tests, made out of one that comes with Kalypto.</summary>
internal static class TestFont
{
    /// <summary>A font that comes with Kalypto.</summary>
    public static byte[] Figtree(string face = "400Regular") => File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "fonts", $"Figtree_{face}.ttf"));

    /// <summary>A variable font that does not, as WOFF2: Outfit, 100 to 900, which names itself by its lightest letters only.</summary>
    public static byte[] Variable() => File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "TestFonts", "outfit-variable.woff2"));

    /// <summary>The font under another name.</summary>
    public static byte[] Named(byte[] font, string from, string to)
    {
        var entry = Entry(font, "name");
        var table = font.AsSpan(At(font, entry), Length(font, entry)).ToArray();
        var count = BinaryPrimitives.ReadUInt16BigEndian(table.AsSpan(2));
        var storage = BinaryPrimitives.ReadUInt16BigEndian(table.AsSpan(4));
        var (records, strings) = (table[..(6 + 12 * count)], new List<byte>());
        for (var i = 0; i < count; i++)
        {
            var record = records.AsSpan(6 + 12 * i, 12);
            var encoding = BinaryPrimitives.ReadUInt16BigEndian(record) == 1 ? Encoding.Latin1 : Encoding.BigEndianUnicode;
            var text = encoding.GetString(table, storage + BinaryPrimitives.ReadUInt16BigEndian(record[10..]), BinaryPrimitives.ReadUInt16BigEndian(record[8..]));
            var bytes = encoding.GetBytes(text.Replace(from, to, StringComparison.Ordinal));
            BinaryPrimitives.WriteUInt16BigEndian(record[8..], (ushort)bytes.Length);
            BinaryPrimitives.WriteUInt16BigEndian(record[10..], (ushort)strings.Count);
            strings.AddRange(bytes);
        }
        BinaryPrimitives.WriteUInt16BigEndian(records.AsSpan(4), (ushort)records.Length);
        byte[] made = [.. font, .. records, .. strings, .. new byte[(4 - (records.Length + strings.Count) % 4) % 4]];
        BinaryPrimitives.WriteInt32BigEndian(made.AsSpan(entry + 8), font.Length);
        BinaryPrimitives.WriteInt32BigEndian(made.AsSpan(entry + 12), records.Length + strings.Count);
        return made;
    }

    /// <summary>The font with other licence bits.</summary>
    public static byte[] Licensed(byte[] font, ushort fsType)
    {
        byte[] made = [.. font];
        BinaryPrimitives.WriteUInt16BigEndian(made.AsSpan(At(made, Entry(made, "OS/2")) + 8), fsType);
        return made;
    }

    /// <summary>A collection of fonts, one after the other.</summary>
    public static byte[] Collection(params byte[][] fonts)
    {
        using var file = new MemoryStream();
        file.Write("ttcf"u8);
        Write(file, 0x10000);
        Write(file, fonts.Length);
        var at = 12 + 4 * fonts.Length;
        foreach (var font in fonts)
        {
            Write(file, at);
            at += font.Length;
        }
        foreach (var font in fonts)
        {
            byte[] moved = [.. font];
            for (var i = 0; i < BinaryPrimitives.ReadUInt16BigEndian(font.AsSpan(4)); i++)
            {
                BinaryPrimitives.WriteInt32BigEndian(moved.AsSpan(12 + 16 * i + 8), At(font, 12 + 16 * i) + (int)file.Length);
            }
            file.Write(moved);
        }
        return file.ToArray();
    }

    /// <summary>A collection whose fonts are all the same table.</summary>
    public static byte[] Shared(byte[] table, int fonts)
    {
        using var file = new MemoryStream();
        file.Write("ttcf"u8);
        Write(file, 0x10000);
        Write(file, fonts);
        var at = 12 + 4 * fonts;
        for (var i = 0; i < fonts; i++)
        {
            Write(file, at);
        }
        file.Write([0, 1, 0, 0, 0, 1, 0, 0, 0, 0, 0, 0, .. "glyf"u8]);
        Write(file, 0);
        Write(file, at + 28);
        Write(file, table.Length);
        file.Write(table);
        return file.ToArray();
    }

    /// <summary>The font as WOFF.</summary>
    public static byte[] Woff(byte[] font)
    {
        var count = BinaryPrimitives.ReadUInt16BigEndian(font.AsSpan(4));
        var (directory, data) = (new MemoryStream(), new MemoryStream());
        for (var i = 0; i < count; i++)
        {
            var entry = 12 + 16 * i;
            using var packed = new MemoryStream();
            using (var zlib = new ZLibStream(packed, CompressionLevel.Optimal, leaveOpen: true))
            {
                zlib.Write(font, At(font, entry), Length(font, entry));
            }
            var bytes = packed.Length < Length(font, entry) ? packed.ToArray() : font.AsSpan(At(font, entry), Length(font, entry)).ToArray();
            directory.Write(font, entry, 4);
            Write(directory, 44 + 20 * count + (int)data.Length);
            Write(directory, bytes.Length);
            Write(directory, Length(font, entry));
            directory.Write(font, entry + 4, 4);
            data.Write(bytes);
            data.Write(new byte[(4 - bytes.Length % 4) % 4]);
        }
        using var file = new MemoryStream();
        file.Write("wOFF"u8);
        file.Write(font, 0, 4);
        Write(file, 44 + (int)directory.Length + (int)data.Length);
        file.Write([font[4], font[5], 0, 0]);
        Write(file, font.Length);
        file.Write(new byte[24]);
        directory.WriteTo(file);
        data.WriteTo(file);
        return file.ToArray();
    }

    private static void Write(Stream stream, int number)
    {
        Span<byte> bytes = stackalloc byte[4];
        BinaryPrimitives.WriteInt32BigEndian(bytes, number);
        stream.Write(bytes);
    }

    private static int Entry(byte[] font, string tag)
    {
        for (var entry = 12; ; entry += 16)
        {
            if (Encoding.Latin1.GetString(font, entry, 4) == tag)
            {
                return entry;
            }
        }
    }

    private static int At(byte[] font, int entry) => BinaryPrimitives.ReadInt32BigEndian(font.AsSpan(entry + 8));

    private static int Length(byte[] font, int entry) => BinaryPrimitives.ReadInt32BigEndian(font.AsSpan(entry + 12));
}
