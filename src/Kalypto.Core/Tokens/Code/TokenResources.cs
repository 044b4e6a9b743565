using System.Text;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens as Android's colours and lengths (App resources: more resource types).</summary>
internal sealed class TokenResources : ITokenWriter
{
    public string Platform => "android";

    public string Path => "android/res/values/tokens.xml";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<!-- Written by Kalypto. What is changed here is lost with the next delivery. -->\n<resources>\n");
        foreach (var token in tokens)
        {
            var name = token.Name.Replace('-', '_');
            switch (token.Value.Kind)
            {
                case TokenKind.Colour:
                    xml.Append("    <color name=\"").Append(name).Append("\">#").Append(CodeText.Argb(token.Value.Colour)).Append("</color>\n");
                    break;
                case TokenKind.Radius or TokenKind.Space:
                    xml.Append("    <dimen name=\"").Append(name).Append("\">").Append(CodeText.N(token.Value.Length)).Append("dp</dimen>\n");
                    break;
                case TokenKind.Type:
                    xml.Append("    <dimen name=\"").Append(name).Append("_size\">").Append(CodeText.N(token.Value.Type!.Size)).Append("sp</dimen>\n");
                    break;
            }
        }
        return xml.Append("</resources>\n").ToString();
    }
}
