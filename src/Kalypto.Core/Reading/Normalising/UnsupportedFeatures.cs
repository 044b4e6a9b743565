using System.Text.RegularExpressions;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>Says of every feature that the quick engine draws differently from a browser that it is there, so that the exact engine draws it.</summary>
internal sealed partial class UnsupportedFeatures : INormalisation
{
    private const string Exact = "is drawn otherwise than in a browser; let the exact engine draw it, or convert it to plain shapes.";

    // What else a property may say changes nothing, or the quick engine draws it as well.
    private static readonly (string Property, string[] Harmless, string Reason)[] Properties =
    [
        ("textLength", [], "text stretched to a length (textLength)"),
        ("word-spacing", ["normal", "0", "0px"], "word spacing"),
        ("text-transform", ["none"], "text-transform"),
        ("text-shadow", ["none"], "a shadow of text"),
        ("baseline-shift", ["0", "baseline"], "a shifted baseline"),
        ("dominant-baseline", ["auto", "alphabetic", "baseline"], "dominant-baseline"),
        ("alignment-baseline", ["auto", "alphabetic", "baseline"], "alignment-baseline"),
        ("writing-mode", ["lr", "lr-tb", "horizontal-tb"], "vertical writing"),
        ("font-feature-settings", ["normal"], "features of a font"),
        ("font-variant", ["normal"], "small capitals or figures of a font"),
        ("font-variant-caps", ["normal"], "small capitals"),
        ("font-kerning", ["auto", "normal"], "kerning that is turned off"),
        ("color-interpolation", ["auto", "sRGB"], "colours mixed in linear light"),
        ("font-variant-numeric", ["normal"], "figures of a font"),
        ("font-variation-settings", ["normal"], "axes of a font"),
        ("white-space", ["normal", "nowrap"], "kept white space"),
        ("transform-box", ["view-box"], "transform-box"),
        ("transform-origin", ["0 0", "0px 0px"], "transform-origin"),
        ("vector-effect", ["none"], "a stroke that does not scale"),
        ("image-rendering", ["auto", "smooth", "optimizeQuality"], "a picture with hard pixels"),
        ("mask-image", ["none"], "a CSS mask image"),
        ("backdrop-filter", ["none"], "blur of what lies behind (backdrop-filter)"),
        ("offset-path", ["none"], "offset-path"),
        ("rotate", ["none", "0", "0deg"], "CSS rotate"),
        ("scale", ["none", "1"], "CSS scale"),
        ("translate", ["none", "0", "0px"], "CSS translate"),
        ("perspective", ["none"], "perspective"),
    ];

    private static readonly Dictionary<string, string> Elements = new()
    {
        ["textPath"] = "text along a path",
        ["tref"] = "text referred to (tref)",
        ["feImage"] = "the filter step feImage",
        ["feTurbulence"] = "the filter step feTurbulence",
        ["feDisplacementMap"] = "the filter step feDisplacementMap",
        ["feDiffuseLighting"] = "a lighting filter",
        ["feSpecularLighting"] = "a lighting filter",
    };

    private static readonly string[] PerLetter = ["x", "y", "dx", "dy", "rotate"];

    public void Apply(ElementBuilder element, Action<string> note)
    {
        if ((element.Declared?.GetValueOrDefault("animation") ?? element.Declared?.GetValueOrDefault("animation-name")) is { } moves && !moves.StartsWith("none", StringComparison.Ordinal))
        {
            note(SvgParser.Still);
        }
        foreach (var reason in ReasonsOf(element))
        {
            element.Beyond ??= reason;
            note($"{char.ToUpperInvariant(reason[0])}{reason[1..]} {Exact}");
        }
    }

    private static IEnumerable<string> ReasonsOf(ElementBuilder element)
    {
        // Letters may be placed one by one by an attribute that is called like a property.
        var isText = element.Name is "text" or "tspan" or "textPath";
        foreach (var (property, harmless, reason) in Properties)
        {
            if ((property is "rotate" or "scale" or "translate" ? element.Declared?.GetValueOrDefault(property) : element.Style(property)) is { } value && !harmless.Contains(value.Trim()))
            {
                yield return reason;
            }
        }
        if (Elements.TryGetValue(element.Name, out var step))
        {
            yield return step;
        }
        if (isText && (PerLetter.Any(a => IsList(element[a])) || element["rotate"] is not (null or "0")))
        {
            yield return "letters placed one by one";
        }
        if (element.Declared?.ContainsKey("d") == true)
        {
            yield return "a path given in CSS (d: path())";
        }
        if (element.Style("clip-path") is { } clip && Function().IsMatch(clip))
        {
            yield return "a clip by a CSS shape";
        }
        if (element.Style("mask") is { } mask && Function().IsMatch(mask))
        {
            yield return "a CSS mask image";
        }
        if (element.Declared?.GetValueOrDefault("transform") is { } transform && OtherUnit().IsMatch(transform))
        {
            yield return "a transform in other units than px and degrees";
        }
        if (element.Attributes.Any(a => IsGeometry(a.Name) && PageUnit().IsMatch(a.Value)) || element.Declared?.Any(d => IsGeometry(d.Key) && PageUnit().IsMatch(d.Value)) == true)
        {
            yield return "lengths that count from the page or the font of the root";
        }
        if (isText && IsSpaced(element) && element.Style("text-anchor") is "middle" or "end")
        {
            yield return "letter-spacing of text that is not set from its start";
        }
        if (element.Style("filter") is { } filter && Function().IsMatch(filter))
        {
            yield return "a CSS filter";
        }
        if (element.Style("mix-blend-mode") is "plus-lighter" or "plus-darker" || (element.Name == "feBlend" && element["mode"] is "plus-lighter" or "plus-darker"))
        {
            yield return "the blend mode plus";
        }
        if (element.Name.StartsWith("fe", StringComparison.Ordinal) && (element["in"] is "BackgroundImage" or "BackgroundAlpha" || element["in2"] is "BackgroundImage" or "BackgroundAlpha"))
        {
            yield return "a filter that takes in what lies behind";
        }
        // The shadow of something is its blur too, but in one colour; a step that was made here for such a one is no blur of the drawing.
        if (element.Name == "feGaussianBlur" && element.Column > 0 && FilterInputs.HaveColours(element))
        {
            yield return "a blur";
        }
        if (element.Name == "feGaussianBlur" && element["stdDeviation"]?.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries) is [var across, var down] && across != down)
        {
            yield return "a blur that differs across and down";
        }
        if (isText && (element.Style("text-decoration") ?? element.Style("text-decoration-line") ?? "none") is not "none")
        {
            yield return "a line under or through text";
        }
        if (isText && element.Elements.Any() && element.SelfAndDescendants().Skip(1).SelectMany(e => e.Children.OfType<string>()).Any(t => t.Length > 0 && (char.IsWhiteSpace(t[0]) || char.IsWhiteSpace(t[^1]))))
        {
            yield return "spaces at the edge of a run of text";
        }
        if (isText && element.Children.OfType<string>().Any(t => t.Any(IsBeyondLatin)))
        {
            yield return "letters that a font may lack";
        }
        if (element.Name == "symbol" && element["preserveAspectRatio"]?.Contains("slice", StringComparison.Ordinal) == true)
        {
            yield return "a symbol that is cut";
        }
        if (element.Name == "clipPath" && element.Style("clip-path") is not (null or "none"))
        {
            yield return "a clip that is clipped";
        }
        if (element.Name == "mask" && element.Style("mask") is not (null or "none"))
        {
            yield return "a mask that is masked";
        }
        if (element.Name == "pattern" && element["patternTransform"] is { } turned && Matrix.Parse(turned) is { } matrix && Math.Abs(matrix.B) + Math.Abs(matrix.C) > 1e-6)
        {
            yield return "a pattern that is turned";
        }
        if (element["pathLength"] is not null && element.Style("stroke-dasharray") is not (null or "none"))
        {
            yield return "dashes along a given length (pathLength)";
        }
        if (isText && IsSpaced(element) && (element.Name == "tspan" || element.Elements.Any()))
        {
            yield return "letter-spacing across runs of text";
        }
        if (isText && element.Style("stroke") is not (null or "none"))
        {
            yield return "text with a stroke";
        }
        if (element.Name == "tspan" && (element.Style("font-size") is { } size && (size.EndsWith("em", StringComparison.Ordinal) || size.EndsWith('%'))))
        {
            yield return "a size that counts from the text around";
        }
        if (element.Declared?.Values.Any(v => Computed().IsMatch(v)) == true)
        {
            yield return "values that a browser works out (calc, color-mix)";
        }
    }

    private static bool IsSpaced(ElementBuilder element) => element.Style("letter-spacing") is not (null or "normal" or "0" or "0px" or "0em");

    private static bool IsGeometry(string property) => property is "x" or "y" or "width" or "height" or "cx" or "cy" or "r" or "rx" or "ry" or "x1" or "y1" or "x2" or "y2" or "dx" or "dy"
        or "font-size" or "stroke-width" or "stroke-dasharray" or "letter-spacing";

    // All but the Latin letters of Europe and the marks that are set with them: a font may lack it, and engines choose other fonts then.
    private static bool IsBeyondLatin(char c) => c is >= '\u0180' and not ((>= '\u2000' and <= '\u203a') or '\u20ac' or '\u2122');

    private static bool IsList(string? value) =>
        value?.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries).Length > 1;

    [GeneratedRegex(@"(?<![\w-])(?!url\b)[a-z-]+\(", RegexOptions.IgnoreCase)]
    private static partial Regex Function();

    [GeneratedRegex(@"(?<![\w-])(calc|min|max|clamp|color-mix|light-dark|color|env|attr|round|sin|cos)\(", RegexOptions.IgnoreCase)]
    private static partial Regex Computed();

    [GeneratedRegex(@"\d((turn|grad|rad|em|rem|ch|vw|vh)\b|%)", RegexOptions.IgnoreCase)]
    private static partial Regex OtherUnit();

    [GeneratedRegex(@"\d(rem|ch|vw|vh|vmin|vmax|lh|rlh|cap|ic|q)\b", RegexOptions.IgnoreCase)]
    private static partial Regex PageUnit();
}
