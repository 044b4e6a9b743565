using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>Makes the project's own fonts known to the renderer, and tells what it draws.</summary>
internal static partial class Fontconfig
{
    private const string Library = "libfontconfig.so.1";
    private const int MatchPattern = 0;
    private const int MostFamilies = 16;
    private static readonly Lock One = new();

    [LibraryImport(Library)]
    private static partial nint FcConfigCreate();

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcConfigParseAndLoadFromMemory(nint config, string text, int complain);

    [LibraryImport(Library)]
    private static partial int FcConfigBuildFonts(nint config);

    [LibraryImport(Library)]
    private static partial int FcConfigSetCurrent(nint config);

    [LibraryImport(Library)]
    private static partial void FcConfigDestroy(nint config);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcConfigAppFontAddFile(nint config, string file);

    [LibraryImport("libpangocairo-1.0.so.0")]
    private static partial void pango_cairo_font_map_set_default(nint map);

    [LibraryImport(Library)]
    private static partial nint FcPatternCreate();

    [LibraryImport(Library)]
    private static partial void FcPatternDestroy(nint pattern);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcPatternAddString(nint pattern, string name, string value);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcPatternGetString(nint pattern, string name, int number, out nint value);

    [LibraryImport(Library)]
    private static partial int FcConfigSubstitute(nint config, nint pattern, int kind);

    [LibraryImport(Library)]
    private static partial void FcDefaultSubstitute(nint pattern);

    [LibraryImport(Library)]
    private static partial nint FcFontMatch(nint config, nint pattern, out int result);

    [LibraryImport(Library)]
    private static partial int FcGetVersion();

    [LibraryImport(Library)]
    private static partial nint FcConfigGetFonts(nint config, int set);

    /// <summary>The version as a number: 21400 for 2.14.0.</summary>
    public static int Version() => FcGetVersion();

    /// <summary>Every font file that can be drawn with, by the names of its family.</summary>
    public static ILookup<string, string> Files()
    {
        var found = new HashSet<(string Family, string File)>();
        lock (One)
        {
            // The system's own fonts, and those that were added.
            foreach (var set in new[] { 0, 1 })
            {
                if (FcConfigGetFonts(0, set) is not 0 and var fonts)
                {
                    var (count, list) = (Marshal.ReadInt32(fonts), Marshal.ReadIntPtr(fonts, 2 * sizeof(int)));
                    for (var i = 0; i < count; i++)
                    {
                        var font = Marshal.ReadIntPtr(list, i * nint.Size);
                        if (FcPatternGetString(font, "file", 0, out var file) == 0)
                        {
                            found.UnionWith(FamiliesOf(font).Select(family => (family, Marshal.PtrToStringUTF8(file) ?? "")));
                        }
                    }
                }
            }
        }
        return found.ToLookup(f => f.Family, f => f.File, StringComparer.OrdinalIgnoreCase);
    }

    /// <summary>Draws with the common fonts, those of a folder of TTF and OTF files and some more, and no others, from now on.</summary>
    /// <exception cref="RenderingFailedException">They cannot be loaded.</exception>
    public static void Use(string folder, params IReadOnlyCollection<FontOnDisk> more)
    {
        var config = FcConfigCreate();
        if (config == 0 || FcConfigParseAndLoadFromMemory(config, FontFolders.Configuration(folder, more: more), 0) == 0 || FcConfigBuildFonts(config) == 0)
        {
            throw new RenderingFailedException($"The fonts in {folder} cannot be loaded.");
        }
        foreach (var font in more)
        {
            if (FcConfigAppFontAddFile(config, font.Path) == 0)
            {
                throw new RenderingFailedException($"The font {font.Names[0]} of the project cannot be loaded.");
            }
        }
        if (FcConfigSetCurrent(config) == 0)
        {
            throw new RenderingFailedException($"The fonts in {folder} cannot be used.");
        }
        // It is counted; who holds it now is the library.
        FcConfigDestroy(config);
        // The renderer's next text asks for a map of its own, which knows the fonts that hold now.
        pango_cairo_font_map_set_default(0);
    }

    /// <summary>The names of the family that is drawn when some are asked for, the first first; null when there is no font at all.</summary>
    public static List<string>? Match(params IEnumerable<string> families)
    {
        lock (One)
        {
            var asked = FcPatternCreate();
            foreach (var family in families)
            {
                FcPatternAddString(asked, "family", family);
            }
            _ = FcConfigSubstitute(0, asked, MatchPattern);
            FcDefaultSubstitute(asked);
            var found = FcFontMatch(0, asked, out _);
            FcPatternDestroy(asked);
            if (found == 0)
            {
                return null;
            }
            var names = FamiliesOf(found);
            FcPatternDestroy(found);
            return names.Count == 0 ? null : names;
        }
    }

    private static List<string> FamiliesOf(nint font)
    {
        var names = new List<string>();
        while (names.Count < MostFamilies && FcPatternGetString(font, "family", names.Count, out var name) == 0)
        {
            names.Add(Marshal.PtrToStringUTF8(name) ?? "");
        }
        return names;
    }
}
