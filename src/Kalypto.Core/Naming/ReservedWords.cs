using System.Collections.Frozen;

namespace Kalypto.Core.Naming;

/// <summary>What nothing can be called in a language, as it is written there.</summary>
internal static class ReservedWords
{
    /// <summary>The Swift Programming Language, Lexical Structure: keywords.</summary>
    public static readonly FrozenSet<string> Swift = FrozenSet.Create(
        "as", "associatedtype", "break", "case", "catch", "class", "continue", "default", "defer", "deinit", "do", "else", "enum", "extension", "fallthrough", "false",
        "fileprivate", "for", "func", "guard", "if", "import", "in", "init", "inout", "internal", "is", "let", "nil", "open", "operator", "precedencegroup", "private",
        "protocol", "public", "repeat", "rethrows", "return", "self", "static", "struct", "subscript", "super", "switch", "throw", "throws", "true", "try", "typealias", "var", "where", "while");

    /// <summary>The Dart Programming Language Specification, 20.1.1: reserved words, and the members of every object.</summary>
    public static readonly FrozenSet<string> Dart = FrozenSet.Create(
        "hashCode", "noSuchMethod", "runtimeType", "toString", "assert", "await", "break", "case", "catch", "class", "const", "continue", "default", "do", "else", "enum", "extends", "false", "final", "finally", "for", "if", "in",
        "is", "new", "null", "rethrow", "return", "super", "switch", "this", "throw", "true", "try", "var", "void", "while", "with", "yield");

    /// <summary>Kotlin language specification: keywords.</summary>
    public static readonly FrozenSet<string> Kotlin = FrozenSet.Create(
        "as", "break", "class", "continue", "do", "else", "false", "for", "fun", "if", "in", "interface", "is", "null", "object", "package", "return", "super", "this",
        "throw", "true", "try", "typealias", "typeof", "val", "var", "when", "while");
}
