using System.Text.RegularExpressions;

namespace Kalypto.Core.Reading;

/// <summary>Tags that a designer wrote in the drawing behind the name of a layer: <c>bell [icon svg to:nav]</c>.</summary>
internal static partial class DrawnTags
{
    /// <summary>The name without the tags, and the tags; null when none are written.</summary>
    public static (string Name, string? Tags) Split(string name)
    {
        var found = Bracket().Match(name);
        return found.Success ? (found.Groups[1].Value.TrimEnd(), found.Groups[2].Value.Trim()) : (name, null);
    }

    // Words in the form of tags only, so that “photo [2]” and “menu [Old one]” keep their names.
    [GeneratedRegex(@"^(.*\S)\s*\[((?:\s*-?[a-z][a-z0-9-]*(?::[^\s\]]+)?)+)\s*\]\s*$", RegexOptions.NonBacktracking)]
    private static partial Regex Bracket();
}
