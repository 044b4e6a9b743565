using System.Text.RegularExpressions;

namespace Kalypto.Core.Exporting;

/// <summary>Finds and changes what elements on their way out refer to.</summary>
internal static partial class References
{
    /// <summary>All ids that something refers to.</summary>
    public static HashSet<string> In(ExportNode root) => [.. root.SelfAndDescendants().SelectMany(n => n.Attributes).SelectMany(a => Of(a.Key, a.Value))];

    /// <summary>The ids that an attribute refers to.</summary>
    public static IEnumerable<string> Of(string name, string value) => name == "href"
        ? value.StartsWith('#') ? [value[1..]] : []
        : value.Contains("url(", StringComparison.Ordinal) ? Url().Matches(value).Select(m => m.Groups[1].Value) : [];

    /// <summary>The value with other ids.</summary>
    public static string Rename(string name, string value, Func<string, string> rename) => name == "href"
        ? value.StartsWith('#') ? "#" + rename(value[1..]) : value
        : value.Contains("url(", StringComparison.Ordinal) ? Url().Replace(value, m => $"url(#{rename(m.Groups[1].Value)})") : value;

    [GeneratedRegex("""url\(\s*['"]?#([^'")]+)['"]?\s*\)""")]
    private static partial Regex Url();
}
