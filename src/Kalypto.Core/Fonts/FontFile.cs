using System.Buffers.Binary;
using System.Collections.Immutable;
using System.Text;

namespace Kalypto.Core.Fonts;

/// <summary>Reads what a TTF or OTF file says of itself (OpenType 1.9, ISO/IEC 14496-22).</summary>
public static class FontFile
{
    /// <summary>The most bytes of a font, unpacked.</summary>
    public const int MostBytes = 40_000_000;

    /// <summary>The endings of font files, without the dot.</summary>
    public static IReadOnlyList<string> Endings { get; } = ["ttf", "otf", "ttc", "otc", "woff", "woff2"];

    private const int MostTables = 256;
    private const int MostNames = 16;
    private const int MostRecords = 1000;

    // Behind these come names that other tables refer to.
    private const int LastFixedName = 255;
    private const int LongestName = 100;

    // Of the table "name": families first, for the first name is what people see.
    private static readonly int[] NameIds = [16, 1, 4, 6];

    private static readonly HashSet<string> WeightWords = new(
        ["Thin", "Hairline", "ExtraLight", "UltraLight", "Light", "Regular", "Normal", "Book", "Medium", "SemiBold", "DemiBold", "Bold", "ExtraBold", "UltraBold", "Black", "Heavy"], StringComparer.OrdinalIgnoreCase);

    // Of the table OS/2, usWidthClass from 1 to 9, in per cent (CSS Fonts 4, section 2.5).
    private static readonly double[] Stretches = [50, 62.5, 75, 87.5, 100, 112.5, 125, 150, 200];

    /// <summary>True for what says at its beginning that it is a font, packed or not.</summary>
    public static bool Is(ReadOnlySpan<byte> file) => IsPlain(file) || FontCollection.Is(file) || Woff.Is(file) || Woff.Is2(file);

    /// <summary>Reads a font.</summary>
    /// <param name="file">TTF or OTF. Treated as hostile.</param>
    /// <param name="sha256">Its SHA-256.</param>
    /// <param name="fileName">The name of the file that it came in by.</param>
    /// <exception cref="FontRefusedException">It is none, broken, or a collection of several.</exception>
    public static Font Read(ReadOnlyMemory<byte> file, string sha256, string fileName)
    {
        var bytes = file.Span;
        if (FontCollection.Is(bytes))
        {
            throw new FontRefusedException("The file is a collection of several fonts", "Save them one by one as TTF or OTF");
        }
        if (!IsPlain(bytes))
        {
            throw new FontRefusedException("The file is no font that can be drawn with", "Bring TTF, OTF, TTC, WOFF or WOFF2");
        }
        if (bytes.Length > MostBytes)
        {
            throw TooLarge();
        }
        var tables = Tables(file);
        if (!tables.ContainsKey("cmap") || !tables.TryGetValue("head", out var header) || !(tables.ContainsKey("glyf") || tables.ContainsKey("CFF ") || tables.ContainsKey("CFF2")))
        {
            throw new FontRefusedException("The font has no outlines of letters", "Bring one with outlines as TTF, OTF, WOFF or WOFF2");
        }
        var found = NamesOf(tables.GetValueOrDefault("name").Span);
        ImmutableArray<string> names = [.. NameIds.SelectMany(id => found[id]).Distinct(StringComparer.OrdinalIgnoreCase).Take(MostNames)];
        var axis = WeightAxis(tables.GetValueOrDefault("fvar").Span);
        if (axis is not null && names is [var first, ..] && WithoutWeight(first) is { } family && !names.Contains(family, StringComparer.OrdinalIgnoreCase))
        {
            names = names.Insert(0, family);
        }
        if (names.IsEmpty)
        {
            throw new FontRefusedException("The font has no name that a drawing could ask for", "Give it a name, or get it again where it came from");
        }
        var os2 = tables.GetValueOrDefault("OS/2").Span;
        var weight = os2.Length >= 6 ? Math.Clamp((int)U16(os2, 4), 1, 1000) : 400;
        var width = os2.Length >= 8 ? U16(os2, 6) : 5;
        var (lightest, heaviest) = axis ?? (weight, weight);
        var instances = lightest == heaviest ? [] : Instances(tables["fvar"].Span).Take(MostNames)
            .SelectMany(i => found[i.Name].Take(1).Select(style => new NamedWeight($"{names[0]} {style}", style, i.Weight))).Where(i => !names.Contains(i.Name, StringComparer.OrdinalIgnoreCase)).ToImmutableArray();
        var head = header.Span;
        return new()
        {
            Sha256 = sha256,
            FileName = fileName,
            Names = names,
            Lightest = lightest,
            Heaviest = heaviest,
            Instances = instances,
            Stretch = width is >= 1 and <= 9 ? Stretches[width - 1] : 100,
            // fsSelection: italic or oblique; macStyle where there is none.
            IsItalic = os2.Length >= 64 ? (U16(os2, 62) & 0x201) != 0 : head.Length >= 46 && (U16(head, 44) & 2) != 0,
            Embedding = os2.Length >= 10 ? EmbeddingOf(U16(os2, 8)) : FontEmbedding.Installable,
            Bytes = bytes.Length,
        };
    }

    /// <summary>Says that a font has too many bytes.</summary>
    public static FontRefusedException TooLarge() => new($"The font has more than {MostBytes / 1_000_000} MB", "Bring one with the letters that are needed only");

    /// <summary>What <c>fsType</c> allows. Of several the mildest holds, as in fonts older than version 3 of the table.</summary>
    internal static FontEmbedding EmbeddingOf(int fsType) =>
        // No subsetting, or bitmaps only: files that are made here hold a part of the outlines.
        (fsType & 0x300) != 0 ? FontEmbedding.Not
        : (fsType & 0xe) == 0 ? FontEmbedding.Installable
        : (fsType & 8) != 0 ? FontEmbedding.Editable
        : (fsType & 4) != 0 ? FontEmbedding.Print
        : FontEmbedding.Not;

    /// <summary>Says that a font is not whole.</summary>
    internal static FontRefusedException Broken() => new("The font is broken or cut off", "Get it again where it came from");

    private static bool IsPlain(ReadOnlySpan<byte> file) => file.StartsWith(new byte[] { 0, 1, 0, 0 }) || file.StartsWith("OTTO"u8) || file.StartsWith("true"u8);

    /// <summary>The tables of the font that begins somewhere in a file, by their tags.</summary>
    internal static Dictionary<string, ReadOnlyMemory<byte>> Tables(ReadOnlyMemory<byte> file, int begins = 0)
    {
        var bytes = file.Span[begins..];
        var count = bytes.Length >= 12 ? U16(bytes, 4) : 0;
        if (count is 0 or > MostTables || bytes.Length < 12 + 16 * count)
        {
            throw Broken();
        }
        var tables = new Dictionary<string, ReadOnlyMemory<byte>>(StringComparer.Ordinal);
        for (var i = 0; i < count; i++)
        {
            var entry = bytes.Slice(12 + 16 * i, 16);
            var (at, length) = (BinaryPrimitives.ReadUInt32BigEndian(entry[8..]), BinaryPrimitives.ReadUInt32BigEndian(entry[12..]));
            if (at > file.Length || length > file.Length - at)
            {
                throw Broken();
            }
            tables[Encoding.Latin1.GetString(entry[..4])] = file.Slice((int)at, (int)length);
        }
        return tables;
    }

    // By their number in the table, the English ones first.
    private static ILookup<int, string> NamesOf(ReadOnlySpan<byte> table)
    {
        var found = new List<(int Id, bool IsEnglish, string Name)>();
        var (count, storage) = table.Length < 6 ? (0, 0) : (U16(table, 2), U16(table, 4));
        for (var i = 0; i < count && 6 + 12 * (i + 1) <= table.Length && found.Count < MostRecords; i++)
        {
            var record = table.Slice(6 + 12 * i, 12);
            var (platform, language, id, length, at) = (U16(record, 0), U16(record, 4), U16(record, 6), U16(record, 8), storage + U16(record, 10));
            if ((NameIds.Contains(id) || id > LastFixedName) && at + length <= table.Length)
            {
                var text = table.Slice(at, length);
                var name = Clean(platform == 1 ? Encoding.Latin1.GetString(text) : Encoding.BigEndianUnicode.GetString(text));
                if (name.Length > 0)
                {
                    found.Add((id, platform != 3 || language == 0x409, name));
                }
            }
        }
        return found.OrderBy(f => !f.IsEnglish).ToLookup(f => f.Id, f => f.Name);
    }

    // Cut down for the web, variable fonts often keep no more than the name of their lightest letters.
    private static string? WithoutWeight(string name) => name.LastIndexOf(' ') is > 0 and var at && WeightWords.Contains(name[(at + 1)..]) ? name[..at] : null;

    // What could break out of a list of families is no part of a name that anybody asks for.
    private static string Clean(string name)
    {
        var kept = string.Concat(name.Where(c => !char.IsControl(c) && !char.IsSurrogate(c) && c is not (',' or '"' or '\'' or '\\' or '<' or '>' or '&' or ';' or '{' or '}'))).Trim();
        return kept.Length <= LongestName ? kept : kept[..LongestName];
    }

    // Table "fvar": the axis wght, and which it is.
    private static (int Lightest, int Heaviest)? WeightAxis(ReadOnlySpan<byte> table)
    {
        if (WeightAxisOf(table) is not { } index)
        {
            return null;
        }
        var axis = table[(U16(table, 4) + U16(table, 10) * index)..];
        var (least, most) = (Weight(axis[4..]), Weight(axis[12..]));
        return least <= most ? (least, most) : null;
    }

    private static int? WeightAxisOf(ReadOnlySpan<byte> table)
    {
        if (table.Length < 16)
        {
            return null;
        }
        var (at, count, size) = (U16(table, 4), U16(table, 8), U16(table, 10));
        for (var i = 0; i < count && at + size * (i + 1) <= table.Length && size >= 16; i++)
        {
            if (table[(at + size * i)..].StartsWith("wght"u8))
            {
                return i;
            }
        }
        return null;
    }

    // The weights that have names: number of the name, flags, a coordinate for each axis.
    private static List<(int Name, int Weight)> Instances(ReadOnlySpan<byte> table)
    {
        var found = new List<(int, int)>();
        var (at, axes, count, size) = (U16(table, 4) + U16(table, 8) * U16(table, 10), U16(table, 8), U16(table, 12), U16(table, 14));
        var axis = WeightAxisOf(table)!.Value;
        for (var i = 0; i < count && size >= 4 + 4 * axes && at + size * (i + 1) <= table.Length; i++)
        {
            var instance = table.Slice(at + size * i, size);
            found.Add((U16(instance, 0), Weight(instance[(4 + 4 * axis)..])));
        }
        return found;
    }

    // 16.16 fixed.
    private static int Weight(ReadOnlySpan<byte> bytes) => Math.Clamp(BinaryPrimitives.ReadInt32BigEndian(bytes) >> 16, 1, 1000);

    private static ushort U16(ReadOnlySpan<byte> bytes, int at) => BinaryPrimitives.ReadUInt16BigEndian(bytes[at..]);
}
