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

    // Else the browser fits letters to pixels in fonts that it is given, and not in those of the system.
    private const string Unhinted = """
        <match target="pattern">
        <edit name="hinting" mode="assign"><bool>false</bool></edit>
        <edit name="hintstyle" mode="assign"><const>hintnone</const></edit>
        <edit name="autohint" mode="assign"><bool>false</bool></edit>
        </match>
        """;

    /// <summary>What fontconfig is told (fonts-conf(5)).</summary>
    /// <param name="own">The folder of the product's own fonts.</param>
    /// <param name="cache">A folder to remember in what is in them; null for that of the system only.</param>
    /// <param name="more">Files of fonts that are added; where one answers to a name, no other font does.</param>
    public static string Configuration(string own, string? cache = null, IReadOnlyCollection<FontOnDisk>? more = null) => $"""
        <?xml version="1.0"?><!DOCTYPE fontconfig SYSTEM "urn:fontconfig:fonts.dtd">
        <fontconfig>
        {string.Concat(Common.Append(own).Select(f => $"<dir>{SecurityElement.Escape(f)}</dir>"))}
        <cachedir>/var/cache/fontconfig</cachedir>{(cache is null ? "" : $"<cachedir>{SecurityElement.Escape(cache)}</cachedir>")}
        {Prefer("sans-serif", "DejaVu Sans")}{Prefer("serif", "DejaVu Serif")}{Prefer("monospace", "DejaVu Sans Mono")}
        {(more is null or { Count: 0 } ? "" : $"<selectfont><rejectfont>{string.Concat(more.SelectMany(f => f.Names).Distinct().Select(Family))}</rejectfont></selectfont>{string.Concat(more.Select(Named))}")}
        <include ignore_missing="yes">/etc/fonts/conf.d</include>
        {Unhinted}
        </fontconfig>
        """;

    private static string Family(string name) => $"<pattern><patelt name=\"family\"><string>{SecurityElement.Escape(name)}</string></patelt></pattern>";

    // It answers to its names as a single font too, as in a browser; so does each weight of a variable one that has a name.
    private static string Named(FontOnDisk font) => $"""
        <match target="scan">{Test("file", font.Path)}{string.Concat(font.Names.Select(Append))}</match>
        {string.Concat(font.Styles.Select(s => $"<match target=\"scan\">{Test("file", font.Path)}{Test("style", s.Key)}{Append(s.Value)}</match>"))}
        """;

    private static string Test(string property, string value) => $"<test name=\"{property}\"><string>{SecurityElement.Escape(value)}</string></test>";

    private static string Append(string family) => $"<edit name=\"family\" mode=\"append\"><string>{SecurityElement.Escape(family)}</string></edit>";

    private static string Prefer(string generic, string family) => $"<alias binding=\"same\"><family>{generic}</family><prefer><family>{family}</family></prefer></alias>";
}
