using System.Text;

namespace Kalypto.Core.Designs;

/// <summary>Reads and writes the text of a <c>style</c> attribute: <c>name:value;name:value</c>.</summary>
public static class StyleText
{
    /// <summary>The value of one property in a style text, or null. The last one of a name holds.</summary>
    public static string? Find(string? style, string property)
    {
        if (style is null || !style.Contains(property, StringComparison.Ordinal))
        {
            return null;
        }
        string? found = null;
        foreach (var (name, value) in Parse(style))
        {
            found = name == property ? value : found;
        }
        return found;
    }

    /// <summary>The declarations of a style text in order. Quotes and parentheses keep a semicolon together with its value.</summary>
    public static IEnumerable<(string Name, string Value)> Parse(string style)
    {
        var start = 0;
        var depth = 0;
        var quote = '\0';
        for (var i = 0; i <= style.Length; i++)
        {
            var c = i < style.Length ? style[i] : ';';
            if (quote != '\0' && i < style.Length)
            {
                quote = c == quote ? '\0' : quote;
                continue;
            }
            switch (c)
            {
                case '\'' or '"': quote = c; break;
                case '(': depth++; break;
                case ')': depth--; break;
                case ';' when depth <= 0 || i == style.Length:
                    var colon = style.IndexOf(':', start, i - start);
                    if (colon > start)
                    {
                        var name = style[start..colon].Trim();
                        var value = style[(colon + 1)..i].Trim();
                        if (name.Length > 0 && value.Length > 0)
                        {
                            yield return (name.StartsWith("--", StringComparison.Ordinal) ? name : name.ToLowerInvariant(), value);
                        }
                    }
                    start = i + 1;
                    break;
            }
        }
    }

    /// <summary>Writes declarations as a style text.</summary>
    public static string Write(IEnumerable<KeyValuePair<string, string>> declarations)
    {
        var text = new StringBuilder();
        foreach (var (name, value) in declarations)
        {
            text.Append(text.Length > 0 ? ";" : "").Append(name).Append(':').Append(value);
        }
        return text.ToString();
    }
}
