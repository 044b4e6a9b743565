using System.Globalization;
using System.Net;
using System.Text;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Handover;

/// <summary>
/// Writes a screen as a document of HTML that is put together from delivered files and layers in code alone: what reaches
/// nobody is not in it. It needs no script.
/// </summary>
public static class DeviceDocument
{
    /// <summary>Writes it.</summary>
    /// <param name="name">What the screen is called.</param>
    /// <param name="width">In pt.</param>
    /// <param name="height">In pt.</param>
    /// <param name="parts">From the bottom to the top.</param>
    /// <param name="fonts">The fonts of its words.</param>
    public static string Write(string name, double width, double height, IEnumerable<DevicePart> parts, IEnumerable<DeviceFont> fonts)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>{Html(name)}</title><style>\n");
        foreach (var font in fonts)
        {
            var weight = font.Font.IsVariable ? $"{font.Font.Lightest} {font.Font.Heaviest}" : $"{font.Font.Lightest}";
            text.Append(CultureInfo.InvariantCulture, $"@font-face {{ font-family: \"{CssText(font.Family)}\"; font-weight: {weight}; font-style: {(font.Font.IsItalic ? "italic" : "normal")}; src: url(\"{CssText(font.Address)}\"); }}\n");
        }
        text.Append(CultureInfo.InvariantCulture, $$"""
            html, body { margin: 0; background: #fff; }
            .screen { position: relative; overflow: hidden; width: {{CssCode.Px(width)}}; height: {{CssCode.Px(height)}}; font: 16px/normal serif; -webkit-font-smoothing: antialiased; }
            .screen > * { position: absolute; }
            .lost { box-sizing: border-box; border: 1px dashed #b8402a; color: #b8402a; font: 10px/1.2 sans-serif; overflow: hidden; }
            </style></head><body><div class="screen">

            """);
        foreach (var part in parts)
        {
            var box = Style([("left", CssCode.Px(part.Box.X)), ("top", CssCode.Px(part.Box.Y)), ("width", CssCode.Px(part.Box.Width)), ("height", CssCode.Px(part.Box.Height))]);
            text.Append(part switch
            {
                { Values: { } values } => $"<div style=\"{Html(Style(CssCode.Place(values).Concat(CssCode.Declarations(values, NoNames.One))))}\">{Words(values)}</div>\n",
                { File: { } file } => $"<img alt=\"{Html(part.Name)}\" src=\"{Html(file)}\" style=\"{box}\">\n",
                _ => $"<div class=\"lost\" style=\"{box}\">{Html(part.Name)}: no file that a browser shows</div>\n",
            });
        }
        return text.Append("</div></body></html>\n").ToString();
    }

    private static string Words(LayerValues values) => values.Text is not { } text ? "" : string.Join('\n', text.Lines.Select(line => string.Concat(line.Runs.Select(run =>
        CssCode.IsLike(run, text.Main) ? Html(run.Words) : $"<span style=\"{Html(Style(CssCode.RunDeclarations(run, text.Main, NoNames.One)))}\">{Html(run.Words)}</span>"))));

    private static string Style(IEnumerable<(string Property, string Value)> declarations) => string.Join("; ", declarations.Select(d => $"{d.Property}: {d.Value}"));

    private static string Html(string text) => WebUtility.HtmlEncode(text);

    // Inside quotes of CSS in a style element: nothing may end either.
    private static string CssText(string text) => string.Concat(text.Select(c => char.IsAsciiLetterOrDigit(c) || c is ' ' or '-' or '_' or '/' or '.' ? c.ToString() : $"\\{(int)c:x} "));
}
