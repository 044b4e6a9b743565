using System.Text;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as constants of Kotlin, for Jetpack Compose. Font families are named; the app says which files they are.</summary>
internal sealed class TokenKotlin : ITokenWriter
{
    public string Platform => "android";

    public string Path => "android/Tokens.kt";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var families = tokens.Select(t => t.Value.Type?.Family).OfType<string>().Where(f => f.Length > 0).Distinct().ToList();
        var kotlin = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\n\n");
        if (code.KotlinPackage.Length > 0)
        {
            kotlin.Append("package ").Append(code.KotlinPackage).Append("\n\n");
        }
        kotlin.Append("import androidx.compose.ui.graphics.Color\nimport androidx.compose.ui.text.TextStyle\nimport androidx.compose.ui.text.font.FontFamily\nimport androidx.compose.ui.text.font.FontStyle\nimport androidx.compose.ui.text.font.FontWeight\nimport androidx.compose.ui.text.style.TextDecoration\nimport androidx.compose.ui.unit.dp\nimport androidx.compose.ui.unit.sp\n\n/** What the layers that are built in code share. */\nobject Tokens {\n");
        foreach (var family in families)
        {
            kotlin.Append("    /** The app sets it to its own files of ").Append(family.Replace("*/", "* /", StringComparison.Ordinal)).Append(". */\n    var ").Append(CodeText.Member(family)).Append(": FontFamily = FontFamily.Default\n");
        }
        foreach (var token in tokens)
        {
            kotlin.Append("    /** ").Append(TokenText.About(token)).Append(" */\n    val ").Append(CodeText.PascalMember(token.Name)).Append(Value(token.Value)).Append('\n');
        }
        return kotlin.Append("}\n").ToString();
    }

    private static string Value(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => " = " + ComposeCode.Of(value.Colour),
        // Asked for each time, for the family may be set later.
        TokenKind.Type => $": TextStyle get() = TextStyle({string.Join(", ", ComposeCode.Parts(value.Type!))})",
        TokenKind.Shadow => $" = {ComposeCode.Of(value.Shadows[0].Colour)} // {CodeText.N(value.Shadows[0].X)}.dp, {CodeText.N(value.Shadows[0].Y)}.dp, radius {CodeText.N(value.Shadows[0].Blur)}.dp",
        TokenKind.Border => $" = {CodeText.N(value.Border!.Width)}.dp to {ComposeCode.Of(((SolidFill)value.Border.Fill).Colour)}",
        _ => $" = {CodeText.N(value.Length)}.dp",
    };
}
