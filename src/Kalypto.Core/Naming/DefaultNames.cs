using System.Text.RegularExpressions;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Naming;

/// <summary>Knows the names that drawing programs give by themselves, and that therefore count as not named yet.</summary>
public static partial class DefaultNames
{
    /// <summary>True when nobody gave the layer a name of its own.</summary>
    public static bool IsNotNamed(Layer layer) => layer.NameSource switch
    {
        NameSource.None or NameSource.Words => true,
        _ => layer.Content != LayerContent.Screen && (IsDefault(layer.Name) || IsOwnText(layer)),
    };

    /// <summary>True for names like "Group 41", "Rectangle", "Layer 4 copy" and "path1234".</summary>
    public static bool IsDefault(string name) => Default().IsMatch(name) || MachineMade().IsMatch(name);

    /// <summary>A name without what copying put behind it: “bell copy 2” and “bell-3” are both “bell”.</summary>
    public static string WithoutCopy(string name) => CopyEnd().Replace(name, "") is { Length: > 0 } bare ? bare : name;

    private static bool IsOwnText(Layer layer) => layer.Content == LayerContent.Text
        && string.Concat(layer.Element.SelfAndDescendants().SelectMany(e => e.Children.OfType<TextNode>()).Select(t => t.Text)).Trim() == layer.Name;

    [GeneratedRegex(@"^(group|rectangle|rect|square|ellipse|circle|oval|polygon|star|triangle|path|line|arrow|curve|layer|vector|shape|image|picture|bitmap|photo|text|label|frame|mask|clip|union|subtract|intersect|combined shape|compound path|symbol|object|g|svg|use|repeat|untitled|unnamed|new|board|slice|screenshot|scan)([\s_-]*\d+)?([\s_-]+copy([\s_-]*\d+)?)*$", RegexOptions.IgnoreCase)]
    private static partial Regex Default();

    [GeneratedRegex(@"([\s_-]+(copy|\d{1,3})|\s*\(\d{1,3}\))+$", RegexOptions.IgnoreCase)]
    private static partial Regex CopyEnd();

    // Ids such as path1234-5-8, SVGID_1_, _x31_, g0001, and long runs of hexadecimal digits.
    [GeneratedRegex(@"^([a-z]{1,10}\d{3,}([-_]\d+)*|(img|dsc|dscf|dscn|pxl|scan|screenshot)[-_ ]?\d[\d_ -]*(copy)?|svgid_\d+_?|_x[0-9a-f]{2,4}_.*|[0-9a-f]{8,}(-[0-9a-f]+)*|\W*\d+\W*)$", RegexOptions.IgnoreCase)]
    private static partial Regex MachineMade();
}
