namespace Kalypto.Core.Reading;

/// <summary>A file that cannot be brought in. The message says what was found, where, and what to do.</summary>
public sealed class DrawingRefusedException : Exception
{
    /// <summary>Makes the refusal.</summary>
    /// <param name="found">What is wrong, as a sentence without its full stop.</param>
    /// <param name="remedy">What to do, as a sentence without its full stop.</param>
    /// <param name="line">The line of the file, from 1; 0 when no line is meant.</param>
    /// <param name="inner">What it was noticed by.</param>
    public DrawingRefusedException(string found, string remedy, int line = 0, Exception? inner = null)
        : base($"{found}{(line > 0 ? $" (line {line})" : "")}. {remedy}.", inner)
    {
        Line = line;
    }

    private DrawingRefusedException(string message, int line)
        : base(message) => Line = line;

    /// <summary>The same refusal as it was said in another process.</summary>
    public static DrawingRefusedException Again(string message, int line) => new(message, line);

    /// <summary>The line of the file, from 1; 0 when no line is meant.</summary>
    public int Line { get; }

    /// <summary>
    /// True when the reading itself ended before it said anything: it was killed, or had no time or memory. That is no property
    /// of a file that could be read before; reading it again may go well.
    /// </summary>
    public bool IsPassing { get; init; }
}
