using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>The versions of the libraries as they are loaded, not as they were asked for.</summary>
internal static partial class LibraryVersions
{
    [LibraryImport("libpango-1.0.so.0")]
    private static partial nint pango_version_string();

    [LibraryImport("libharfbuzz.so.0")]
    private static partial nint hb_version_string();

    [LibraryImport("libvips.so.42")]
    private static partial nint vips_version_string();

    /// <summary>
    /// All that changes what is drawn or how it is packed: what lays out text, what encodes, and the runtime, which brings the
    /// deflate of PNG files.
    /// </summary>
    public static string All() => string.Join(' ',
        "rsvg", Rsvg.Version(), "cairo", Text(Cairo.cairo_version_string()), "pango", Text(pango_version_string()), "harfbuzz", Text(hb_version_string()),
        "fontconfig", Fontconfig.Version(), "vips", Text(vips_version_string()), RuntimeInformation.FrameworkDescription);

    private static string Text(nint text) => Marshal.PtrToStringUTF8(text) ?? "";
}
