using Kalypto.Core.Naming;

namespace Kalypto.Core.Pages;

/// <summary>Finds screens that are one page at two widths, by what they are called.</summary>
public static class PagePairs
{
    private const double LeastRatio = 1.4;
    private static readonly HashSet<string> Sizes = new(["mobile", "phone", "tablet", "desktop", "web", "small", "medium", "large", "narrow", "wide", "sm", "md", "lg", "xs", "xl"], StringComparer.Ordinal);

    /// <summary>The narrow one of each wide one, by their place in the list.</summary>
    /// <param name="screens">Their names, and their widths in pt.</param>
    public static IReadOnlyDictionary<int, int> Of(IReadOnlyList<(string Name, double Width)> screens)
    {
        // A size in the name, in words or px, is what tells such screens apart; without one they are two pages of one name.
        var all = screens.Select((s, i) => (Index: i, s.Width, Words: NameWords.Split(s.Name))).Select(s => (s.Index, s.Width, Base: string.Join(' ', s.Words.Where(w => !IsSize(w))), IsSized: s.Words.Any(IsSize)));
        var pairs = new Dictionary<int, int>();
        foreach (var group in all.GroupBy(s => s.Base).Where(g => g.Key.Length > 0 && g.Count() == 2 && g.Any(s => s.IsSized)))
        {
            var (narrow, wide) = (group.MinBy(s => s.Width), group.MaxBy(s => s.Width));
            if (wide.Width >= narrow.Width * LeastRatio)
            {
                pairs[wide.Index] = narrow.Index;
            }
        }
        return pairs;
    }

    /// <summary>The width in px below which the narrow one of two holds.</summary>
    public static double WidthBetween(double narrow, double wide) => Math.Round(Math.Max(Math.Max(narrow, 480) + 1, wide * 0.6));

    private static bool IsSize(string word) => Sizes.Contains(word) || (word.Length is 3 or 4 && word.All(char.IsAsciiDigit) && word[0] != '0');
}
