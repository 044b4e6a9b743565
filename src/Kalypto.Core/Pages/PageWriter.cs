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
    public static WrittenPage Write(PageScreen screen, ITokenNames tokens, IReadOnlyList<PageFont> fonts, string styles = "styles.css", bool isMarked = false)
    {
        var used = new UsedTokens(tokens);
        var body = new PageTree(screen, used).Build();
        var types = new TypeStyles([.. body.All.Select(e => e.Words).OfType<TextValue>()], used, screen.Width);
        var meanings = new Meanings(body, types, screen.Links);
        meanings.Give();
        PictureWords.Give(body);
        Targets.Give(body);
        var classes = new ClassNames(used);
        classes.Name(body, types);
        var html = new HtmlWriter(classes, types, isMarked).Write(screen, body, styles);
        var css = new StyleWriter().Write(body, types, used.Used, fonts, classes.Rules);
        var all = body.All.ToList();
        return new(html, css, [.. meanings.Notes], all.Count + all.Count(e => e.Part?.Picture?.Others is { IsDefaultOrEmpty: false }), all.Count(e => e.Style.Exists(s => s is { Property: "position", Value: "absolute" or "fixed" }))) { Rows = PageRows.Of(body, meanings.Notes) };
    }
}
