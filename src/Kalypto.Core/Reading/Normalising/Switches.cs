namespace Kalypto.Core.Reading.Normalising;

/// <summary>
/// Makes a group of a <c>switch</c> in which only the child is shown that a browser in English would choose (SVG 1.1, 5.8), so that
/// its layers are layers like any other. The others stay as hidden layers.
/// </summary>
internal sealed class Switches : INormalisation
{
    private const string Language = "en";
    private static readonly string[] Conditions = ["systemLanguage", "requiredExtensions", "requiredFeatures"];

    public void Apply(ElementBuilder element, Action<string> note)
    {
        if (element.Name != "switch")
        {
            return;
        }
        element.Name = "g";
        ElementBuilder? chosen = null;
        foreach (var child in element.Elements)
        {
            if (chosen is null && IsTrue(child))
            {
                chosen = child;
            }
            else
            {
                child["display"] = "none";
                child.Declared?.Remove("display");
                child.Beyond = null;
            }
            foreach (var condition in Conditions)
            {
                child[condition] = null;
            }
        }
    }

    private static bool IsTrue(ElementBuilder child) => child["requiredExtensions"] is null
        && (child["systemLanguage"] is not { } languages || languages.Split(',').Any(l => l.Trim() is { } one && (one.Equals(Language, StringComparison.OrdinalIgnoreCase) || one.StartsWith(Language + "-", StringComparison.OrdinalIgnoreCase))));
}
