using Kalypto.Application.Opening;
using Kalypto.Application.Pages;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Pages;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Tagging;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A screen as a page, for the place where people look at it.</summary>
/// <param name="Design">The number of the design.</param>
/// <param name="Screen">The layer that stands for the screen.</param>
/// <param name="Name">The name of the screen.</param>
/// <param name="Width">In pt.</param>
/// <param name="Height">In pt.</param>
/// <param name="At">The address that its files lie below.</param>
/// <param name="Drawn">The address of the picture of the drawing.</param>
/// <param name="Rows">What became what.</param>
/// <param name="Html">The lines of its HTML.</param>
/// <param name="Css">The lines of its style sheet.</param>
/// <param name="Facts">How large it is, in words.</param>
/// <param name="Sum">What became of how much, in words.</param>
/// <param name="Told">What of it waits for a decision, as a sentence; empty for nothing.</param>
/// <param name="IsInPack">True when the pack has pages.</param>
public sealed record PageSheet(int Design, int Screen, string Name, double Width, double Height, string At, string Drawn, IReadOnlyList<PageSheet.Row> Rows, IReadOnlyList<PageLine> Html, IReadOnlyList<PageLine> Css,
    string Facts, string Sum, string Told, bool IsInPack)
{
    /// <summary>The elements that can be asked for.</summary>
    public IReadOnlyList<PageChoice> Elements { get; } = [.. PageTags.All.Select(t => new PageChoice(t.Tag, t.Meaning))];

    /// <summary>An element, with what is said of its layer.</summary>
    public sealed record Row(int? Layer, int Depth, string Tag, string Name, string How, string Selector, string Width, string As, string Href, string Alt, bool IsPicture, bool IsOpen);

    /// <summary>Makes it.</summary>
    public static PageSheet Of(Workspace workspace, int design, Screen screen, ComposedPage page, string drawn)
    {
        var state = workspace.FindDesign(design)!.Value.State;
        var (written, project) = (page.Plain, workspace.Row.Id);
        var open = page.Screen.Parts.Count(p => p.IsOpen);
        var told = page.Screen.LeftOut > 0 ? $"{page.Screen.LeftOut} shapes that nobody decided on are left out, for so many are a picture in pieces: put them together and ship them"
            : open > 0 ? $"{open} of what is shown nobody decided on yet: it stands for what it looks like" : "";
        var pictures = page.Files.Count(f => f.Font is null);
        Row RowOf(PageRow row)
        {
            var layer = row.Layer is { } ordinal && ordinal < state.Layers.Length ? state.Layers[ordinal] : null;
            var tags = layer is null ? Tags.Empty : state.SaidOf(layer).Tags;
            return new(row.Layer, row.Depth, row.Tag, row.Name, row.How, row.Selector, tags.Fills switch { true => "fill", false => "keep", null => "" }, tags.As ?? "", tags.Href ?? "", tags.Alt?.Replace(' ', '_') ?? "", row.Tag == "img",
                layer is not null && state.MarkOf(layer).Decision == Decision.Open);
        }
        return new(design, screen.Root.Ordinal, screen.Name, page.Screen.Width, page.Screen.Height, $"/projects/{project}/page/{design}/{screen.Root.Ordinal}/clean/", drawn, [.. written.Rows.Select(RowOf)], written.Html, written.Css,
            $"HTML {Words.Weight((written.HtmlText.Length, false))} · CSS {Words.Weight((written.CssText.Length, false))} · {Words.Count(pictures, "picture")}",
            $"{(page.Narrow is { } less ? $"one page with “{less.Name}” below {PagePairs.WidthBetween(less.Width, page.Screen.Width)} · " : "")}{Words.Count(state.Measured.LayersOf(screen).Count(l => !l.HiddenHere && !l.Guide), "layer")} → {Words.Count(written.Elements, "element")}", told, workspace.Platforms.Any(p => p.Id == PagePlatform.PlatformId));
    }
}
