using System.Buffers.Binary;
using System.IO.Compression;

namespace Kalypto.Core.Fonts;

/// <summary>Unpacks WOFF (W3C, WOFF File Format 1.0).</summary>
public static class Woff
{
    private const int HeaderBytes = 44;
    private const int EntryBytes = 20;
    private const int SfntHeaderBytes = 12;
    private const int SfntEntryBytes = 16;

    /// <summary>True for a WOFF file.</summary>
    public static bool Is(ReadOnlySpan<byte> file) => file.StartsWith("wOFF"u8);

    /// <summary>True for a WOFF2 file, which is unpacked by a library.</summary>
    public static bool Is2(ReadOnlySpan<byte> file) => file.StartsWith("wOF2"u8);

    /// <summary>The font inside, as TTF or OTF.</summary>
    /// <exception cref="FontRefusedException">The file is cut off or broken, or says that more is in it than may be.</exception>
    public static byte[] Unpack(byte[] file)
    {
        if (!Is(file) || file.Length < HeaderBytes)
        {
            throw Broken();
        }
        int count = BinaryPrimitives.ReadUInt16BigEndian(file.AsSpan(12));
        var directory = SfntHeaderBytes + SfntEntryBytes * count;
        if (count == 0 || file.Length < HeaderBytes + EntryBytes * count)
        {
            throw Broken();
        }
        var tables = new List<(uint Tag, uint Sum, int At, int Packed, int Length)>();
        long total = directory;
        for (var i = 0; i < count; i++)
        {
            var entry = file.AsSpan(HeaderBytes + EntryBytes * i, EntryBytes);
            var (at, packed, length) = (U32(entry[4..]), U32(entry[8..]), U32(entry[12..]));
            if (at > file.Length || packed > file.Length - at || packed > length)
            {
                throw Broken();
            }
            total += (length + 3) & ~3L;
            if (total > FontFile.MostBytes)
            {
                throw FontFile.TooLarge();
            }
            tables.Add((U32(entry), U32(entry[16..]), (int)at, (int)packed, (int)length));
        }
        var font = new byte[total];
        WriteHeader(font, U32(file.AsSpan(4)), count);
        var next = directory;
        foreach (var (index, (tag, sum, at, packed, length)) in tables.OrderBy(t => t.Tag).Index())
        {
            var entry = font.AsSpan(SfntHeaderBytes + SfntEntryBytes * index);
            BinaryPrimitives.WriteUInt32BigEndian(entry, tag);
            BinaryPrimitives.WriteUInt32BigEndian(entry[4..], sum);
            BinaryPrimitives.WriteInt32BigEndian(entry[8..], next);
            BinaryPrimitives.WriteInt32BigEndian(entry[12..], length);
            Unpack(file.AsSpan(at, packed), font.AsSpan(next, length));
            next += (length + 3) & ~3;
        }
        return font;
    }

    private static void Unpack(ReadOnlySpan<byte> packed, Span<byte> target)
    {
        if (packed.Length == target.Length)
        {
            packed.CopyTo(target);
            return;
        }
        try
        {
            using var unpacked = new ZLibStream(new MemoryStream(packed.ToArray()), CompressionMode.Decompress);
            unpacked.ReadExactly(target);
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException)
        {
            throw Broken();
        }
    }

    // OpenType 1.9, "Table Directory".
    private static void WriteHeader(Span<byte> font, uint flavour, int count)
    {
        var log = int.Log2(count);
        BinaryPrimitives.WriteUInt32BigEndian(font, flavour);
        BinaryPrimitives.WriteUInt16BigEndian(font[4..], (ushort)count);
        BinaryPrimitives.WriteUInt16BigEndian(font[6..], (ushort)(16 << log));
        BinaryPrimitives.WriteUInt16BigEndian(font[8..], (ushort)log);
        BinaryPrimitives.WriteUInt16BigEndian(font[10..], (ushort)(16 * count - (16 << log)));
    }

    private static uint U32(ReadOnlySpan<byte> bytes) => BinaryPrimitives.ReadUInt32BigEndian(bytes);

    private static FontRefusedException Broken() => new("The WOFF file is broken or cut off", "Get it again where it came from");
}
