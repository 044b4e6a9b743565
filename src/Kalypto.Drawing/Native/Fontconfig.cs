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
    private static partial int FcInit();

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcConfigAppFontAddDir(nint config, string folder);

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

    /// <summary>Adds a folder of TTF and OTF files. Call before anything is drawn.</summary>
    public static void AddFolder(string folder)
    {
        if (FcInit() == 0 || (Directory.Exists(folder) && FcConfigAppFontAddDir(0, folder) == 0))
        {
            throw new RenderingFailedException($"The fonts in {folder} cannot be loaded.");
        }
    }

    /// <summary>The names of the family that is drawn when one is asked for; null when there is no font at all.</summary>
    public static List<string>? Match(string family)
    {
        lock (One)
        {
            var asked = FcPatternCreate();
            FcPatternAddString(asked, "family", family);
            _ = FcConfigSubstitute(0, asked, MatchPattern);
            FcDefaultSubstitute(asked);
            var found = FcFontMatch(0, asked, out _);
            FcPatternDestroy(asked);
            if (found == 0)
            {
                return null;
            }
            var names = new List<string>();
            while (names.Count < MostFamilies && FcPatternGetString(found, "family", names.Count, out var name) == 0)
            {
                names.Add(Marshal.PtrToStringUTF8(name) ?? "");
            }
            FcPatternDestroy(found);
            return names.Count == 0 ? null : names;
        }
    }
}
