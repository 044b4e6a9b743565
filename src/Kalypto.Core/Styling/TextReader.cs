using System.Text;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>Reads the lines of a text and how their words are set (SVG 2, section 11).</summary>
/// <param name="fills">Reads paints.</param>
/// <param name="toScreen">From the coordinates of the text to pt of its screen.</param>
/// <param name="box">What is painted, in pt of the screen.</param>
internal sealed class TextReader(FillReader fills, Matrix toScreen, Box box)
{
    private readonly List<Line> lines = [];
    private readonly List<string> beyond = [];
    private readonly double scale = Math.Sqrt(Math.Abs(toScreen.A * toScreen.D - toScreen.B * toScreen.C));
    private double x, y;
    private bool isAfterSpace = true;

    /// <summary>Reads a text.</summary>
    /// <param name="text">The element.</param>
    /// <param name="style">What holds for it.</param>
    /// <returns>The text, null for one without words; and what of it no value says.</returns>
    public (TextValue? Text, IEnumerable<string> Beyond) Read(Element text, ComputedStyle style)
    {
        Walk(text, style, isText: true);
        foreach (var line in lines)
        {
            line.Trim();
        }
        var written = lines.Where(l => l.Runs.Count > 0).OrderBy(l => l.Y).ThenBy(l => l.X).ToList();
        if (written.Count == 0)
        {
            return (null, beyond);
        }
        var height = LineHeight(written);
        if (written.Select(l => l.X).Distinct().Count() > 1)
        {
            beyond.Add("its lines begin at places of their own");
        }
        var anchor = written[0].Style.Anchor;
        return (new([.. written.Select(l => new TextLine(Round(At(l).X), Round(At(l).Y), [.. l.Runs.Select(r => RunOf(r, height))]))], anchor), beyond.Distinct());

        (double X, double Y) At(Line line) => (toScreen.A * line.X + toScreen.C * line.Y + toScreen.E, toScreen.B * line.X + toScreen.D * line.Y + toScreen.F);
    }

    private void Walk(Element element, ComputedStyle style, bool isText)
    {
        Place(element, style, isText);
        if (element.Name == "textPath")
        {
            beyond.Add("its words run along a line");
        }
        if (element.Style("dominant-baseline") is { } baseline and not ("auto" or "alphabetic") || element.Style("baseline-shift") is { } shift and not ("baseline" or "0"))
        {
            beyond.Add("its letters do not stand on the baseline");
        }
        foreach (var child in element.Children)
        {
            if (child is TextNode words)
            {
                Take(words.Text, style);
            }
            else if (child is Element { Name: "tspan" or "a" or "textPath" } inside && inside.Style("display") != "none")
            {
                Walk(inside, style.In(inside), isText: false);
            }
        }
    }

    private void Place(Element element, ComputedStyle style, bool isText)
    {
        double? First(string name)
        {
            var parts = element[name]?.Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries) ?? [];
            if (parts.Length > 1)
            {
                beyond.Add("its letters have places of their own");
            }
            return parts is [var first, ..] ? first.EndsWith("em", StringComparison.Ordinal) ? Numbers.Length(first[..^2]) * style.FontSize : Numbers.Length(first) : null;
        }
        var (toX, toY, byX, byY) = (First("x"), First("y"), First("dx"), First("dy"));
        if (element["rotate"] is not null)
        {
            beyond.Add("its letters are turned one by one");
        }
        (x, y) = ((toX ?? x) + (toX is null && !isText ? 0 : byX ?? 0), (toY ?? y) + (byY ?? 0));
        if (isText || toX is not null || toY is not null || byY is not (null or 0))
        {
            if (!isText && toX is null && lines.Exists(l => l.Runs.Count > 0))
            {
                beyond.Add("some of its letters are lower or higher");
            }
            lines.Add(new(x, y, style));
            isAfterSpace = true;
        }
        else if (byX is not (null or 0))
        {
            beyond.Add("its letters have places of their own");
        }
    }

    private void Take(string text, ComputedStyle style)
    {
        var words = style.KeepsSpaces ? text.ReplaceLineEndings(" ").Replace('\t', ' ') : Collapsed(text);
        words = style.TextTransform switch { "uppercase" => words.ToUpperInvariant(), "lowercase" => words.ToLowerInvariant(), _ => words };
        if (words.Length > 0 && lines.Count > 0 && !style.IsInvisible)
        {
            lines[^1].Add(words, style);
        }
    }

    private string Collapsed(string text)
    {
        var words = new StringBuilder();
        foreach (var c in text)
        {
            if (c is ' ' or '\t' or '\n' or '\r')
            {
                if (!isAfterSpace)
                {
                    words.Append(' ');
                }
                isAfterSpace = true;
                continue;
            }
            isAfterSpace = false;
            words.Append(c);
        }
        return words.ToString();
    }

    private TextRun RunOf((string Words, ComputedStyle Style) run, double? height)
    {
        var style = run.Style;
        var (fill, why) = fills.Read(style.Fill, style.FillOpacity, box.Scale(1 / scale), Matrix.Identity with { A = scale, D = scale }, box);
        if (why is not null)
        {
            beyond.Add(why);
        }
        if (style.Stroke is not ("none" or "transparent") && style.StrokeWidth > 0)
        {
            beyond.Add("its letters have outlines");
        }
        return new(run.Words, new(style.Families, style.Weight, style.IsItalic, Round(style.FontSize * scale), height, Round(style.LetterSpacing * scale), style.Decoration), fill);
    }

    // The same from each line to the next; what stands beside another is no line of its own.
    private double? LineHeight(List<Line> written)
    {
        var baselines = written.Select(l => l.Y).Distinct().Order().ToList();
        if (baselines.Count < 2)
        {
            return null;
        }
        var steps = baselines.Zip(baselines.Skip(1), (a, b) => b - a).ToList();
        if (steps.Max() - steps.Min() > 0.02 * steps.Max())
        {
            beyond.Add("its lines are not equally far apart");
        }
        return Round(steps.Average() * scale);
    }

    private static double Round(double number) => Math.Round(number, 3) + 0.0;

    private sealed class Line(double x, double y, ComputedStyle style)
    {
        public double X => x;

        public double Y => y;

        public ComputedStyle Style => style;

        public List<(string Words, ComputedStyle Style)> Runs { get; } = [];

        public void Add(string words, ComputedStyle its)
        {
            if (Runs.Count > 0 && Runs[^1].Style == its)
            {
                Runs[^1] = (Runs[^1].Words + words, its);
                return;
            }
            Runs.Add((words, its));
        }

        // A space at the end of a line takes no room.
        public void Trim()
        {
            while (Runs.Count > 0 && !Runs[^1].Style.KeepsSpaces && Runs[^1].Words.TrimEnd(' ') is var words && words.Length < Runs[^1].Words.Length)
            {
                Runs[^1] = (words, Runs[^1].Style);
                if (words.Length > 0)
                {
                    break;
                }
                Runs.RemoveAt(Runs.Count - 1);
            }
        }
    }
}
