using System.Text;
using System.Text.RegularExpressions;

namespace Kalypto.Core.Reading;

/// <summary>
/// What a document type declares. Older drawing programs write the addresses of their namespaces as entities, each a plain text;
/// these may be put in. Anything else about entities is refused before a parser sees it: entities of entities, of files, of markup.
/// </summary>
internal static partial class Doctype
{
    private const int Head = 1 << 20;
    private const int LongestDeclarations = 64 * 1024;
    private const int MostEntities = 200;
    private const int LongestEntity = 1000;

    /// <summary>The most characters that entities may come to in one file.</summary>
    public const long MostFromEntities = 2_000_000;

    /// <summary>True when there are entities, all of them plain.</summary>
    /// <exception cref="DrawingRefusedException">There are others.</exception>
    public static bool HasPlainEntities(ReadOnlySpan<byte> file)
    {
        var head = file[..Math.Min(file.Length, Head)];
        if (head.IndexOf("<!ENTITY"u8) < 0)
        {
            return false;
        }
        var begin = head.IndexOf("<!DOCTYPE"u8);
        var open = begin < 0 ? -1 : head[begin..].IndexOf((byte)'[');
        var close = begin < 0 ? -1 : head[begin..].IndexOf("]"u8);
        if (open < 0 || close < open || close - open > LongestDeclarations)
        {
            throw Refused();
        }
        // Within what stands between the brackets there may be no bracket.
        var declared = Encoding.UTF8.GetString(head.Slice(begin + open + 1, close - open - 1));
        var plain = Plain().Matches(declared);
        if (plain.Count is 0 or > MostEntities || plain.Count != Any().Count(declared) || head[(begin + close)..].IndexOf("<!ENTITY"u8) >= 0
            || plain.Any(p => p.Groups["value"].Length > LongestEntity))
        {
            throw Refused();
        }
        return true;
    }

    private static DrawingRefusedException Refused() => new(
        "The file declares XML entities in its document type that are more than plain text", "Save it as plain SVG without a document type");

    // No reference to another entity but to those of XML itself that are no markup in a text, no markup, no file, no parameter.
    [GeneratedRegex(@"<!ENTITY\s+(?<name>[A-Za-z_][\w.-]*)\s+(?<quote>[""'])(?<value>(?:[^<>&%""']|&(?:amp|apos|quot|gt);)*)\k<quote>\s*>")]
    private static partial Regex Plain();

    [GeneratedRegex("<!")]
    private static partial Regex Any();
}
