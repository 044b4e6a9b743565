using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>Makes the project's own fonts known to the renderer.</summary>
internal static partial class Fontconfig
{
    private const string Library = "libfontconfig.so.1";

    [LibraryImport(Library)]
    private static partial int FcInit();

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int FcConfigAppFontAddDir(nint config, string folder);

    /// <summary>Adds a folder of TTF and OTF files. Call before anything is drawn.</summary>
    public static void AddFolder(string folder)
    {
        if (FcInit() == 0 || (Directory.Exists(folder) && FcConfigAppFontAddDir(0, folder) == 0))
        {
            throw new RenderingFailedException($"The fonts in {folder} cannot be loaded.");
        }
    }
}
