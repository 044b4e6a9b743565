namespace Kalypto.Core.Reading;

/// <summary>Counts how deep brackets lie in one another, before anything parses them.</summary>
internal static class Nesting
{
    /// <summary>Refuses a text whose brackets lie deeper in one another than is allowed.</summary>
    /// <param name="text">The text of a style sheet or a value.</param>
    /// <param name="limits">How deep they may lie.</param>
    /// <param name="what">Where it stands, with a capital letter.</param>
    /// <param name="line">The line of the file; 0 for none.</param>
    public static void RefuseDeep(string text, ReadingLimits limits, string what, int line = 0)
    {
        var depth = 0;
        foreach (var c in text)
        {
            depth += c switch { '(' or '{' or '[' => 1, ')' or '}' or ']' when depth > 0 => -1, _ => 0 };
            if (depth > limits.Nesting)
            {
                throw new DrawingRefusedException($"{what} nests brackets more than {limits.Nesting} deep", "Make it simpler; drawing programs write five or six at the most", line);
            }
        }
    }
}
