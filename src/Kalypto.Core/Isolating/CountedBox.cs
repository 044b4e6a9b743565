using System.Text.RegularExpressions;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>
/// Knows elements whose clip, mask or transform counts from the box of all that is in them, so that it would lie elsewhere around a
/// part of it (SVG 2, 8.10; CSS Transforms 1, 8).
/// </summary>
internal static partial class CountedBox
{
    /// <summary>Why a part of such an element needs the exact engine.</summary>
    public const string Reason = "a clip, mask or turn of a group that counts from all in it";

    private const int MostSteps = 8;
    private const string OfTheBox = "objectBoundingBox";

    /// <summary>True for such an element.</summary>
    /// <param name="element">A group, with its styles worked out.</param>
    /// <param name="drawing">The drawing, which defines its clips and masks.</param>
    public static bool Of(Element element, DrawingTree drawing) => element.Style("transform-box") is not (null or "view-box")
        || Cuts(element.Style("clip-path"), drawing, MostSteps) || Cuts(element.Style("mask"), drawing, MostSteps) || element.Style("mask-image") is not (null or "none");

    /// <summary>True for such an element as its own file says it: where a mask says nothing of its place, reading has said that it has one around everything.</summary>
    /// <param name="element">A group, with its styles worked out.</param>
    /// <param name="drawing">The drawing, which defines its clips and masks.</param>
    public static bool InItsFile(Element element, DrawingTree drawing) => element.Style("mask") is not (null or "none") || Of(element, drawing);

    private static bool Cuts(string? value, DrawingTree drawing, int left)
    {
        if (value is null or "none" || left == 0)
        {
            return false;
        }
        if (!References.IsReference(value))
        {
            return !OfTheView().IsMatch(value);
        }
        return References.Of("clip-path", value).FirstOrDefault() is { } id && drawing.Definitions.TryGetValue(id, out var found) && found.Element is var cut && cut.Name switch
        {
            "clipPath" => cut["clipPathUnits"] == OfTheBox || Cuts(cut.Style("clip-path"), drawing, left - 1),
            "mask" => cut["maskUnits"] is null or OfTheBox || cut["maskContentUnits"] == OfTheBox || Cuts(cut.Style("mask"), drawing, left - 1),
            _ => false,
        };
    }

    [GeneratedRegex(@"\bview-box\b", RegexOptions.IgnoreCase)]
    private static partial Regex OfTheView();
}
