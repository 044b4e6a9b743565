namespace Kalypto.Core.Reading.Normalising;

/// <summary>Writes colours of CSS Color level 4 in the forms of level 3.</summary>
internal sealed class ModernColours : INormalisation
{
    private static readonly string[] Properties = ["fill", "stroke", "color", "stop-color", "flood-color", "lighting-color"];

    public void Apply(ElementBuilder element, Action<string> note)
    {
        foreach (var property in Properties)
        {
            var value = element.Style(property);
            if (value is null || !CssColour.IsModern(value))
            {
                continue;
            }
            if (CssColour.ToLevel3(value) is not var (colour, isWide))
            {
                element.Beyond ??= "a colour that only browsers understand";
                note($"The colour “{value}” is not understood; black is drawn.");
                (colour, isWide) = ("#000000", CssColour.NamesWide(value));
            }
            if (isWide)
            {
                element.Wide += $"{property}:{value.Trim()};";
            }
            if (element.Name == "stop" && value.Contains("color(", StringComparison.OrdinalIgnoreCase))
            {
                element.Beyond ??= "wide colours in a gradient";
            }
            if (element.Declared?.ContainsKey(property) == true)
            {
                element.Declared[property] = colour;
            }
            else
            {
                element[property] = colour;
            }
        }
    }
}
