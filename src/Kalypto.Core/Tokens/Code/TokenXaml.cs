using System.Security;
using System.Text;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as a dictionary of resources for XAML.</summary>
internal sealed class TokenXaml : ITokenWriter
{
    public string Platform => "windows";

    public string Path => "windows/Tokens.xaml";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var xaml = new StringBuilder("<!-- Written by Kalypto. What is changed here is lost with the next delivery. -->\n<ResourceDictionary\n    xmlns=\"http://schemas.microsoft.com/winfx/2006/xaml/presentation\"\n    xmlns:x=\"http://schemas.microsoft.com/winfx/2006/xaml\">\n");
        foreach (var token in tokens)
        {
            var key = CodeText.Pascal(token.Name);
            switch (token.Value.Kind)
            {
                case TokenKind.Colour:
                    xaml.Append("    <Color x:Key=\"").Append(key).Append("\">#").Append(CodeText.Argb(token.Value.Colour)).Append("</Color>\n    <SolidColorBrush x:Key=\"").Append(key)
                        .Append("Brush\" Color=\"{StaticResource ").Append(key).Append("}\" />\n");
                    break;
                case TokenKind.Radius:
                    xaml.Append("    <CornerRadius x:Key=\"").Append(key).Append("\">").Append(CodeText.N(token.Value.Length)).Append("</CornerRadius>\n");
                    break;
                case TokenKind.Space:
                    xaml.Append("    <Thickness x:Key=\"").Append(key).Append("\">").Append(CodeText.N(token.Value.Length)).Append("</Thickness>\n");
                    break;
                case TokenKind.Type:
                    var type = token.Value.Type!;
                    xaml.Append("    <Style x:Key=\"").Append(key).Append("\" TargetType=\"TextBlock\">\n");
                    if (type.Family.Length > 0)
                    {
                        xaml.Append("        <Setter Property=\"FontFamily\" Value=\"").Append(SecurityElement.Escape(type.Family)).Append("\" />\n");
                    }
                    xaml.Append("        <Setter Property=\"FontSize\" Value=\"").Append(CodeText.N(type.Size)).Append("\" />\n        <Setter Property=\"FontWeight\" Value=\"").Append(XamlCode.WeightOf(type.Weight)).Append("\" />\n    </Style>\n");
                    break;
            }
        }
        return xaml.Append("</ResourceDictionary>\n").ToString();
    }
}
