using System.Collections.Frozen;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Styling.Code;

/// <summary>Pieces that several languages write alike.</summary>
internal static class CodeText
{
    // One name for all languages; with a capital some are the types that the constants of Compose are made of, which one of that name would hide.
    private static readonly FrozenSet<string> Reserved =
        [.. ReservedWords.Swift, .. ReservedWords.Dart, .. ReservedWords.Kotlin, "color", "textStyle", "fontFamily", "fontStyle", "fontWeight", "textDecoration", "tokens"];

    /// <summary>A number with three decimals at the most.</summary>
    public static string N(double number) => Numbers.Text(number, 3);

    /// <summary>A string in double quotes.</summary>
    /// <param name="text">The text.</param>
    /// <param name="special">A sign that begins a value inside a string of the language; null for none.</param>
    public static string Quoted(string text, char? special = null)
    {
        var quoted = text.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal).Replace("\n", "\\n", StringComparison.Ordinal).Replace("\r", "", StringComparison.Ordinal);
        return $"\"{(special is { } sign ? quoted.Replace($"{sign}", $"\\{sign}", StringComparison.Ordinal) : quoted)}\"";
    }

    /// <summary>An attribute of XML in quotes.</summary>
    public static string Attribute(string text) => $"\"{System.Security.SecurityElement.Escape(text).Replace("\n", "&#10;", StringComparison.Ordinal)}\"";

    /// <summary>The family that is wanted, or the one of the system.</summary>
    public static string Family(TypeStyle type, string usual) => type.Family is { Length: > 0 } family ? family : usual;

    /// <summary>Eight digits, opacity first: <c>1fffffff</c>.</summary>
    public static string Argb(Colour colour) => $"{(int)Math.Round(colour.Alpha * 255):X2}{colour.Red:X2}{colour.Green:X2}{colour.Blue:X2}";

    /// <summary>A name in the way of most languages: <c>bookButton</c>.</summary>
    public static string Camel(string name)
    {
        var words = NameWords.Split(name);
        var joined = string.Concat(words.Select((w, i) => i == 0 ? w : char.ToUpperInvariant(w[0]) + w[1..]));
        return joined.Length == 0 ? "value" : char.IsAsciiDigit(joined[0]) ? "_" + joined : joined;
    }

    /// <summary>A name in the way of C# and XAML: <c>BookButton</c>.</summary>
    public static string Pascal(string name) => Camel(name) is var camel && camel[0] == '_' ? camel : char.ToUpperInvariant(camel[0]) + camel[1..];

    /// <summary>What a token or view is called in Swift, Dart and Kotlin: as <see cref="Camel"/>, with a word behind it where the name alone means something there.</summary>
    public static string Member(string name) => Camel(name) is var camel && Reserved.Contains(camel) ? camel + "Value" : camel;

    /// <summary>The same with a capital, as Compose writes constants: <c>BookButton</c>.</summary>
    public static string PascalMember(string name) => Member(name) is var member && member[0] == '_' ? member : char.ToUpperInvariant(member[0]) + member[1..];

    /// <summary>What no value says, as sentences without the words “it”.</summary>
    public static IEnumerable<string> Notes(LayerValues values) => values.Beyond.Select(b => "Not in these values: " + b);
}
