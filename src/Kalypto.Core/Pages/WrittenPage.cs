using System.Collections.Immutable;

namespace Kalypto.Core.Pages;

/// <summary>A page as it was written.</summary>
/// <param name="Html">The lines of its HTML.</param>
/// <param name="Css">The lines of its style sheet.</param>
/// <param name="Notes">What layers were taken for, and why.</param>
/// <param name="Elements">How many elements its body has, itself counted.</param>
/// <param name="Positioned">How many of them are taken out of the flow.</param>
public sealed record WrittenPage(ImmutableArray<PageLine> Html, ImmutableArray<PageLine> Css, ImmutableArray<PageNote> Notes, int Elements, int Positioned)
{
    /// <summary>What became what, in the order that the page is read.</summary>
    public ImmutableArray<PageRow> Rows { get; init; } = [];

    /// <summary>The HTML as it stands in the file.</summary>
    public string HtmlText => TextOf(Html);

    /// <summary>The style sheet as it stands in the file.</summary>
    public string CssText => TextOf(Css);

    private static string TextOf(ImmutableArray<PageLine> lines) => string.Concat(lines.Select(l => l.Text + "\n"));
}
