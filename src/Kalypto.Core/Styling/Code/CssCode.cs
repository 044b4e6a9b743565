using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as CSS.</summary>
public sealed class CssCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "css";

    /// <inheritdoc/>
    public string Name => "CSS";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var text = new StringBuilder();
        foreach (var note in Notes(values))
        {
            text.Append("/* ").Append(note.Replace("*/", "* /", StringComparison.Ordinal)).Append(" */\n");
        }
        if (values.Border is { Dashes: { IsEmpty: false } dashes })
        {
            text.Append("/* Its dashes and gaps are ").AppendJoin(", ", dashes.Select(Px)).Append(" long; a border has lengths of its own. */\n");
        }
        Rule(text, $".{name}", Declarations(values, tokens));
        if (values.Text is { } words)
        {
            var number = 1;
            foreach (var run in OtherRuns(words))
            {
                text.Append("\n\n");
                Rule(text, $".{name} .part-{++number}", RunDeclarations(run, words.Main, tokens));
            }
        }
        return text.ToString();
    }

    /// <summary>The runs of a text that are set otherwise than most of it, each once.</summary>
    public static IEnumerable<TextRun> OtherRuns(TextValue text) => text.Lines.SelectMany(l => l.Runs).Where(r => !IsLike(r, text.Main)).DistinctBy(r => (r.Type, r.Fill));

    /// <summary>True for words that are set and painted alike.</summary>
    public static bool IsLike(TextRun a, TextRun b) => a.Type == b.Type && Equals(a.Fill, b.Fill);

    /// <summary>The declarations of a layer, without where it lies.</summary>
    public static IEnumerable<(string Property, string Value)> Declarations(LayerValues values, ITokenNames tokens)
    {
        if (values.Text is not { } text)
        {
            yield return ("width", Px(values.Box.Width));
            yield return ("height", Px(values.Box.Height));
        }
        else
        {
            foreach (var declaration in RunDeclarations(text.Main, null, tokens))
            {
                yield return declaration;
            }
            if (LineHeight(text) is { } height)
            {
                yield return ("line-height", Px(height));
            }
            if (text.Anchor != "start")
            {
                yield return ("text-align", text.Anchor == "middle" ? "center" : "end");
            }
        }
        if (values.Border is { } border)
        {
            yield return ("box-sizing", "border-box");
            if (border.Fill is SolidFill line)
            {
                yield return ("border", $"{Px(border.Width)} {(border.Dashes.IsEmpty ? "solid" : border.Dashes[0] <= border.Width * 1.5 ? "dotted" : "dashed")} {Of(line.Colour, tokens)}");
            }
            else
            {
                yield return ("border", $"{Px(border.Width)} solid transparent");
                // The border shows what lies beneath its box, the box itself its own.
                yield return ("background", $"{(values.Fill is { } inner ? Layered(inner, values.Box, tokens) : "linear-gradient(transparent, transparent)")} padding-box, {Layered(border.Fill, values.Box, tokens)} border-box");
            }
        }
        if (values.Fill is { } fill && values.Border is not { Fill: not SolidFill })
        {
            yield return fill is SolidFill solid ? ("background-color", Of(solid.Colour, tokens)) : ("background", Image(fill, values.Box, tokens));
        }
        if (!values.Radii.AreNone)
        {
            yield return ("border-radius", tokens.NameOf(values.Radii) is { } radius ? $"var(--{radius})" : values.Radii.AreOne ? Px(values.Radii.UpperLeft)
                : $"{Px(values.Radii.UpperLeft)} {Px(values.Radii.UpperRight)} {Px(values.Radii.LowerRight)} {Px(values.Radii.LowerLeft)}");
        }
        if (values.Outline is { } outline)
        {
            yield return ("clip-path", $"path(\"{outline}\")");
        }
        if (!values.Shadows.IsEmpty)
        {
            // What one looks through would hide the shadow of a box beneath itself, which a drawing does not.
            var isSolid = values.Outline is null && values.Text is null && (values.Fill is SolidFill { Colour.Alpha: >= 0.999 } || values.Fill is LinearFill { Stops: var s } && s.All(p => p.Colour.Alpha >= 0.999) || values.Shadows.All(p => p.IsInside));
            yield return values.Text is not null ? ("text-shadow", string.Join(", ", values.Shadows.Select(p => $"{Px(p.X)} {Px(p.Y)} {Px(p.Blur)} {Of(p.Colour, tokens)}")))
                : isSolid || values.Shadows.Any(p => p.Spread != 0 || p.IsInside) ? ("box-shadow", tokens.NameOf(values.Shadows) is { } shadow ? $"var(--{shadow})" : OfShadows(values.Shadows, c => Of(c, tokens)))
                : ("filter", string.Join(' ', values.Shadows.Select(p => $"drop-shadow({Px(p.X)} {Px(p.Y)} {Px(p.Blur / 2)} {Of(p.Colour, tokens)})")));
        }
        if (values.Blur > 0)
        {
            yield return ("filter", $"blur({Px(values.Blur)})");
        }
        if (values.Opacity < 1)
        {
            yield return ("opacity", Share(values.Opacity));
        }
        if (values.Blend is { } blend)
        {
            yield return ("mix-blend-mode", blend);
        }
        if (values.Turn != 0)
        {
            yield return ("transform", $"rotate({N(values.Turn)}deg)");
        }
    }

    /// <summary>Where a layer lies on its screen: so that a box of these values stands as it was drawn.</summary>
    public static IEnumerable<(string Property, string Value)> Place(LayerValues values)
    {
        yield return ("position", "absolute");
        if (values.Text is not { } text || LineHeight(text) is not { } height || text.Lines[0].Measure is not { } first)
        {
            yield return ("left", Px(values.Box.X));
            yield return ("top", Px(values.Box.Y));
            yield break;
        }
        // Half of what a line is higher than its font stands above it.
        yield return ("top", Px(text.Lines[0].Baseline - first.Ascent - (height - first.Ascent - first.Descent) / 2));
        var width = Math.Ceiling(text.Lines.Max(l => l.Measure?.Width ?? 0)) + 1;
        yield return ("left", Px(text.Lines[0].X - (text.Anchor == "middle" ? width / 2 : text.Anchor == "end" ? width : 0)));
        yield return ("width", Px(width));
        yield return ("white-space", "pre");
    }

    /// <summary>The declarations of words.</summary>
    /// <param name="run">The words.</param>
    /// <param name="around">Words whose declarations hold already; null for none.</param>
    /// <param name="tokens">What values are called.</param>
    public static IEnumerable<(string Property, string Value)> RunDeclarations(TextRun run, TextRun? around, ITokenNames tokens)
    {
        var (type, other) = (run.Type, around?.Type);
        if (type.Families != (other?.Families ?? ""))
        {
            yield return ("font-family", string.Join(", ", FamilyList.Of(type.Families).Select(f => f.All(c => char.IsAsciiLetter(c) || c == '-') ? f : $"\"{f.Replace("\"", "", StringComparison.Ordinal)}\"")));
        }
        if (type.Size != other?.Size)
        {
            yield return ("font-size", Px(type.Size));
        }
        if (type.Weight != (other?.Weight ?? 400))
        {
            yield return ("font-weight", type.Weight.ToString(CultureInfo.InvariantCulture));
        }
        if (type.IsItalic != (other?.IsItalic ?? false))
        {
            yield return ("font-style", type.IsItalic ? "italic" : "normal");
        }
        if (type.LetterSpacing != (other?.LetterSpacing ?? 0))
        {
            yield return ("letter-spacing", Px(type.LetterSpacing));
        }
        if (type.Decoration != (other?.Decoration ?? "none"))
        {
            yield return ("text-decoration", type.Decoration);
        }
        if (around is null || !Equals(run.Fill, around.Fill))
        {
            switch (run.Fill)
            {
                case SolidFill solid:
                    yield return ("color", Of(solid.Colour, tokens));
                    break;
                case null:
                    yield return ("color", "transparent");
                    break;
                default:
                    yield return ("color", "transparent");
                    yield return ("background", Image(run.Fill, default, tokens));
                    yield return ("background-clip", "text");
                    break;
            }
        }
    }

    /// <summary>From line to line, in pt: as drawn or, of one line, as its font has it; null while that is not measured.</summary>
    public static double? LineHeight(TextValue text) => text.Main.Type.LineHeight ?? (text.Lines[0].Measure is { } measure ? Math.Round(measure.Ascent + measure.Descent) : null);

    /// <summary>A colour: <c>#fff</c>, <c>rgb(255 255 255 / 12%)</c>.</summary>
    public static string OfColour(Colour colour)
    {
        var hex = colour.ToHex();
        return colour.Alpha < 1 ? $"rgb({colour.Red} {colour.Green} {colour.Blue} / {Share(colour.Alpha)})" : hex[1] == hex[2] && hex[3] == hex[4] && hex[5] == hex[6] ? $"#{hex[1]}{hex[3]}{hex[5]}" : hex;
    }

    /// <summary>Shadows as the value of <c>box-shadow</c>.</summary>
    public static string OfShadows(IEnumerable<Shadow> shadows, Func<Colour, string> colour) => string.Join(", ",
        shadows.Select(s => $"{(s.IsInside ? "inset " : "")}{Px(s.X)} {Px(s.Y)} {Px(s.Blur)}{(s.Spread != 0 ? " " + Px(s.Spread) : "")} {colour(s.Colour)}"));

    /// <summary>A length: <c>0</c>, <c>14px</c>.</summary>
    public static string Px(double length) => N(length) is var text && text == "0" ? text : text + "px";

    private static string Of(Colour colour, ITokenNames tokens) => tokens.NameOf(colour) is { } name ? $"var(--{name})" : OfColour(colour);

    // One colour as a picture, where several lie over one another.
    private static string Layered(Fill fill, Box box, ITokenNames tokens) => fill is SolidFill solid ? $"linear-gradient({Of(solid.Colour, tokens)}, {Of(solid.Colour, tokens)})" : Image(fill, box, tokens);

    private static string Image(Fill fill, Box box, ITokenNames tokens) => fill switch
    {
        LinearFill l => $"{(l.Repeats ? "repeating-" : "")}linear-gradient({(l.Angle == 180 ? "" : N(l.Angle) + "deg, ")}{Stops(l.Stops, tokens)})",
        RadialFill r => $"radial-gradient({(r.Across == r.Down ? Px(r.Across) : $"{Px(r.Across)} {Px(r.Down)}")} at {(IsMiddle(r, box) ? "center" : $"{Px(r.X)} {Px(r.Y)}")}, {Stops(r.Stops, tokens)})",
        SolidFill s => Of(s.Colour, tokens),
        _ => throw new ArgumentOutOfRangeException(nameof(fill)),
    };

    private static bool IsMiddle(RadialFill fill, Box box) => Math.Abs(fill.X - box.Width / 2) < 0.01 && Math.Abs(fill.Y - box.Height / 2) < 0.01;

    private static string Stops(IReadOnlyList<GradientStop> stops, ITokenNames tokens)
    {
        // Places that follow from their number are not said.
        bool IsPlain(GradientStop stop, int i) => (i == 0 && Math.Abs(stop.At) < 1e-4) || (i == stops.Count - 1 && Math.Abs(stop.At - 1) < 1e-4);
        return string.Join(", ", stops.Select((s, i) => Of(s.Colour, tokens) + (IsPlain(s, i) ? "" : " " + Share(s.At))));
    }

    private static string Share(double share) => Numbers.Text(share * 100, 2) + "%";

    private static void Rule(StringBuilder text, string selector, IEnumerable<(string Property, string Value)> declarations)
    {
        text.Append(selector).Append(" {\n");
        foreach (var (property, value) in declarations)
        {
            text.Append("  ").Append(property).Append(": ").Append(value).Append(";\n");
        }
        text.Append('}');
    }
}
