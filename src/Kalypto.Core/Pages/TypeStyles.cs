using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Pages;

/// <summary>How the words of a page are set: as most of them are, and what of others differs from that.</summary>
internal sealed class TypeStyles
{
    // px: words so large get smaller with the window.
    private const double Large = 30;
    private readonly ITokenNames tokens;
    private readonly double width;
    private readonly double lineHeight;

    /// <summary>Finds how most words are set.</summary>
    /// <param name="words">All words of the page.</param>
    /// <param name="tokens">What values are called.</param>
    /// <param name="width">The width of the screen, in pt.</param>
    public TypeStyles(IReadOnlyList<TextValue> words, ITokenNames tokens, double width)
    {
        (this.tokens, this.width) = (tokens, width);
        Most = words.GroupBy(t => (t.Main.Type with { LineHeight = null }, t.Main.Fill)).MaxBy(g => g.Sum(t => t.Words.Length))?.First().Main;
        lineHeight = Most is null ? 0 : Ratio(words.Where(t => t.Main.Type with { LineHeight = null } == Most.Type with { LineHeight = null }).GroupBy(Ratio).MaxBy(g => g.Count())!.First());
    }

    /// <summary>How most words are set; null on a page without.</summary>
    public TextRun? Most { get; }

    /// <summary>How words are set where nothing else is said.</summary>
    public IEnumerable<(string Property, string Value)> Base => Most is null ? [] : Flowing(CssCode.RunDeclarations(Most, null, tokens), Most).Append(("line-height", Text(lineHeight)));

    /// <summary>What of some words is set otherwise.</summary>
    public IEnumerable<(string Property, string Value)> Of(TextValue text)
    {
        foreach (var declaration in Flowing(CssCode.RunDeclarations(text.Main, Most, tokens), text.Main))
        {
            yield return declaration;
        }
        if (Math.Abs(Ratio(text) - lineHeight) * text.Main.Type.Size > 0.05)
        {
            yield return ("line-height", Text(Ratio(text)));
        }
    }

    /// <summary>What of a run is set otherwise than the words around it.</summary>
    public IEnumerable<(string Property, string Value)> Of(TextRun run, TextRun around) => CssCode.RunDeclarations(run, around, tokens);

    private IEnumerable<(string Property, string Value)> Flowing(IEnumerable<(string Property, string Value)> declarations, TextRun run) => declarations.Select(d => d.Property switch
    {
        "font-size" when run.Type.Size > Large && width >= 600 => (d.Property, $"clamp({Lengths.Px(Math.Round(Math.Max(24, run.Type.Size * 0.55)))}, {Numbers.Text(Math.Ceiling(run.Type.Size / width * 10000) / 100, 2)}vw, {Lengths.Px(run.Type.Size)})"),
        "font-family" => (d.Property, WithGeneric(d.Value)),
        _ => d,
    });

    // A list of families ends with a sort of font (CSS Fonts 4, section 2.1).
    private static string WithGeneric(string families) => Fonts.FamilyList.IsGeneric(families.Split(',')[^1].Trim()) ? families : families + ", sans-serif";

    // Rounded up: a browser that comes out a hair below a whole px puts the words one px higher.
    private static double Ratio(TextValue text) => Math.Ceiling(WordsLayout.LineHeight(text) / text.Main.Type.Size * 10000 - 0.001) / 10000;

    private static string Text(double ratio) => ratio.ToString("0.####", CultureInfo.InvariantCulture);
}
