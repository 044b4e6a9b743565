using System.Text;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as constants of Swift, for SwiftUI.</summary>
internal sealed class TokenSwift : ITokenWriter
{
    public string Platform => "apple";

    public string Path => "apple/Tokens.swift";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var swift = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\n\nimport SwiftUI\n\n/// What the layers that are built in code share.\npublic enum Tokens {\n");
        foreach (var token in tokens)
        {
            swift.Append("    /// ").Append(TokenText.About(token)).Append("\n    public static let ").Append(CodeText.Member(token.Name)).Append(Value(token.Value)).Append('\n');
        }
        return swift.Append("}\n").ToString();
    }

    private static string Value(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => " = " + SwiftUiCode.Of(value.Colour),
        TokenKind.Type => ": Font = " + SwiftUiCode.FontOf(value.Type!),
        TokenKind.Shadow => $" = (color: {SwiftUiCode.Of(value.Shadows[0].Colour)}, radius: CGFloat({CodeText.N(value.Shadows[0].Blur / 2)}), x: CGFloat({CodeText.N(value.Shadows[0].X)}), y: CGFloat({CodeText.N(value.Shadows[0].Y)}))",
        TokenKind.Border => $" = (color: {SwiftUiCode.Of(((SolidFill)value.Border!.Fill).Colour)}, width: CGFloat({CodeText.N(value.Border.Width)}))",
        _ => $": CGFloat = {CodeText.N(value.Length)}",
    };
}
