using System.Text;

namespace Kalypto.Core.Pages;

/// <summary>Writes text so that HTML takes it as text and nothing else.</summary>
internal static class HtmlText
{
    /// <summary>Text between tags, and inside quotes.</summary>
    public static string Escape(string text)
    {
        var result = new StringBuilder(text.Length);
        foreach (var rune in text.EnumerateRunes())
        {
            switch (rune.Value)
            {
                case '&':
                    result.Append("&amp;");
                    break;
                case '<':
                    result.Append("&lt;");
                    break;
                case '>':
                    result.Append("&gt;");
                    break;
                case '"':
                    result.Append("&quot;");
                    break;
                // No control characters, no halves of pairs, no noncharacters (Infra, section 4.5).
                case < 0x20 or (>= 0x7F and < 0xA0) or 0xFFFD or (>= 0xFDD0 and <= 0xFDEF):
                    result.Append(' ');
                    break;
                case var value when (value & 0xFFFE) == 0xFFFE:
                    break;
                default:
                    result.Append(rune.ToString());
                    break;
            }
        }
        return result.ToString();
    }
}
