using System.Text.RegularExpressions;

namespace Kalypto.Core.Designs;

/// <summary>The words that stand in layers.</summary>
public static partial class LayerText
{
    /// <summary>The attribute of a shape or group that says which words it shows as outlines.</summary>
    public const string Words = "data-words";

    /// <summary>The words of a text layer with single spaces; empty for other layers.</summary>
    public static string Of(Layer layer) => layer.Content != LayerContent.Text ? "" : layer.Element[Words] is { } outlined ? outlined : WhiteSpace()
        .Replace(string.Concat(layer.Element.SelfAndDescendants().SelectMany(e => e.Children.OfType<TextNode>()).Select(t => t.Text)), " ").Trim();

    [GeneratedRegex(@"\s+")]
    private static partial Regex WhiteSpace();
}
