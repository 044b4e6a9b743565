using System.Text.RegularExpressions;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Reading;

/// <summary>Tags that a designer wrote in the drawing behind the name of a layer: <c>bell [icon svg to:nav]</c>.</summary>
internal static partial class DrawnTags
{
    /// <summary>The name without the tags, and the tags; null when none are written.</summary>
    public static (string Name, string? Tags) Split(string name)
    {
        var found = Bracket().Match(name);
        return found.Success && AreMeant(found.Groups[2].Value) ? (found.Groups[1].Value.TrimEnd(), found.Groups[2].Value.Trim()) : (name, null);
    }

    // “photo [sky at night]” is a name: several words, none of them a tag nor near one. A single word may be a kind of the team's own.
    private static bool AreMeant(string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return words.Length == 1 || TagLine.Parse(text).Mistakes is var mistakes && (mistakes.Length < words.Length || mistakes.Any(m => m.Nearest is not null));
    }

    // Words in the form of tags only, so that “photo [2]” and “menu [Old one]” keep their names.
    [GeneratedRegex(@"^(.*\S)\s*\[((?:\s*-?[a-z][a-z0-9-]*(?:[:@][^\s\]]+)?)+)\s*\]\s*$", RegexOptions.NonBacktracking)]
    private static partial Regex Bracket();
}
