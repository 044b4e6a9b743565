using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Web;

/// <summary>The icons of a site, with what names them (HTML, 4.6.7; Web Application Manifest).</summary>
internal static class SiteIcons
{
    private static readonly JsonSerializerOptions Json = new() { WriteIndented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The files of the icon.</summary>
    public static IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        yield return FileAsk.Square("web/favicon.ico", new(Format.Ico), 48, ask.Crop);
        // What is transparent shows black on a home screen, so a colour lies under it.
        yield return Sized.Square("web/apple-touch-icon.png", 180, ask, opaque: true);
        yield return Sized.Square("web/icon-192.png", 192, ask);
        yield return Sized.Square("web/icon-512.png", 512, ask);
        // Masks keep the middle circle of 80 % (Web Application Manifest, purpose “maskable”).
        yield return Sized.Square("web/icon-512-maskable.png", 512, ask, share: 0.8, opaque: true);
    }

    /// <summary>True for a file of the icon.</summary>
    public static bool Is(PlannedFile file) => file.Picture.MakingFor("web").Kind == Kinds.AppIcon;

    // Home screens have room for about so many letters below an icon.
    private const int LongestShortName = 12;

    /// <summary>The web application manifest that names the icons.</summary>
    public static string Manifest(string name, List<PlannedFile> icons) => new JsonObject
    {
        ["name"] = name,
        ["short_name"] = name.Length <= LongestShortName ? name : name.Split(' ')[0],
        ["start_url"] = ".",
        ["display"] = "browser",
        ["icons"] = new JsonArray([.. icons.Where(i => i.Path.Contains("/icon-", StringComparison.Ordinal)).Select(i => new JsonObject
        {
            ["src"] = WebFiles.Relative(i),
            ["sizes"] = $"{i.Width}x{i.Height}",
            ["type"] = i.Format.MediaType,
            ["purpose"] = i.Path.Contains("maskable", StringComparison.Ordinal) ? "maskable" : "any",
        })]),
    }.ToJsonString(Json) + "\n";

    /// <summary>The lines for the head of a page.</summary>
    public static string HeadLines() =>
        "<link rel=\"icon\" href=\"favicon.ico\" sizes=\"48x48\">\n<link rel=\"apple-touch-icon\" href=\"apple-touch-icon.png\">\n<link rel=\"manifest\" href=\"site.webmanifest\">\n";
}
