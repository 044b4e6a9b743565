using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace Kalypto.Core.Platforms.Android;

/// <summary>What a resource may be called: its name becomes a field of the class R (App resources overview).</summary>
internal static partial class ResourceNames
{
    // The Java Language Specification, 3.9, with the literals.
    private static readonly FrozenSet<string> Keywords = FrozenSet.Create(
        "abstract", "assert", "boolean", "break", "byte", "case", "catch", "char", "class", "const", "continue", "default",
        "do", "double", "else", "enum", "extends", "false", "final", "finally", "float", "for", "goto", "if", "implements",
        "import", "instanceof", "int", "interface", "long", "native", "new", "null", "package", "private", "protected",
        "public", "return", "short", "static", "strictfp", "super", "switch", "synchronized", "this", "throw", "throws",
        "transient", "true", "try", "void", "volatile", "while");

    /// <summary>Why a resource cannot have the name, as the end of a sentence; null when it can.</summary>
    public static string? Refusal(string name) =>
        !Legal().IsMatch(name) ? $"“{name}” does not start with a letter"
        : Keywords.Contains(name) ? $"“{name}” is a word of the Java language"
        : null;

    /// <summary>A name as near as possible to this one that a resource can have.</summary>
    public static string Accepted(string name)
    {
        name = Legal().IsMatch(name) ? name : "n" + name;
        return Keywords.Contains(name) ? name + "_picture" : name;
    }

    [GeneratedRegex("^[a-z][a-z0-9_]*$")]
    private static partial Regex Legal();
}
