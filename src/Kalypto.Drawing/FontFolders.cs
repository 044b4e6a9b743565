using System.Security;

namespace Kalypto.Drawing;

/// <summary>
/// The fonts that text is drawn with, by both engines: the product's own, and a set of free families from the system's packages.
/// Whatever other fonts a machine has by chance are none of them, so that a drawing looks the same everywhere.
/// </summary>
internal static class FontFolders
{
    // Where the packages put them that ./start installs.
    private static readonly string[] Common =
    [
        "/usr/share/fonts/truetype/dejavu", "/usr/share/fonts/opentype/inter", "/usr/share/fonts/truetype/roboto", "/usr/share/fonts/truetype/open-sans", "/usr/share/fonts/truetype/lato",
        "/usr/share/fonts/truetype/noto", "/usr/share/fonts/opentype/noto",
    ];

    /// <summary>What fontconfig is told (fonts-conf(5)).</summary>
    /// <param name="own">The folder of the product's own fonts.</param>
    /// <param name="cache">A folder to remember in what is in them; null for that of the system only.</param>
    public static string Configuration(string own, string? cache = null) => $"""
        <?xml version="1.0"?><!DOCTYPE fontconfig SYSTEM "urn:fontconfig:fonts.dtd">
        <fontconfig>
        {string.Concat(Common.Append(own).Select(f => $"<dir>{SecurityElement.Escape(f)}</dir>"))}
        <cachedir>/var/cache/fontconfig</cachedir>{(cache is null ? "" : $"<cachedir>{SecurityElement.Escape(cache)}</cachedir>")}
        {Prefer("sans-serif", "DejaVu Sans")}{Prefer("serif", "DejaVu Serif")}{Prefer("monospace", "DejaVu Sans Mono")}
        <include ignore_missing="yes">/etc/fonts/conf.d</include>
        </fontconfig>
        """;

    private static string Prefer(string generic, string family) => $"<alias binding=\"same\"><family>{generic}</family><prefer><family>{family}</family></prefer></alias>";
}
