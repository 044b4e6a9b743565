using System.Text;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as constants of Dart, for Flutter.</summary>
internal sealed class TokenDart : ITokenWriter
{
    public string Platform => "flutter";

    public string Path => "flutter/lib/tokens.dart";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var dart = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\nimport 'package:flutter/widgets.dart';\n\n/// What the layers that are built in code share.\nabstract final class Tokens {\n");
        foreach (var token in tokens)
        {
            dart.Append("  /// ").Append(TokenText.About(token)).Append("\n  static const ").Append(Value(CodeText.Member(token.Name), token.Value)).Append(";\n");
        }
        return dart.Append("}\n").ToString();
    }

    private static string Value(string name, TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => $"Color {name} = {FlutterCode.Of(value.Colour)}",
        TokenKind.Type => $"TextStyle {name} = TextStyle({string.Join(", ", FlutterCode.Parts(value.Type!))})",
        TokenKind.Shadow => $"List<BoxShadow> {name} = [{string.Join(", ", value.Shadows.Where(s => !s.IsInside).Select(s => FlutterCode.Of(s, FlutterCode.Of, isOfBox: true)))}]",
        TokenKind.Border => $"BorderSide {name} = BorderSide(color: {FlutterCode.Of(((SolidFill)value.Border!.Fill).Colour)}, width: {CodeText.N(value.Border.Width)})",
        _ => $"double {name} = {CodeText.N(value.Length)}",
    };
}
