using System.Collections.Immutable;

namespace Kalypto.Core.Pages;

/// <summary>Tells of each element of a page what it is, how it is laid out and why.</summary>
internal static class PageRows
{
    private const int LongestName = 60;

    /// <summary>The rows, in the order that the page is read.</summary>
    public static ImmutableArray<PageRow> Of(PageElement body, IReadOnlyList<PageNote> notes)
    {
        var why = notes.GroupBy(n => n.Layer).ToDictionary(g => g.Key, g => g.Last());
        var rows = ImmutableArray.CreateBuilder<PageRow>();
        foreach (var child in body.Children)
        {
            Add(child, 0);
        }
        return rows.ToImmutable();

        void Add(PageElement element, int depth)
        {
            var layer = element.WordsPart?.Layer ?? element.Group?.Layer ?? element.Part?.Layer;
            var note = (element.Group?.Layer ?? element.Part?.Layer) is { } noted && why.TryGetValue(noted, out var found) && found.Tag == element.Tag ? found.Why : "";
            rows.Add(new(layer, depth, element.Tag, NameOf(element), string.Join("; ", new[] { HowOf(element), note, element.Part is { IsOpen: true } ? "nobody decided on it yet" : "" }.Where(h => h.Length > 0)),
                element.Classes.Count > 0 ? "." + element.Classes[0] : element.Tag is "main" or "header" or "footer" ? element.Tag : ""));
            foreach (var child in element.Children)
            {
                Add(child, depth + 1);
            }
        }
    }

    private static string NameOf(PageElement element) => element switch
    {
        { Words: { } words } => words.Words.Replace('\n', ' ') is var text && text.Length > LongestName ? text[..LongestName].TrimEnd() + "…" : text,
        { Group.Name.Length: > 0 } => element.Group.Name,
        { Part.Name.Length: > 0 } => element.Part.Name,
        { Classes: [var first, ..] } => first,
        _ => element.Tag,
    };

    private static string HowOf(PageElement element)
    {
        string? Value(string property) => element.Style.Find(s => s.Property == property).Value;
        var gap = Value("gap") is { } length ? $", gap {length.Replace("px", "", StringComparison.Ordinal)}" : "";
        var count = element.Children.Count;
        return element switch
        {
            { Tag: "img" } => Files(element),
            _ when Value("grid-area") is not null && Value("display") is null => "over its neighbour",
            _ when Value("display") == "grid" && Value("grid-template-columns") is "minmax(0, 1fr)" => $"{count} over one another",
            _ when Value("display") == "grid" => $"grid of {count}{gap}",
            _ when Value("flex-direction") == "column" => count > 1 ? $"column of {count}{gap}" : "",
            _ when Value("display") == "flex" => $"row of {count}{gap}{(Value("flex-wrap") is null ? "" : ", wraps")}",
            _ => "",
        };
    }

    private static string Files(PageElement element) => element.Part?.Picture is not { } picture ? "no file" : picture.Others.IsDefaultOrEmpty && picture.SourceSet.Length == 0 ? picture.Source
        : $"{picture.Source} and {(picture.SourceSet.Count(c => c == ',') + (picture.Others.IsDefault ? 0 : picture.Others.Sum(o => o.SourceSet.Count(c => c == ',') + 1)))} more";
}
