namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Takes away groups that say nothing, and those around one element that can say it itself.</summary>
internal sealed class FewerGroups : ISvgRule
{
    private static readonly string[] Effects = ["opacity", "clip-path", "mask", "filter", "style", "id"];

    public void Apply(ExportNode root, int decimals) => Walk(root);

    private static void Walk(ExportNode node)
    {
        foreach (var child in node.Elements)
        {
            Walk(child);
        }
        var children = new List<ExportNode>();
        foreach (var child in node.Children)
        {
            if (child.Name == "g" && node.Name != "switch")
            {
                if (child.Children.Count == 1 && child.Elements.Any() && child.Children[0] is var only && CanTake(only, child))
                {
                    Merge(child, only);
                }
                if (child.Attributes.Count == 0)
                {
                    children.AddRange(child.Children);
                    continue;
                }
            }
            children.Add(child);
        }
        node.Replace(children);
    }

    private static bool CanTake(ExportNode only, ExportNode group) =>
        only["id"] is null && group["id"] is null && only.Name is not ("svg" or "use" or "image" or "defs")
        && (!Effects.Any(e => group[e] is not null) || !Effects.Any(e => only[e] is not null) && only["transform"] is null)
        && !(group["transform"] is not null && only.IsPlacedByStyle)
        && !(group["transform"] is not null && Effects.Any(e => only[e] is not null && e is not "opacity"));

    private static void Merge(ExportNode group, ExportNode only)
    {
        foreach (var (name, value) in group.Attributes.ToList())
        {
            if (name == "transform")
            {
                only["transform"] = only["transform"] is { } own ? $"{value} {own}" : value;
            }
            else if (only[name] is null)
            {
                only[name] = value;
            }
            group[name] = null;
        }
    }
}
