using System.Collections.Frozen;
using System.Text;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms;

/// <summary>Writes the names of all pictures as constants of a language, so that a name typed wrong does not compile. Identifiers are legal and each there once.</summary>
internal static class CodeNames
{
    // The reserved words of each language's own specification that a camel or Pascal case name could hit.
    private static readonly FrozenSet<string> SwiftWords = FrozenSet.Create(
        "as", "associatedtype", "break", "case", "catch", "class", "continue", "default", "defer", "deinit", "do", "else", "enum", "extension", "fallthrough", "false",
        "fileprivate", "for", "func", "guard", "if", "import", "in", "init", "inout", "internal", "is", "let", "nil", "open", "operator", "precedencegroup", "private",
        "protocol", "public", "repeat", "rethrows", "return", "self", "static", "struct", "subscript", "super", "switch", "throw", "throws", "true", "try", "typealias", "var", "where", "while");

    private static readonly FrozenSet<string> KotlinWords = FrozenSet.Create(
        "as", "break", "class", "continue", "do", "else", "false", "for", "fun", "if", "in", "interface", "is", "null", "object", "package", "return", "super", "this",
        "throw", "true", "try", "typealias", "typeof", "val", "var", "when", "while");

    private static readonly FrozenSet<string> TypeScriptWords = FrozenSet.Create(
        "await", "break", "case", "catch", "class", "const", "continue", "debugger", "default", "delete", "do", "else", "enum", "export", "extends", "false", "finally", "for",
        "function", "if", "implements", "import", "in", "instanceof", "interface", "let", "new", "null", "package", "private", "protected", "public", "return", "static",
        "super", "switch", "this", "throw", "true", "try", "typeof", "var", "void", "while", "with", "yield");

    private static readonly FrozenSet<string> DartWords = FrozenSet.Create(
        "assert", "await", "break", "case", "catch", "class", "const", "continue", "default", "do", "else", "enum", "extends", "false", "final", "finally", "for", "if", "in",
        "is", "new", "null", "rethrow", "return", "super", "switch", "this", "throw", "true", "try", "var", "void", "while", "with", "yield");

    public static SideFile Swift(string platform, string path, IPlatform names, IEnumerable<(Picture Picture, string Name, string Value)> pictures) => new(platform, path, () => Write(
        "import Foundation\n\n/// The names of the pictures in the asset catalog.\npublic enum Pictures {\n",
        Identifiers(names, pictures, pascal: false, SwiftWords).Select(c => $"    public static let {c.Name} = {Quoted(c.Value)}\n"), "}\n"));

    public static SideFile Kotlin(string platform, string path, IPlatform names, IEnumerable<(Picture Picture, string Name, string Value)> pictures) => new(platform, path, () => Write(
        "/** The names of the pictures among the drawable resources. */\nobject Pictures {\n",
        Identifiers(names, pictures, pascal: false, KotlinWords).Select(c => $"    const val {c.Name} = {Quoted(c.Value).Replace("$", "\\$", StringComparison.Ordinal)}\n"), "}\n"));

    public static SideFile TypeScript(string platform, string path, IPlatform names, IEnumerable<(Picture Picture, string Name, string Value)> pictures) => new(platform, path, () => Write(
        "/** The paths of the pictures, counted from this file. */\n",
        Identifiers(names, pictures, pascal: false, TypeScriptWords).Select(c => $"export const {c.Name} = {Quoted(c.Value)};\n"), ""));

    public static SideFile CSharp(string platform, string path, IPlatform names, IEnumerable<(Picture Picture, string Name, string Value)> pictures) => new(platform, path, () => Write(
        "/// <summary>The addresses of the pictures in the app.</summary>\npublic static class Pictures\n{\n",
        Identifiers(names, pictures, pascal: true, FrozenSet.Create("Pictures", "Equals", "ReferenceEquals", "ToString", "GetHashCode", "GetType", "MemberwiseClone", "Finalize"))
            .Select(c => $"    public const string {c.Name} = {Quoted(c.Value)};\n"), "}\n"));

    public static SideFile Dart(string platform, string path, IPlatform names, IEnumerable<(Picture Picture, string Name, string Value)> pictures) => new(platform, path, () => Write(
        "/// The paths of the pictures among the assets.\nabstract final class Pictures {\n",
        Identifiers(names, pictures, pascal: false, DartWords).Select(c => $"  static const {c.Name} = '{c.Value}';\n"), "}\n"));

    /// <summary>Identifiers for values: the words of the name, with the folder before them where two would be alike, and a number as the last resort.</summary>
    public static IEnumerable<(string Name, string Value)> Identifiers(
        IPlatform platform, IEnumerable<(Picture Picture, string Name, string Value)> pictures, bool pascal, FrozenSet<string> reserved)
    {
        var list = pictures.OrderBy(p => p.Value, StringComparer.Ordinal).ToList();
        var plain = list.Select(p => Identifier(NameWords.Split(p.Name), pascal, reserved)).ToList();
        var twice = plain.GroupBy(p => p, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var ((picture, own, value), name) in list.Zip(plain))
        {
            var said = twice.Contains(name)
                ? Identifier([.. picture.MakingFor(platform.Id).Folder.SelectMany(NameWords.Split), .. NameWords.Split(own)], pascal, reserved) : name;
            var unique = FreeName.Of(said, taken.Contains, "");
            taken.Add(unique);
            yield return (unique, value);
        }
    }

    private static string Identifier(IReadOnlyList<string> words, bool pascal, FrozenSet<string> reserved)
    {
        var name = string.Concat(words.Select((w, i) => i == 0 && !pascal ? w.ToLowerInvariant() : char.ToUpperInvariant(w[0]) + w[1..].ToLowerInvariant()));
        name = name.Length == 0 || char.IsAsciiDigit(name[0]) ? (pascal ? "N" : "n") + name : name;
        return reserved.Contains(name) ? name + "Picture" : name;
    }

    private static string Quoted(string value) => $"\"{value.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal)}\"";

    private static string Write(string head, IEnumerable<string> lines, string foot) => new StringBuilder(head).AppendJoin("", lines).Append(foot).ToString();
}
