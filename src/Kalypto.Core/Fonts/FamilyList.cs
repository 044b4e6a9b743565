namespace Kalypto.Core.Fonts;

/// <summary>Lists of families as CSS writes them: <c>"Fira Sans", sans-serif</c>.</summary>
public static class FamilyList
{
    private static readonly HashSet<string> Generic = new(
        ["serif", "sans-serif", "monospace", "cursive", "fantasy", "system-ui", "ui-serif", "ui-sans-serif", "ui-monospace", "ui-rounded", "math", "emoji", "fangsong", "inherit", "initial", "unset"],
        StringComparer.OrdinalIgnoreCase);

    /// <summary>The families of a list in their order, without quotes.</summary>
    public static IEnumerable<string> Of(string families) => families.Split(',').Select(f => f.Trim().Trim('"', '\'').Trim()).Where(f => f.Length > 0);

    /// <summary>The family that is wanted: the first of a list; null when that is none in particular.</summary>
    public static string? Wanted(string families) => Of(families).FirstOrDefault() is { } first && !IsGeneric(first) ? first : null;

    /// <summary>True for a word that names no family in particular (CSS Fonts 4, section 2.1.3).</summary>
    public static bool IsGeneric(string family) => Generic.Contains(family);
}
