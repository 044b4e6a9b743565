using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Pages;

/// <summary>Writes the elements of a page as HTML.</summary>
/// <param name="classes">The classes.</param>
/// <param name="types">How words are set.</param>
/// <param name="isMarked">True to name the layer of each element in an attribute.</param>
internal sealed class HtmlWriter(ClassNames classes, TypeStyles types, bool isMarked)
{
    private readonly ImmutableArray<PageLine>.Builder lines = ImmutableArray.CreateBuilder<PageLine>();

    /// <summary>The width in px below which the page is the narrow one; null where there is one for all.</summary>
    public double? Below { get; init; }

    /// <summary>Writes a page.</summary>
    public ImmutableArray<PageLine> Write(PageScreen screen, PageElement body, string styles)
    {
        foreach (var line in new[]
        {
            "<!DOCTYPE html>", $"<html lang=\"{HtmlText.Escape(screen.Language)}\">", "<head>", "  <meta charset=\"utf-8\">", "  <meta content=\"width=device-width, initial-scale=1\" name=\"viewport\">",
            $"  <title>{HtmlText.Escape(Title(screen.Name))}</title>", $"  <link rel=\"stylesheet\" href=\"{styles}\">", "</head>",
        })
        {
            lines.Add(new(line, null));
        }
        Element(body, 0, null);
        lines.Add(new("</html>", null));
        return lines.ToImmutable();
    }

    // A title of more than 70 characters is cut off wherever it is shown.
    private static string Title(string name) => name.Trim() is { Length: > 0 } title ? title.Length > 60 ? title[..60].Trim() : title : "Page";

    private void Element(PageElement element, int depth, int? around)
    {
        var layer = element.Part?.Layer ?? element.Group?.Layer ?? around;
        var indent = new string(' ', 2 * depth);
        if (element.Tag == "img")
        {
            Picture(element, indent, layer);
            return;
        }
        var open = Open(element);
        if (element.Words is not null)
        {
            lines.Add(new($"{indent}{open}{Words(element)}</{element.Tag}>", layer));
            return;
        }
        if (element.Children.Count == 0)
        {
            lines.Add(new($"{indent}{open}</{element.Tag}>", layer));
            return;
        }
        lines.Add(new($"{indent}{open}", layer));
        foreach (var child in element.Children)
        {
            Element(child, depth + 1, layer);
        }
        lines.Add(new($"{indent}</{element.Tag}>", layer));
    }

    private string Open(PageElement element)
    {
        var text = new StringBuilder($"<{element.Tag}");
        if (element.Classes.Count > 0)
        {
            text.Append(" class=\"").AppendJoin(' ', element.Classes.Distinct()).Append('"');
        }
        foreach (var (name, value) in element.Attributes)
        {
            text.Append(' ').Append(name).Append("=\"").Append(HtmlText.Escape(value)).Append('"');
        }
        return text.Append(Mark(element)).Append('>').ToString();
    }

    private string Mark(PageElement element) => isMarked && (element.Part?.Layer ?? element.Group?.Layer) is { } layer ? $" data-layer=\"{(element.WordsPart is { } words ? $"{words.Layer} " : "")}{layer}\"" : "";

    private void Picture(PageElement element, string indent, int? layer)
    {
        var picture = element.Part?.Picture;
        var box = element.Part!.Box;
        var size = $"width=\"{Numbers.Text(Math.Round(picture?.Width ?? box.Width), 0)}\" height=\"{Numbers.Text(Math.Round(picture?.Height ?? box.Height), 0)}\"";
        var kind = element.Classes.Count > 0 ? $" class=\"{string.Join(' ', element.Classes.Distinct())}\"" : "";
        var image = $"<img{kind} src=\"{HtmlText.Escape(picture?.Source ?? "data:,")}\"{(picture?.SourceSet is { Length: > 0 } set ? $" srcset=\"{HtmlText.Escape(set)}\"" : "")} {size} alt=\"{HtmlText.Escape(element.Alt)}\"{Mark(element)}>";
        // Where a narrow window has another picture, it is named first.
        var narrow = Below is { } width && element.Narrow?.Part?.Picture is { } less && less.Source != picture?.Source ? (Width: width, Picture: less) : ((double Width, PagePicture Picture)?)null;
        var others = picture?.Others is { IsDefaultOrEmpty: false } more ? more : [];
        if (others.IsEmpty && narrow is null)
        {
            lines.Add(new(indent + image, layer));
            return;
        }
        lines.Add(new($"{indent}<picture>", layer));
        if (narrow is var (below, picked))
        {
            lines.Add(new($"{indent}  <source media=\"(width &lt; {Lengths.Px(below)})\" srcset=\"{HtmlText.Escape(picked.SourceSet.Length > 0 ? picked.SourceSet : picked.Source)}\" width=\"{Numbers.Text(Math.Round(picked.Width), 0)}\" height=\"{Numbers.Text(Math.Round(picked.Height), 0)}\">", layer));
        }
        foreach (var (type, files) in others)
        {
            lines.Add(new($"{indent}  <source type=\"{type}\" srcset=\"{HtmlText.Escape(files)}\">", layer));
        }
        lines.Add(new($"{indent}  {image}", layer));
        lines.Add(new($"{indent}</picture>", layer));
    }

    private string Words(PageElement element)
    {
        var text = element.Words!;
        return string.Join(element.BreaksLines ? "<br>" : " ", text.Lines.Select(line => string.Concat(line.Runs.Select(run => CssCode.IsLike(run, text.Main) || types.Of(run, text.Main).ToList() is { Count: 0 }
            ? HtmlText.Escape(run.Words) : $"<span class=\"{classes.OfRun(run, text.Main, types, element)}\">{HtmlText.Escape(run.Words)}</span>")).Trim()));
    }
}
