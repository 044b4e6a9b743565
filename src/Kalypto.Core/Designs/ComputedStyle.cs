using System.Globalization;

namespace Kalypto.Core.Designs;

/// <summary>
/// What holds for an element in the end: its own words over what is handed down to it (CSS Cascading 4, section 7). The reader
/// has written every rule of a style sheet onto its elements, so only inheritance is left to be worked out, and it is here.
/// Lengths are in the units of the element.
/// </summary>
public sealed record ComputedStyle
{
    private const int Normal = 400;
    private const int Bold = 700;

    /// <summary>What holds where nobody said anything.</summary>
    public static ComputedStyle Initial { get; } = new();

    /// <summary>The colour that <c>currentColor</c> means.</summary>
    public string Colour { get; private init; } = "#000";

    /// <summary>What shapes and letters are filled with.</summary>
    public string Fill { get; private init; } = "#000";

    /// <summary>From 0 to 1.</summary>
    public double FillOpacity { get; private init; } = 1;

    /// <summary>What outlines are drawn with.</summary>
    public string Stroke { get; private init; } = "none";

    /// <summary>From 0 to 1.</summary>
    public double StrokeOpacity { get; private init; } = 1;

    /// <summary>In units.</summary>
    public double StrokeWidth { get; private init; } = 1;

    /// <summary>butt, round or square.</summary>
    public string LineCap { get; private init; } = "butt";

    /// <summary>The lengths of dashes and gaps as they are written; null for a whole line.</summary>
    public string? Dashes { get; private init; }

    /// <summary>The list of font families as it is written; empty for none.</summary>
    public string Families { get; private init; } = "";

    /// <summary>In units.</summary>
    public double FontSize { get; private init; } = 16;

    /// <summary>From 1 to 1000.</summary>
    public int Weight { get; private init; } = Normal;

    /// <summary>True for italic or oblique.</summary>
    public bool IsItalic { get; private init; }

    /// <summary>In units.</summary>
    public double LetterSpacing { get; private init; }

    /// <summary>start, middle or end.</summary>
    public string Anchor { get; private init; } = "start";

    /// <summary>underline, line-through or none.</summary>
    public string Decoration { get; private init; } = "none";

    /// <summary>uppercase, lowercase, capitalize or none.</summary>
    public string TextTransform { get; private init; } = "none";

    /// <summary>True when spaces and line ends stay as they are.</summary>
    public bool KeepsSpaces { get; private init; }

    /// <summary>True for what is not to be seen though it takes its place.</summary>
    public bool IsInvisible { get; private init; }

    /// <summary>The opacity of the element and of all around it, multiplied; from 0 to 1.</summary>
    public double Opacity { get; private init; } = 1;

    /// <summary>The style of a layer.</summary>
    public static ComputedStyle Of(Layer layer) => Around(layer).In(layer.Element);

    /// <summary>What is handed down to a layer.</summary>
    public static ComputedStyle Around(Layer layer) => layer.DrawnAncestors().Reverse().Aggregate(Initial, (above, l) => above.In(l.Element));

    /// <summary>What holds inside an element of this.</summary>
    public ComputedStyle In(Element element)
    {
        if (element.Attributes.IsEmpty)
        {
            return this;
        }
        string? Said(string property) => element.Style(property) is { } value and not "inherit" ? value : null;
        var colour = Said("color") ?? Colour;
        string Paint(string property, string around) => Said(property) is not { } said ? around : said.Equals("currentColor", StringComparison.OrdinalIgnoreCase) ? colour : said;
        var size = Length(Said("font-size"), FontSize, FontSize) ?? FontSize;
        return this with
        {
            Colour = colour,
            Fill = Paint("fill", Fill),
            FillOpacity = Share(Said("fill-opacity")) ?? FillOpacity,
            Stroke = Paint("stroke", Stroke),
            StrokeOpacity = Share(Said("stroke-opacity")) ?? StrokeOpacity,
            StrokeWidth = Length(Said("stroke-width"), size, null) ?? StrokeWidth,
            LineCap = Said("stroke-linecap") ?? LineCap,
            Dashes = Said("stroke-dasharray") is { } dashes ? dashes == "none" ? null : dashes : Dashes,
            Families = Said("font-family") ?? Families,
            FontSize = size,
            Weight = Said("font-weight") switch
            {
                "normal" => Normal,
                "bold" => Bold,
                // CSS Fonts 4, section 2.2.1.
                "bolder" => Weight < 350 ? Normal : Weight < 550 ? Bold : Math.Max(Weight, 900),
                "lighter" => Weight < 550 ? Math.Min(Weight, 100) : Weight < 750 ? Normal : Bold,
                { } text when double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && number is >= 1 and <= 1000 => (int)number,
                _ => Weight,
            },
            IsItalic = Said("font-style") switch { "normal" => false, { } style when style.StartsWith("italic", StringComparison.Ordinal) || style.StartsWith("oblique", StringComparison.Ordinal) => true, _ => IsItalic },
            LetterSpacing = Said("letter-spacing") is { } spacing ? spacing == "normal" ? 0 : Length(spacing, size, null) ?? LetterSpacing : LetterSpacing,
            Anchor = Said("text-anchor") ?? Anchor,
            Decoration = Said("text-decoration-line") ?? Said("text-decoration")?.Split(' ')[0] ?? Decoration,
            TextTransform = Said("text-transform") ?? TextTransform,
            KeepsSpaces = element["xml:space"] is { } space ? space == "preserve" : Said("white-space") is { } white ? white.StartsWith("pre", StringComparison.Ordinal) : KeepsSpaces,
            IsInvisible = Said("visibility") is { } visibility ? visibility is "hidden" or "collapse" : IsInvisible,
            Opacity = Opacity * (Share(Said("opacity")) ?? 1),
        };
    }

    /// <summary>A length in units; null where there is none or it is not understood.</summary>
    /// <param name="text">As it is written.</param>
    /// <param name="em">What 1em is.</param>
    /// <param name="whole">What 100% is; null where that is not known here.</param>
    private static double? Length(string? text, double em, double? whole)
    {
        double? Times(string unit, double by) => Numbers.Length(text[..^unit.Length]) is { } number ? number * by : null;
        return text is null ? null
            : text.EndsWith("rem", StringComparison.OrdinalIgnoreCase) ? Times("rem", 16)
            : text.EndsWith("em", StringComparison.OrdinalIgnoreCase) ? Times("em", em)
            : text.EndsWith('%') ? whole is { } all ? Times("%", all / 100) : null
            : Numbers.Length(text);
    }

    private static double? Share(string? text) => text is null ? null
        : (text.EndsWith('%') ? Numbers.Length(text[..^1]) / 100 : Numbers.Length(text)) is { } share ? Math.Clamp(share, 0, 1) : null;
}
