using Kalypto.Core.Pages;
using Kalypto.Core.Styling;

namespace Kalypto.Application.Pages;

/// <summary>A screen ready to be written as a page.</summary>
/// <param name="Screen">The screen.</param>
/// <param name="Tokens">What values are called.</param>
/// <param name="Fonts">The fonts that it brings along.</param>
/// <param name="Files">All that lies beside it but its style sheet.</param>
public sealed record ComposedPage(PageScreen Screen, ITokenNames Tokens, IReadOnlyList<PageFont> Fonts, IReadOnlyList<PageFile> Files)
{
    private WrittenPage? plain;
    private WrittenPage? marked;

    /// <summary>The address of its style sheet, from the page.</summary>
    public string Styles { get; init; } = "styles.css";

    /// <summary>The screen that it is where the window is narrow; null where it is one for all.</summary>
    public PageScreen? Narrow { get; init; }

    /// <summary>The page as it is handed on.</summary>
    public WrittenPage Plain => plain ??= (Narrow is null ? null : PageWriter.Together(Screen, Narrow, Tokens, Fonts, Styles)) ?? PageWriter.Write(Screen, Tokens, Fonts, Styles);

    /// <summary>The same with another screen where the window is narrow.</summary>
    public ComposedPage With(ComposedPage narrow) => new(Screen, Tokens, [.. Fonts.Concat(narrow.Fonts).DistinctBy(f => (f.Family, f.Address))], [.. Files.Concat(narrow.Files).DistinctBy(f => f.Path)]) { Styles = Styles, Narrow = narrow.Screen };

    /// <summary>The page with the layer of each element in an attribute.</summary>
    public WrittenPage Marked => marked ??= (Narrow is null ? null : PageWriter.Together(Screen, Narrow, Tokens, Fonts, Styles, isMarked: true)) ?? PageWriter.Write(Screen, Tokens, Fonts, Styles, isMarked: true);
}
