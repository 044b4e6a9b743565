namespace Kalypto.Core.Reading.Pdf;

/// <summary>Goes through the content of a page token by token (ISO 32000-1, 7.2 and 7.8.2). Whatever the bytes are, it comes to their end.</summary>
/// <param name="content">The content, decoded.</param>
internal ref struct PdfTokens(ReadOnlySpan<byte> content)
{
    private readonly ReadOnlySpan<byte> content = content;

    /// <summary>Where the token begins.</summary>
    public int Start { get; private set; }

    /// <summary>Behind the token.</summary>
    public int End { get; private set; }

    /// <summary>True for the name of an operator; numbers, names, strings and brackets are none.</summary>
    public bool IsOperator { get; private set; }

    /// <summary>True when the token is this operator.</summary>
    public readonly bool Is(ReadOnlySpan<byte> name) => content[Start..End].SequenceEqual(name);

    /// <summary>Goes to the next token; over the data of a picture that stands between the operators.</summary>
    /// <returns>False at the end.</returns>
    public bool Next()
    {
        if (IsOperator && Is("ID"u8))
        {
            End = BehindPicture(End);
        }
        Start = End;
        while (Start < content.Length && (IsSpace(content[Start]) || content[Start] == '%'))
        {
            Start = content[Start] == '%' ? EndOfLine(Start) : Start + 1;
        }
        IsOperator = false;
        if (Start >= content.Length)
        {
            End = content.Length;
            return false;
        }
        var first = content[Start];
        End = first switch
        {
            (byte)'(' => EndOfString(Start),
            (byte)'<' when Start + 1 < content.Length && content[Start + 1] == '<' => Start + 2,
            (byte)'>' when Start + 1 < content.Length && content[Start + 1] == '>' => Start + 2,
            (byte)'<' => content[Start..].IndexOf((byte)'>') is >= 0 and var close ? Start + close + 1 : content.Length,
            (byte)'/' => EndOfWord(Start + 1),
            _ when IsDelimiter(first) => Start + 1,
            _ => EndOfWord(Start + 1),
        };
        IsOperator = char.IsAsciiLetter((char)first) || first is (byte)'\'' or (byte)'"';
        return true;
    }

    private static bool IsSpace(byte b) => b is 0 or 9 or 10 or 12 or 13 or 32;

    private static bool IsDelimiter(byte b) => b is (byte)'(' or (byte)')' or (byte)'<' or (byte)'>' or (byte)'[' or (byte)']' or (byte)'{' or (byte)'}' or (byte)'/' or (byte)'%';

    private readonly int EndOfWord(int at)
    {
        while (at < content.Length && !IsSpace(content[at]) && !IsDelimiter(content[at]))
        {
            at++;
        }
        return at;
    }

    private readonly int EndOfLine(int at) => content[at..].IndexOfAny((byte)'\n', (byte)'\r') is >= 0 and var end ? at + end : content.Length;

    private readonly int EndOfString(int at)
    {
        var depth = 0;
        for (; at < content.Length; at++)
        {
            depth += content[at] switch { (byte)'(' => 1, (byte)')' => -1, _ => 0 };
            at += content[at] == '\\' ? 1 : 0;
            if (depth == 0)
            {
                return at + 1;
            }
        }
        return content.Length;
    }

    // The data end at EI between white space (8.9.7).
    private readonly int BehindPicture(int at)
    {
        for (at++; at + 2 < content.Length; at++)
        {
            if (IsSpace(content[at]) && content[at + 1] == 'E' && content[at + 2] == 'I' && (at + 3 == content.Length || IsSpace(content[at + 3])))
            {
                return at + 3;
            }
        }
        return content.Length;
    }
}
