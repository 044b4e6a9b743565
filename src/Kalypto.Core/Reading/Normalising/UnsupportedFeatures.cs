namespace Kalypto.Core.Reading.Normalising;

/// <summary>Says of every feature that the renderer draws differently from a browser that it is there.</summary>
internal sealed class UnsupportedFeatures : INormalisation
{
    private static readonly (string Property, string[] Harmless, string Sentence)[] Properties =
    [
        ("textLength", [], "Text stretched to a length (textLength) is drawn at its natural length."),
        ("word-spacing", ["normal", "0", "0px"], "Word spacing is not drawn."),
        ("text-transform", ["none"], "text-transform is not applied; type the letters as they are to look."),
        ("dominant-baseline", ["auto", "alphabetic", "baseline"], "dominant-baseline is not applied; the text may sit higher or lower."),
        ("transform-box", ["view-box"], "transform-box is not applied; a turned layer may sit elsewhere."),
        ("transform-origin", ["0 0", "0px 0px"], "transform-origin is not applied; a turned layer may sit elsewhere."),
        ("mask-image", ["none"], "CSS mask images are not drawn; use an SVG mask."),
        ("backdrop-filter", ["none"], "What lies behind a layer is not blurred (backdrop-filter)."),
        ("offset-path", ["none"], "offset-path is not applied."),
    ];

    private static readonly string[] PerLetter = ["x", "y", "dx", "dy", "rotate"];

    public void Apply(ElementBuilder element, Action<string> note)
    {
        foreach (var (property, harmless, sentence) in Properties)
        {
            if (element.Style(property) is { } value && !harmless.Contains(value.Trim()))
            {
                note(sentence);
            }
        }
        switch (element.Name)
        {
            case "textPath":
                note("Text along a path is not drawn; convert it to outlines.");
                break;
            case "feImage":
                note("The filter step feImage is not drawn.");
                break;
            case "text" or "tspan" when PerLetter.Any(a => IsList(element[a])):
                note("Letters placed one by one (lists in x, y, dx, dy, rotate) are drawn in one run; convert the text to outlines.");
                break;
        }
        if (element.Declared?.TryGetValue("d", out _) == true)
        {
            note("A path given in CSS (d: path()) is not drawn; write it as the attribute d.");
        }
    }

    private static bool IsList(string? value) =>
        value?.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries).Length > 1;
}
