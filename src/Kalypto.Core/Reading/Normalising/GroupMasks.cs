using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading.Normalising;

/// <summary>
/// Gives masks on groups that say nothing of where they reach a place around everything: it would count from the box of the group,
/// a tenth beyond it on each side, and be another one around a single layer of it, or none at all around a straight line.
/// </summary>
internal static class GroupMasks
{
    private const double Reach = 100;
    private static readonly string[] Region = ["x", "y", "width", "height"];

    /// <summary>Rewrites a drawing whose styles are worked out.</summary>
    /// <param name="root">The drawing.</param>
    public static void Rewrite(ElementBuilder root)
    {
        var masks = root.SelfAndDescendants().Where(e => e.Name == "mask" && e["id"] is not null).DistinctBy(e => e["id"]!).ToDictionary(e => e["id"]!, StringComparer.Ordinal);
        if (masks.Count == 0)
        {
            return;
        }
        var masked = root.SelfAndDescendants().Where(e => e.Style("mask") is not null).ToLookup(e => References.Of("mask", e.Style("mask")!).FirstOrDefault() ?? "");
        var reach = Reach * Math.Max(1000, Numbers.List(root["viewBox"]) is [_, _, var width, var height] ? Math.Max(width, height) : 0);
        foreach (var (id, mask) in masks)
        {
            if (SaysNoPlace(mask) && masked[id].Any() && masked[id].All(e => e.Elements.Where(c => SvgNames.IsLayer(c.Name)).Skip(1).Any()))
            {
                mask["maskUnits"] = "userSpaceOnUse";
                (mask["x"], mask["y"], mask["width"], mask["height"]) = (Numbers.Text(-reach), Numbers.Text(-reach), Numbers.Text(2 * reach), Numbers.Text(2 * reach));
            }
        }
    }

    private static bool SaysNoPlace(ElementBuilder mask) => mask["maskUnits"] is null or "objectBoundingBox" && mask["maskContentUnits"] is null or "userSpaceOnUse"
        && mask.Style("mask") is null or "none" && Region.All(r => mask[r] is null);
}
