using Kalypto.Core.Composing;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Pages;

/// <summary>Sets words so that they stand as they were drawn, and break where they were.</summary>
internal static class WordsLayout
{
    // Labels so short are never broken.
    private const int Label = 24;

    // pt: what a browser may set words wider than they were measured.
    private const double Slack = 2;

    /// <summary>The height of a line, in pt.</summary>
    public static double LineHeight(TextValue text) => CssCode.LineHeight(text) ?? Math.Round(text.Main.Type.Size * 1.2);

    /// <summary>Where the lines of measured words lie on their screen, in pt, with what stands above and below their letters.</summary>
    public static Designs.Box LinesOf(LayerValues values)
    {
        if (values is not { Text: { } text, Turn: 0 } || text.Lines[0].Measure is not { } first)
        {
            return values.Box;
        }
        var height = LineHeight(text);
        // Browsers take whole px of a font, and whole ones of what is above it.
        var (ascent, descent) = (Math.Round(first.Ascent), Math.Round(first.Descent));
        return values.Box with { Y = text.Lines[0].Baseline - ascent - Math.Floor((height - ascent - descent) / 2), Height = height * text.Lines.Length };
    }

    /// <summary>The letters of words in the box of their lines, in pt: what no other words lie on.</summary>
    public static Designs.Box LettersOf(Designs.Box lines, TextValue text)
    {
        var less = Math.Max(0, (LineHeight(text) - text.Main.Type.Size * 0.8) / 2);
        return lines with { Y = lines.Y + less, Height = Math.Max(1, lines.Height - 2 * less) };
    }

    /// <summary>True for words whose lines break by themselves just where they were drawn, in a box as wide as the longest of them.</summary>
    public static bool BreaksByItself(TextValue text)
    {
        var longest = text.Lines.Max(l => l.Measure?.Width ?? 0);
        return text.Lines.Zip(text.Lines.Skip(1)).All(pair =>
        {
            var (line, next) = (pair.First, pair.Second);
            var word = next.Words.Split(' ', 2)[0];
            // What the next word takes, about: the next line was measured as a whole.
            var takes = next.Measure is { } m && next.Words.Length > 0 ? m.Width * (word.Length + 0.5) / next.Words.Length : 0;
            return word.Length > 0 && (line.Measure?.Width ?? 0) + takes * 0.8 > longest + Slack + 2;
        });
    }

    /// <summary>Says how the words of a leaf are set within the room that they have.</summary>
    /// <param name="element">The element.</param>
    /// <param name="block">The words.</param>
    /// <param name="left">Where its room begins, in pt.</param>
    /// <param name="right">Where its room ends, in pt.</param>
    /// <param name="isCentred">True for words that stand in the middle of their room.</param>
    public static void Set(PageElement element, Block block, double left, double right, bool isCentred)
    {
        var text = element.Words!;
        var width = right - left;
        if (isCentred)
        {
            element.Set("text-align", "center");
        }
        else if (text.Anchor == "end")
        {
            element.Set("text-align", "end");
            element.Margin = element.Margin with { Right = Lengths.Aside(right - block.Box.Right, width) };
        }
        if (text.Lines.Length == 1)
        {
            if (text.Words.Length <= Label && block.Box.Width + Slack > width)
            {
                element.Set("white-space", "nowrap");
            }
            return;
        }
        element.BreaksLines = !BreaksByItself(text);
        if (!element.BreaksLines && width > block.Box.Width + Slack + 1)
        {
            element.Set("max-width", Lengths.Px(Math.Ceiling(block.Box.Width + Slack)));
            if (isCentred)
            {
                element.Margin = element.Margin with { Left = "auto", Right = "auto" };
            }
            else if (text.Anchor == "end")
            {
                element.Margin = element.Margin with { Left = "auto" };
            }
        }
    }
}
