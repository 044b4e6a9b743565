using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as custom properties of CSS (CSS Custom Properties 1).</summary>
internal sealed class TokenCss : ITokenWriter
{
    public string Platform => "web";

    public string Path => "web/tokens.css";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var css = new StringBuilder("/* Written by Kalypto. What is changed here is lost with the next delivery. */\n:root {\n");
        foreach (var token in tokens)
        {
            css.Append("  --").Append(token.Name).Append(": ").Append(Value(token.Value)).Append(";\n");
        }
        return css.Append("}\n").ToString();
    }

    private static string Value(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => CssCode.OfColour(value.Colour),
        TokenKind.Type => OfType(value.Type!),
        TokenKind.Shadow => CssCode.OfShadows(value.Shadows, CssCode.OfColour),
        TokenKind.Border => $"{CssCode.Px(value.Border!.Width)} {(value.Border.Dashes.IsEmpty ? "solid" : "dashed")} {CssCode.OfColour(((SolidFill)value.Border.Fill).Colour)}",
        _ => CssCode.Px(value.Length),
    };

    // As the property “font” takes it.
    private static string OfType(TypeStyle type)
    {
        var families = type.Families.Length == 0 ? "sans-serif" : string.Join(", ", FamilyList.Of(type.Families).Select(f => FamilyList.IsGeneric(f) ? f : $"\"{f.Replace("\"", "", StringComparison.Ordinal)}\""));
        return $"{(type.IsItalic ? "italic " : "")}{type.Weight} {CssCode.Px(type.Size)}{(type.LineHeight is { } height ? $"/{Numbers.Text(height / type.Size, 4)}" : "")} {families}";
    }
}
