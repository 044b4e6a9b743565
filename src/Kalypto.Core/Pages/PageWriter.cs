using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>
/// Writes a screen as HTML and CSS, as somebody would by hand: real words in real elements, rows, columns and grids instead
/// of places, classes by the names of layers. At the width of the drawing it looks like the drawing; on all others it flows.
/// </summary>
public static class PageWriter
{
    /// <summary>Writes a page.</summary>
    /// <param name="screen">The screen, its words measured.</param>
    /// <param name="tokens">What values are called.</param>
    /// <param name="fonts">The fonts that it brings along.</param>
    /// <param name="styles">The address of its style sheet, from the page.</param>
    /// <param name="isMarked">True to name the layer of each element in an attribute, to find it again.</param>
    public static WrittenPage Write(PageScreen screen, ITokenNames tokens, IReadOnlyList<PageFont> fonts, string styles = "styles.css", bool isMarked = false) =>
        Write(screen, null, tokens, fonts, styles, isMarked)!;

    /// <summary>Writes two screens as one page that is one or the other by the width of the window; null where they are not the same words and pictures in the same elements.</summary>
    /// <param name="screen">The wide one.</param>
    /// <param name="narrow">The narrow one.</param>
    /// <param name="tokens">What values are called.</param>
    /// <param name="fonts">The fonts that they bring along.</param>
    /// <param name="styles">The address of the style sheet, from the page.</param>
    /// <param name="isMarked">True to name the layer of each element of the wide one in an attribute.</param>
    public static WrittenPage? Together(PageScreen screen, PageScreen narrow, ITokenNames tokens, IReadOnlyList<PageFont> fonts, string styles = "styles.css", bool isMarked = false) => Write(screen, narrow, tokens, fonts, styles, isMarked);

    private static WrittenPage? Write(PageScreen screen, PageScreen? narrow, ITokenNames tokens, IReadOnlyList<PageFont> fonts, string styles, bool isMarked)
    {
        var used = new UsedTokens(tokens);
        var (body, types, notes) = Built(screen, used);
        var other = narrow is null ? default : Built(narrow, used);
        if (narrow is not null && !body.Pair(other.Body))
        {
            return null;
        }
        double? below = narrow is null ? null : PagePairs.WidthBetween(narrow.Width, screen.Width);
        var classes = new ClassNames(used);
        classes.Name(body, types);
        var html = new HtmlWriter(classes, types, isMarked) { Below = below }.Write(screen, body, styles);
        var css = new StyleWriter().Write(body, types, used.Used, fonts, classes.Rules, below is { } width ? (other.Types, width) : null);
        var all = body.All.ToList();
        return new(html, css, [.. notes], all.Count + all.Count(e => e.Part?.Picture?.Others is { IsDefaultOrEmpty: false }), all.Count(e => e.Style.Exists(s => s is { Property: "position", Value: "absolute" or "fixed" }))) { Rows = PageRows.Of(body, notes) };
    }

    private static (PageElement Body, TypeStyles Types, IReadOnlyList<PageNote> Notes) Built(PageScreen screen, UsedTokens used)
    {
        var body = new PageTree(screen, used).Build();
        var types = new TypeStyles([.. body.All.Select(e => e.Words).OfType<TextValue>()], used, screen.Width);
        var meanings = new Meanings(body, types, screen.Links);
        meanings.Give();
        PictureWords.Give(body);
        Targets.Give(body);
        Inheritance.Give(body, types);
        PlainColumns.Give(body);
        return (body, types, meanings.Notes);
    }
}
