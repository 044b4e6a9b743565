using System.Collections.Frozen;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Platforms.Code;

/// <summary>Gives pictures names in a language, so that one typed wrong does not compile: legal ones, and each there once.</summary>
internal static class Identifiers
{
    /// <summary>Identifiers of pictures, by value: the words of the name, with the folder before them where two would be alike, and a number as the last resort.</summary>
    public static IEnumerable<(string Name, CodePicture Picture)> Of(IPlatform platform, IEnumerable<CodePicture> pictures, bool pascal, FrozenSet<string> reserved)
    {
        var list = pictures.OrderBy(p => p.Value, StringComparer.Ordinal).ToList();
        var plain = list.Select(p => Identifier(NameWords.Split(p.Name), pascal, reserved)).ToList();
        var twice = plain.GroupBy(p => p, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (picture, name) in list.Zip(plain))
        {
            var said = twice.Contains(name)
                ? Identifier([.. picture.Picture.MakingFor(platform.Id).Folder.SelectMany(NameWords.Split), .. NameWords.Split(picture.Name)], pascal, reserved) : name;
            var unique = FreeName.Of(said, n => taken.Contains(n) || reserved.Contains(n), "");
            taken.Add(unique);
            yield return (unique, picture);
        }
    }

    private static string Identifier(IReadOnlyList<string> words, bool pascal, FrozenSet<string> reserved)
    {
        var name = string.Concat(words.Select((w, i) => i == 0 && !pascal ? w.ToLowerInvariant() : char.ToUpperInvariant(w[0]) + w[1..].ToLowerInvariant()));
        name = name.Length == 0 || char.IsAsciiDigit(name[0]) ? (pascal ? "N" : "n") + name : name;
        return reserved.Contains(name) ? name + "Picture" : name;
    }

    /// <summary>A text as it stands in quotes in all of these languages.</summary>
    public static string Quoted(string value) => $"\"{value.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal)}\"";
}
