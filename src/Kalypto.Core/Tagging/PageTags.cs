namespace Kalypto.Core.Tagging;

/// <summary>What a layer may be on a page, and where it may lead.</summary>
public static class PageTags
{
    private const int LongestAddress = 300;

    /// <summary>The elements of HTML that can be asked for, with what they mean (HTML, 4.3, 4.4 and 4.10).</summary>
    public static IReadOnlyList<(string Tag, string Meaning)> All { get; } =
    [
        ("h1", "the heading of the whole page"), ("h2", "a heading"), ("h3", "a heading below a heading"), ("h4", "a heading two below a heading"), ("p", "a paragraph, no heading"), ("a", "a link"), ("button", "a button"),
        ("nav", "the ways through the site"), ("header", "what stands above the content"), ("footer", "what stands below it"), ("section", "a part with a heading of its own"), ("aside", "beside the matter"), ("div", "no meaning of its own"),
    ];

    /// <summary>True for an address that leads to a page, a place on it, a letter or a call; nothing that runs, and to no other server without saying so.</summary>
    public static bool IsHarmless(string address) => address.Length is > 0 and <= LongestAddress && !address.StartsWith("//", StringComparison.Ordinal) && !address.Any(c => char.IsControl(c) || char.IsWhiteSpace(c) || c is '"' or '\'' or '<' or '>' or '\\')
        && (address.IndexOf(':', StringComparison.Ordinal) is < 0 and _ || address[..address.IndexOf(':', StringComparison.Ordinal)] is "http" or "https" or "mailto" or "tel" || address[0] is '/' or '#' or '?' or '.');
}
